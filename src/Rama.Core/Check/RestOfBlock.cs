using Rama.Core.Explain;

namespace Rama.Core.Check;

/// <summary>What the trees still to be pruned must average, for the planting to end at its number.</summary>
/// <param name="BudsPerTree">Floral buds to leave on each of them.</param>
/// <param name="IsWithin">Whether that lies inside the tolerance band of the number.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What it does not repair.</param>
public sealed record RestOfBlock(
    double BudsPerTree,
    bool IsWithin,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(BudsPerTree, "bud/tree", Steps, Warnings)
{
    /// <summary>More than was asked, as a share; less than 0 for fewer.</summary>
    public required double Share { get; init; }

    /// <summary>Works it out.</summary>
    /// <param name="asked">Floral buds asked for per tree, above 0.</param>
    /// <param name="left">Floral buds left on those done, in the mean.</param>
    /// <param name="done">Share of the trees that are done, 0 to below 1.</param>
    /// <param name="tolerance">How far off is near enough, as a share.</param>
    /// <remarks>Source: derived, handbook of the trade 7.3.</remarks>
    public static RestOfBlock Of(double asked, double left, double done, double tolerance)
    {
        var rest = (asked - done * left) / (1 - done);
        var within = Math.Abs(rest / asked - 1) <= tolerance;
        return new(
            rest,
            within,
            [
                new(
                    "rest.buds",
                    "(buds asked − share done × buds left) ÷ (1 − share done)",
                    new("buds on the rest", rest, "bud/tree"),
                    [
                        new("buds asked", asked, "bud/tree"),
                        new("share done", done, "share"),
                        new("buds left", left, "bud/tree"),
                    ],
                    Sources.Definition
                ),
            ],
            [
                within
                    ? new(
                        "rest.no-repair",
                        "Trees with more do not repair those with less: their fruit stays smaller, and they flower "
                            + "less next year."
                    )
                    : new(
                        "rest.too-far",
                        $"The rest would have to average {rest:0} buds a tree, outside what is near enough. Prune "
                            + "it to its own number.",
                        new Figure("buds on the rest", rest, "bud/tree")
                    ),
            ]
        )
        {
            Share = rest / asked - 1,
        };
    }
}
