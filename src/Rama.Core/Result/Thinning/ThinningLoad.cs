using Rama.Core.Explain;
using Rama.Core.Result.Forecast;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Thinning;

/// <summary>What hand thinning has to take off a mean tree, and how long it takes.</summary>
/// <param name="IsCounted">Whether the clusters that hold fruit were counted; else they are expected.</param>
/// <param name="FruitWanted">Fruit to leave per tree.</param>
/// <param name="Clusters">Clusters, or shoots, that hold fruit.</param>
/// <param name="Fruitlets">Fruitlets on them.</param>
/// <param name="ToTakeOff">Fruitlets to take off.</param>
/// <param name="WhollyOff">Clusters that go wholly, in the mean of trees and years.</param>
/// <param name="LeftOnEach">Fruit left on each of the others.</param>
/// <param name="MoreOnSome">Clusters that keep one more, where too few hold fruit; 0 otherwise.</param>
/// <param name="SecondsPerTree">Seconds on a mean tree.</param>
/// <param name="HoursPerHa">Working hours per hectare.</param>
/// <param name="Sentence">What to do, in one sentence.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record ThinningLoad(
    bool IsCounted,
    double FruitWanted,
    double Clusters,
    double Fruitlets,
    double ToTakeOff,
    double WhollyOff,
    double LeftOnEach,
    double MoreOnSome,
    double SecondsPerTree,
    double HoursPerHa,
    Notice Sentence,
    IReadOnlyList<Step> Steps
) : Calculated(ToTakeOff, "fruitlet/tree", Steps, [])
{
    /// <summary>Seconds for a cluster, or for each place of a shoot (assumption).</summary>
    public const double SecondsPerCluster = 3;

    /// <summary>Seconds to walk to a tree, look at it and set a ladder or move a platform (assumption).</summary>
    public const double BaseSeconds = 30;

    private const double SecondsPerHour = 3_600;

    // Fewer fruitlets than this share of those wanted are nothing to send a crew for.
    private const double WorthAPass = 0.05;

    /// <summary>Seconds spent on clusters of a mean tree.</summary>
    public double CuttingSeconds => Math.Max(0, SecondsPerTree - BaseSeconds);

    /// <summary>Whether so few clusters hold fruit that some keep one more.</summary>
    public bool IsShort => MoreOnSome >= WorthAPass * FruitWanted;

    /// <summary>Fruit per tree that are enough: where too few clusters hold fruit one on each may do, and the crop is
    /// smaller and larger in size.</summary>
    public double LeastFruit => FruitWanted - MoreOnSome;

    /// <summary>Whether it is worth a pass.</summary>
    public bool IsWorthIt => ToTakeOff >= WorthAPass * FruitWanted;

    /// <summary>What is to be expected before the set is counted.</summary>
    /// <param name="terms">What the plan says.</param>
    /// <param name="standing">Buds or clusters standing per tree, after the losses known.</param>
    /// <param name="outcome">Share of them that hold fruit, over the years.</param>
    /// <remarks>
    /// Clusters off wholly are the mean over the years, E[max(0, standing × set − clusters wanted)], not that of a mean
    /// year. Source: handbook of the trade 2.7 and 8.3.
    /// </remarks>
    public static ThinningLoad Expected(CropTerms terms, double standing, SetOutcome outcome)
    {
        var clusters = standing * outcome.Mean;
        var wanted = terms.ClustersWanted;
        // What is over = what stands less what is wanted, and what is missing in years that fall short.
        var off = standing <= 0 ? 0 : clusters - wanted + wanted * outcome.ShortWith(standing / wanted);
        return Of(
            terms,
            false,
            clusters,
            terms.Places * terms.Fruitlets,
            Math.Max(0, off),
            new(
                "thinning.clusters",
                "buds standing × mean cluster set",
                new("clusters that hold fruit", clusters, "cluster/tree"),
                [new("buds standing", standing, "bud/tree"), new("mean cluster set", outcome.Mean, "share")],
                Sources.Definition
            )
        );
    }

    /// <summary>What is to be taken off once the set is counted.</summary>
    /// <param name="terms">What the plan says.</param>
    /// <param name="found">What was found on the trees; its set must be known.</param>
    public static ThinningLoad Counted(CropTerms terms, CropFound found)
    {
        var (clusters, wanted) = (found.Set!.Mean, terms.ClustersWanted);
        return Of(
            terms,
            true,
            clusters,
            found.FruitletsPerCluster ?? terms.Places * terms.Fruitlets,
            found.SetByTree.Count > 0
                ? found.SetByTree.Average(c => Math.Max(0, c - wanted))
                : Math.Max(0, clusters - wanted),
            new(
                "thinning.clusters-counted",
                "mean of the trees counted",
                new("clusters that hold fruit", clusters, "cluster/tree"),
                found.Set.Trees is { } trees ? [new("trees", trees, "1")] : [],
                Sources.Counted
            )
        );
    }

    private static ThinningLoad Of(
        CropTerms terms,
        bool isCounted,
        double clusters,
        double fruitletsPerCluster,
        double off,
        Step first
    )
    {
        var fruitlets = clusters * fruitletsPerCluster;
        var toTakeOff = Math.Max(0, fruitlets - terms.FruitWanted);
        var more = toTakeOff > 0 ? Math.Max(0, terms.FruitWanted - clusters * terms.Places) : 0;
        var seconds = BaseSeconds + SecondsPerCluster * clusters * terms.Places;
        Figure fruitletsFigure = new("fruitlets", fruitlets, "fruitlet/tree"),
            wantedFigure = new("fruit wanted", terms.FruitWanted, "fruit/tree"),
            secondsFigure = new("time on a tree", seconds, "s/tree"),
            offFigure = new("clusters off wholly", off, "cluster/tree");
        return new(
            isCounted,
            terms.FruitWanted,
            clusters,
            fruitlets,
            toTakeOff,
            off,
            terms.Places,
            more,
            seconds,
            terms.TreesPerHa * seconds / SecondsPerHour,
            SentenceOf(terms, fruitlets, toTakeOff, off, clusters, more),
            [
                first,
                new(
                    "thinning.fruitlets",
                    "clusters that hold fruit × fruitlets per cluster",
                    fruitletsFigure,
                    [first.Result, new("fruitlets per cluster", fruitletsPerCluster, "fruitlet/cluster")],
                    isCounted ? Sources.Counted : "usual number from memory"
                ),
                new(
                    "thinning.off",
                    "the larger of 0 and fruitlets − fruit wanted",
                    new("fruitlets to take off", toTakeOff, "fruitlet/tree"),
                    [fruitletsFigure, wantedFigure],
                    Sources.Definition
                ),
                new(
                    "thinning.wholly",
                    isCounted
                        ? "mean over the trees of the clusters above those wanted"
                        : "mean over the years of the clusters above those wanted",
                    offFigure,
                    [first.Result, new("clusters wanted", terms.ClustersWanted, "cluster/tree")],
                    Sources.Definition
                ),
                new(
                    "thinning.seconds",
                    "walking and looking + seconds per cluster × clusters that hold fruit × fruit left on each",
                    secondsFigure,
                    [
                        new("walking and looking", BaseSeconds, "s/tree"),
                        new("seconds per cluster", SecondsPerCluster, "s"),
                        first.Result,
                        new("fruit left on each", terms.Places, "fruit"),
                    ],
                    Sources.Assumption
                ),
                new(
                    "thinning.hours",
                    "bearing trees × time on a tree ÷ 3 600",
                    new("hours of thinning", terms.TreesPerHa * seconds / SecondsPerHour, "h/ha"),
                    [new("bearing trees", terms.TreesPerHa, "tree/ha"), secondsFigure],
                    Sources.Definition
                ),
            ]
        );
    }

    private static Notice SentenceOf(
        CropTerms terms,
        double fruitlets,
        double toTakeOff,
        double off,
        double clusters,
        double more
    )
    {
        Figure[] figures =
        [
            new("fruitlets to take off", toTakeOff, "fruitlet/tree"),
            new("clusters off wholly", off, "cluster/tree"),
            new("fruit wanted", terms.FruitWanted, "fruit/tree"),
            new("fruit left on each", terms.Places, "fruit"),
            new("clusters that hold fruit", clusters, "cluster/tree"),
            new("clusters that keep one more", more, "cluster/tree"),
        ];
        var wanted = $"{terms.FruitWanted:0}";
        if (toTakeOff < WorthAPass * terms.FruitWanted)
            return new(
                "thinning.none",
                $"About {fruitlets:0} fruitlets a tree for {wanted} fruit wanted: hardly anything to thin.",
                [.. figures, new("fruitlets", fruitlets, "fruitlet/tree")]
            );
        var isShort = more >= WorthAPass * terms.FruitWanted;
        if (terms.Places != 1)
            return new(
                isShort ? "thinning.short-shoots" : "thinning.shoots",
                isShort
                    ? $"About {clusters:0} shoots a tree hold fruit, too few for {wanted} at {terms.Places:0.#} each: "
                        + $"leave one more on about {more:0} of the strongest, or carry fewer and larger fruit."
                    : $"Take about {toTakeOff:0} fruitlets off a tree: shoots to {terms.Places:0.#}, so that {wanted} "
                        + "fruit stay.",
                figures
            );
        if (isShort)
            return new(
                "thinning.short",
                $"About {clusters:0} clusters a tree hold fruit, fewer than the {wanted} wanted: leave one more on "
                    + $"{more:0} of the strongest, or carry fewer and larger fruit.",
                figures
            );
        return off >= 1 && more < 1
            ? new(
                "thinning.wholly",
                $"Take about {toTakeOff:0} fruitlets off a tree: {off:0} clusters wholly, the others to one, so that "
                    + $"{wanted} fruit stay.",
                figures
            )
            : new(
                "thinning.to-one",
                $"Take about {toTakeOff:0} fruitlets off a tree: clusters to one, so that about {wanted} fruit stay.",
                figures
            );
    }
}
