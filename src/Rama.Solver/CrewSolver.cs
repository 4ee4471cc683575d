using System.Diagnostics;
using Google.OrTools.Sat;
using Rama.Core.Crew.Schedule;

namespace Rama.Solver;

/// <summary>Improves a crew plan: by constraint programming as long as the problem is small enough to be proven, by
/// <see cref="CrewSearch"/> beyond.</summary>
/// <remarks>
/// CP-SAT of Google OR-Tools. The model (<see cref="CrewModel"/>) tells the solver of days and costs what
/// <see cref="CrewPlanner"/> counts; every plan it finds is laid once more by the planner, and what counts is the
/// planner's cost.
/// </remarks>
public static class CrewSolver
{
    /// <summary>Improves a plan until it is proven best, the limit is reached, or somebody stops it.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="first">The plan to begin with, which is returned where nothing better is found.</param>
    /// <param name="limit">How long.</param>
    /// <param name="improved">Told of each better plan, on the solver's thread.</param>
    /// <param name="cancel">Stops it; the best so far is returned.</param>
    public static CrewSolution Improve(
        CrewProblem problem,
        CrewPlan first,
        SolveLimit limit,
        Action<CrewSolution>? improved = null,
        CancellationToken cancel = default
    )
    {
        CrewPlanner planner = new(problem);
        if (first.Tasks.Count == 0 || cancel.IsCancellationRequested)
            return new(first, null);
        if (!CrewModel.Fits(problem))
            return new(Search(problem, first, limit, improved, cancel), null);
        CrewModel model = new(problem, planner, first);
        CpSolver solver = new() { StringParameters = limit.Parameters };
        Watch watch = new(model, planner, first, improved);
        using var stop = cancel.Register(solver.StopSearch);
        var status = solver.Solve(model.Model, watch);
        watch.ThrowIfFailed();
        var bound =
            status is CpSolverStatus.Optimal or CpSolverStatus.Feasible && model.IsExact
                ? model.MoneyOf(solver.BestObjectiveBound)
                : (double?)null;
        return new(watch.Best, bound is { } b ? Math.Min(b, watch.Best.Cost.Total) : null);
    }

    // Plans a core tries while the solver makes one of its own steps, about.
    private const int TriesPerStep = 1_000;

    private static CrewPlan Search(
        CrewProblem problem,
        CrewPlan first,
        SolveLimit limit,
        Action<CrewSolution>? improved,
        CancellationToken cancel
    )
    {
        var clock = Stopwatch.StartNew();
        var tries = 0;
        return CrewSearch.Improve(
            problem,
            first,
            () =>
                limit.Steps is { } steps
                    ? tries++ / (steps * TriesPerStep)
                    : clock.Elapsed.TotalSeconds / limit.Seconds,
            seed: 7,
            improved is null ? null : plan => improved(new(plan, null)),
            cancel
        );
    }

    private sealed class Watch(CrewModel model, CrewPlanner planner, CrewPlan first, Action<CrewSolution>? improved)
        : CpSolverSolutionCallback
    {
        private Exception? _failed;

        public CrewPlan Best { get; private set; } = first;

        public override void OnSolutionCallback()
        {
            // What is thrown here would go through native code.
            try
            {
                var placed = model.Read(this);
                var better = false;
                foreach (
                    var plan in new[]
                    {
                        planner.Of(placed),
                        planner.Again([
                            .. placed.Select(p => (new Turn(p.Task, p.Crew, p.Overtime), p.Halves[0], p.Halves[^1])),
                        ]),
                    }
                )
                    if (plan is not null && CrewPlanner.IsBetter(plan, Best))
                    {
                        Best = plan;
                        better = true;
                    }
                if (better)
                    improved?.Invoke(new(Best, model.IsExact ? model.MoneyOf(BestObjectiveBound()) : null));
            }
            catch (Exception e)
            {
                _failed ??= e;
                StopSearch();
            }
        }

        public void ThrowIfFailed()
        {
            if (_failed is not null)
                throw new InvalidOperationException("A plan the solver found could not be read.", _failed);
        }
    }
}
