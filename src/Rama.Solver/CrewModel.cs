using Google.OrTools.Sat;
using Google.OrTools.Util;
using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;

namespace Rama.Solver;

/// <summary>A crew problem in the words of CP-SAT.</summary>
/// <remarks>
/// Time is the half-days on which some crew works, one after the other. For each task and crew that can do it, with and
/// without overtime, there is an optional interval; work that may be interrupted is cut in half-days that keep their
/// order.
/// </remarks>
internal sealed class CrewModel
{
    // Pieces and choices the solver still handles well: a few seconds.
    private const int MostPieces = 400;

    private const int MostTasks = 24;

    // Ways from task to task above which moves between sites are only bounded from below.
    private const int MostWays = 2_000;

    private const double Cents = 100;

    private readonly CrewProblem _problem;
    private readonly CrewPlanner _planner;
    private readonly List<int> _halves;
    private readonly Dictionary<int, int> _placeOf = [];
    private readonly Dictionary<string, Work> _works = [];
    private readonly List<Choice> _choices = [];
    private readonly LinearExprBuilder _cost = LinearExpr.NewBuilder();

    public CrewModel(CrewProblem problem, CrewPlanner planner, CrewPlan first)
    {
        (_problem, _planner) = (problem, planner);
        var last = Math.Min(CrewProblem.Halves, first.Tasks.Max(t => t.End) * 5 / 4 + 4 * CrewProblem.HalvesPerDay);
        _halves =
        [
            .. Enumerable.Range(0, last).Where(half => problem.Crews.Any(c => c.Calendar.Works(problem.DayOf(half)))),
        ];
        foreach (var (place, half) in _halves.Index())
            _placeOf.Add(half, place);
        var told = first.Tasks.ToDictionary(t => t.Task);
        var tasks = problem.Tasks.Where(t => told.ContainsKey(t.Id)).ToList();
        foreach (var task in tasks)
            Add(task, told[task.Id]);
        foreach (var task in tasks)
        foreach (var before in task.Before.Where(_works.ContainsKey))
            Follow(_works[before], _works[task.Id]);
        foreach (var crew in problem.Crews)
            Crew(crew);
        if (tasks.Any(t => t.Platforms > 0))
            Platforms();
        Model.Minimize(_cost);
    }

    public CpModel Model { get; } = new();

    /// <summary>Whether the solver's bound holds for the problem.</summary>
    public bool IsExact { get; private set; } = true;

    public double MoneyOf(double objective) => objective / Cents;

    /// <summary>The half-days of a solution.</summary>
    public List<(string Task, string Crew, bool Overtime, IReadOnlyList<int> Halves)> Read(CpSolverSolutionCallback at)
    {
        List<(string, string, bool, IReadOnlyList<int>)> placed = [];
        foreach (var choice in _choices.Where(c => at.BooleanValue(c.IsChosen)))
        {
            List<int> halves = [];
            foreach (var piece in choice.Pieces)
            {
                var from = choice.Workable.BinarySearch((int)at.Value(piece.Start));
                halves.AddRange(choice.Workable.GetRange(from, piece.Halves).Select(place => _halves[place]));
            }
            placed.Add((choice.Task.Id, choice.Crew.Id, choice.Overtime, halves));
        }
        return placed;
    }

    /// <summary>Whether a problem is small enough for it.</summary>
    public static bool Fits(CrewProblem problem) =>
        problem.Tasks.Count <= MostTasks
        && problem.Tasks.Sum(t =>
            problem.Crews.Sum(c =>
                problem.HalvesFor(t, c) is { } halves
                    ? t.Weather is null
                        ? 1
                        : halves
                    : 0
            )
        ) <= MostPieces;

    private void Add(CrewTask task, PlacedTask told)
    {
        Work work = new(
            task,
            Model.NewIntVar(0, _halves.Count - 1, $"start {task.Id}"),
            Model.NewIntVar(1, _halves.Count, $"end {task.Id}"),
            []
        );
        _works.Add(task.Id, work);
        foreach (var crew in _problem.Crews)
        foreach (var overtime in crew.Overtime > 0 ? [false, true] : new[] { false })
            if (ChoiceOf(work, crew, overtime, told) is { } choice)
            {
                work.Choices.Add(choice);
                _choices.Add(choice);
                if (overtime)
                    _cost.AddTerm(choice.IsChosen, Money(_problem.OvertimeCost(task, crew)));
            }
        Model.AddExactlyOne(work.Choices.Select(c => c.IsChosen));
        Model.AddHint(work.Start, _placeOf[told.Begin]);
        Model.AddHint(work.End, _placeOf[told.End - 1] + 1);
        Late(work, told);
    }

