using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Check;
using Rama.Core.Crew.Progress;
using Rama.Core.Plan;
using Rama.Core.Result.Learning;
using Rama.Core.Target.Insurance;
using Rama.Data.Crew;
using Rama.Data.Plan;
using Rama.Data.Result;
using Rama.Data.Target;
using Rama.Web.Accounts;
using Rama.Web.Check;
using Rama.Web.Passes;
using Rama.Web.Plan;

namespace Rama.Web.Result;

/// <summary>What the seasons of a planting taught.</summary>
/// <param name="Learning">What was learned, what holds, and what that does to the plan.</param>
/// <param name="Tests">How well each number was foretold, over all plantings of the estate.</param>
public sealed record PlantingLearningView(PlantingLearning Learning, IReadOnlyList<BackTest> Tests);

/// <summary>Learned numbers to set aside, with the version of the planting they were read at.</summary>
public sealed record SaveLearning(uint Version, LearnedChoicesEntry Learning);

/// <summary>What the seasons of all plantings taught.</summary>
/// <param name="Tests">How well each number was foretold.</param>
/// <param name="Plantings">Planting by planting, by code; those that learned nothing are left out.</param>
public sealed record EstateLearningView(IReadOnlyList<BackTest> Tests, IReadOnlyList<LearnedPlanting> Plantings);

/// <summary>What a planting's seasons taught.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="Lines">Number by number.</param>
public sealed record LearnedPlanting(
    Guid Planting,
    string Code,
    string Name,
    string Variety,
    IReadOnlyList<LearnedLine> Lines
);

/// <summary>What the work of the season taught: how long it takes, and how far it comes out from its number.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Logs">Row sets done whose hours are told.</param>
/// <param name="Plantings">Plantings row sets were logged of.</param>
/// <param name="Crews">Crews.</param>
/// <param name="Pruners">Pruners whose trees were checked.</param>
/// <param name="HoursTest">Whether the hours learned foretell row sets; null before there are row sets of two
/// days.</param>
/// <param name="Miss">How far pruning misses its number over all.</param>
/// <param name="UsualMiss">The miss before anybody checked, as a share.</param>
public sealed record LearnedWorkView(
    int Season,
    int Logs,
    IReadOnlyList<LearnedHand> Plantings,
    IReadOnlyList<LearnedHand> Crews,
    IReadOnlyList<LearnedHand> Pruners,
    BackTest? HoursTest,
    MissSpread Miss,
    double UsualMiss
);

/// <summary>A planting, crew or pruner.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">Its code or name.</param>
/// <param name="Minutes">How many times as long as expected; null where nothing of it is logged.</param>
/// <param name="Miss">How far trees come out from their number; null where none were checked.</param>
/// <param name="Hours">Which hours hold, of a planting; null for crews and pruners.</param>
public sealed record LearnedHand(Guid Id, string Name, LearnedFactor? Minutes, MissSpread? Miss, HeldHours? Hours);

/// <summary>Which hours of a planting hold.</summary>
/// <param name="Standing">Those expected, learned or pinned.</param>
/// <param name="Factor">Times those expected.</param>
public sealed record HeldHours(LearnedStanding Standing, double Factor);

internal static class LearningEndpoints
{
    public static RouteGroupBuilder MapLearning(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Result");
        group
            .MapGet("/plantings/{id:guid}/learning", Read)
            .For(Act.Read)
            .WithSummary("What past seasons taught of a planting, and what that does to its plan");
        group
            .MapPut("/plantings/{id:guid}/learning", Save)
            .For(Act.Target)
            .WithSummary("Put learned numbers back to what Rama comes with, or pin them");
        group
            .MapGet("/learning", All)
            .For(Act.Read)
            .WithSummary("What past seasons taught over the estate, and how well it foretold");
        group
            .MapGet("/learning/work", Work)
            .For(Act.Practice)
            .WithSummary("What row sets done and trees checked taught of crews and pruners");
        return api;
    }

    private static async Task<Results<Ok<PlantingLearningView>, NotFound>> Read(
        Guid id,
        PlantingStore store,
        LearningStore learned,
        TargetStore targets,
        CancellationToken cancel,
        int? season = null
    )
    {
        if (await store.FindAsync(id, cancel, season) is not { } stored)
            return TypedResults.NotFound();
        var entry = stored.ToEntry();
        var returns = await targets.ReturnsAsync(id, entry, stored.Catalogue, cancel);
        return PlantingLearning.Of(entry, stored.Catalogue, returns) is { } learning
            ? TypedResults.Ok(new PlantingLearningView(learning, await learned.TestsAsync(cancel)))
            : TypedResults.NotFound();
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SaveLearning body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Learning, cancel));

    private static async Task<Ok<EstateLearningView>> All(LearningStore learned, CancellationToken cancel) =>
        TypedResults.Ok(
            new EstateLearningView(
                await learned.TestsAsync(cancel),
                [
                    .. (await learned.PlantingsAsync(cancel)).Select(p => new LearnedPlanting(
                        p.Id,
                        p.Code,
                        p.Name,
                        p.Variety,
                        p.Lines
                    )),
                ]
            )
        );

    private static async Task<Ok<LearnedWorkView>> Work(
        PlantingYears years,
        EstateChecks checks,
        WorkerStore workers,
        CancellationToken cancel
    )
    {
        var year = await years.ReadAsync(cancel);
        var miss = PruningMiss.Of([
            .. from said in (await checks.ReadAsync(year, cancel)).Values
            from tree in said.Says.Trees
            where tree.Ratio is not null && !tree.Check.AfterPruning
            select (tree.Check.Crew, tree.Check.Pruner, tree.Ratio!.Value),
        ]);
        LearnedHand Hand(Guid id, string name, LearnedFactor? minutes, MissSpread? spread, HeldHours? hours = null) =>
            new(id, name, minutes is { IsLogged: true } ? minutes : null, spread, hours);
        HeldHours Held(PlantingYear planting)
        {
            var (standing, factor) = year.Hours.Of(planting);
            return new(standing, factor);
        }
        var known = (await workers.AllAsync(cancel)).ToDictionary(w => w.Id, w => w.Name);
        return TypedResults.Ok(
            new LearnedWorkView(
                year.Season,
                year.Learned.Logs,
                [
                    .. year
                        .Plantings.Select(p =>
                            Hand(
                                p.Planting.Id,
                                p.Planting.Line.Code,
                                year.Learned.OfPlanting(p.Planting.Id),
                                null,
                                Held(p)
                            )
                        )
                        .Where(h =>
                            h.Minutes is not null
                            || h.Hours!.Standing is LearnedStanding.Pinned or LearnedStanding.PutBack
                        )
                        .OrderBy(h => h.Name, StringComparer.OrdinalIgnoreCase),
                ],
                [
                    .. year.Crews.Select(c =>
                        Hand(
                            c.Record.Id,
                            c.Record.Name,
                            year.Learned.OfCrew(c.Record.Id),
                            miss.Crews.GetValueOrDefault(c.Record.Id)
                        )
                    ),
                ],
                [
                    .. miss
                        .Pruners.Where(p => known.ContainsKey(p.Key))
                        .Select(p => Hand(p.Key, known[p.Key], null, p.Value))
                        .OrderBy(h => h.Name, StringComparer.OrdinalIgnoreCase),
                ],
                year.Hours.Test,
                miss.Estate,
                InsuranceTerms.DefaultPruningSd
            )
        );
    }
}
