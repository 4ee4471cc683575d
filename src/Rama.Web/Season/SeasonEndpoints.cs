using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Data;

namespace Rama.Web.Season;

/// <summary>The season at a glance: every planting in the order of the work.</summary>
/// <param name="Estate">Name of the estate.</param>
/// <param name="Season">Calendar year of the harvest planned for.</param>
/// <param name="Today">The day taken as today.</param>
/// <param name="AreaHa">Area of all plantings.</param>
/// <param name="ReadyForCards">Plantings whose count settles the decision.</param>
/// <param name="Plantings">Plantings, oldest first, then largest: hardy, old and big blocks are pruned first.</param>
public sealed record SeasonView(string Estate, int Season, DateOnly Today, double AreaHa, int ReadyForCards, IReadOnlyList<SeasonLine> Plantings);

/// <summary>One planting on the season page.</summary>
public sealed record SeasonLine(
    Guid Id,
    string Code,
    string Name,
    string Variety,
    string Rootstock,
    LocalText? System,
    int? Leaf,
    double? AreaHa,
    double? BearingTrees,
    Stage Stage,
    int TreesCounted,
    DecisionKind? Decision,
    PruningWeight? Weight,
    double? MinutesPerTree,
    BudLedger? Ledger,
    Notice? Reason);

internal static class SeasonEndpoints
{
    public static RouteGroupBuilder MapSeason(this RouteGroupBuilder api)
    {
        api.MapGet("/season", Season).WithTags("Season").WithSummary("Every planting with its stage, decision and numbers");
        return api;
    }

    private static async Task<Ok<SeasonView>> Season(PlantingStore store, TimeProvider clock, CancellationToken cancel)
    {
        var estate = await store.EstateAsync(cancel);
        var plantings = (await store.AllAsync(cancel)).Select(p => (Stored: p, Plan: PruningPlan.Of(p.ToPlan()))).ToList();
        return TypedResults.Ok(new SeasonView(
            estate.Name, estate.Season,
            estate.Today ?? DateOnly.FromDateTime(clock.GetLocalNow().Date),
            plantings.Sum(p => p.Plan.Planting?.Form.AreaHa ?? 0),
            plantings.Count(p => p.Plan.Stage == Stage.Prescribe),
            [
                .. plantings
                    .OrderBy(p => p.Stored.Planting.YearPlanted)
                    .ThenByDescending(p => p.Plan.Planting?.Form.AreaHa)
                    .ThenBy(p => p.Stored.Planting.Code, StringComparer.Ordinal)
                    .Select(p => Line(p.Stored, p.Plan)),
            ]));
    }

    private static SeasonLine Line(StoredPlanting stored, PruningPlan plan)
    {
        var planting = stored.Planting;
        return new(
            planting.Id, planting.Code, planting.Name, planting.Variety, planting.Rootstock, plan.Planting?.System.Name, plan.Planting?.Leaf,
            plan.Planting?.Form.AreaHa, plan.Density?.BearingTrees, plan.Stage, stored.Plan.Trees.Count,
            plan.Decision?.Kind, plan.Decision?.Weight, plan.Prescription?.MinutesPerTree, plan.Ledger, plan.Decision?.Reason);
    }
}
