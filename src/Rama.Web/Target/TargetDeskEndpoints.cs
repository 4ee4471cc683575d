using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Core.Target;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Margin;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Target;
using Rama.Web.Accounts;

namespace Rama.Web.Target;

/// <summary>Where a version of a target stands.</summary>
public enum TargetStanding
{
    /// <summary>Proposed since the last was set.</summary>
    Proposed,

    /// <summary>In force.</summary>
    Set,

    /// <summary>Another was set since.</summary>
    Superseded,
}

/// <summary>A version of a target.</summary>
/// <param name="Number">Its number, from 1.</param>
/// <param name="Act">What was done with it.</param>
/// <param name="Standing">Where it stands.</param>
/// <param name="At">When.</param>
/// <param name="Person">Who.</param>
/// <param name="Target">The target as typed.</param>
/// <param name="School">School of insurance it follows.</param>
/// <param name="FruitPerTree">Fruit per tree it comes to with the trees as they are known now; null where it cannot be
/// worked out.</param>
/// <param name="BudsPerTree">Buds to leave it comes to.</param>
public sealed record TargetVersionView(
    int Number,
    TargetAct Act,
    TargetStanding Standing,
    DateTimeOffset At,
    string? Person,
    TargetEntry Target,
    School School,
    double? FruitPerTree,
    double? BudsPerTree
);

/// <summary>A target to propose.</summary>
public sealed record ProposeTarget(TargetEntry Target);

/// <summary>Prices of a variety as the estate knows them.</summary>
/// <param name="Variety">Variety.</param>
/// <param name="Version">Version to be sent back when saving; 0 where nobody entered any.</param>
/// <param name="Prices">The prices; those assumed where nobody entered any.</param>
public sealed record PricesView(string Variety, uint Version, PriceListEntry Prices);

/// <summary>Prices to save, with the version they were read at.</summary>
public sealed record SavePrices(uint Version, PriceListEntry Prices);

/// <summary>A rule to set, with the versions of the plans it was shown for.</summary>
public sealed record SetTargets(TargetRule Rule, IReadOnlyDictionary<Guid, uint> Versions);

/// <summary>How many targets a rule set.</summary>
public sealed record TargetsSet(int Count);

/// <summary>What a rule would do to one planting.</summary>
/// <param name="Id">Planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Version">Version of its plan.</param>
/// <param name="Leaf">Its leaf.</param>
/// <param name="Changes">Whether the rule changes anything.</param>
/// <param name="Target">Its target after the rule.</param>
/// <param name="FruitBefore">Fruit per tree as it stands; null without a target.</param>
/// <param name="FruitAfter">Fruit per tree after the rule.</param>
/// <param name="BudsBefore">Buds to leave as it stands.</param>
/// <param name="BudsAfter">Buds to leave after the rule.</param>
/// <param name="CropDensityAfter">Fruit per cm² of trunk after the rule; null where no girth was measured.</param>
/// <param name="Warnings">What is unusual after the rule.</param>
/// <param name="Problems">Why it cannot be set.</param>
public sealed record RuledTargetView(
    Guid Id,
    string Code,
    string Name,
    uint Version,
    int? Leaf,
    bool Changes,
    TargetEntry Target,
    double? FruitBefore,
    double? FruitAfter,
    double? BudsBefore,
    double? BudsAfter,
    double? CropDensityAfter,
    IReadOnlyList<Core.Explain.Notice> Warnings,
    IReadOnlyList<Core.Explain.FieldProblem> Problems
);

internal static class TargetDeskEndpoints
{
    public static RouteGroupBuilder MapTargetDesk(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Target");
        group
            .MapPost("/plantings/{id:guid}/target/desk", Desk)
            .For(Act.Money)
            .WithSummary("All that stands around the target of a plan as it is typed; nothing is saved");
        group
            .MapGet("/plantings/{id:guid}/target/versions", Versions)
            .For(Act.Money)
            .WithSummary("Versions of the target of a season, the latest first");
        group
            .MapGet("/plantings/{id:guid}/target/sources", Sources)
            .For(Act.Money)
            .WithSummary("Targets this one may be copied from");
        group
            .MapPost("/plantings/{id:guid}/target/proposals", Propose)
            .For(Act.Propose)
            .WithSummary("Propose a target; the one set stays in force");
        group
            .MapGet("/prices/{variety}", Prices)
            .For(Act.Money)
            .WithSummary("Size classes, prices and costs of a variety");
        group
            .MapPut("/prices/{variety}", SavePrices)
            .For(Act.Catalogue)
            .WithSummary("Save size classes, prices and costs of a variety");
        group
            .MapPost("/targets/preview", Preview)
            .For(Act.Target)
            .WithSummary("What a rule would do to every planting it means; nothing is saved");
        group
            .MapPost("/targets", SetAll)
            .For(Act.Target)
            .WithSummary("Set the target of every planting a rule means: all or none");
        return api;
    }

