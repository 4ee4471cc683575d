using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Passes;

namespace Rama.Solver.Tests;

/// <summary>Crews and work made for tests.</summary>
internal static class Works
{
    public static readonly DateOnly Monday = new(2027, 2, 1);

    public const double HoursPerDay = 8;

    public static readonly IReadOnlySet<DayOfWeek> EveryDay = Enum.GetValues<DayOfWeek>().ToHashSet();

    public static WorkCrew Crew(
        string id,
        int people = 1,
        IReadOnlyList<DaySpan>? off = null,
        IReadOnlySet<DayOfWeek>? weekdays = null,
        params Hands[] skills
    ) =>
        new(
            id,
            [.. Enumerable.Repeat<IReadOnlySet<Hands>>(skills.Append(Hands.Pruner).ToHashSet(), people)],
            new(weekdays ?? EveryDay, HoursPerDay, off ?? []),
            new HashSet<string>(),
            WagePerHour: 15
        );

    /// <summary>Work of some days for one person, due on a day of the plan counted from 1.</summary>
    public static CrewTask Task(string id, double days, int? due, double perDay) =>
        new(
            id,
            days * HoursPerDay,
            Monday,
            due is { } d ? Monday.AddDays(d - 1) : null,
            new LateCharge(perDay),
            [Hands.Pruner],
            "home"
        );

    public static CrewProblem Problem(IReadOnlyList<CrewTask> tasks, params IReadOnlyList<WorkCrew> crews) =>
        new(Monday, tasks, crews, Platforms: 2, new(MoveHours: 0, IdlePerHalfDay: 0));

    public static CrewSolution Solve(CrewProblem problem, double steps = 20) =>
        CrewSolver.Improve(problem, new CrewPlanner(problem).First(), SolveLimit.Repeatable(steps));
}
