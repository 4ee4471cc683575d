using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Estate;
using Rama.Data.Prescribe;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Prescribe;

/// <summary>An exercise set for the crew.</summary>
/// <param name="Id">Given by the device.</param>
/// <param name="Planting">Planting its trees stand in.</param>
/// <param name="Code">Code of that planting.</param>
/// <param name="Name">Its name.</param>
/// <param name="System">Name of its system.</param>
/// <param name="Class">Trunk class of the trees.</param>
/// <param name="Numbers">Which of the class, the easiest first.</param>
/// <param name="Note">What to look at; null for nothing in particular.</param>
/// <param name="Person">Who set it; null where nobody is named.</param>
/// <param name="Mine">What whoever is signed in made of it; null before the first tree.</param>
/// <param name="Results">What each made of it; null to those who are told no scores of others.</param>
public sealed record ExerciseView(
    Guid Id,
    Guid Planting,
    string Code,
    string Name,
    LocalText System,
    string Class,
    IReadOnlyList<int> Numbers,
    string? Note,
    string? Person,
    ExerciseResult? Mine,
    IReadOnlyList<ExerciseResult>? Results
);

internal static class ExerciseEndpoints
{
    public static RouteGroupBuilder MapExercises(this RouteGroupBuilder api)
    {
        var exercises = api.MapGroup("/practice").WithTags("Prescribe");
        exercises.MapGet("/exercises", All).For(Act.Read).WithSummary("Exercises of the season, the latest first");
        exercises
            .MapPut("/exercises/{id:guid}", Set)
            .For(Act.Practice)
            .WithSummary("Set an exercise: trees of one class of a planting, each harder than the last");
        exercises
            .MapDelete("/exercises/{id:guid}", Remove)
            .For(Act.Practice)
            .WithSummary("Take an exercise away; the trees cut for it stay");
        return api;
    }

    private static async Task<Ok<IReadOnlyList<ExerciseView>>> All(
        HttpContext http,
        EstateStore estates,
        CatalogueStore catalogues,
        ExerciseStore store,
        PracticeStore practice,
        CancellationToken cancel
    )
    {
        var season = (await estates.ReadAsync(cancel)).Season;
        var exercises = await store.AllAsync(season, cancel);
        if (exercises.Count == 0)
            return TypedResults.Ok<IReadOnlyList<ExerciseView>>([]);
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        var all = SignedInPerson.RoleOf(http.User) is { } role && Permissions.May(role, Act.Practice);
        var me = (await practice.MyselfAsync(cancel))?.Id;
        // Who is told nothing of others has nothing of theirs read.
        IReadOnlyList<PractisedTree> trees =
            all || me is not null ? await practice.TreesAsync(all ? null : me, season, remarks: false, cancel) : [];
        return TypedResults.Ok<IReadOnlyList<ExerciseView>>([
            .. exercises.Select(e =>
            {
                var exercise = e.ToExercise();
                var results = exercise.Results(trees);
                return new ExerciseView(
                    e.Id,
                    e.PlantingId,
                    e.Planting!.Code,
                    e.Planting.Name,
                    catalogue.System(e.Planting.System)!.Name,
                    exercise.Class,
                    exercise.Numbers,
                    exercise.Note,
                    e.Person,
                    results.SingleOrDefault(r => r.Worker == me),
                    all ? results : null
                );
            }),
        ]);
    }

    private static Task<Results<NoContent, NotFound>> Set(
        Guid id,
        ExerciseEntry body,
        EstateStore estates,
        ExerciseStore store,
        BenchTrees trees,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync<Results<NoContent, NotFound>>(http, async cancel =>
        {
            if (await trees.AsksAsync(body.Planting, body.Class, cancel) is not { } asks)
                throw new UnusableEntryException([
                    new("planting", "unknown", "Planting: choose one that has a prescription."),
                ]);
            var season = (await estates.ReadAsync(cancel)).Season;
            await store.SetAsync(id, body.Read(season, asks), cancel);
            return TypedResults.NoContent();
        });

    private static async Task<Results<NoContent, NotFound>> Remove(
        Guid id,
        ExerciseStore store,
        CancellationToken cancel
    ) => await store.RemoveAsync(id, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
