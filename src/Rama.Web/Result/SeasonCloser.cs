using Rama.Core.Plan;
using Rama.Core.Result;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Season;
using Rama.Web.Passes;

namespace Rama.Web.Result;

/// <summary>What closing the season at hand would fix, and what is still missing.</summary>
/// <param name="Season">The season at hand.</param>
/// <param name="Plantings">Plantings that bear, by code.</param>
public sealed record ClosingView(int Season, IReadOnlyList<ClosingLine> Plantings);

/// <summary>A planting at the close of a season.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Fills">What closing fills into its record.</param>
/// <param name="Missing">What nobody told.</param>
public sealed record ClosingLine(
    Guid Planting,
    string Code,
    string? Name,
    IReadOnlyList<SeasonFact> Fills,
    IReadOnlyList<SeasonFact> Missing
);

/// <summary>
/// Closes a season: what was wanted and counted is written into the records, so that it stays what it was whatever the
/// plans of the next season say.
/// </summary>
internal sealed class SeasonCloser(
    PlantingYears years,
    SeasonStore seasons,
    CatalogueStore catalogues,
    EstateStore estates
)
{
    /// <summary>What closing would do.</summary>
    /// <param name="cancel">Stops it.</param>
    public async Task<ClosingView> ReadAsync(CancellationToken cancel)
    {
        var season = (await estates.ReadAsync(cancel)).Season;
        return new(
            season,
            [
                .. (await ClosingsAsync(season, cancel))
                    .Select(c => new ClosingLine(
                        c.Stored.Planting.Id,
                        c.Stored.Planting.Code,
                        c.Stored.Planting.Name,
                        c.Closing.Fills,
                        c.Closing.Missing
                    ))
                    .OrderBy(l => l.Code, StringComparer.OrdinalIgnoreCase),
            ]
        );
    }

    /// <summary>Plans for another season; going on to the next closes the one at hand, all or nothing.</summary>
    /// <param name="next">Calendar year of the harvest, as typed.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task BeginAsync(double? next, CancellationToken cancel)
    {
        var season = (await estates.ReadAsync(cancel)).Season;
        if (next == season + 1)
            foreach (var (stored, closing) in await ClosingsAsync(season, cancel))
                if (closing is { Record: { } record, Fills.Count: > 0 })
                    stored.Planting.TakeOver(
                        new SeasonRecordsEntry
                        {
                            Seasons = [.. stored.Planting.ToRecords().Seasons.Where(s => s.Season != season), record],
                        }
                    );
        await estates.BeginSeasonAsync(next, cancel);
    }

    private async Task<IReadOnlyList<(StoredPlanting Stored, SeasonClosing Closing)>> ClosingsAsync(
        int season,
        CancellationToken cancel
    )
    {
        var year = await years.ReadAsync(cancel, season);
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        var counted = year.Plantings.ToDictionary(p => p.Planting.Id, p => p.Counted);
        return
        [
            .. (await seasons.ReadAsync(season, season, catalogue, null, cancel))
                .Select(stored =>
                    (stored, Closing: ClosingOf(stored, season, counted.GetValueOrDefault(stored.Planting.Id)))
                )
                .Where(c => c.Closing is not null)
                .Select(c => (c.stored, c.Closing!)),
        ];
    }

    // What is young and has no target has no crop to tell of.
    private static SeasonClosing? ClosingOf(StoredPlanting stored, int season, CountedCrop? counted)
    {
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        var plan = PruningPlan.ToCount(reading);
        var known = stored.Planting.ToRecords().Seasons.FirstOrDefault(s => s.Season == season);
        return reading.Planting is null or { IsYoung: true } && plan.Crop is null && known is null
            ? null
            : SeasonClosing.Of(reading, plan, known, counted?.Left, counted?.Counts);
    }
}
