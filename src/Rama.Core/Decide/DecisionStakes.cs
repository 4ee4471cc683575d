using Rama.Core.Explain;

namespace Rama.Core.Decide;

/// <summary>
/// What it costs the planting when the count misled: the true mean at one end of its interval, the trees cut for the
/// counted one.
/// </summary>
/// <param name="IfFewer">Money lost where there were fewer buds than counted and the crop falls short, in the currency
/// of the costs.</param>
/// <param name="IfMore">Money lost where there were more and their fruitlets have to be thinned off.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record DecisionStakes(double IfFewer, double IfMore, IReadOnlyList<Step> Steps)
{
    /// <summary>Works the stakes out; null where the count has no interval.</summary>
    /// <param name="decision">The decision.</param>
    /// <param name="bearingTrees">Bearing trees of the planting.</param>
    /// <param name="fruitPerBud">Fruit a bud is expected to hold.</param>
    /// <param name="costOver">Cost of one fruit too many, thinned off.</param>
    /// <param name="costUnder">Cost of one fruit too few.</param>
    public static DecisionStakes? Of(
        PruningDecision decision,
        double bearingTrees,
        double fruitPerBud,
        double costOver,
        double costUnder
    )
    {
        if (decision.Standing is not { Low: { } low, High: { } high })
            return null;
        // Cuts take their share of what stands, so that of buds there were or were not only those left count.
        var kept = decision.Standing.Mean > 0 ? 1 - decision.RemoveShare : 1;
        var (fewer, more) = ((decision.Standing.Mean - low) * kept, (high - decision.Standing.Mean) * kept);
        var (ifFewer, ifMore) = (
            fewer * fruitPerBud * costUnder * bearingTrees,
            more * fruitPerBud * costOver * bearingTrees
        );
        Figure trees = new("bearing trees", bearingTrees, "tree"),
            fruit = new("fruit per bud", fruitPerBud, "1");
        return new(
            ifFewer,
            ifMore,
            [
                new(
                    "stakes.fewer",
                    "buds fewer × fruit per bud × cost of a fruit too few × bearing trees",
                    new("cost if fewer stood", ifFewer, "money"),
                    [
                        new("buds fewer", fewer, "bud/tree"),
                        fruit,
                        new("cost of a fruit too few", costUnder, "money"),
                        trees,
                    ],
                    "the ends of the 95 % interval; costs as in the target"
                ),
                new(
                    "stakes.more",
                    "buds more × fruit per bud × cost of a fruit too many × bearing trees",
                    new("cost if more stood", ifMore, "money"),
                    [
                        new("buds more", more, "bud/tree"),
                        fruit,
                        new("cost of a fruit too many", costOver, "money"),
                        trees,
                    ],
                    "the ends of the 95 % interval; costs as in the target"
                ),
            ]
        );
    }
}
