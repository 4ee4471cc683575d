using Rama.Core.Passes;
using Rama.Core.Weather;

namespace Rama.Core.Season;

/// <summary>
/// Whether a day was such as a pass needs, from the days measured. What is not measured is unknown and never called
/// safe.
/// </summary>
/// <remarks>Source: handbook of the trade; what counts as no rain: assumption.</remarks>
public sealed class DayJudge
{
    private const double NoRainMm = 0.2,
        HotC = 30,
        StrongWindMs = 10,
        BelowMeanC = 10,
        TenderC = -8;

    private const int DryDaysAfter = 3,
        CalmDaysAfter = 2,
        Fortnight = 14;

    private readonly IReadOnlyDictionary<DateOnly, WeatherDay> _days;
    private readonly bool _isTender;

    /// <summary>A judge of some days.</summary>
    /// <param name="days">The days, measured or forecast.</param>
    /// <param name="isTender">Whether the crop's bark splits in a frost others stand.</param>
    public DayJudge(IEnumerable<WeatherDay> days, bool isTender)
        : this(days.DistinctBy(d => d.Date).ToDictionary(d => d.Date), isTender) { }

    private DayJudge(IReadOnlyDictionary<DateOnly, WeatherDay> days, bool isTender) =>
        (_days, _isTender) = (days, isTender);

    /// <summary>A judge of the same days for another crop.</summary>
    public DayJudge For(bool isTender) => new(_days, isTender);

    /// <summary>Whether all conditions held; null where one is unknown and none is broken.</summary>
    public bool? Holds(IReadOnlyList<DayCondition> conditions, DateOnly day)
    {
        var all = conditions.Select(c => Holds(c, day)).ToList();
        return all.Contains(false) ? false
            : all.Contains(null) ? null
            : true;
    }

    /// <summary>Whether a condition held on a day; null where nobody can tell.</summary>
    public bool? Holds(DayCondition condition, DateOnly day) =>
        condition switch
        {
            DayCondition.Dry or DayCondition.DryTrees => All(condition, day, d =>
                d.RainMm is { } rain ? rain <= NoRainMm : null
            ),
            DayCondition.NotHot => All(condition, day, d => d.MaxC < HotC),
            DayCondition.LowWind => All(condition, day, d => d.WindMs is { } wind ? wind < StrongWindMs : null),
            DayCondition.NoHardFreeze => NoHardFreeze(day),
            _ => null,
        };

    /// <summary>The worst weather behind days on which a condition is broken.</summary>
    /// <param name="condition">The condition.</param>
    /// <param name="from">First of those days.</param>
    /// <param name="to">Last of them.</param>
    internal ((WeatherDay Day, double Value) Worst, string Unit) Worst(
        DayCondition condition,
        DateOnly from,
        DateOnly to
    )
    {
        var (before, after) = Reach(condition);
        var days = Enumerable
            .Range(from.DayNumber + before, to.DayNumber - from.DayNumber + after - before + 1)
            .Select(n => Find(DateOnly.FromDayNumber(n)))
            .OfType<WeatherDay>();
        return condition switch
        {
            DayCondition.NoHardFreeze => (days.Select(d => (d, d.MinC)).MinBy(d => d.MinC), "°C"),
            DayCondition.NotHot => (days.Select(d => (d, d.MaxC)).MaxBy(d => d.MaxC), "°C"),
            DayCondition.LowWind => (days.Select(d => (d, d.WindMs ?? 0)).MaxBy(d => d.Item2), "m/s"),
            _ => (days.Select(d => (d, d.RainMm ?? 0)).MaxBy(d => d.Item2), "mm/day"),
        };
    }

    // Days before and after a day that settle it.
    private static (int Before, int After) Reach(DayCondition condition) =>
        condition switch
        {
            DayCondition.Dry => (-1, DryDaysAfter),
            DayCondition.DryTrees => (-1, 0),
            DayCondition.NotHot => (0, CalmDaysAfter),
            DayCondition.NoHardFreeze => (1, CalmDaysAfter),
            _ => (0, 0),
        };

    // Two days after it: not ten degrees below what wood is used to, and never a frost that splits tender bark.
    private bool? NoHardFreeze(DateOnly day)
    {
        var before = Enumerable.Range(1, Fortnight).Select(i => Find(day.AddDays(-i))).OfType<WeatherDay>().ToList();
        if (before.Count < Fortnight / 2)
            return null;
        var least = before.Average(d => d.MinC) - BelowMeanC;
        return All(DayCondition.NoHardFreeze, day, d => d.MinC > least && (!_isTender || d.MinC > TenderC));
    }

    // A broken day settles it, whatever is unknown beside it.
    private bool? All(DayCondition condition, DateOnly day, Func<WeatherDay, bool?> holds)
    {
        var isUnknown = false;
        var (from, to) = Reach(condition);
        for (var i = from; i <= to; i++)
        {
            var held = Find(day.AddDays(i)) is { } weather ? holds(weather) : null;
            if (held == false)
                return false;
            isUnknown |= held is null;
        }
        return isUnknown ? null : true;
    }

    private WeatherDay? Find(DateOnly day) => _days.TryGetValue(day, out var weather) ? weather : null;
}

/// <summary>How many days of a window in past years were such as a pass needs.</summary>
/// <param name="Usable">Days that were.</param>
/// <param name="Known">Days that could be judged.</param>
/// <param name="Years">Past years they are of.</param>
public sealed record UsableDays(int Usable, int Known, int Years)
{
    // Fewer tell nothing of a week.
    private const int FewestKnown = 7;

    /// <summary>Looks at the same days of past years; null where too few could be judged.</summary>
    /// <param name="judge">The days measured.</param>
    /// <param name="conditions">What the days must be like.</param>
    /// <param name="from">First day of the window.</param>
    /// <param name="to">Last day of it.</param>
    /// <param name="years">How many years back to look.</param>
    public static UsableDays? Of(
        DayJudge judge,
        IReadOnlyList<DayCondition> conditions,
        DateOnly from,
        DateOnly to,
        int years = 10
    )
    {
        if (conditions.Count == 0)
            return null;
        int usable = 0,
            known = 0,
            seen = 0;
        for (var back = 1; back <= years; back++)
        {
            var before = known;
            for (var day = from; day <= to; day = day.AddDays(1))
                // 29 February falls on the 28th.
                if (judge.Holds(conditions, day.AddYears(-back)) is { } held)
                {
                    known++;
                    usable += held ? 1 : 0;
                }
            seen += known > before ? 1 : 0;
        }
        return known < FewestKnown ? null : new(usable, known, seen);
    }
}
