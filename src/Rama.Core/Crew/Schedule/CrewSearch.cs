namespace Rama.Core.Crew.Schedule;

/// <summary>
/// Looks for a better plan by changing the order of the work and who does it, a little at a time: for problems too
/// large for the solver.
/// </summary>
/// <remarks>
/// Simulated annealing over the orders of <see cref="CrewPlanner"/>, so that every plan tried is one. Source:
/// Kirkpatrick, Gelatt and Vecchi, Optimization by simulated annealing (1983), from memory. On 112 tasks and six crews
/// CP-SAT found nothing better than the first plan within ten seconds of one core, in 1.4 GB; see docs/architecture.md.
/// </remarks>
public static class CrewSearch
{
    // Of the cost of the first plan, what a worse plan may cost more at the start: assumption.
    private const double Warmth = 0.005;

    private const double Coldest = 1e-4;

    // With fewer tries a task than this a worse plan is not made up for again: so much less of it is let pass
    // (assumption, by trial on 112 and 420 tasks).
    private const double TriesATask = 1500;

    /// <summary>Searches.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="first">The plan to begin with.</param>
    /// <param name="gone">How much of the time there is has gone, 0 to 1; asked at every try.</param>
    /// <param name="seed">Seed of the random numbers.</param>
    /// <param name="improved">Told of each better plan.</param>
    /// <param name="cancel">Stops it; the best so far is returned.</param>
    /// <returns>A plan never worse than the first.</returns>
    public static CrewPlan Improve(
        CrewProblem problem,
        CrewPlan first,
        Func<double> gone,
        int seed,
        Action<CrewPlan>? improved,
        CancellationToken cancel
    )
    {
        CrewPlanner planner = new(problem);
        Random random = new(seed);
        var able = problem.Tasks.ToDictionary(
            t => t.Id,
            t => problem.Crews.Where(c => problem.HalvesFor(t, c) is not null).ToList()
        );
        var order = first.Order.ToList();
        if (order.Count < 2)
            return first;
        var now = planner.CostOf(order);
        // An order may not say all of a plan that the solver made.
        var (best, bestOrder) = (now, order);
        var told = (first.Unplaced.Count, first.Cost.Total);
        var plan = first;
        var tries = 0;
        for (var share = gone(); share < 1 && !cancel.IsCancellationRequested; share = gone())
        {
            var ease = Math.Min(1, ++tries / Math.Max(share, 1e-6) / (TriesATask * order.Count));
            var next = Changed(order, able, random);
            var cost = planner.CostOf(next);
            var warmth = Warmth * ease * ease * Math.Pow(Coldest, share) * Math.Max(1, best.Cost);
            var worse = cost.Unplaced > now.Unplaced ? double.PositiveInfinity : cost.Cost - now.Cost;
            if (cost.Unplaced >= now.Unplaced && worse > 0 && random.NextDouble() >= Math.Exp(-worse / warmth))
                continue;
            (order, now) = (next, cost);
            if (cost.Unplaced < best.Unplaced || cost.Unplaced == best.Unplaced && cost.Cost < best.Cost - 1e-6)
                (best, bestOrder) = (cost, next);
            if (best.Unplaced < told.Count || best.Unplaced == told.Count && best.Cost < told.Total - 1e-6)
            {
                plan = planner.InOrder(bestOrder);
                told = (plan.Unplaced.Count, plan.Cost.Total);
                improved?.Invoke(plan);
            }
        }
        return plan;
    }

    // Another place in the order, another crew, or with and without overtime.
    private static List<Turn> Changed(List<Turn> order, Dictionary<string, List<WorkCrew>> able, Random random)
    {
        List<Turn> next = [.. order];
        var from = random.Next(next.Count);
        var turn = next[from];
        var crews = able[turn.Task];
        var kind = random.Next(10);
        if (kind < 4 && crews.Count > 1)
            turn = turn with { Crew = crews[random.Next(crews.Count)].Id };
        else if (kind < 5 && crews.Any(c => c.Overtime > 0))
            turn = turn with { Overtime = !turn.Overtime };
        next.RemoveAt(from);
        // Mostly not far, now and then anywhere.
        var to = kind is 0 or 9 ? random.Next(next.Count + 1) : Math.Clamp(from + random.Next(-8, 9), 0, next.Count);
        next.Insert(to, turn);
        return next;
    }
}
