using Rama.Core.Explain;

namespace Rama.Core.Crew.Schedule;

/// <summary>Which crew does what when.</summary>
/// <param name="Tasks">Tasks with their place, in the order they begin.</param>
/// <param name="Unplaced">Tasks without one.</param>
/// <param name="Cost">What it costs beside wages.</param>
/// <param name="Order">The work in the order it was laid in, each with its crew.</param>
public sealed record CrewPlan(
    IReadOnlyList<PlacedTask> Tasks,
    IReadOnlyList<UnplacedTask> Unplaced,
    PlanCost Cost,
    IReadOnlyList<Turn> Order
)
{
    /// <summary>Tasks finished after their time.</summary>
    public IEnumerable<PlacedTask> Late => Tasks.Where(t => t.DaysLate > 0);
}

/// <summary>A task with its place in a plan.</summary>
/// <param name="Task">The task.</param>
/// <param name="Crew">Who does it.</param>
/// <param name="Overtime">Whether overtime is worked on it.</param>
/// <param name="People">People who work on it.</param>
/// <param name="Hours">Hours paid of all of them, at the pace of the crew.</param>
/// <param name="Spans">When, in half-days from the start of the plan, in order.</param>
/// <param name="First">Day it begins.</param>
/// <param name="Last">Day it is finished.</param>
/// <param name="DaysLate">Days it is finished late.</param>
/// <param name="LateCost">What that costs, money.</param>
public sealed record PlacedTask(
    string Task,
    string Crew,
    bool Overtime,
    int People,
    double Hours,
    IReadOnlyList<HalfSpan> Spans,
    DateOnly First,
    DateOnly Last,
    int DaysLate,
    double LateCost
)
{
    /// <summary>Share of it that is done in time, 0 to 1.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="due">Last day in time; null where it is never late.</param>
    public double ShareInTime(CrewProblem problem, DateOnly? due)
    {
        if (due is not { } day)
            return 1;
        var late = problem.HalfOf(day.AddDays(1));
        return (double)Spans.Sum(s => Math.Max(0, Math.Min(s.To, late) - s.From)) / Spans.Sum(s => s.To - s.From);
    }

    /// <summary>First half-day.</summary>
    public int Begin => Spans[0].From;

    /// <summary>The half-day after its last.</summary>
    public int End => Spans[^1].To;
}

/// <summary>Half-days from one up to, and without, another.</summary>
/// <param name="From">First half-day, from the start of the plan.</param>
/// <param name="To">The half-day after the last.</param>
public readonly record struct HalfSpan(int From, int To);

/// <summary>A task nobody can do.</summary>
/// <param name="Task">The task.</param>
/// <param name="Why">Why not.</param>
public sealed record UnplacedTask(string Task, UnplacedReason Why);

/// <summary>Why a task has no place in a plan.</summary>
public enum UnplacedReason
{
    /// <summary>No crew has the skill.</summary>
    NoSkill,

    /// <summary>No crew that could works on its site.</summary>
    NoSite,

    /// <summary>It needs more platforms than there are.</summary>
    NoPlatform,

    /// <summary>The crew it is kept with cannot do it.</summary>
    LockedCrew,

    /// <summary>It cannot begin on the day it is kept on.</summary>
    LockedDay,

    /// <summary>No crew has the days within a year.</summary>
    NoDays,

    /// <summary>What must come before it has no place.</summary>
    WaitsForOther,

    /// <summary>What must come before it waits for it.</summary>
    Circular,
}

/// <summary>What a plan costs beside wages, money.</summary>
/// <param name="Late">Lateness.</param>
/// <param name="Overtime">What overtime costs more than usual hours.</param>
/// <param name="Moves">Hours on the way from site to site.</param>
/// <param name="Idle">Half-days without work.</param>
public sealed record PlanCost(double Late, double Overtime, double Moves, double Idle)
{
    /// <summary>All of it.</summary>
    public double Total => Late + Overtime + Moves + Idle;

    /// <summary>The arithmetic.</summary>
    public IReadOnlyList<Step> Steps =>
        [
            new(
                "crew-plan.cost",
                "lateness + overtime + moves + waiting",
                new("cost beside wages", Total, "money"),
                [
                    new("lateness", Late, "money"),
                    new("overtime", Overtime, "money"),
                    new("moves", Moves, "money"),
                    new("waiting", Idle, "money"),
                ],
                Sources.Definition
            ),
        ];
}
