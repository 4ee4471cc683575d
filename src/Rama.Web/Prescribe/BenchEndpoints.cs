using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Practice;
using Rama.Core.Systems;
using Rama.Core.Target.Capacity;
using Rama.Core.Trees;
using Rama.Data.Plan;
using Rama.Data.Target;
using Rama.Web.Accounts;

namespace Rama.Web.Prescribe;

/// <summary>A tree of a planting to put on the bench.</summary>
public record BenchTreeChoice
{
    /// <summary>Trunk class; the middle one when left out.</summary>
    public string? Class { get; init; }

    /// <summary>0 for a typical tree, above it any other of the class.</summary>
    public int Number { get; init; }

    /// <summary>Row of a counted tree.</summary>
    public double? Row { get; init; }

    /// <summary>Number of a counted tree in its row.</summary>
    public double? Tree { get; init; }

    /// <summary>The pass to cut it in: <c>major</c>, <c>after-harvest</c> or one of the system's own; the winter when
    /// left out.</summary>
    public string? Pass { get; init; }

    internal BenchChoice ToChoice() =>
        new(Class, Math.Clamp(Number, 0, 100_000), Row, Tree, Pass is { Length: <= 60 } ? Pass : null);
}

/// <summary>Cuts made by hand on a tree of a planting.</summary>
public record BenchCuts : BenchTreeChoice
{
    /// <summary>The cuts in their order.</summary>
    public IReadOnlyList<HandCut> Cuts { get; init; } = [];
}

/// <summary>A tree on the bench.</summary>
/// <param name="Classes">Trunk classes to choose from.</param>
/// <param name="Class">The one chosen.</param>
/// <param name="Passes">Passes its cuts belong to, the winter first, with an empty identifier.</param>
/// <param name="Models">Counted trees that can be put on the bench, by row and number.</param>
/// <param name="System">Name of the system.</param>
/// <param name="Counted">What is counted on the crop.</param>
/// <param name="Tree">The tree.</param>
/// <param name="WiresM">Heights of the wires, metres; empty without.</param>
/// <param name="ToLeave">Buds to leave.</param>
/// <param name="BandLow">Lower edge of the band wanted.</param>
/// <param name="BandHigh">Upper edge of the band wanted.</param>
/// <param name="Allowance">How far it may be cut.</param>
/// <param name="Before">The tree before any cut.</param>
/// <param name="Prescribed">The system's cuts.</param>
/// <param name="Steps">What each step came to, and why it cut no more.</param>
/// <param name="FirstNextWinter">Limbs too thick for their place that the system's cuts leave, with the reason.</param>
/// <param name="StubM">Length of a renewal stub, metres.</param>
/// <param name="BigCuts">Most big cuts per tree.</param>
/// <param name="SeenFrom">From where the tree shows what the system is about.</param>
/// <param name="HeightLimitM">Height leaders are cut back to, metres; null where the system does not.</param>
/// <param name="LimitsRatio">Whether the system limits a limb by its leader's diameter.</param>
/// <param name="Ratios">Diameter ÷ the leader's there of every limb, by branch.</param>
public sealed record BenchView(
    IReadOnlyList<string> Classes,
    string Class,
    IReadOnlyList<BenchPass> Passes,
    IReadOnlyList<BenchModel> Models,
    LocalText System,
    LocalText Counted,
    FruitTree Tree,
    IReadOnlyList<double> WiresM,
    double ToLeave,
    double BandLow,
    double BandHigh,
    CutAllowance Allowance,
    BenchMeasures Before,
    IReadOnlyList<BenchCut> Prescribed,
    IReadOnlyList<StepOutcome> Steps,
    IReadOnlyList<ThickLimb> FirstNextWinter,
    double StubM,
    int BigCuts,
    TreeView SeenFrom,
    double? HeightLimitM,
    bool LimitsRatio,
    IReadOnlyDictionary<int, double> Ratios
);