    private void Late(Work work, PlacedTask told)
    {
        if (work.Task.Due is null)
            return;
        var costs = _halves.Select(half => Money(work.Task.LateCost(_problem.DayOf(half)))).Prepend(0).ToList();
        if (costs[^1] == 0)
            return;
        var late = Model.NewIntVar(0, costs[^1], $"late {work.Task.Id}");
        Model.AddElement(work.End, costs, late);
        Model.AddHint(late, Money(told.LateCost));
        _cost.Add(late);
    }

    private Choice? ChoiceOf(Work work, WorkCrew crew, bool overtime, PlacedTask told)
    {
        var task = work.Task;
        if (_problem.HalvesFor(task, crew, overtime) is not { } halves)
            return null;
        var workable = _planner
            .Workable.Of(task, crew)
            .TakeWhile(half => half <= _halves[^1])
            .Select(half => _placeOf[half])
            .ToList();
        var starts = workable.Count - halves;
        if (starts < 0)
            return null;
        if (task.OnlyFrom is { } only)
            starts = Math.Min(starts, workable.FindLastIndex(place => _problem.DayOf(_halves[place]) == only));
        if (starts < 0)
            return null;
        var isTold = told.Crew == crew.Id && told.Overtime == overtime;
        var chosen = Model.NewBoolVar($"{task.Id} by {crew.Id}{(overtime ? " overtime" : "")}");
        Model.AddHint(chosen, isTold);
        var toldHalves = isTold ? HalvesOf(told).Select(h => _placeOf[h]).ToList() : null;
        List<Piece> pieces = [];
        var size = task.Weather is null ? halves : 1;
        for (var done = 0; done < halves; done += size)
        {
            var length = Math.Min(size, halves - done);
            var most = done == 0 ? starts : workable.Count - length;
            var piece = PieceOf(workable, done, most, length, chosen, $"{task.Id} {crew.Id} {done}");
            // A platform left standing over days off counts as taken here, and not with the planner.
            if (task.Platforms > 0 && piece.End is IntVar)
                IsExact = false;
            if (toldHalves is not null)
                Model.AddHint(piece.Start, toldHalves[done]);
            if (pieces.Count > 0)
                Model.Add(piece.Start >= pieces[^1].End).OnlyEnforceIf(chosen);
            pieces.Add(piece);
        }
        Model.Add(work.Start == pieces[0].Start).OnlyEnforceIf(chosen);
        Model.Add(work.End == pieces[^1].End).OnlyEnforceIf(chosen);
        return new(task, crew, overtime, chosen, workable, pieces, halves);
    }

    // A piece begins on a workable half-day and ends when it has had as many as it needs.
    private Piece PieceOf(List<int> workable, int from, int to, int length, BoolVar chosen, string name)
    {
        var first = workable[from];
        var start = Model.NewIntVarFromDomain(
            Domain.FromValues([.. workable.Skip(from).Take(to - from + 1).Select(p => (long)p)]),
            $"start {name}"
        );
        var isUnbroken = workable[to + length - 1] - first == to + length - 1 - from;
        if (length == 1 || isUnbroken)
            return new(
                start,
                start + length,
                Model.NewOptionalFixedSizeIntervalVar(start, length, chosen, name),
                from,
                length
            );
        // Ends by start; between workable half-days there is no start, so that what stands there is never used.
        var ends = new long[workable[to] - first + 1];
        for (var i = from; i <= to; i++)
            ends[workable[i] - first] = workable[i + length - 1] + 1;
        var end = Model.NewIntVarFromDomain(
            Domain.FromValues([
                .. Enumerable.Range(from, to - from + 1).Select(i => (long)workable[i + length - 1] + 1),
            ]),
            $"end {name}"
        );
        for (var i = 1; i < ends.Length; i++)
            if (ends[i] == 0)
                ends[i] = ends[i - 1];
        Model.AddElement(start - first, ends, end);
        var width = Model.NewIntVar(length, _halves.Count, $"width {name}");
        return new(start, end, Model.NewOptionalIntervalVar(start, width, end, chosen, name), from, length);
    }

    // Half a day behind at its start and at its end, and half-day by half-day between.
    private void Follow(Work ahead, Work behind)
    {
        Model.Add(behind.Start >= ahead.Start + 1);
        Model.Add(behind.End >= ahead.End + 1);
        foreach (var after in behind.Choices)
        {
            foreach (var before in ahead.Choices)
            {
                if (after.IsUnbroken && before.IsUnbroken)
                    continue;
                for (var n = 0; n < after.Halves; n++)
                {
                    var done = ((n + 1) * before.Halves + after.Halves - 1) / after.Halves - 1;
                    Model
                        .Add(HalfOf(after, n) >= HalfOf(before, done) + 1)
                        .OnlyEnforceIf([after.IsChosen, before.IsChosen]);
                }
            }
        }
    }

