using Rama.Core.Explain;

namespace Rama.Core.Season;

/// <summary>When the pruning of a planting would be done if the crews took the plantings in their order.</summary>
/// <param name="Hours">Hours of pruning in the planting.</param>
/// <param name="HoursAssumed">Whether the time per tree is an assumption, since there is no prescription yet.</param>
/// <param name="Done">Day it would be done.</param>
/// <param name="GreenTip">Day green tip is expected; null without an estimate.</param>
/// <param name="DaysToGreenTip">Days from today to green tip.</param>
/// <param name="DaysLate">Days that it would be done after green tip; 0 when it is in time, null without an estimate.</param>
/// <param name="Reason">Why it is late.</param>
public sealed record WorkAhead(
    double Hours, bool HoursAssumed, DateOnly Done, GreenTip? GreenTip, int? DaysToGreenTip, int? DaysLate, Notice? Reason)
{
    /// <summary>Time per tree where there is no prescription yet, minutes (assumption).</summary>
    public const double AssumedMinutesPerTree = 2;

    /// <summary>Crew hours in a week unless the estate says otherwise: six people, forty hours (assumption).</summary>
    public const double DefaultCrewHoursPerWeek = 240;

    /// <summary>Lays the work of plantings end to end, in the order given.</summary>
    /// <param name="today">First day of the work.</param>
    /// <param name="crewHoursPerWeek">Hours all crews together work in a week, above 0.</param>
    /// <param name="plantings">Bearing trees, minutes per tree where prescribed, and green tip of each planting.</param>
    /// <remarks>From green tip on, pruning knocks buds off: common practice.</remarks>
    public static IReadOnlyList<WorkAhead> InTurn(
        DateOnly today, double crewHoursPerWeek, IEnumerable<(double Trees, double? MinutesPerTree, GreenTip? GreenTip)> plantings)
    {
        var ahead = 0.0;
        List<WorkAhead> works = [];
        foreach (var (trees, minutes, tip) in plantings)
        {
            var hours = trees * (minutes ?? AssumedMinutesPerTree) / 60;
            ahead += hours;
            var done = today.AddDays((int)Math.Ceiling(ahead / crewHoursPerWeek * 7));
            var left = tip is null ? (int?)null : tip.Day.DayNumber - today.DayNumber;
            var late = tip is null ? (int?)null : Math.Max(0, done.DayNumber - tip.Day.DayNumber);
            works.Add(new(hours, minutes is null, done, tip, left, late, late > 0 ? Why(late.Value, ahead, crewHoursPerWeek) : null));
        }
        return works;
    }

    private static Notice Why(int late, double hours, double perWeek) => new(
        "season.late",
        $"With what is ahead of it, {hours:0} hours at {perWeek:0} crew hours a week, it would be done {late} days after green tip. Take it earlier, add hands or cut less.",
        new("work up to here", hours, "h"), new("crew hours", perWeek, "h/week"), new("late", late, "day"));
}