    private static async Task<Results<Ok<TargetDesk>, NoContent, NotFound>> Desk(
        Guid id,
        PlanEntry entry,
        CatalogueStore catalogues,
        TargetStore targets,
        CancellationToken cancel
    )
    {
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        if (await targets.AroundAsync(id, entry, catalogue, cancel) is not { } around)
            return TypedResults.NotFound();
        var reading = PlanReading.Of(entry, catalogue);
        return TargetDesk.Of(reading, PruningPlan.Of(reading), around) is { } desk
            ? TypedResults.Ok(desk)
            : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<List<TargetVersionView>>, NotFound>> Versions(
        Guid id,
        PlantingStore plantings,
        TargetStore targets,
        CancellationToken cancel,
        int? season = null
    )
    {
        if (await plantings.FindAsync(id, cancel, season) is not { } stored)
            return TypedResults.NotFound();
        var versions = await targets.VersionsAsync(id, stored.Plan.Season, cancel);
        var inForce = versions.FirstOrDefault(v => v.Act == TargetAct.Set)?.Id ?? 0;
        return TypedResults.Ok(
            versions
                .Select(
                    (v, i) =>
                    {
                        var entry = v.ToEntry();
                        var plan = PruningPlan.Of(stored.ToEntry() with { Target = entry }, stored.Catalogue);
                        var standing =
                            v.Id == inForce ? TargetStanding.Set
                            : v.Id > inForce ? TargetStanding.Proposed
                            : TargetStanding.Superseded;
                        return new TargetVersionView(
                            versions.Count - i,
                            v.Act,
                            standing,
                            v.At,
                            v.Person,
                            entry,
                            plan.Start.School,
                            plan.Crop?.FruitPerTree,
                            plan.Buds?.BudsPerTree
                        );
                    }
                )
                .ToList()
        );
    }

    private static async Task<Results<Ok<IReadOnlyList<TargetSource>>, NotFound>> Sources(
        Guid id,
        PlantingStore plantings,
        TargetStore targets,
        CancellationToken cancel
    ) =>
        await plantings.FindAsync(id, cancel) is { } stored
            ? TypedResults.Ok(await targets.SourcesAsync(stored, cancel))
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> Propose(
        Guid id,
        ProposeTarget body,
        PlantingStore plantings,
        TargetStore targets,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        await targets.ProposeAsync(stored, body.Target, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<PricesView>, NotFound>> Prices(
        string variety,
        TargetStore targets,
        CatalogueStore catalogues,
        EstateStore estates,
        CancellationToken cancel
    )
    {
        if ((await catalogues.ReadAsync(cancel)).Catalogue.Variety(variety) is not { } known)
            return TypedResults.NotFound();
        return TypedResults.Ok(
            await targets.PricesAsync(variety, cancel) is var (prices, version)
                ? new PricesView(variety, version, prices)
                : new(
                    variety,
                    0,
                    PriceList.Assumption(known.FruitMassG.Value, (await estates.ReadAsync(cancel)).Currency)
                )
        );
    }

    private static async Task<Results<Ok<PricesView>, NotFound>> SavePrices(
        string variety,
        SavePrices body,
        TargetStore targets,
        CatalogueStore catalogues,
        EstateStore estates,
        CancellationToken cancel
    )
    {
        await targets.SavePricesAsync(variety, body.Version, body.Prices, cancel);
        return await Prices(variety, targets, catalogues, estates, cancel);
    }

    private static async Task<Ok<List<RuledTargetView>>> Preview(
        TargetRule rule,
        TargetStore targets,
        CancellationToken cancel
    ) =>
        TypedResults.Ok(
            (await targets.RuledAsync(rule, cancel))
                .Select(r => new RuledTargetView(
                    r.Stored.Planting.Id,
                    r.Stored.Planting.Code,
                    r.Stored.Planting.Name,
                    r.Stored.Plan.Version,
                    r.Ruled.After.Planting?.Leaf,
                    r.Ruled.Changes,
                    r.Ruled.Entry,
                    r.Ruled.Before.Crop?.FruitPerTree,
                    r.Ruled.After.Crop?.FruitPerTree,
                    r.Ruled.Before.Buds?.BudsPerTree,
                    r.Ruled.After.Buds?.BudsPerTree,
                    r.Ruled.After.Crop?.FruitPerTree / r.Ruled.After.Survey?.Means.TcsaCm2,
                    [
                        .. r.Ruled.After.Crop?.Warnings ?? [],
                        .. r.Ruled.After.Buds?.Warnings ?? [],
                        .. r.Ruled.After.LoadWarnings,
                    ],
                    r.Ruled.Problems
                ))
                .ToList()
        );

    private static async Task<Ok<TargetsSet>> SetAll(SetTargets body, TargetStore targets, CancellationToken cancel) =>
        TypedResults.Ok(new TargetsSet(await targets.SetAsync(body.Rule, body.Versions, cancel)));
}
