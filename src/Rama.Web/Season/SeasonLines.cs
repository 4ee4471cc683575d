using Rama.Core.Check;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Result;
using Rama.Core.Result.Counts;
using Rama.Core.Result.Forecast;
using Rama.Core.Result.Learning;
using Rama.Core.Season;
using Rama.Core.Weather;
using Rama.Data.Plan;
using Rama.Data.Season;
using Rama.Web.Check;
using Rama.Web.Passes;

namespace Rama.Web.Season;

/// <summary>What the season page needs of every planting.</summary>
internal sealed class SeasonLines(PlanCache plans)
{
    /// <summary>All plantings of the estate in scope.</summary>
    public async Task<IReadOnlyList<PlannedPlanting>> ReadAsync(int season, int current, CancellationToken cancel) =>
        [
            .. (await plans.ReadAsync("season", season, current, PlannedPlanting.Of, cancel)).Select(p =>
                p.Told with
                {
                    Version = p.Version,
                }
            ),
        ];
}

/// <summary>A planting with what its plan comes to, of which version, and where it stands now.</summary>
internal sealed record PlannedPlanting(
    PlantingVersion Version,
    string Crop,
    int YearPlanted,
    int Rows,
    IReadOnlyList<SeasonDay> GreenTips,
    SeasonLine Line,
    ProgrammeFacts? Facts
)
{
    /// <summary>Its identifier.</summary>
    public Guid Id => Version.Id;

    /// <summary>Site of its block.</summary>
    public Guid SiteId => Version.SiteId;

    /// <summary>Name of the site.</summary>
    public string Site => Version.Site;

    /// <summary>Trees by row; empty where rows are not listed.</summary>
    public IReadOnlyDictionary<int, double> TreesByRow => Facts?.TreesByRow ?? new Dictionary<int, double>();

    /// <summary>Its line with the place it has now, its turn in the work and what checks say.</summary>
    public SeasonLine InTurn(WorkAhead? work, IReadOnlyList<PassGlance> passes, CheckGlance? check) =>
        Line with
        {
            Site = Version.Site,
            Block = Version.Block,
            Work = work,
            Passes = passes,
            Check = check,
        };

    public static PlannedPlanting Of(StoredPlanting stored)
    {
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        var plan = PruningPlan.Of(reading);
        var planting = stored.Planting;
        var line = new SeasonLine(
            planting.Id,
            planting.Code,
            planting.Name,
            planting.Block!.Site!.Name,
            planting.Block.Code,
            planting.Variety,
            planting.Rootstock,
            plan.Planting is { } grown ? stored.Catalogue.Crop(grown.Variety.Crop).Habit : BearingHabit.MixedBud,
            planting.System,
            plan.Planting?.Leaf,
            plan.Planting is { IsYoung: true } && plan.Crop is null,
            plan.Planting?.Form.AreaHa,
            plan.Density?.BearingTrees,
            plan.Stage,
            stored.Plan.Trees.Count,
            planting.ToEntry().Free,
            new(
                planting.Rows.Select(r => r.Row).Distinct().Count(),
                planting.Results.Count(r => r.Season < stored.Season && r.Yield.Value is not null),
                stored.Plan.Trees.Count(t => t.Girth.Value is not null),
                plan.Start.Proposed is { Seasons: > 0 },
                plan.Start.Lacks
            ),
            plan.Decision?.Kind,
            plan.Decision?.Weight,
            plan.Prescription?.MinutesPerTree,
            LedgerGlance.Of(plan.Ledger),
            plan.Decision?.Reason,
            null,
            [],
            null
        );
        return new(
            new(planting.Id, planting.Version, stored.Plan.Version, planting.Block.SiteId, line.Site, line.Block),
            plan.Planting?.Variety.Crop ?? "",
            planting.YearPlanted,
            line.Known.Rows,
            [
                .. planting
                    .Results.Where(r => r.GreenTip is not null)
                    .Select(r => new SeasonDay(r.Season, r.GreenTip!.Value)),
            ],
            line,
            ProgrammeFacts.Of(stored, reading, plan)
        );
    }
}

/// <summary>What the programme of a planting follows from beside the days of its year.</summary>
/// <param name="Terms">Its terms, without days.</param>
/// <param name="Noted">Days noted of the season.</param>
/// <param name="Crop">What pruning late costs its crop; null for nothing.</param>
/// <param name="TreesByRow">Bearing trees by row; empty where rows are not listed.</param>
/// <param name="TonnesWanted">Marketable fruit its target asks for; null without one.</param>
/// <param name="Checks">What checks of finished trees are weighed by; null without a target.</param>
/// <param name="OnTrees">What the crop of the season follows from; null without a target.</param>
/// <param name="Record">The record of the season, as far as it is told; null for none.</param>
/// <param name="Planned">The crop as plan and record alone tell it.</param>
/// <param name="Advice">What heavy and light years mean for the coming one; null for nothing.</param>
/// <param name="Learned">What is used of what it learned.</param>
internal sealed record ProgrammeFacts(
    ProgrammeTerms Terms,
    IReadOnlyDictionary<Anchor, DateOnly> Noted,
    CropAtRisk? Crop,
    IReadOnlyDictionary<int, double> TreesByRow,
    double? TonnesWanted,
    CheckFacts? Checks,
    CropTerms? OnTrees,
    SeasonResult? Record,
    CropOnTrees? Planned,
    Notice? Advice,
    LearnedStandings Learned
)
{
    private const double KgPerTonne = 1_000;

    /// <summary>The crop as it is known with what was found on the trees.</summary>
    /// <param name="checks">What checks of finished trees say.</param>
    /// <param name="done">Share of the planting that is pruned.</param>
    /// <param name="counts">What was counted in the course of the season.</param>
    public CropOnTrees? CropWith(PlantingChecks? checks, double done, CropCounts counts)
    {
        if (OnTrees is null)
            return null;
        var found = CropFound.Of(Record, checks?.AfterPruning, counts);
        return CropOnTrees.Of(
            OnTrees,
            checks is null ? found : found.WithChecks(OnTrees, checks.All, done),
            counts.SetApart
        );
    }

    public static ProgrammeFacts? Of(StoredPlanting stored, PlanReading reading, PruningPlan plan)
    {
        if (reading.Planting is null)
            return null;
        var onTrees = CropReading.TermsOf(reading, plan);
        var planned = CropReading.PlannedOf(reading, onTrees);
        return new(
            ProgrammeEntry.TermsOf(reading, plan, planned),
            stored.Plan.ToDays().Read(),
            ProgrammeEntry.CropOf(reading, plan),
            reading.Rows?.BearingByRow ?? new Dictionary<int, double>(),
            plan.Crop?.MarketableKgPerHa * plan.Planting?.Form.AreaHa / KgPerTonne,
            CheckFacts.Of(reading, plan),
            onTrees,
            reading.AtHand,
            planned,
            YearAhead.Of(reading, plan).Advice,
            reading.Learned
        );
    }
}
