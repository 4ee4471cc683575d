namespace Rama.Core.Crew.Schedule;

/// <summary>Makes plans from an order of the work, and the first plan from nothing.</summary>
/// <param name="problem">The problem.</param>
public sealed class CrewPlanner(CrewProblem problem)
{
    // Tasks times crews from which on one order is tried: with the others a first look would take half a minute.
    private const int LargeProblem = 12_000;

    private readonly WorkableHalves _workable = new(problem);
    private readonly Dictionary<string, WorkCrew> _crews = problem.Crews.ToDictionary(c => c.Id);
    private readonly Dictionary<string, CrewTask> _tasks = problem.Tasks.ToDictionary(t => t.Id);

    private readonly IReadOnlyList<CrewTask> _fixed =
    [
        .. problem.Tasks.Where(t => t.OnlyFrom is not null).OrderBy(t => t.OnlyFrom),
    ];

    /// <summary>Half-days each crew could work on each task on.</summary>
    public WorkableHalves Workable => _workable;

    /// <summary>
    /// The plan shown at once: the work in the order of its last days, in that of what a day late costs, and in that of
    /// both, each given to the crew that has it done first; the cheapest of them.
    /// </summary>
    /// <remarks>
    /// Source: handbook of the trade; both together: apparent tardiness cost, Vepsalainen and Morton 1987, from memory.
    /// </remarks>
    public CrewPlan First()
    {
        IReadOnlyList<CrewTask> byDue =
        [
            .. problem.Tasks.OrderBy(t => t.Due ?? DateOnly.MaxValue).ThenByDescending(Weight),
        ];
        IReadOnlyList<IReadOnlyList<CrewTask>> orders =
        [
            byDue,
            [.. byDue.OrderByDescending(Weight)],
            [.. byDue.OrderByDescending(Urgency)],
        ];
        var mayOvertime = problem.Crews.Any(c => c.Overtime > 0);
        if (problem.Tasks.Count * problem.Crews.Count > LargeProblem)
            (orders, mayOvertime) = ([byDue], false);
        CrewPlan? best = null;
        foreach (var order in orders)
        foreach (var overtime in mayOvertime ? [false, true] : new[] { false })
        {
            var plan = InOrder([.. order.Select(t => new Turn(t.Id, null, overtime))]);
            if (best is null || IsBetter(plan, best))
                best = plan;
        }
        return best!;
    }

    /// <summary>The plan in which work takes its turns as told, each as early as it can.</summary>
    /// <param name="turns">The tasks in their order, each at most once; what is not named comes last.</param>
    public CrewPlan InOrder(IReadOnlyList<Turn> turns)
    {
        var (layout, unplaced) = Laid(turns);
        return PlanOf(
            layout,
            unplaced,
            // As it was laid: what is kept and what runs ahead first, and each with its crew.
            [.. layout.Laid.Values.Select(p => new Turn(p.Task.Id, p.Crew.Id, p.Overtime))]
        );
    }

    /// <summary>What the plan of an order costs, and how many tasks have no place in it.</summary>
    /// <param name="turns">The tasks in their order.</param>
    internal (int Unplaced, double Cost) CostOf(IReadOnlyList<Turn> turns)
    {
        var (layout, unplaced) = Laid(turns);
        return (unplaced.Count, layout.Cost().Total);
    }

    private (WorkLayout, Dictionary<string, UnplacedReason>) Laid(IReadOnlyList<Turn> turns)
    {
        WorkLayout layout = new(problem, _workable);
        Dictionary<string, UnplacedReason> unplaced = [];
        HashSet<string> seen = [];
        HashSet<string> inside = [];
        var turnOf = turns.ToDictionary(t => t.Task);
        // What a manager has fixed keeps its days, with what must run ahead of it.
        foreach (var task in _fixed)
            Lay(task);
        foreach (var turn in turns)
            Lay(_tasks[turn.Task]);
        foreach (var task in problem.Tasks)
            Lay(task);
        return (layout, unplaced);

        void Lay(CrewTask task)
        {
            if (seen.Contains(task.Id))
                return;
            if (!inside.Add(task.Id))
            {
                unplaced[task.Id] = UnplacedReason.Circular;
                seen.Add(task.Id);
                return;
            }
            foreach (var before in task.Before)
                if (_tasks.TryGetValue(before, out var ahead))
                    Lay(ahead);
            inside.Remove(task.Id);
            if (!seen.Add(task.Id))
                return;
            if (task.Before.Any(unplaced.ContainsKey))
            {
                unplaced[task.Id] = UnplacedReason.WaitsForOther;
                return;
            }
            var turn = turnOf.GetValueOrDefault(task.Id) ?? new(task.Id, null, false);
            var (crew, halves, overtime) = Place(layout, task, turn);
            if (crew is null)
                unplaced[task.Id] = WhyNot(task);
            else
                layout.Keep(task, crew, overtime, halves!);
        }
    }

    /// <summary>
    /// The work of a plan laid anew, each with its crew: in the order it began in, or in the order it was finished in,
    /// whichever is better.
    /// </summary>
    /// <param name="placed">The work with its crew, and with its half-days in order.</param>
    public CrewPlan Again(IReadOnlyList<(Turn Turn, int Begin, int End)> placed)
    {
        var byBegin = InOrder([.. placed.OrderBy(p => p.Begin).Select(p => p.Turn)]);
        var byEnd = InOrder([.. placed.OrderBy(p => p.End).Select(p => p.Turn)]);
        return IsBetter(byEnd, byBegin) ? byEnd : byBegin;
    }

