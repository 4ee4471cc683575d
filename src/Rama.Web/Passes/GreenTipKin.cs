using Rama.Core.Passes;
using Rama.Core.Weather;
using Rama.Web.Season;

namespace Rama.Web.Passes;

/// <summary>Green tip of plantings: seen, by heat, or from dates of the planting, its variety or its crop.</summary>
internal sealed class GreenTipKin(IReadOnlyList<PlannedPlanting> plantings)
{
    private readonly ILookup<string, SeasonDay> _byVariety = plantings
        .SelectMany(p => p.GreenTips, (p, day) => (p.Line.Variety, day))
        .ToLookup(t => t.Variety, t => t.day);

    private readonly ILookup<string, SeasonDay> _byCrop = plantings
        .SelectMany(p => p.GreenTips, (p, day) => (p.Crop, day))
        .ToLookup(t => t.Crop, t => t.day);

    /// <summary>Green tip of a planting; null without an estimate.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="noted">Days noted in that season.</param>
    /// <param name="byHeat">Green tip by the heat of the season, shifted by these dates.</param>
    public GreenTip? Expected(
        PlannedPlanting planting,
        int season,
        IReadOnlyDictionary<Anchor, DateOnly> noted,
        Func<IReadOnlyList<SeasonDay>, GreenTip?> byHeat
    )
    {
        // Seen is better than expected.
        if (noted.TryGetValue(Anchor.GreenTip, out var seen))
            return new(seen, 1, GreenTipBasis.Planting);
        IReadOnlyList<SeasonDay> variety = [.. _byVariety[planting.Line.Variety]];
        IReadOnlyList<SeasonDay> crop = [.. _byCrop[planting.Crop]];
        var nearest =
            planting.GreenTips.Count > 0 ? planting.GreenTips
            : variety.Count > 0 ? variety
            : crop;
        return byHeat(nearest) ?? GreenTip.Expected(season, planting.GreenTips, variety, crop);
    }
}