/// <summary>How the sun reaches the rows of the tree on the bench.</summary>
/// <param name="Light">Light over the longest day; null where neither map nor site tells how the rows lie.</param>
/// <param name="RowM">Metres between rows; null before the planting can be read.</param>
public sealed record BenchLight(RowLight? Light, double? RowM);

/// <summary>A pass that can be looked at on the bench.</summary>
public sealed record BenchPass(string Id, LocalText Name);

/// <summary>A counted tree by its place.</summary>
public sealed record BenchModel(double Row, double Tree);

/// <summary>Cuts made by hand, told and scored.</summary>
/// <param name="Cuts">The cuts.</param>
/// <param name="Score">Their score.</param>
/// <param name="Steps">Why the tree's measures are what they are after the last of them.</param>
public sealed record MadeCuts(IReadOnlyList<BenchCut> Cuts, PracticeScore Score, IReadOnlyList<Step> Steps)
{
    internal static MadeCuts Of(TreeBench bench, IReadOnlyList<HandCut> cuts)
    {
        var made = bench.Made(cuts);
        return new(made, PracticeScore.Of(bench, made), bench.Explain(made));
    }
}

internal static class BenchEndpoints
{
    public static RouteGroupBuilder MapBench(this RouteGroupBuilder api)
    {
        var bench = api.MapGroup("/plantings/{id:guid}").WithTags("Prescribe");
        bench
            .MapPost("/bench", Put)
            .For(Act.Read)
            .WithSummary("A typical or counted tree of the planting with the prescription's cuts");
        bench
            .MapPost("/bench/cuts", Cut)
            .For(Act.Read)
            .WithSummary("Cuts made by hand: what each takes and why, and their score");
        bench
            .MapGet("/bench/light", Light)
            .For(Act.Read)
            .WithSummary("How the sun reaches the rows of the planting, to move height and spacing with");
        return api;
    }

    private static async Task<Results<Ok<BenchLight>, NotFound>> Light(
        Guid id,
        PlantingStore plantings,
        TargetStore targets,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        return TypedResults.Ok(
            new BenchLight(
                TargetDesk.LightOf(reading, await targets.RowsOfAsync(id, stored.Season, cancel)),
                reading.Planting?.Form.RowSpacingM
            )
        );
    }

    private static async Task<Results<Ok<BenchView>, NotFound>> Put(
        Guid id,
        BenchTreeChoice choice,
        BenchTrees trees,
        CancellationToken cancel
    )
    {
        if (await trees.PutAsync(id, choice.ToChoice(), cancel) is not { } put)
            return TypedResults.NotFound();
        var bench = put.Bench;
        var form = bench.Rules.System.Form;
        return TypedResults.Ok(
            new BenchView(
                put.Classes,
                put.Of.Class.Name,
                put.Passes,
                put.Models,
                bench.Rules.System.Name,
                put.Counted,
                bench.Tree,
                form.WiresBelow(bench.Tree.Place.HeightLimitM),
                bench.ToLeave,
                bench.ToLeave * (1 - bench.Settings.Tolerance),
                bench.ToLeave * (1 + bench.Settings.Tolerance),
                bench.Allowance,
                bench.Before,
                bench.Prescribed(),
                bench.Outcomes(),
                bench.Pruning.FirstNextWinter,
                bench.StubM,
                bench.Rules.System.Caps.BigCuts,
                form.SeenFrom,
                bench.HeightLimitM,
                bench.LimitsRatio,
                bench.Ratios
            )
        );
    }

    private static async Task<Results<Ok<MadeCuts>, NotFound>> Cut(
        Guid id,
        BenchCuts body,
        BenchTrees trees,
        CancellationToken cancel
    )
    {
        if (await trees.PutAsync(id, body.ToChoice(), cancel) is not { } put)
            return TypedResults.NotFound();
        return TypedResults.Ok(MadeCuts.Of(put.Bench, body.Cuts));
    }
}