    /// <summary>A plan of half-days found elsewhere, its cost told as every plan's; null where work overtakes what it
    /// follows.</summary>
    /// <param name="placed">Half-days by task, with crew and overtime.</param>
    public CrewPlan? Of(IEnumerable<(string Task, string Crew, bool Overtime, IReadOnlyList<int> Halves)> placed)
    {
        WorkLayout layout = new(problem, _workable);
        Dictionary<string, UnplacedReason> unplaced = [];
        foreach (var (task, crew, overtime, halves) in placed)
            layout.Keep(_tasks[task], _crews[crew], overtime, halves);
        if (layout.Overtakes())
            return null;
        foreach (var task in problem.Tasks.Where(t => !layout.Laid.ContainsKey(t.Id)))
            unplaced[task.Id] = WhyNot(task);
        return PlanOf(
            layout,
            unplaced,
            [.. layout.Laid.Values.OrderBy(p => p.Halves[0]).Select(p => new Turn(p.Task.Id, p.Crew.Id, p.Overtime))]
        );
    }

    /// <summary>Whether one plan is better than another: it has a place for more, or costs less.</summary>
    /// <param name="plan">The one.</param>
    /// <param name="than">The other.</param>
    public static bool IsBetter(CrewPlan plan, CrewPlan than) =>
        plan.Unplaced.Count != than.Unplaced.Count
            ? plan.Unplaced.Count < than.Unplaced.Count
            : plan.Cost.Total < than.Cost.Total - 1e-6;

    private (WorkCrew? Crew, IReadOnlyList<int>? Halves, bool Overtime) Place(
        WorkLayout layout,
        CrewTask task,
        Turn turn
    )
    {
        (WorkCrew? Crew, IReadOnlyList<int>? Halves, bool Overtime) best = default;
        // Whom a manager keeps it with, or who has lost the skill, counts for more than the order.
        var isAble =
            turn.Crew is { } only
            && _crews.TryGetValue(only, out var told)
            && _workable.Needed(task, told, overtime: false) is not null;
        foreach (var crew in isAble ? [_crews[turn.Crew!]] : problem.Crews)
        {
            var overtime = turn.Overtime && crew.Overtime > 0;
            if (layout.Find(task, crew, overtime) is not { } halves)
                continue;
            if (best.Halves is null || halves[^1] < best.Halves[^1])
                best = (crew, halves, overtime);
        }
        return best;
    }

    private CrewPlan PlanOf(WorkLayout layout, Dictionary<string, UnplacedReason> unplaced, IReadOnlyList<Turn> order)
    {
        var tasks = layout
            .Laid.Values.Select(p => PlacedOf(p.Task, p.Crew, p.Overtime, p.Halves))
            .OrderBy(t => t.Begin)
            .ThenBy(t => t.Crew, StringComparer.Ordinal)
            .ThenBy(t => t.Task, StringComparer.Ordinal)
            .ToList();
        return new(
            tasks,
            [
                .. problem
                    .Tasks.Where(t => unplaced.ContainsKey(t.Id))
                    .Select(t => new UnplacedTask(t.Id, unplaced[t.Id])),
            ],
            layout.Cost(),
            order
        );
    }

    private PlacedTask PlacedOf(CrewTask task, WorkCrew crew, bool overtime, IReadOnlyList<int> halves)
    {
        List<HalfSpan> spans = [];
        foreach (var half in halves)
            if (spans.Count > 0 && spans[^1].To == half)
                spans[^1] = new(spans[^1].From, half + 1);
            else
                spans.Add(new(half, half + 1));
        var last = problem.DayOf(halves[^1]);
        return new(
            task.Id,
            crew.Id,
            overtime,
            problem.PeopleOn(task, crew),
            CrewProblem.HoursOf(task, crew),
            spans,
            problem.DayOf(halves[0]),
            last,
            task.DaysLate(last),
            task.LateCost(last)
        );
    }

    private UnplacedReason WhyNot(CrewTask task)
    {
        var skilled = problem.Crews.Where(c => c.PeopleFor(task.Needs) > 0).ToList();
        return skilled.Count == 0 ? UnplacedReason.NoSkill
            : skilled.All(c => !c.WorksOn(task.Site)) ? UnplacedReason.NoSite
            : task.Platforms > problem.Platforms ? UnplacedReason.NoPlatform
            : task.OnlyCrew is not null && problem.Crews.All(c => problem.PeopleOn(task, c) == 0)
                ? UnplacedReason.LockedCrew
            : task.OnlyFrom is not null ? UnplacedReason.LockedDay
            : UnplacedReason.NoDays;
    }

    // Money a day late, by the hours it takes: work that is short and dear comes first.
    private static double Weight(CrewTask task) =>
        task.LateCost(task.Due?.AddDays(1) ?? default) / Math.Max(1, task.Hours);

    private double Urgency(CrewTask task)
    {
        var mean = Math.Max(1, problem.Tasks.Average(t => t.Hours) / Math.Max(1, problem.Crews.Sum(c => c.People)));
        var slack = Math.Max(0, (task.Due ?? DateOnly.MaxValue).DayNumber - problem.Start.DayNumber);
        return Weight(task) * Math.Exp(-slack / (2 * mean));
    }
}

/// <summary>A task's place in the order of a plan.</summary>
/// <param name="Task">The task.</param>
/// <param name="Crew">Who does it; null for whoever is done with it first.</param>
/// <param name="Overtime">Whether overtime is worked on it, where the crew may.</param>
public sealed record Turn(string Task, string? Crew, bool Overtime);
