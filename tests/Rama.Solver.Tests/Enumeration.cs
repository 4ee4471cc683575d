using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;

namespace Rama.Solver.Tests;

/// <summary>
/// The least lateness of a small problem, found by trying every crew for every task in every order; work that may be
/// interrupted half-day by half-day. Written for tests alone and with nothing of the planner but durations and
/// calendars.
/// </summary>
internal sealed class Enumeration(CrewProblem problem)
{
    private const int Halves = CrewProblem.HalvesPerDay * 60;

    private readonly Dictionary<string, Laid> _laid = problem.Tasks.ToDictionary(t => t.Id, t => new Laid(t));
    private readonly HashSet<(string Crew, int Half)> _taken = [];
    private double _best = double.PositiveInfinity;

    public double Least()
    {
        Next(0);
        return _best;
    }

    private void Next(double cost)
    {
        if (cost >= _best)
            return;
        var open = _laid.Values.Where(l => !l.IsDone).ToList();
        if (open.Count == 0)
        {
            _best = cost;
            return;
        }
        foreach (var laid in open)
            if (laid.Crew is not null)
                Lay(laid, cost);
            else
                foreach (var crew in problem.Crews)
                foreach (var overtime in crew.Overtime > 0 ? [false, true] : new[] { false })
                {
                    if (problem.HalvesFor(laid.Task, crew, overtime) is not { } count)
                        continue;
                    (laid.Crew, laid.Count) = (crew, count);
                    Lay(laid, cost + (overtime ? problem.OvertimeCost(laid.Task, crew) : 0));
                    laid.Crew = null;
                }
    }

    private void Lay(Laid laid, double cost)
    {
        if ((laid.Task.Weather is null ? Run(laid) : Half(laid)) is not { } halves)
            return;
        var crew = laid.Crew!;
        foreach (var half in halves)
            _taken.Add((crew.Id, half));
        laid.Halves.AddRange(halves);
        Next(cost + (laid.IsDone ? laid.Task.LateCost(problem.DayOf(halves[^1])) : 0));
        laid.Halves.RemoveRange(laid.Halves.Count - halves.Length, halves.Length);
        foreach (var half in halves)
            _taken.Remove((crew.Id, half));
    }

    private int[]? Run(Laid laid)
    {
        if (laid.Task.Before.Any(b => !_laid[b].IsDone))
            return null;
        for (var from = 0; from < Halves; from++)
        {
            var run = Enumerable.Range(from, Halves - from).Where(h => Works(laid, h)).Take(laid.Count).ToArray();
            if (
                run.Length == laid.Count
                && run.All(h => IsFree(laid, h))
                && run.Index().All(h => Follows(laid, h.Index, h.Item))
            )
                return run;
        }
        return null;
    }

    private int[]? Half(Laid laid)
    {
        var weather = laid.Task.Weather!;
        var n = laid.Halves.Count;
        for (var half = n == 0 ? 0 : laid.Halves[^1] + 1; half < Halves; half++)
            if (
                Works(laid, half)
                && weather.IsUsable(problem.DayOf(half), problem.Start)
                && IsFree(laid, half)
                && Follows(laid, n, half)
            )
                return [half];
        return null;
    }

    private bool Works(Laid laid, int half) =>
        laid.Crew!.Calendar.Works(problem.DayOf(half)) && problem.DayOf(half) >= laid.Task.From;

    private bool IsFree(Laid laid, int half) => !_taken.Contains((laid.Crew!.Id, half));

    private bool Follows(Laid laid, int number, int half) =>
        laid.Task.Before.All(b =>
        {
            var ahead = _laid[b];
            if (ahead.Crew is null)
                return false;
            var needed = (int)Math.Ceiling((number + 1.0) * ahead.Count / laid.Count) - 1;
            return needed < ahead.Halves.Count && half > ahead.Halves[needed];
        });

    private sealed record Laid(CrewTask Task)
    {
        public WorkCrew? Crew { get; set; }
        public int Count { get; set; }
        public List<int> Halves { get; } = [];
        public bool IsDone => Crew is not null && Halves.Count == Count;
    }
}
