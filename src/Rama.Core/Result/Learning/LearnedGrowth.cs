using MathNet.Numerics.Distributions;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Target.Capacity;

namespace Rama.Core.Result.Learning;

/// <summary>How fast the trunks of a planting grow in girth, by the girths kept of its seasons.</summary>
public sealed class LearnedGrowth
{
    // What a mean girth of a sample is off, and one year grows otherwise than another, together (assumption).
    private const double Sd = 0.4;

    // How much a trunk of unknown growth is off after a year when taken as it was (assumption).
    private const double UnknownSd = 0.8;

    // Further away a trunk is another tree.
    private const int MostYearsAway = 6;

    private readonly IReadOnlyList<(int Season, double GirthCm)> _girths;

    private LearnedGrowth(IReadOnlyList<(int Season, double GirthCm)> girths) => _girths = girths;

    /// <summary>Centimetres of girth a year between the first and the last girth kept; null for fewer than
    /// two.</summary>
    public double? CmPerYear =>
        _girths is [var (first, thin), .., var (last, thick)] ? Math.Max(0, (thick - thin) / (last - first)) : null;

    /// <summary>Takes the girths of seasons.</summary>
    /// <param name="seasons">Past seasons.</param>
    public static LearnedGrowth Of(IEnumerable<SeasonResult> seasons) =>
        new([
            .. seasons
                .Where(s => s.Counts.GirthCm is > 0)
                .OrderBy(s => s.Season)
                .Select(s => (s.Season, s.Counts.GirthCm!.Value))
                .TakeLast(LearnedValue.MostSeasons),
        ]);

    /// <summary>
    /// Cross-section of the trunk in a season: its own girth, else on the line between the girths before and after it,
    /// else grown on from the nearest; null where no girth is kept within six years.
    /// </summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="cmPerYear">Growth beyond the girths kept.</param>
    public double? TcsaCm2(int season, double cmPerYear)
    {
        double? Far(int away) => Math.Abs(away) <= MostYearsAway ? away * cmPerYear : null;
        var (before, after) = (
            _girths.LastOrDefault(g => g.Season <= season),
            _girths.FirstOrDefault(g => g.Season >= season)
        );
        var girth =
            before.GirthCm > 0 && after.GirthCm > 0
                ? before.GirthCm
                    + (
                        after.Season == before.Season
                            ? 0
                            : (after.GirthCm - before.GirthCm)
                                * (season - before.Season)
                                / (after.Season - before.Season)
                    )
            : before.GirthCm > 0 ? before.GirthCm + Far(season - before.Season)
            : after.GirthCm > 0 ? after.GirthCm + Far(season - after.Season)
            : null;
        return girth is > 0 and var cm ? Trunk.CrossSectionCm2(cm) : null;
    }

    /// <summary>What the girths taught, and what those before it would have foretold of each.</summary>
    /// <returns>Null for fewer than two girths.</returns>
    /// <remarks>
    /// The shipped number is a trunk as it was measured last. A girth is foretold from the last one by the mean growth
    /// until then. Source: handbook of the trade 8.2; the spreads are assumptions.
    /// </remarks>
    public LearnedValue? ToValue()
    {
        if (CmPerYear is not { } growth)
            return null;
        List<SeasonForecast> history = [];
        for (var i = 1; i < _girths.Count; i++)
        {
            var (season, girth) = _girths[i];
            var known = new LearnedGrowth([.. _girths.Take(i)]);
            var (last, from) = known._girths[^1];
            var years = season - last;
            var shipped = new Normal(from, UnknownSd * years);
            history.Add(
                SeasonForecast.Of(
                    season,
                    girth,
                    known.CmPerYear is { } by ? new(from + by * years, SdOf(known, years)) : shipped,
                    shipped,
                    i - 1
                )
            );
        }
        Figure learned = new("growth of the trunk", growth, "cm/year"),
            first = new("first girth", _girths[0].GirthCm, "cm"),
            latest = new("last girth", _girths[^1].GirthCm, "cm"),
            between = new("years between", _girths[^1].Season - _girths[0].Season, "year");
        var half = Normal.InvCDF(0, 1, 0.9) * Sd * Math.Sqrt(2) / between.Value;
        return new(
            LearnedQuantity.TrunkGrowth,
            0,
            growth,
            Math.Max(0, growth - half),
            growth + half,
            "cm/year",
            _girths.Count,
            0,
            "cm",
            [.. history.TakeLast(LearnedValue.MostTold)],
            new(
                "learned.growth",
                $"Girths of {_girths.Count} seasons: the girth of the trunk grows {growth:0.0} cm a year. Past crops "
                    + "are told by the trunk of their own year.",
                new("own seasons", _girths.Count, "1"),
                learned
            ),
            [
                new(
                    "learned.growth",
                    "(last girth − first girth) ÷ years between, at least 0",
                    learned,
                    [latest, first, between],
                    Sources.Definition
                ),
            ]
        );
    }

    private static double SdOf(LearnedGrowth known, int years) =>
        Sd * Math.Sqrt(2 + 2 * Math.Pow((double)years / (known._girths[^1].Season - known._girths[0].Season), 2));
}
