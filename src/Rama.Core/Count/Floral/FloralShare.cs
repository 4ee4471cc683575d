using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Count.Floral;

/// <summary>Share of one kind of bud that is floral and alive, from buds cut.</summary>
/// <param name="Kind">Kind of bud.</param>
/// <param name="Cut">Buds cut.</param>
/// <param name="Floral">Those floral and alive.</param>
/// <param name="Dead">Those dead.</param>
/// <param name="Trees">Trees they came from; null where nobody noted it.</param>
/// <param name="DesignEffect">How many times wider the variance is than that of as many buds from as many trees, at
/// least 1.</param>
/// <param name="Share">Floral share, 0 to 1.</param>
/// <param name="Variance">Its variance, never 0: 0 of 20 is no certainty.</param>
/// <param name="Low">Lower end of its 95 % interval.</param>
/// <param name="High">Upper end of its 95 % interval.</param>
/// <param name="MoreToCut">Buds still to cut, as many a tree as so far, until the share is known to ± 10
/// points.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
/// <remarks>
/// Source: Wilson's interval (Newcombe 1998, Stat Med 17:857) on the effective number of buds; design effect 1 + (b −
/// 1)ρ and ρ by analysis of variance (Donner 1986, Int Stat Rev 54:67), drawn towards <see cref="UsualLikeness"/> while
/// trees are few.
/// </remarks>
public sealed record FloralShare(
    string Kind,
    int Cut,
    int Floral,
    int Dead,
    int? Trees,
    double DesignEffect,
    double Share,
    double Variance,
    double Low,
    double High,
    int MoreToCut,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Share, "share", Steps, Warnings)
{
    /// <summary>
    /// How alike buds of one tree are (intraclass correlation), until the trees cut say so themselves (assumption).
    /// </summary>
    public const double UsualLikeness = 0.1;

    /// <summary>Half width of the interval at which more buds tell little, as a share (assumption).</summary>
    public const double NearEnough = 0.10;

    // The assumed likeness weighs as much as this many trees.
    private const double UsualWeight = 4;

    // Where nobody noted the trees, buds are taken as cut so many from each.
    private const int UsualPerTree = 20;

    /// <summary>Share of a kind.</summary>
    /// <param name="kind">Kind of bud.</param>
    /// <param name="cuts">Cuts of it, at least one.</param>
    public static FloralShare Of(string kind, IReadOnlyCollection<BudCut> cuts)
    {
        int cut = cuts.Sum(c => c.Cut),
            floral = cuts.Sum(c => c.Floral);
        var perTree = cuts.Where(c => c.Place is not null)
            .GroupBy(c => c.Place)
            .Select(g => (Cut: g.Sum(c => c.Cut), Floral: g.Sum(c => c.Floral)))
            .ToList();
        var unplaced = cuts.Where(c => c.Place is null).Sum(c => c.Cut);

        var clusterSize =
            (perTree.Sum(t => (double)t.Cut * t.Cut) + (double)unplaced * Math.Min(unplaced, UsualPerTree)) / cut;
        var likeness = LikenessOf(perTree);
        var effect = 1 + (clusterSize - 1) * likeness;
        var cautious = (floral + 1.0) / (cut + 2);
        var (low, high) = WilsonInterval.Of(floral / effect, cut / effect);
        int? trees = unplaced == 0 ? perTree.Count : null;
        var share = (double)floral / cut;

        Figure cutFigure = new("buds cut", cut, "bud"),
            shareFigure = new("floral share", share, "share"),
            effectFigure = new("design effect", effect, "1");
        List<Step> steps =
        [
            new(
                "floral.share",
                "floral and alive ÷ buds cut",
                shareFigure,
                [new("floral and alive", floral, "bud"), cutFigure],
                Sources.Counted
            ),
            new(
                "floral.design",
                "1 + (buds a tree − 1) × likeness of buds of one tree",
                effectFigure,
                [new("buds a tree", clusterSize, "bud"), new("likeness", likeness, "1")],
                "analysis of variance among trees (Donner 1986), drawn towards 0.1 while trees are few"
            ),
            new(
                "floral.interval",
                "Wilson's interval on buds cut ÷ design effect",
                new("half width of the interval", (high - low) / 2, "share"),
                [cutFigure, effectFigure, shareFigure],
                "Wilson 1927; Newcombe 1998"
            ),
        ];
        List<Notice> warnings = [];
        if (trees is null)
            warnings.Add(
                new(
                    "floral.no-trees",
                    "Which trees the buds came from was not noted. Buds of one tree are alike: note row and "
                        + "tree, and cut from at least five trees.",
                    cutFigure
                )
            );
        else if (trees < 5)
            warnings.Add(
                new(
                    "floral.few-trees",
                    $"The buds came from {trees} trees only. Buds of one tree are alike: cut fewer from each of "
                        + "more trees.",
                    new Figure("trees", trees.Value, "tree")
                )
            );
        return new(
            kind,
            cut,
            floral,
            cuts.Sum(c => c.Dead),
            trees,
            effect,
            share,
            cautious * (1 - cautious) / cut * effect,
            low,
            high,
            MoreOf(share, cut, effect),
            steps,
            warnings
        );
    }

    private static double LikenessOf(List<(int Cut, int Floral)> trees)
    {
        double all = trees.Sum(t => t.Cut);
        var within = all - trees.Count;
        if (trees.Count < 2 || within < 1)
            return UsualLikeness;
        var mean = trees.Sum(t => t.Floral) / all;
        var between = trees.Sum(t => t.Cut * Math.Pow((double)t.Floral / t.Cut - mean, 2)) / (trees.Count - 1);
        var inside = trees.Sum(t => t.Floral * (1 - (double)t.Floral / t.Cut)) / within;
        var size = (all - trees.Sum(t => (double)t.Cut * t.Cut) / all) / (trees.Count - 1);
        var spread = between + (size - 1) * inside;
        var own = spread > 0 ? Math.Clamp((between - inside) / spread, 0, 1) : 0;
        return (UsualWeight * UsualLikeness + (trees.Count - 1) * own) / (UsualWeight + trees.Count - 1);
    }

    private static int MoreOf(double share, int cut, double effect)
    {
        var needed = cut;
        while (Half(needed) > NearEnough && needed < 10_000)
            needed++;
        return needed - cut;

        double Half(int buds)
        {
            var (low, high) = WilsonInterval.Of(share * buds / effect, buds / effect);
            return (high - low) / 2;
        }
    }
}
