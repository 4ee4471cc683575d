namespace Rama.Core.Crew.Schedule;

/// <summary>
/// Lays tasks onto the days of crews one after the other, each as early as what is laid already lets it.
/// </summary>
/// <remarks>
/// Serial schedule generation. Source: Kolisch, Serial and parallel resource-constrained project scheduling methods
/// revisited (1996), from memory. Work that needs certain days takes those that are such and leaves the others to
/// other work; other work runs on consecutive working days.
/// </remarks>
internal sealed class WorkLayout
{
    private readonly CrewProblem _problem;
    private readonly Dictionary<string, CrewTask?[]> _at;
    private readonly int[] _platforms = new int[CrewProblem.Halves];
    private readonly Dictionary<string, Placed> _placed = [];
    private readonly WorkableHalves _workable;

    public WorkLayout(CrewProblem problem, WorkableHalves workable)
    {
        _problem = problem;
        _workable = workable;
        _at = problem.Crews.ToDictionary(c => c.Id, _ => new CrewTask?[CrewProblem.Halves]);
    }

    /// <summary>Half-days a crew would do a task on, what is laid already kept; null where it finds no days.</summary>
    public IReadOnlyList<int>? Find(CrewTask task, WorkCrew crew, bool overtime)
    {
        if (_workable.Needed(task, crew, overtime) is not { } halves)
            return null;
        var ahead = AheadOf(task);
        return task.Weather is null ? Consecutive(task, crew, halves, ahead) : Scattered(task, crew, halves, ahead);
    }

    /// <summary>Keeps half-days for a task.</summary>
    public void Keep(CrewTask task, WorkCrew crew, bool overtime, IReadOnlyList<int> halves)
    {
        var at = _at[crew.Id];
        foreach (var half in halves)
        {
            at[half] = task;
            _platforms[half] += task.Platforms;
        }
        _placed[task.Id] = new(task, crew, overtime, halves);
    }

    /// <summary>What was laid.</summary>
    public IReadOnlyDictionary<string, Placed> Laid => _placed;

    /// <summary>Whether work is done on rows where what it follows was not.</summary>
    public bool Overtakes() =>
        _placed.Values.Any(p =>
            AheadOf(p.Task) is { Count: > 0 } ahead
            && p.Halves.Index().Any(h => h.Item < Earliest(h.Index, p.Halves.Count, ahead))
        );

    /// <summary>What all that is laid costs beside wages.</summary>
    public PlanCost Cost()
    {
        var (late, overtime, moves, idle) = (0.0, 0.0, 0.0, 0.0);
        foreach (var placed in _placed.Values)
        {
            late += placed.Task.LateCost(_problem.DayOf(placed.Halves[^1]));
            if (placed.Overtime)
                overtime += _problem.OvertimeCost(placed.Task, placed.Crew);
        }
        foreach (var crew in _problem.Crews)
        {
            var at = _at[crew.Id];
            var last = Array.FindLastIndex(at, task => task is not null);
            if (last < 0)
                continue;
            var (worked, site) = (0, (string?)null);
            for (var half = 0; half <= last; half++)
                if (at[half] is { } task)
                {
                    worked++;
                    if (site is not null && site != task.Site)
                        moves += _problem.MoveCost(crew);
                    site = task.Site;
                }
            idle += (_workable.UpTo(crew, last) - worked) * _problem.Settings.IdlePerHalfDay;
        }
        return new(late, overtime, moves, idle);
    }

    private List<IReadOnlyList<int>> AheadOf(CrewTask task) =>
        task.Before.Count == 0
            ? []
            : [.. task.Before.Where(_placed.ContainsKey).Select(before => _placed[before].Halves)];

    private bool IsFree(CrewTask task, CrewTask?[] at, int half) =>
        at[half] is null && (task.Platforms == 0 || _platforms[half] + task.Platforms <= _problem.Platforms);

    // The half-day of a task may be worked once as much of each task ahead is done, and half a day is past.
    private static int Earliest(int number, int halves, List<IReadOnlyList<int>> ahead)
    {
        var earliest = 0;
        foreach (var before in ahead)
        {
            var done = (int)(((long)(number + 1) * before.Count + halves - 1) / halves) - 1;
            earliest = Math.Max(earliest, before[done] + 1);
        }
        return earliest;
    }

    private int[]? Consecutive(CrewTask task, WorkCrew crew, int halves, List<IReadOnlyList<int>> ahead)
    {
        var (working, at) = (_workable.Of(task, crew), _at[crew.Id]);
        for (var first = 0; first + halves <= working.Length; first++)
        {
            if (task.OnlyFrom is { } day && _problem.DayOf(working[first]) > day)
                return null;
            // Where one half-day does not do, no start up to it does.
            var fits = true;
            for (var n = halves - 1; n >= 0; n--)
            {
                var half = working[first + n];
                var free = IsFree(task, at, half);
                if (free && (ahead.Count == 0 || half >= Earliest(n, halves, ahead)))
                    continue;
                fits = false;
                if (!free)
                    first += n;
                break;
            }
            if (fits)
                return working[first..(first + halves)];
        }
        return null;
    }

    private List<int>? Scattered(CrewTask task, WorkCrew crew, int halves, List<IReadOnlyList<int>> ahead)
    {
        var at = _at[crew.Id];
        List<int> found = new(halves);
        foreach (var half in _workable.Of(task, crew))
        {
            if (found.Count == 0 && task.OnlyFrom is { } day && _problem.DayOf(half) > day)
                return null;
            if (!IsFree(task, at, half) || ahead.Count > 0 && half < Earliest(found.Count, halves, ahead))
                continue;
            found.Add(half);
            if (found.Count == halves)
                return found;
        }
        return null;
    }

    /// <summary>A task laid.</summary>
    internal sealed record Placed(CrewTask Task, WorkCrew Crew, bool Overtime, IReadOnlyList<int> Halves);
}
