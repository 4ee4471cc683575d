namespace Rama.Core.Trees;

/// <summary>
/// Diameters of the limbs of a typical tree. A trunk carries limbs of about so much cross-section, so that a tree with
/// many limbs has thinner ones and a tree with a thick trunk thicker ones.
/// </summary>
/// <remarks>Over many trees the diameters have the mean and spread counted.</remarks>
internal static class LimbDiameters
{
    // How far limbs of one tree are from what its trunk carries: assumption. Counted limbs and trunks on the same
    // trees will tell.
    private const double AreaCv = 0.1;

    // So much of the variance of diameters may lie between trees; and so far are limbs fitted to their trunk.
    private const double MostBetween = 0.75,
        LeastFit = 0.6,
        MostFit = 1.6;

    private static readonly Lognormal Area = new(new(1, AreaCv));

    /// <summary>Draws them.</summary>
    /// <param name="limbs">How many.</param>
    /// <param name="counts">What the trees have in the mean and spread.</param>
    /// <param name="trunkMm">Diameter of this tree's trunk, mm.</param>
    /// <param name="draw">Draws of the tree.</param>
    public static double[] Draw(int limbs, TreeCounts counts, double trunkMm, TreeDraw draw)
    {
        var limb = counts.LimbMm;
        // Limb area follows the trunk and is shared among the limbs; a diameter goes with the root of its share.
        var (trunk, number) = (Square(counts.TcsaCm2.Cv), Square(counts.Limbs.Cv));
        var between = ((1 + trunk) * (1 + Square(AreaCv)) - 1 + number) / 4;
        var tie = between <= 0 ? 1 : Math.Min(1, Math.Sqrt(MostBetween * Square(limb.Cv) / between));
        var within = Math.Sqrt(Math.Max(0, Square(limb.Cv) - tie * tie * between));

        Lognormal drawnFrom = new(new(limb.Mean, within));
        var diameters = new double[limbs];
        for (var i = 0; i < limbs; i++)
            diameters[i] = draw.Positive(drawnFrom);
        var drawn = diameters.Sum(Square);
        var area = draw.Positive(Area) * Math.PI * trunkMm * trunkMm / 400 / counts.TcsaCm2.Mean;
        var carried = counts.Limbs.Mean * Square(limb.Mean) * (1 + Square(limb.Cv)) * area;
        if (!(drawn > 0 && carried > 0 && double.IsFinite(carried)))
            return diameters;
        var fit = Math.Clamp(Math.Pow(carried / drawn, tie / 2), LeastFit, MostFit);
        return [.. diameters.Select(d => d * fit)];
    }

    private static double Square(double value) => value * value;
}
