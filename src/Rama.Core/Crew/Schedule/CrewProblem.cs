namespace Rama.Core.Crew.Schedule;

/// <summary>Work to be done by crews from a day on, in half-days.</summary>
/// <param name="Start">First day of the plan.</param>
/// <param name="Tasks">The work.</param>
/// <param name="Crews">The crews.</param>
/// <param name="Platforms">Platforms the crews share.</param>
/// <param name="Settings">What costs beside lateness.</param>
public sealed record CrewProblem(
    DateOnly Start,
    IReadOnlyList<CrewTask> Tasks,
    IReadOnlyList<WorkCrew> Crews,
    int Platforms,
    CrewSettings Settings
)
{
    /// <summary>Half-days in a day.</summary>
    public const int HalvesPerDay = 2;

    /// <summary>Days a plan looks ahead.</summary>
    public const int Days = 366;

    /// <summary>Half-days a plan looks ahead.</summary>
    public const int Halves = Days * HalvesPerDay;

    /// <summary>Day of a half-day.</summary>
    /// <param name="half">Half-days from the start.</param>
    public DateOnly DayOf(int half) => Start.AddDays(half / HalvesPerDay);

    /// <summary>The first half-day of a day; before the start negative.</summary>
    /// <param name="day">The day.</param>
    public int HalfOf(DateOnly day) => (day.DayNumber - Start.DayNumber) * HalvesPerDay;

    /// <summary>People of a crew who work on a task at once; 0 where it cannot do it.</summary>
    /// <param name="task">The task.</param>
    /// <param name="crew">The crew.</param>
    public int PeopleOn(CrewTask task, WorkCrew crew)
    {
        if (!crew.WorksOn(task.Site) || task.OnlyCrew is { } only && only != crew.Id || task.Platforms > Platforms)
            return 0;
        var people = crew.PeopleFor(task.Needs);
        return task.Platforms == 0 ? people : Math.Min(people, task.Platforms * CrewTask.PeopleOnPlatform);
    }

    /// <summary>Hours paid a task takes a crew, at its pace.</summary>
    /// <param name="task">The task.</param>
    /// <param name="crew">The crew.</param>
    public static double HoursOf(CrewTask task, WorkCrew crew) => task.Hours * crew.Speed;

    /// <summary>Half-days a crew needs for a task; null where it cannot do it.</summary>
    /// <param name="task">The task.</param>
    /// <param name="crew">The crew.</param>
    /// <param name="overtime">Whether it works overtime on it.</param>
    public int? HalvesFor(CrewTask task, WorkCrew crew, bool overtime = false)
    {
        var people = PeopleOn(task, crew);
        if (people == 0)
            return null;
        var day = crew.Calendar.HoursPerDay + (overtime ? crew.Overtime : 0);
        var halves = Math.Ceiling(HoursOf(task, crew) / (people * day / HalvesPerDay) - 1e-9);
        return halves > Halves ? null : Math.Max(1, (int)halves);
    }

    /// <summary>What working overtime on a task costs more, money.</summary>
    /// <param name="task">The task.</param>
    /// <param name="crew">The crew.</param>
    public double OvertimeCost(CrewTask task, WorkCrew crew) =>
        (HalvesFor(task, crew, overtime: true) ?? 0)
        * PeopleOn(task, crew)
        * (crew.Overtime / HalvesPerDay)
        * crew.WagePerHour
        * (crew.OvertimeRate - 1);

    /// <summary>What a crew costs while it goes from one site to another, money.</summary>
    /// <param name="crew">The crew.</param>
    public double MoveCost(WorkCrew crew) => Settings.MoveHours * crew.People * crew.WagePerHour;
}

/// <summary>What a plan counts beside lateness.</summary>
/// <param name="MoveHours">Hours a crew needs from one site to another.</param>
/// <param name="IdlePerHalfDay">Money for each half-day a crew waits for work before its last.</param>
public sealed record CrewSettings(double MoveHours = 0.5, double IdlePerHalfDay = 1);
