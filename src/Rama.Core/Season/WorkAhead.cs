using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;
using Rama.Core.Weather;

namespace Rama.Core.Season;

/// <summary>When the pruning of a planting would be done if the crews took the plantings in their order.</summary>
/// <param name="Hours">Hours of pruning left in the planting.</param>
/// <param name="HoursAssumed">Whether the time per tree is an assumption, since there is no prescription yet.</param>
/// <param name="Done">Day it would be done.</param>
/// <param name="Window">Days between which it is pruned; null without an estimate.</param>
/// <param name="GreenTip">Day green tip is expected; null without an estimate.</param>
/// <param name="DaysToGreenTip">Days from today to green tip.</param>
/// <param name="DaysLate">Days that it would be done after its window; 0 when it is in time, null without an
/// estimate.</param>
/// <param name="Reason">Why it is late.</param>
/// <param name="DoneShare">Share of its hours that is reported done.</param>
public sealed record WorkAhead(
    double Hours,
    bool HoursAssumed,
    DateOnly Done,
    PruningWindow? Window,
    GreenTip? GreenTip,
    int? DaysToGreenTip,
    int? DaysLate,
    Notice? Reason,
    double DoneShare
)
{
    /// <summary>Time per tree where there is no prescription yet, minutes (assumption).</summary>
    public const double AssumedMinutesPerTree = 2;

    /// <summary>Crew hours in a week unless the estate says otherwise: six people, forty hours (assumption).</summary>
    public const double DefaultCrewHoursPerWeek = 240;

    private const double FarDays = 36_525;

    /// <summary>
    /// Lays the work of plantings end to end: of those whose window is open the one that closes first, and
    /// among equals in the order given. Where none is open yet the crews wait for the first.
    /// </summary>
    /// <param name="today">First day of the work.</param>
    /// <param name="crewHoursPerWeek">Hours all crews together work in a week, above 0.</param>
    /// <param name="plantings">Plantings, hardy ones first.</param>
    /// <returns>The plantings in the order of the work.</returns>
    public static IReadOnlyList<(int Place, WorkAhead Work)> InTurn(
        DateOnly today,
        double crewHoursPerWeek,
        IReadOnlyList<WorkToDo> plantings
    )
    {
        var ahead = 0.0;
        List<(int, WorkAhead)> works = [];
        // Closing first, hardy first among equals; what nobody can date comes after what is dated.
        var waiting = Enumerable
            .Range(0, plantings.Count)
            .OrderBy(i => plantings[i].Window?.To ?? DateOnly.MaxValue)
            .ThenBy(i => i)
            .ToList();
        while (waiting.Count > 0)
        {
            var now = Day(Math.Floor(ahead / crewHoursPerWeek * 7 + 1e-9));
            var next = waiting.FindIndex(i => !(plantings[i].Window?.From > now));
            if (next < 0)
            {
                next = waiting.Index().MinBy(w => plantings[w.Item].Window!.From).Index;
                var opens = plantings[waiting[next]].Window!.From!.Value.DayNumber - today.DayNumber;
                ahead = Math.Max(ahead, opens * crewHoursPerWeek / 7);
            }
            var place = waiting[next];
            waiting.RemoveAt(next);
            var (hours, assumed, tip, window, share) = plantings[place];
            ahead += hours;
            var done = Day(Math.Ceiling(ahead / crewHoursPerWeek * 7 - 1e-9));
            var left = tip is null ? (int?)null : tip.Day.DayNumber - today.DayNumber;
            var late = window is null ? (int?)null : Math.Max(0, done.DayNumber - window.To.DayNumber);
            works.Add(
                (
                    place,
                    new(
                        hours,
                        assumed,
                        done,
                        window,
                        tip,
                        left,
                        late,
                        late > 0 ? Why(late.Value, ahead, crewHoursPerWeek) : null,
                        share
                    )
                )
            );
        }
        return works;

        // One hour a week for a whole country's trees is no date any more.
        DateOnly Day(double days) => today.AddDays((int)Math.Min(days, FarDays));
    }

    /// <summary>The same as the crews plan it, so that both tell one day.</summary>
    /// <param name="winter">Its winter passes in the crew plan.</param>
    /// <param name="isWhole">Whether all of them have a place in it.</param>
    public WorkAhead Planned(IReadOnlyList<PlacedTask> winter, bool isWhole)
    {
        if (!isWhole || winter.Count == 0)
            return this with
            {
                DaysLate = null,
                Reason = new("season.nobody", "Nobody is planned to do it. See the crew plan for why."),
            };
        var late = winter.Max(t => t.DaysLate);
        return this with
        {
            Done = winter.Max(t => t.Last),
            DaysLate = late,
            Reason =
                late == 0
                    ? null
                    : new(
                        "season.planned-late",
                        $"In the crew plan it is done {late} days after its time. See there what would help.",
                        new Figure("late", late, "day")
                    ),
        };
    }

    private static Notice Why(int late, double hours, double perWeek) =>
        new(
            "season.late",
            $"With what is ahead of it, {hours:0} hours at {perWeek:0} crew hours a week, it would be done "
                + $"{late} days after its time. Take it earlier, add hands or cut less.",
            new("work up to here", hours, "h"),
            new("crew hours", perWeek, "h/week"),
            new("late", late, "day")
        );
}

/// <summary>The pruning of one planting that is still to be done.</summary>
/// <param name="Hours">Hours paid that are left.</param>
/// <param name="HoursAssumed">Whether the time per tree is an assumption.</param>
/// <param name="GreenTip">Its green tip, where expected.</param>
/// <param name="Window">Days between which it is pruned, where known.</param>
/// <param name="DoneShare">Share of all its hours that is done.</param>
public sealed record WorkToDo(
    double Hours,
    bool HoursAssumed,
    GreenTip? GreenTip,
    PruningWindow? Window,
    double DoneShare = 0
)
{
    /// <summary>Of a programme: its winter passes, done by the last day of the last of them; null where none is
    /// ahead.</summary>
    /// <param name="programme">The programme.</param>
    /// <param name="tip">Green tip, where expected.</param>
    /// <param name="done">Share of a pass that is done; nothing when left out.</param>
    public static WorkToDo? Of(Programme programme, GreenTip? tip, Func<string, double>? done = null)
    {
        var winter = programme.Passes.Where(p => p is { IsWinter: true, IsAhead: true }).ToList();
        if (winter.Count == 0)
            return null;
        var all = winter.Sum(p => p.Hours?.Paid ?? 0);
        var left = winter.Sum(p => p.HoursLeft(done?.Invoke(p.Id) ?? 0)?.Paid ?? 0);
        return new(
            left,
            winter.Any(p => p.Hours?.Assumed != false),
            tip,
            winter.Max(p => p.To) is { } to ? new(winter.Min(p => p.From), to) : null,
            all > 0 ? 1 - left / all : 0
        );
    }
}
