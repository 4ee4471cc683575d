using Rama.Core.Trees;

namespace Rama.Core.Systems;

/// <summary>
/// Something an orchardist would measure on the typical trees of a system, over many of them, beside what is expected.
/// </summary>
/// <param name="Code">What is measured.</param>
/// <param name="Low">One tree in ten has less.</param>
/// <param name="Middle">The middle tree.</param>
/// <param name="High">One tree in ten has more.</param>
/// <param name="Unit">Unit of all three.</param>
/// <param name="Expected">Where the middle tree is expected, and who says so; null where nobody says.</param>
public sealed record TreeFact(string Code, double Low, double Middle, double High, string Unit, ExpectedFact? Expected)
{
    private static readonly (string Code, string Unit, Func<FruitTree, double> Of)[] Measured =
    [
        ("trunk", "mm", t => t.TrunkMm),
        ("height", "m", t => Most(t, p => p.HeightM)),
        ("spread-along", "m", t => Most(t, p => p.AlongM) + Most(t, p => -p.AlongM)),
        ("spread-across", "m", t => Most(t, p => p.AcrossM) + Most(t, p => -p.AcrossM)),
        ("limbs", "", t => Limbs(t).Count()),
        ("limb-diameter", "mm", t => Limbs(t).Select(b => b.DiameterMm).DefaultIfEmpty().Average()),
        ("thickest-limb", "mm", t => Limbs(t).Select(b => b.DiameterMm).DefaultIfEmpty().Max()),
        ("limb-length", "m", t => Limbs(t).Select(b => b.LengthM).DefaultIfEmpty().Average()),
        ("limb-area", "", t => Limbs(t).Sum(b => b.CrossSectionCm2) / t.TcsaCm2),
        ("buds-limb-area", "bud/cm²", t => t.FloralBuds / Math.Max(0.01, Limbs(t).Sum(b => b.CrossSectionCm2))),
        ("buds-trunk-area", "bud/cm²", t => t.FloralBuds / t.TcsaCm2),
    ];

    /// <summary>What can be measured, by its code.</summary>
    public static IReadOnlyList<string> Codes { get; } = [.. Measured.Select(m => m.Code)];

    /// <summary>Measures trees.</summary>
    /// <param name="system">Their system, which says what is expected of them.</param>
    /// <param name="trees">The trees, one or more.</param>
    internal static IReadOnlyList<TreeFact> Of(TrainingSystem system, IReadOnlyList<FruitTree> trees) =>
        [
            .. Measured.Select(m =>
            {
                double[] values = [.. trees.Select(m.Of).Order()];
                double At(double share) => values[(int)Math.Round(share * (values.Length - 1))];
                var expected = system.Form.ExpectedFacts.FirstOrDefault(e => e.Fact == m.Code);
                return new TreeFact(m.Code, At(0.1), At(0.5), At(0.9), m.Unit, expected);
            }),
        ];

    private static IEnumerable<Branch> Limbs(FruitTree tree) => tree.Branches.Where(b => b.Kind == BranchKind.Limb);

    private static double Most(FruitTree tree, Func<Point, double> of) => tree.Branches.Max(b => b.Path.Max(of));
}
