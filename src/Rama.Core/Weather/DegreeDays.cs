using Rama.Core.Explain;

namespace Rama.Core.Weather;

/// <summary>Weather of a day.</summary>
/// <param name="Date">Day.</param>
/// <param name="MinC">Lowest, °C.</param>
/// <param name="MaxC">Highest, °C.</param>
/// <param name="RainMm">Rain, mm; null where nobody measured it.</param>
/// <param name="WindMs">Strongest wind, m/s; null where nobody measured it.</param>
/// <param name="IsForecast">Whether it lies ahead and is only forecast.</param>
public readonly record struct WeatherDay(
    DateOnly Date,
    double MinC,
    double MaxC,
    double? RainMm = null,
    double? WindMs = null,
    bool IsForecast = false
);

/// <summary>A stage and the day its heat was reached.</summary>
/// <param name="Stage">Stage.</param>
/// <param name="DegreeDaysC">Heat it takes, °C-days.</param>
/// <param name="Reached">Day it was reached; null where it is still to come.</param>
public sealed record StageDay(string Stage, double DegreeDaysC, DateOnly? Reached);

/// <summary>Heat added up since midwinter, and the stage it brought the buds to.</summary>
/// <param name="TotalC">°C-days at the last day.</param>
/// <param name="Until">Last day added; null where there is none.</param>
/// <param name="Filled">Days missing that were filled from their neighbours.</param>
/// <param name="Stages">Stages with the day each was reached; none for a crop whose heat is not known.</param>
/// <param name="Stage">Stage the buds are at; null before the first, or where it is not known.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record DegreeDays(
    double TotalC,
    DateOnly? Until,
    int Filled,
    IReadOnlyList<StageDay> Stages,
    string? Stage,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(TotalC, "°C-days", Steps, Warnings)
{
    /// <summary>Temperature above which buds move, °C.</summary>
    public const double BaseC = 6.1;

    /// <summary>Most days in a row that are filled from their neighbours.</summary>
    public const int LongestGap = 3;

    /// <summary>
    /// Heat of one day: the part of a sine between its lowest and highest temperature that lies above the base.
    /// </summary>
    /// <remarks>
    /// Source: single-sine method, Baskerville and Emin 1969, Ecology 50:514; checked by numerical integration.
    /// </remarks>
    public static double OfDay(double minC, double maxC, double baseC = BaseC)
    {
        var (mean, swing) = ((minC + maxC) / 2, (maxC - minC) / 2);
        if (minC >= baseC)
            return mean - baseC;
        if (maxC <= baseC)
            return 0;
        var angle = Math.Asin((baseC - mean) / swing);
        return ((mean - baseC) * (Math.PI / 2 - angle) + swing * Math.Cos(angle)) / Math.PI;
    }

    /// <summary>
    /// The day heat is added up from: 1 January of a season in the north, 1 July before it in the south.
    /// </summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="isSouth">Whether the site lies south of the equator.</param>
    public static DateOnly StartOf(int season, bool isSouth) => isSouth ? new(season - 1, 7, 1) : new(season, 1, 1);

    /// <summary>Adds up the days of one year; stops where too many in a row are missing.</summary>
    /// <param name="days">Days, in any order; of a day told twice the last counts.</param>
    /// <param name="start">First day, as <see cref="StartOf"/> gives it.</param>
    /// <param name="heats">Stages of the crop with their heat; none where it is not known.</param>
    /// <param name="shiftC">How much more heat the planting takes than the table says, from its own dates.</param>
    public static DegreeDays Of(
        IEnumerable<WeatherDay> days,
        DateOnly start,
        IReadOnlyList<StageHeat> heats,
        double shiftC = 0
    )
    {
        var end = start.AddYears(1);
        var known = days.Where(d => d.Date >= start && d.Date < end)
            .GroupBy(d => d.Date)
            .ToDictionary(g => g.Key, g => g.Last());
        List<Notice> warnings = [];
        var stages = heats
            .OrderBy(h => h.DegreeDaysC)
            .Select(h => new StageDay(h.Stage, h.DegreeDaysC + shiftC, null))
            .ToList();
        var (total, filled) = (0.0, 0);
        DateOnly? until = null;
        var last = known.Count == 0 ? start.AddDays(-1) : known.Keys.Max();
        for (var day = start; day <= last; day = day.AddDays(1))
        {
            if (!known.TryGetValue(day, out var weather))
            {
                if (Filling(known, day, start, last) is not { } fill)
                {
                    warnings.Add(
                        new(
                            "degree-days.gap",
                            $"More than {LongestGap} days in a row are missing from {day:d MMMM} on. Heat is "
                                + "added up to there only; add the missing days.",
                            new Figure("day of the year", day.DayOfYear, "day")
                        )
                    );
                    break;
                }
                weather = fill;
                filled++;
            }
            total += OfDay(weather.MinC, weather.MaxC);
            until = day;
            for (var i = 0; i < stages.Count; i++)
                if (stages[i].Reached is null && total >= stages[i].DegreeDaysC)
                    stages[i] = stages[i] with { Reached = day };
        }
        if (filled > 0)
            warnings.Add(
                new(
                    "degree-days.filled",
                    $"{filled} missing days are filled from the days around them.",
                    new Figure("days filled", filled, "day")
                )
            );
        if (heats.Count == 0)
            warnings.Add(
                new(
                    "degree-days.no-table",
                    "How much heat this crop's stages take is not known. Note dates of green tip; without them "
                        + "there is no estimate."
                )
            );
        return new(
            total,
            until,
            filled,
            stages,
            stages.LastOrDefault(s => s.Reached is not null)?.Stage,
            [
                new(
                    "degree-days.total",
                    "Σ over the days of the part of the day's sine above the base",
                    new("heat", total, "°C-days"),
                    [
                        new("base", BaseC, "°C"),
                        new("days", until is null ? 0 : until.Value.DayNumber - start.DayNumber + 1, "day"),
                    ],
                    "single-sine method, Baskerville and Emin 1969; stages from memory"
                ),
            ],
            warnings
        );
    }

    /// <summary>
    /// How much more heat a planting took to green tip than the table says, in the mean of years with both a date and
    /// temperatures; 0 without any.
    /// </summary>
    /// <param name="days">Days of all years.</param>
    /// <param name="greenTips">Days of green tip noted.</param>
    /// <param name="heats">Stages of the crop with their heat.</param>
    /// <param name="isSouth">Whether the site lies south of the equator.</param>
    public static double ShiftOf(
        IReadOnlyList<WeatherDay> days,
        IReadOnlyList<DateOnly> greenTips,
        IReadOnlyList<StageHeat> heats,
        bool isSouth = false
    )
    {
        if (heats.FirstOrDefault(h => h.Stage == GreenTipStage) is not { DegreeDaysC: var table })
            return 0;
        List<double> shifts = [];
        foreach (var tip in greenTips)
        {
            var until = Of(days.Where(d => d.Date <= tip), StartOf(SeasonOf(tip, isSouth), isSouth), []);
            if (until.Until == tip)
                shifts.Add(until.TotalC - table);
        }
        return shifts.Count == 0 ? 0 : shifts.Average();
    }

    /// <summary>The season a day of spring belongs to: in the south that of the harvest after the new year.</summary>
    public static int SeasonOf(DateOnly day, bool isSouth) => isSouth && day.Month >= 7 ? day.Year + 1 : day.Year;

    /// <summary>The stage pruning has to be done by.</summary>
    public const string GreenTipStage = "green-tip";

    // A short gap between two known days takes the mean of both sides.
    private static WeatherDay? Filling(
        Dictionary<DateOnly, WeatherDay> known,
        DateOnly day,
        DateOnly start,
        DateOnly last
    )
    {
        var (before, after) = (day, day);
        while (!known.ContainsKey(before) && before > start)
            before = before.AddDays(-1);
        while (!known.ContainsKey(after) && after < last)
            after = after.AddDays(1);
        var left = known.TryGetValue(before, out var l) ? l : (WeatherDay?)null;
        if (!known.TryGetValue(after, out var right))
            return null;
        var gap = after.DayNumber - (left is null ? before.DayNumber - 1 : before.DayNumber) - 1;
        return gap > LongestGap
            ? null
            : new(day, ((left?.MinC ?? right.MinC) + right.MinC) / 2, ((left?.MaxC ?? right.MaxC) + right.MaxC) / 2);
    }
}