    // Where a half-day of a choice lies.
    private LinearExpr HalfOf(Choice choice, int half)
    {
        var number = choice.Pieces.TakeWhile(p => p.First <= half).Count() - 1;
        var piece = choice.Pieces[number];
        var within = half - piece.First;
        if (within == 0 || piece.End is not IntVar)
            return piece.Start + within;
        var first = choice.Workable[piece.First];
        var places = new long[_halves.Count - first];
        for (var i = piece.First; i + within < choice.Workable.Count; i++)
            places[choice.Workable[i] - first] = choice.Workable[i + within];
        for (var i = 1; i < places.Length; i++)
            if (places[i] == 0)
                places[i] = places[i - 1];
        var place = Model.NewIntVar(0, _halves.Count, "");
        Model.AddElement(piece.Start - first, places, place);
        return place;
    }

    private void Crew(WorkCrew crew)
    {
        var choices = _choices.Where(c => c.Crew.Id == crew.Id).ToList();
        if (choices.Count == 0)
            return;
        Model.AddNoOverlap(choices.SelectMany(c => c.Pieces.Select(p => p.Interval)));
        Idle(crew, choices);
        if (_problem.MoveCost(crew) > 0 && choices.Select(c => c.Task.Site).Distinct().Count() > 1)
            Moves(crew, choices);
    }

    private void Idle(WorkCrew crew, List<Choice> choices)
    {
        var money = Money(_problem.Settings.IdlePerHalfDay);
        if (money == 0)
            return;
        var last = Model.NewIntVar(0, _halves.Count, $"last of {crew.Id}");
        foreach (var choice in choices)
            Model.Add(last >= choice.Pieces[^1].End).OnlyEnforceIf(choice.IsChosen);
        var working = new long[_halves.Count + 1];
        for (var place = 0; place < _halves.Count; place++)
            working[place + 1] = working[place] + (crew.Calendar.Works(_problem.DayOf(_halves[place])) ? 1 : 0);
        var span = Model.NewIntVar(0, working[^1], $"span of {crew.Id}");
        Model.AddElement(last, working, span);
        _cost.AddTerm(span, money);
        foreach (var choice in choices)
            _cost.AddTerm(choice.IsChosen, -money * choice.Halves);
    }

    private void Moves(WorkCrew crew, List<Choice> choices)
    {
        var money = Money(_problem.MoveCost(crew));
        var pieces = choices.SelectMany(c => c.Pieces, (c, p) => (Choice: c, Piece: p)).ToList();
        if (pieces.Count * pieces.Count > MostWays)
        {
            // Every site but the first takes a move at least.
            List<BoolVar> sites = [];
            foreach (var site in choices.GroupBy(c => c.Task.Site))
            {
                var goes = Model.NewBoolVar($"{crew.Id} at {site.Key}");
                foreach (var choice in site)
                    Model.AddImplication(choice.IsChosen, goes);
                sites.Add(goes);
            }
            var moves = Model.NewIntVar(0, sites.Count, $"moves of {crew.Id}");
            Model.Add(moves >= LinearExpr.Sum(sites) - 1);
            _cost.AddTerm(moves, money);
            return;
        }
        var circuit = Model.AddCircuit();
        var isUnused = Model.NewBoolVar($"{crew.Id} unused");
        circuit.AddArc(0, 0, isUnused);
        foreach (var (i, (choice, piece)) in pieces.Index())
        {
            circuit.AddArc(i + 1, i + 1, choice.IsChosen.Not());
            circuit.AddArc(0, i + 1, Model.NewBoolVar(""));
            circuit.AddArc(i + 1, 0, Model.NewBoolVar(""));
            foreach (var (j, (other, next)) in pieces.Index())
            {
                if (i == j)
                    continue;
                var follows = Model.NewBoolVar("");
                circuit.AddArc(i + 1, j + 1, follows);
                Model.Add(next.Start >= piece.End).OnlyEnforceIf(follows);
                if (choice.Task.Site != other.Task.Site)
                    _cost.AddTerm(follows, money);
            }
        }
    }

    private void Platforms()
    {
        var platforms = Model.AddCumulative(_problem.Platforms);
        foreach (var choice in _choices.Where(c => c.Task.Platforms > 0))
        foreach (var piece in choice.Pieces)
            platforms.AddDemand(piece.Interval, choice.Task.Platforms);
    }

    private static IEnumerable<int> HalvesOf(PlacedTask task) =>
        task.Spans.SelectMany(s => Enumerable.Range(s.From, s.To - s.From));

    private static long Money(double money) => (long)Math.Round(money * Cents);

    private sealed record Work(CrewTask Task, IntVar Start, IntVar End, List<Choice> Choices);

    private sealed record Choice(
        CrewTask Task,
        WorkCrew Crew,
        bool Overtime,
        BoolVar IsChosen,
        List<int> Workable,
        IReadOnlyList<Piece> Pieces,
        int Halves
    )
    {
        public bool IsUnbroken => Pieces is [{ End: not IntVar }];
    }

    private sealed record Piece(IntVar Start, LinearExpr End, IntervalVar Interval, int First, int Halves);
}
