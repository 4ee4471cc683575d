using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Prescribe;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Prescribe;

/// <summary>A practice tree to keep.</summary>
public sealed record PracticeRun : BenchCuts
{
    /// <summary>Given by the device, so that a tree sent twice is one.</summary>
    public Guid Id { get; init; }

    /// <summary>Who cut it: somebody of the crew.</summary>
    public Guid Worker { get; init; }
}

/// <summary>A practice tree that was kept.</summary>
public sealed record PracticeLine(
    Guid Id,
    string Pruner,
    DateTimeOffset At,
    string Tree,
    int Score,
    int BudsLeft,
    double Target,
    double Minutes,
    IReadOnlyList<Notice> Remarks
);

/// <summary>A tree of a course.</summary>
/// <param name="Planting">Planting it stands in.</param>
/// <param name="Code">Code of that planting.</param>
/// <param name="Name">Its name.</param>
/// <param name="System">Name of its system.</param>
/// <param name="Asks">Which tree, and what it asks.</param>
public sealed record CourseTree(Guid Planting, string Code, string Name, LocalText System, PracticeAsk Asks);

/// <summary>What the last tree showed, to choose the next.</summary>
public sealed record NextTreeEntry
{
    private const int MostSeen = 200,
        MostSaid = 60;

    /// <summary>Trunk class; the middle one when left out.</summary>
    public string? Class { get; init; }

    /// <summary>Numbers of the trees cut already, the last one last.</summary>
    public IReadOnlyList<int> Seen { get; init; } = [];

    /// <summary>Codes of what was said of the last, the gravest first.</summary>
    public IReadOnlyList<string> Said { get; init; } = [];

    internal NextTreeEntry Bounded() =>
        this with
        {
            Seen = [.. Seen.TakeLast(MostSeen)],
            Said = [.. Said.Take(MostSaid)],
        };
}

/// <summary>The next tree to practise on.</summary>
/// <param name="Tree">The tree; null where every tree of the class was cut.</param>
/// <param name="Trains">What it trains; null likewise.</param>
public sealed record NextTree(PracticeAsk? Tree, Trains? Trains);

internal static class PracticeEndpoints
{
    public static RouteGroupBuilder MapPractice(this RouteGroupBuilder api)
    {
        var planting = api.MapGroup("/plantings/{id:guid}").WithTags("Prescribe");
        planting.MapGet("/practice", Runs).For(Act.Practice).WithSummary("Trees cut for practice, the latest first");
        planting.MapPost("/practice", Keep).For(Act.Practice).WithSummary("Keep a tree cut for practice");
        planting
            .MapPost("/practice/next", Next)
            .For(Act.Read)
            .WithSummary("The next tree to practise on: one that trains what went worst on the last");
        api.MapGet("/practice", Pruners)
            .For(Act.Practice)
            .WithTags("Prescribe")
            .WithSummary("What the season's practice shows of each pruner, over all plantings");
        api.MapGet("/practice/course", Course)
            .For(Act.Read)
            .WithTags("Prescribe")
            .WithSummary("Five trees for a first day, of the estate's own systems and rising difficulty");
        return api;
    }

    private static Task<Ok<IReadOnlyList<CourseTree>>> Course(
        PrescribeStore store,
        CatalogueStore catalogues,
        BenchTrees trees,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync<Ok<IReadOnlyList<CourseTree>>>(http, async cancel =>
        {
            var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
            List<CourseTree> offered = [];
            foreach (var grounds in await store.PracticeGroundsAsync(cancel))
            foreach (var ground in grounds)
            {
                if (await trees.AsksAsync(ground.Id, null, cancel) is not { Count: > 0 } asks)
                    continue;
                var system = catalogue.System(ground.System)!.Name;
                offered.AddRange(asks.Select(a => new CourseTree(ground.Id, ground.Code, ground.Name, system, a)));
                break;
            }
            return TypedResults.Ok(PracticeCourse.Rising(offered, t => t.Asks.Difficulty, t => t.Planting));
        });

    private static Task<Results<Ok<NextTree>, NotFound>> Next(
        Guid id,
        NextTreeEntry body,
        BenchTrees trees,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync<Results<Ok<NextTree>, NotFound>>(http, async cancel =>
        {
            if (await trees.AsksAsync(id, body.Class, cancel) is not { } asks)
                return TypedResults.NotFound();
            var entry = body.Bounded();
            var next = PracticeCourse.Next(asks, entry.Seen, entry.Said);
            return TypedResults.Ok(new NextTree(next?.Tree, next?.Trains));
        });

    private static async Task<Ok<IReadOnlyList<PrunerPractice>>> Pruners(
        EstateStore estates,
        PrescribeStore store,
        CancellationToken cancel
    ) => TypedResults.Ok(await store.PrunersAsync((await estates.ReadAsync(cancel)).Season, cancel));

    private static async Task<Results<Ok<IReadOnlyList<PracticeLine>>, NotFound>> Runs(
        Guid id,
        PlantingStore plantings,
        PrescribeStore store,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        var runs = await store.RunsAsync(id, cancel);
        return TypedResults.Ok<IReadOnlyList<PracticeLine>>([
            .. runs.Select(r => new PracticeLine(
                r.Id,
                r.Worker!.Name,
                r.At,
                r.Tree,
                r.Score,
                r.BudsLeft,
                r.Target,
                r.Minutes,
                r.ToRemarks()
            )),
        ]);
    }

    private static async Task<Results<Ok<MadeCuts>, NotFound>> Keep(
        Guid id,
        PracticeRun body,
        BenchTrees trees,
        PrescribeStore store,
        CancellationToken cancel
    )
    {
        if (await trees.PutAsync(id, body.ToChoice(), cancel) is not { } put)
            return TypedResults.NotFound();
        var made = MadeCuts.Of(put.Bench, body.Cuts);
        var left = made.Cuts.Count == 0 ? put.Bench.Before.FloralBuds : made.Cuts[^1].After.FloralBuds;
        var tree = body.Row is { } row ? $"{row}/{body.Tree}" : $"{put.Of.Class.Name} {body.Number}";
        PracticeTree kept = new(body.Id, body.Worker, tree, put.Bench.ToLeave, left, made.Score);
        return await store.KeepRunAsync(id, put.Season, kept, cancel) ? TypedResults.Ok(made) : TypedResults.NotFound();
    }
}
