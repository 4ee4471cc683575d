namespace Rama.Core.Crew;

/// <summary>The days and hours a crew works.</summary>
/// <param name="Weekdays">Days of the week it works.</param>
/// <param name="HoursPerDay">Hours a day, above 0 and at most 16.</param>
/// <param name="DaysOff">Spans of days it does not, such as holidays.</param>
public sealed record WorkCalendar(IReadOnlySet<DayOfWeek> Weekdays, double HoursPerDay, IReadOnlyList<DaySpan> DaysOff)
{
    /// <summary>Most hours a day somebody works, overtime in them.</summary>
    public const double MostHours = 16;

    /// <summary>Monday to Friday.</summary>
    public static IReadOnlySet<DayOfWeek> MondayToFriday { get; } =
        new HashSet<DayOfWeek>
        {
            DayOfWeek.Monday,
            DayOfWeek.Tuesday,
            DayOfWeek.Wednesday,
            DayOfWeek.Thursday,
            DayOfWeek.Friday,
        };

    /// <summary>Whether it works on a day.</summary>
    /// <param name="day">The day.</param>
    public bool Works(DateOnly day) => Weekdays.Contains(day.DayOfWeek) && !DaysOff.Any(off => off.Holds(day));
}

/// <summary>A span of days.</summary>
/// <param name="From">First day.</param>
/// <param name="To">Last day, not before the first.</param>
public readonly record struct DaySpan(DateOnly From, DateOnly To)
{
    /// <summary>Whether a day lies in it.</summary>
    /// <param name="day">The day.</param>
    public bool Holds(DateOnly day) => day >= From && day <= To;
}
