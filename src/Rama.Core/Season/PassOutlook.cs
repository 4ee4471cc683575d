using Rama.Core.Passes;

namespace Rama.Core.Season;

/// <summary>Whether the days at hand are such as a pass needs.</summary>
/// <param name="Today">Whether today is; null where nobody can tell, and it is for who stands there to judge.</param>
/// <param name="HeldUp">What holds it up in the days at hand, the first of each kind.</param>
/// <param name="KnownUntil">Last day that can be judged without a gap from today; null where today cannot.</param>
public sealed record PassOutlook(bool? Today, IReadOnlyList<HeldUp> HeldUp, DateOnly? KnownUntil)
{
    /// <summary>Days ahead that are looked at.</summary>
    public const int Days = 7;

    /// <summary>The outlook of a pass; null where no day of its window is at hand, or its days need nothing.</summary>
    /// <param name="judge">The days measured and forecast.</param>
    /// <param name="on">What its days must be like.</param>
    /// <param name="from">First day it is planned for.</param>
    /// <param name="to">Last day it is planned for.</param>
    /// <param name="today">The day taken as today.</param>
    public static PassOutlook? Of(
        DayJudge judge,
        IReadOnlyList<DayCondition> on,
        DateOnly? from,
        DateOnly? to,
        DateOnly today
    )
    {
        var last = today.AddDays(Days - 1);
        if (on.Count == 0 || from is not { } first || to is not { } closes || first > last)
            return null;
        // What comes after its last day holds nothing up; a late pass is still to be done.
        if (closes >= today && closes < last)
            last = closes;
        var begin = first > today ? first : today;
        List<HeldUp> held = [];
        foreach (var condition in on)
            for (var day = begin; day <= last; day = day.AddDays(1))
                if (judge.Holds(condition, day) == false)
                {
                    held.Add(Season.HeldUp.Of(judge, condition, day));
                    break;
                }
        DateOnly? known = null;
        for (var day = begin; day <= last && judge.Holds(on, day) is not null; day = day.AddDays(1))
            known = day;
        // Of one that opens in some days of which nothing is known there is nothing to say.
        return first <= today ? new(judge.Holds(on, today), held, known)
            : held.Count == 0 && known is null ? null
            : new(null, held, known);
    }
}

/// <summary>Weather that holds a pass up.</summary>
/// <param name="By">What the days are not like.</param>
/// <param name="From">First day it holds up.</param>
/// <param name="Until">First day after it that is usable again; null where that is not known yet.</param>
/// <param name="Value">The worst of it: lowest or highest °C, mm of rain a day, m/s of wind.</param>
/// <param name="Unit">Unit of that.</param>
/// <param name="On">Day of the worst.</param>
/// <param name="IsForecast">Whether that day is only forecast.</param>
public sealed record HeldUp(
    DayCondition By,
    DateOnly From,
    DateOnly? Until,
    double Value,
    string Unit,
    DateOnly On,
    bool IsForecast
)
{
    private const int FarthestDays = 14;

    internal static HeldUp Of(DayJudge judge, DayCondition by, DateOnly from)
    {
        var end = from;
        while (judge.Holds(by, end) == false && end.DayNumber - from.DayNumber < FarthestDays)
            end = end.AddDays(1);
        var (worst, unit) = judge.Worst(by, from, end.AddDays(-1));
        return new(
            by,
            from,
            judge.Holds(by, end) == true ? end : null,
            worst.Value,
            unit,
            worst.Day.Date,
            worst.Day.IsForecast
        );
    }
}
