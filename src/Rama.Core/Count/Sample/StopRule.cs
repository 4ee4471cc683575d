using MathNet.Numerics.Distributions;
using Rama.Core.Count.Estimate;
using Rama.Core.Decide;
using Rama.Core.Explain;

namespace Rama.Core.Count.Sample;

/// <summary>Whether to go on counting.</summary>
public enum StopVerdict
{
    /// <summary>Too few trees to say anything.</summary>
    TooFew,

    /// <summary>The decision could still change, and more trees are worth their time.</summary>
    GoOn,

    /// <summary>The decision is safe.</summary>
    Settled,

    /// <summary>The decision could still change, but more trees cost more than they are expected to save.</summary>
    NotWorthMore,

    /// <summary>All planned trees are counted and the decision could still change.</summary>
    NotSettled,
}

/// <summary>What the stop rule weighs.</summary>
/// <param name="Planned">Trees planned to be counted.</param>
/// <param name="ToLeave">Floral buds to leave per tree.</param>
/// <param name="Tolerance">Tolerance around it, as a share.</param>
/// <param name="Trees">Trees in the planting.</param>
/// <param name="CostPerBud">What one bud per tree on the wrong side of a border costs on each tree, in money.</param>
/// <param name="CostPerTree">What counting one more tree costs, in the same money.</param>
public sealed record StopTerms(
    int Planned,
    double ToLeave,
    double Tolerance,
    double Trees,
    double CostPerBud,
    double CostPerTree
)
{
    /// <summary>Lower border of the band.</summary>
    public double BandLow => ToLeave * (1 - Tolerance);

    /// <summary>Upper border of the band.</summary>
    public double BandHigh => ToLeave * (1 + Tolerance);
}

/// <summary>Whether to go on counting, with the reason.</summary>
/// <param name="Verdict">The answer.</param>
/// <param name="Counted">Trees counted.</param>
/// <param name="Planned">Trees planned.</param>
/// <param name="Low">Lower end of the 99 % interval of the mean; null for one tree.</param>
/// <param name="High">Upper end of the 99 % interval of the mean.</param>
/// <param name="CouldChange">Whether the decision could still change.</param>
/// <param name="MoreTrees">How many more trees are worth counting; 0 when it is time to stop.</param>
/// <param name="ExpectedSaving">What those are expected to save, in money.</param>
/// <param name="Reason">The answer and its reason in a sentence.</param>
public sealed record StopAdvice(
    StopVerdict Verdict,
    int Counted,
    int Planned,
    double? Low,
    double? High,
    bool CouldChange,
    int MoreTrees,
    double ExpectedSaving,
    Notice Reason
);

/// <summary>Tells after every tree whether another is needed.</summary>
/// <remarks>
/// At 95 % with two trees, one stop in nine near a border is wrong: hence five trees and 99 % (simulated in the tests).
/// What
/// more trees save: expected value of sample information for a linear loss, Raiffa and Schlaifer 1961, Applied
/// Statistical
/// Decision Theory, ch. 5.
/// </remarks>
public static class StopRule
{
    /// <summary>Fewest trees before anything is said.</summary>
    public const int Fewest = 5;

    /// <summary>Confidence at which both ends of the interval must lead to the same decision.</summary>
    public const double Confidence = 0.99;

    /// <summary>The advice after so many trees.</summary>
    /// <param name="counted">Trees counted.</param>
    /// <param name="estimate">The mean so far; null for one tree.</param>
    /// <param name="terms">What is weighed.</param>
    public static StopAdvice Of(int counted, MeanEstimate? estimate, StopTerms terms)
    {
        var (low, high) = estimate?.Interval(Confidence) is var (l, h) ? ((double?)l, (double?)h) : (null, null);
        StopAdvice Answer(StopVerdict verdict, int more, double saving, Notice reason) =>
            new(verdict, counted, terms.Planned, low, high, verdict is not StopVerdict.Settled, more, saving, reason);

        Figure trees = new("trees counted", counted, "tree");
        if (counted < Fewest || estimate is null)
        {
            var more = Math.Max(1, Fewest - counted);
            return Answer(
                StopVerdict.TooFew,
                more,
                0,
                new(
                    "stop.too-few",
                    $"{more} more trees before anything can be said.",
                    new Figure("more trees", more, "tree")
                )
            );
        }
        if (KindOf(low!.Value, terms) == KindOf(high!.Value, terms))
            return Answer(
                StopVerdict.Settled,
                0,
                0,
                new(
                    "stop.settled",
                    $"You can stop: between {low:0} and {high:0} buds (99 %) the decision is the same.",
                    new Figure("low", low.Value, "bud/tree"),
                    new Figure("high", high.Value, "bud/tree")
                )
            );
        if (counted >= terms.Planned)
            return Answer(
                StopVerdict.NotSettled,
                0,
                0,
                new(
                    "stop.not-settled",
                    "Not settled: the mean lies so near a border that more trees will hardly tell. Start with "
                        + "structure only; it can be continued, not undone.",
                    trees
                )
            );

        var (best, saving) = Worth(counted, estimate, terms);
        var cost = best * terms.CostPerTree;
        return best == 0
            ? Answer(
                StopVerdict.NotWorthMore,
                0,
                0,
                new(
                    "stop.not-worth",
                    "Stop: another tree takes more time than it is expected to save. The decision is not sure, "
                        + "but little hangs on it.",
                    trees
                )
            )
            : Answer(
                StopVerdict.GoOn,
                best,
                saving,
                new(
                    "stop.go-on",
                    $"Go on: the decision could still change. {best} more trees cost about {cost:0} and are "
                        + $"expected to save {saving:0}, in the money of your prices.",
                    new Figure("more trees", best, "tree"),
                    new Figure("cost", cost, "money"),
                    new Figure("saving", saving, "money")
                )
            );
    }

    /// <summary>
    /// Expected loss of a standard normal below a border z standard deviations away: φ(z) − z·(1 − Φ(z)).
    /// </summary>
    public static double UnitLoss(double z) => Normal.PDF(0, 1, z) - z * Normal.CDF(0, 1, -z);

    // The number of further trees that saves most beyond its cost.
    private static (int Trees, double Saving) Worth(int counted, MeanEstimate estimate, StopTerms terms)
    {
        var distance = Math.Min(Math.Abs(estimate.Mean - terms.BandLow), Math.Abs(estimate.Mean - terms.BandHigh));
        (int Trees, double Saving, double Gain) best = (0, 0, 0);
        for (var more = 1; more <= terms.Planned - counted; more++)
        {
            var spread = estimate.StandardError * Math.Sqrt((double)more / (counted + more));
            if (spread <= 0)
                continue;
            var saving = terms.Trees * terms.CostPerBud * spread * UnitLoss(distance / spread);
            if (saving - more * terms.CostPerTree is var gain && gain > best.Gain)
                best = (more, saving, gain);
        }
        return (best.Trees, best.Saving);
    }

    private static DecisionKind KindOf(double mean, StopTerms terms) =>
        PruningDecision.KindOf(mean - terms.ToLeave, terms.Tolerance * terms.ToLeave);
}
