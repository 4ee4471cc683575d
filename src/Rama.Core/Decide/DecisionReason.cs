using Rama.Core.Explain;

namespace Rama.Core.Decide;

/// <summary>A decision and its reason in a sentence.</summary>
internal static class DecisionReason
{
    /// <summary>Less than half a cluster would be told as none.</summary>
    public const double WorthTelling = 0.5;

    /// <summary>The sentence of a decision.</summary>
    public static Notice Of(PruningDecision decision) =>
        decision switch
        {
            { Kind: DecisionKind.NoPrune, FruitAtBest: { } best, FruitShort: { } missing } => new(
                "decision.no-prune",
                $"{Stand(decision)}. Even untouched the tree sets about {best:0} fruit, {missing:0} fewer than wanted. "
                    + "Cut only broken, diseased and hazardous wood, dense or not.",
                Present(decision),
                Wanted(decision),
                new Figure("best", best, "fruit/tree"),
                new Figure("short", missing, "fruit/tree")
            ),
            { Kind: DecisionKind.NoPrune } => new(
                "decision.no-prune-plain",
                $"{Stand(decision)}. Cut only broken, diseased and hazardous wood, dense or not.",
                Present(decision),
                Wanted(decision)
            ),
            { Kind: DecisionKind.StructureOnly } => new(
                "decision.structure-only",
                $"{Stand(decision)}: near enough. Cut what the shape needs and spend at most {decision.RemoveBuds:0} "
                    + "buds on it.",
                Present(decision),
                Wanted(decision),
                new Figure("allowance", decision.RemoveBuds, "bud/tree")
            ),
            { ClustersToThinning: >= WorthTelling } => new(
                "decision.reduce-capped",
                $"{Stand(decision)}. Removing all of the surplus would cut too hard: remove {decision.RemoveBuds:0} "
                    + $"and leave {decision.ClustersToThinning:0} clusters to hand thinning.",
                Present(decision),
                Wanted(decision),
                Remove(decision),
                Thinning(decision)
            ),
            _ => new(
                "decision.reduce",
                $"{Stand(decision)}. Remove {decision.RemoveBuds:0}, {decision.RemoveShare * 100:0} % of them: a "
                    + $"{decision.Weight.ToString()!.ToLowerInvariant()} pruning.",
                Present(decision),
                Wanted(decision),
                Remove(decision),
                new Figure("share", decision.RemoveShare, "share")
            ),
        };

    /// <summary>The sentence of a reduction in a system that prunes light, whatever the number.</summary>
    public static Notice OfLight(PruningDecision decision) =>
        new(
            "decision.reduce-light",
            $"{Stand(decision)}. This system is pruned light: its cuts take about {decision.RemoveBuds:0}, and "
                + $"{decision.ClustersToThinning:0} clusters a tree are left to hand thinning.",
            Present(decision),
            Wanted(decision),
            Remove(decision),
            Thinning(decision)
        );

    private static string Stand(PruningDecision decision) =>
        $"{decision.Standing.Mean:0} floral buds stand where {decision.BudsToLeave:0} are wanted";

    private static Figure Present(PruningDecision decision) => new("standing", decision.Standing.Mean, "bud/tree");

    private static Figure Wanted(PruningDecision decision) => new("wanted", decision.BudsToLeave, "bud/tree");

    private static Figure Remove(PruningDecision decision) => new("remove", decision.RemoveBuds, "bud/tree");

    private static Figure Thinning(PruningDecision decision) =>
        new("thinning", decision.ClustersToThinning, "cluster/tree");
}
