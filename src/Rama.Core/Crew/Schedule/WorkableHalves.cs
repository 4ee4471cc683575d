namespace Rama.Core.Crew.Schedule;

/// <summary>Half-days a crew could work on a task on: it works, the task is open, and the day is such as it needs.
/// </summary>
/// <param name="problem">The problem.</param>
public sealed class WorkableHalves(CrewProblem problem)
{
    // Asked thousands of times a second while a better plan is looked for.
    private readonly Dictionary<string, int> _tasks = problem.Tasks.Index().ToDictionary(t => t.Item.Id, t => t.Index);
    private readonly Dictionary<string, int> _crews = problem.Crews.Index().ToDictionary(c => c.Item.Id, c => c.Index);
    private readonly int[]?[] _known = new int[]?[problem.Tasks.Count * problem.Crews.Count];
    private readonly int?[] _needed =
    [
        .. from task in problem.Tasks
        from crew in problem.Crews
        from overtime in new[] { false, true }
        select problem.HalvesFor(task, crew, overtime),
    ];
    private readonly Dictionary<string, bool[]> _works = problem.Crews.ToDictionary(
        c => c.Id,
        c => Enumerable.Range(0, CrewProblem.Days).Select(d => c.Calendar.Works(problem.Start.AddDays(d))).ToArray()
    );

    /// <summary>Half-days a crew works from the start up to and with one.</summary>
    /// <param name="crew">The crew.</param>
    /// <param name="half">The half-day.</param>
    public int UpTo(WorkCrew crew, int half)
    {
        var works = _works[crew.Id];
        var (day, within) = Math.DivRem(half, CrewProblem.HalvesPerDay);
        var working = works[day] ? within + 1 : 0;
        for (var before = 0; before < day; before++)
            working += works[before] ? CrewProblem.HalvesPerDay : 0;
        return working;
    }

    /// <summary>Half-days a crew needs for a task; null where it cannot do it.</summary>
    /// <param name="task">The task.</param>
    /// <param name="crew">The crew.</param>
    /// <param name="overtime">Whether it works overtime on it.</param>
    public int? Needed(CrewTask task, WorkCrew crew, bool overtime) =>
        _needed[PlaceOf(task, crew) * 2 + (overtime ? 1 : 0)];

    private int PlaceOf(CrewTask task, WorkCrew crew) => _tasks[task.Id] * problem.Crews.Count + _crews[crew.Id];

    /// <summary>They, in order.</summary>
    /// <param name="task">The task.</param>
    /// <param name="crew">The crew.</param>
    public int[] Of(CrewTask task, WorkCrew crew)
    {
        var place = PlaceOf(task, crew);
        if (_known[place] is { } known)
            return known;
        List<int> halves = [];
        var works = _works[crew.Id];
        var opens = task.OnlyFrom is { } only && only > task.From ? only : task.From;
        var first = Math.Max(0, opens.DayNumber - problem.Start.DayNumber);
        for (var day = first; day < CrewProblem.Days; day++)
            if (works[day] && task.Weather?.IsUsable(problem.Start.AddDays(day), problem.Start) != false)
                for (var half = 0; half < CrewProblem.HalvesPerDay; half++)
                    halves.Add(day * CrewProblem.HalvesPerDay + half);
        return _known[place] = [.. halves];
    }
}
