using Rama.Core.Passes;
using Rama.Core.Weather;

namespace Rama.Web.Season;

/// <summary>Dates of the estate by variety and crop, for plantings without their own.</summary>
internal sealed class KnownGreenTips(IReadOnlyList<PlannedPlanting> plantings)
{
    private readonly ILookup<string, SeasonDay> _byVariety = plantings
        .SelectMany(p => p.GreenTips, (p, day) => (p.Line.Variety, day))
        .ToLookup(t => t.Variety, t => t.day);

    private readonly ILookup<string, SeasonDay> _byCrop = plantings
        .SelectMany(p => p.GreenTips, (p, day) => (p.Crop, day))
        .ToLookup(t => t.Crop, t => t.day);

    private readonly Dictionary<string, GreenTip?> _ofKin = [];

    public GreenTip? Expected(PlannedPlanting planting, int season)
    {
        // Seen is better than expected.
        if (planting.Facts?.Noted.TryGetValue(Anchor.GreenTip, out var noted) == true)
            return new(noted, 1, GreenTipBasis.Planting);
        if (planting.GreenTips.Count > 0)
            return GreenTip.Expected(season, planting.GreenTips, [], []);
        if (!_ofKin.TryGetValue(planting.Line.Variety, out var tip))
            _ofKin.Add(
                planting.Line.Variety,
                tip = GreenTip.Expected(season, [], [.. _byVariety[planting.Line.Variety]], [.. _byCrop[planting.Crop]])
            );
        return tip;
    }
}
