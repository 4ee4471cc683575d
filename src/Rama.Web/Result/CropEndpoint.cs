using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Result.Counts;
using Rama.Core.Result.Forecast;
using Rama.Core.Result.Thinning;
using Rama.Core.Season;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Result;
using Rama.Web.Accounts;
using Rama.Web.Passes;

namespace Rama.Web.Result;

/// <summary>The crop of a season on a planting.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="AtHand">The point of the year at which it would be counted today.</param>
/// <param name="Crop">What to expect of it, and what to thin off; null before there is a target.</param>
/// <param name="Counts">What was counted in the course of the season.</param>
/// <param name="Thinned">Whether thinners leave the fruit wanted; null before trees were counted after them.</param>
/// <param name="Crews">Names of the crews.</param>
/// <param name="Kept">Those counts one by one, in the order they were made.</param>
/// <param name="Filled">The record of the season with what was wanted and counted filled in, as closing would.</param>
/// <param name="Currency">Money of the estate; null for those who are told none.</param>
public sealed record CropView(
    int Season,
    CropPoint AtHand,
    CropOnTrees? Crop,
    CropCounts Counts,
    ThinningChecks? Thinned,
    IReadOnlyDictionary<Guid, string> Crews,
    IReadOnlyList<KeptCropCount> Kept,
    SeasonClosing Filled,
    string? Currency
);

/// <summary>The crop to come of the plantings of the estate.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Today">The day taken as today.</param>
/// <param name="Lines">Its plantings that have a target, by code.</param>
/// <param name="PackedT">Tonnes packed to be expected of them all.</param>
/// <param name="ThinningHours">Paid hours of hand thinning to be expected.</param>
public sealed record CropsView(
    int Season,
    DateOnly Today,
    IReadOnlyList<CropLine> Lines,
    double PackedT,
    double ThinningHours
);

/// <summary>The crop to come of a planting.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="At">The point of the year it is known from.</param>
/// <param name="Trees">Trees counted for it; null for none.</param>
/// <param name="Fruit">Fruit per tree.</param>
/// <param name="FruitWanted">Fruit wanted per tree.</param>
/// <param name="PackedT">Tonnes packed.</param>
/// <param name="LowT">Tonnes that one year in ten lies below.</param>
/// <param name="HighT">Tonnes that one year in ten lies above.</param>
/// <param name="Thinning">What thinning has to do; null where nothing is thinned by hand.</param>
/// <param name="ThinningHours">Paid hours of it; null where nobody can tell, or it is left out.</param>
/// <param name="Advice">What heavy and light years mean for it; null for nothing.</param>
public sealed record CropLine(
    Guid Planting,
    string Code,
    string? Name,
    string Variety,
    ForecastPoint At,
    int? Trees,
    double Fruit,
    double FruitWanted,
    double PackedT,
    double LowT,
    double HighT,
    Notice? Thinning,
    double? ThinningHours,
    Notice? Advice
)
{
    internal static CropLine? Of(PlantingYear of)
    {
        if (of is not { Crop: { } crop, Planting.Line: { AreaHa: { } area } line })
            return null;
        var now = crop.Now;
        return new(
            of.Planting.Id,
            line.Code,
            line.Name,
            line.Variety,
            now.At,
            now.Trees,
            now.Fruit,
            crop.FruitWanted,
            now.PackedTPerHa * area,
            now.PackedLow * area,
            now.PackedHigh * area,
            crop.Thinning?.Sentence,
            of.Programme?.Passes.FirstOrDefault(p =>
                PassIds.IsThinning(p.Id) && p.State != PassState.LeftOut
            )?.Hours?.Paid,
            of.Planting.Facts?.Advice
        );
    }
}

internal static class CropEndpoint
{
    public static RouteGroupBuilder MapCrop(this RouteGroupBuilder api)
    {
        api.MapGet("/crops", All)
            .For(Act.Read)
            .WithTags("Result")
            .WithSummary("The crop to come of all plantings, and the hours of thinning it asks for");
        api.MapGet("/plantings/{id:guid}/crop", Read)
            .For(Act.Read)
            .WithTags("Result")
            .WithSummary("The crop of a season as it is known: counts, what to expect, what to thin off");
        return api;
    }

    private static async Task<Results<Ok<CropView>, NotFound>> Read(
        Guid id,
        PlantingYears years,
        PlantingStore plantings,
        EstateStore estates,
        HttpContext http,
        CancellationToken cancel,
        int? season = null
    )
    {
        var shown = season ?? (await estates.ReadAsync(cancel)).Season;
        var all = await years.ReadAsync(cancel, shown);
        if (all.Find(id) is not { } year || await plantings.FindAsync(id, cancel, shown) is not { } stored)
            return TypedResults.NotFound();
        var entry = stored.ToEntry();
        var reading = PlanReading.Of(entry, stored.Catalogue);
        var counted = year.Counted;
        return TypedResults.Ok(
            new CropView(
                all.Season,
                year.CropPointOn(all.Today),
                year.Crop,
                counted?.Counts ?? CropCounts.None,
                ThinnedOf(year, reading.Settings.Tolerance),
                all.Crews.ToDictionary(c => c.Record.Id, c => c.Record.Name),
                counted?.Kept ?? [],
                SeasonClosing.Of(
                    reading,
                    PruningPlan.ToCount(reading),
                    entry.Records.Seasons.FirstOrDefault(r => r.Season == all.Season),
                    counted?.Left,
                    counted?.Counts
                ),
                SignedInPerson.RoleOf(http.User) is { } role && Permissions.May(role, Act.Money)
                    ? all.Estate.Currency
                    : null
            )
        );
    }

    private static ThinningChecks? ThinnedOf(PlantingYear year, double tolerance)
    {
        var crewOfRow = year.CrewOfRow(year.Reports.Keys.Where(PassIds.IsThinning));
        return ThinningChecks.Of(
            (year.Counted?.Kept ?? []).Select(k => k.Entry.Read()),
            (year.Crop?.Thinning?.LeastFruit ?? year.Crop?.FruitWanted ?? 0, year.Crop?.FruitWanted ?? 0),
            tolerance,
            row => crewOfRow.TryGetValue(row, out var crew) ? crew : null
        );
    }

    private static async Task<Ok<CropsView>> All(PlantingYears years, CancellationToken cancel)
    {
        var year = await years.ReadAsync(cancel);
        List<CropLine> lines =
        [
            .. year
                .Plantings.Select(CropLine.Of)
                .OfType<CropLine>()
                .OrderBy(l => l.Code, StringComparer.OrdinalIgnoreCase),
        ];
        return TypedResults.Ok(
            new CropsView(
                year.Season,
                year.Today,
                lines,
                lines.Sum(l => l.PackedT),
                lines.Sum(l => l.ThinningHours ?? 0)
            )
        );
    }
}
