using Rama.Core.Crew.Schedule;

namespace Rama.Solver;

/// <summary>The best plan found so far, and how far from the best of all it can be.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Bound">No plan costs less, money; null where nothing is proven.</param>
public sealed record CrewSolution(CrewPlan Plan, double? Bound)
{
    // Bounds of weighted lateness are weak; a wide one tells nobody anything.
    private const double WidestTold = 0.2;

    private const double Cent = 0.01;

    /// <summary>How much cheaper a plan could still be, as a share of this one; null where it is not proven to be under
    /// a fifth.</summary>
    public double? Gap
    {
        get
        {
            var total = Plan.Cost.Total;
            if (Bound is not { } bound)
                return null;
            var gap = total - bound < Cent ? 0 : (total - bound) / total;
            return gap < WidestTold ? gap : null;
        }
    }

    /// <summary>Whether no plan is cheaper.</summary>
    public bool IsBest => Gap == 0;
}
