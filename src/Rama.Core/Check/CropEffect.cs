using MathNet.Numerics.Distributions;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;

namespace Rama.Core.Check;

/// <summary>What trees left with other than their number do to the crop, in the mean of the years.</summary>
/// <param name="FruitShort">Fruit short per tree, above what trees at their number are short.</param>
/// <param name="FruitOver">Fruit to be thinned per tree, above what trees at their number have over; less than 0 where
/// they have less.</param>
/// <param name="TonnesPerHa">Marketable fruit lost per hectare; null where that is not known.</param>
/// <param name="CostPerTree">Both in money, per tree; null where costs are not known.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record CropEffect(
    double FruitShort,
    double FruitOver,
    double? TonnesPerHa,
    double? CostPerTree,
    IReadOnlyList<Step> Steps
) : Calculated(FruitShort, "fruit/tree", Steps, [])
{
    private const double Reach = 6,
        NodeStep = 0.125,
        KgPerTonne = 1_000;

    private static readonly (double Z, double Weight)[] Nodes = NodesOf();

    /// <summary>Works it out.</summary>
    /// <param name="terms">What it follows from.</param>
    /// <remarks>
    /// E[max(0, T − B·p)] over the set p of the years and over the trees' buds B, lognormal, less the same at the
    /// number: never in proportion to the buds, since good years make up for a few buds and poor ones for none. Source:
    /// derived, handbook of the trade 7.3; numerical integration by the trapezoid rule.
    /// </remarks>
    public static CropEffect Of(CropEffectTerms terms)
    {
        var (left, asked) = (terms.MissedBy(terms.Left), terms.MissedBy(terms.Number));
        var (fruit, over) = (left.Short - asked.Short, left.Over - asked.Over);
        var tonnes = terms.Ground is { } ground
            ? fruit * ground.TreesPerHa * ground.FruitKg * ground.PackOut / KgPerTonne
            : (double?)null;
        var money = terms.Costs is { } costs
            ? Math.Max(0, fruit) * costs.CostUnder + Math.Max(0, over) * costs.CostOver
            : (double?)null;
        List<Step> steps =
        [
            new(
                "crop-effect.fruit",
                "E[max(0, fruit wanted − buds left × set)] − the same at the number asked",
                new("fruit short", fruit, "fruit/tree"),
                [
                    new("fruit wanted", terms.FruitWanted, "fruit/tree"),
                    new("buds left", terms.Left, "bud/tree"),
                    new("buds asked", terms.Number, "bud/tree"),
                    new("spread of the trees", terms.TreeCv, "share"),
                    new("short as left", left.Short, "fruit/tree"),
                    new("short at the number", asked.Short, "fruit/tree"),
                ],
                Sources.Definition
            ),
        ];
        if (terms.Ground is { } on)
            steps.Add(
                new(
                    "crop-effect.tonnes",
                    "fruit short × trees per hectare × kg per fruit × pack-out ÷ 1000",
                    new("lost per hectare", tonnes!.Value, "t/ha"),
                    [
                        new("fruit short", fruit, "fruit/tree"),
                        new("trees per hectare", on.TreesPerHa, "tree/ha"),
                        new("fruit mass", on.FruitKg, "kg"),
                        new("pack-out", on.PackOut, "share"),
                    ],
                    Sources.Definition
                )
            );
        return new(fruit, over, tonnes, money, steps);
    }

    // Fruit short and over in the mean of trees and years.
    internal static (double Short, double Over) Mean(
        double buds,
        double treeCv,
        Func<double, (double Short, double Over)> at
    )
    {
        if (treeCv <= 0 || buds <= 0)
            return at(Math.Max(0, buds));
        var sigma = Math.Sqrt(Math.Log(1 + treeCv * treeCv));
        var centre = Math.Log(buds) - sigma * sigma / 2;
        var (isShort, over) = (0.0, 0.0);
        foreach (var (z, weight) in Nodes)
        {
            var missed = at(Math.Exp(centre + sigma * z));
            isShort += weight * missed.Short;
            over += weight * missed.Over;
        }
        return (isShort, over);
    }

    private static (double, double)[] NodesOf()
    {
        var nodes = Enumerable
            .Range((int)(-Reach / NodeStep), (int)(2 * Reach / NodeStep) + 1)
            .Select(i => i * NodeStep)
            .Select(z => (z, Weight: Normal.PDF(0, 1, z)))
            .ToList();
        var all = nodes.Sum(n => n.Weight);
        return [.. nodes.Select(n => (n.z, n.Weight / all))];
    }
}

/// <summary>What the effect on the crop follows from.</summary>
/// <param name="FruitWanted">Fruit wanted per tree.</param>
/// <param name="Number">Floral buds asked for per tree.</param>
/// <param name="Left">Floral buds left per tree in the mean.</param>
/// <param name="TreeCv">Coefficient of variation of the buds from tree to tree; 0 for one tree.</param>
/// <param name="Costs">The set of the years and what missing costs.</param>
/// <param name="Ground">What fruit weighs per hectare; null where not known.</param>
public sealed record CropEffectTerms(
    double FruitWanted,
    double Number,
    double Left,
    double TreeCv,
    MissCosts Costs,
    CropGround? Ground = null
)
{
    /// <summary>Fruit short and over with so many buds in the mean of the trees.</summary>
    /// <param name="buds">Buds per tree.</param>
    public (double Short, double Over) MissedBy(double buds) => CropEffect.Mean(buds, TreeCv, b =>
        {
            var isShort = Costs.ShortOf(b, FruitWanted);
            // What is short and what is over differ by what is wanted less what sets.
            return (isShort, isShort - FruitWanted + b * (Costs.Outcome?.Mean ?? Costs.SetMean));
        });
}

/// <summary>What a fruit per tree is on a hectare.</summary>
/// <param name="TreesPerHa">Trees per hectare.</param>
/// <param name="FruitKg">Mass of a fruit, kg.</param>
/// <param name="PackOut">Share of the fruit that is marketable.</param>
public sealed record CropGround(double TreesPerHa, double FruitKg, double PackOut);
