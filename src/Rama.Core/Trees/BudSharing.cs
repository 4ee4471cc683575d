namespace Rama.Core.Trees;

/// <summary>Shares a tree's buds among its limbs and their wood.</summary>
/// <param name="innerBuds">Buds for each cm² on inner leaders, against those on the others.</param>
/// <param name="draw">Where chance comes from.</param>
/// <param name="buds">Where they are put.</param>
internal sealed class BudSharing(double innerBuds, TreeDraw draw, BudPlaces buds)
{
    // How much limbs of a size differ in buds: assumption.
    private const double BudNoiseCv = 0.35;

    private static readonly Lognormal BudNoise = new(new(1, BudNoiseCv));

    /// <summary>Shares them by cross-section, or as counted where each limb was.</summary>
    public void Share(TreeToGrow tree, List<GrownLimb> limbs)
    {
        var floralShare = tree.FloralShare;
        var counted = limbs.All(l => l.FloralBuds is not null);
        var parts = limbs
            .Select(l =>
                counted
                    ? l.FloralBuds!.Value
                    : l.Branch.CrossSectionCm2 * (l.Inner ? innerBuds : 1) * draw.Positive(BudNoise)
            )
            .ToArray();
        var floral = Shared(tree.FloralBuds, parts);
        for (var i = 0; i < limbs.Count; i++)
        {
            var on = Shared(floral[i], [.. limbs[i].Carrying.Select(b => b.CrossSectionCm2 * b.LengthM)]);
            for (var c = 0; c < on.Length; c++)
            {
                var blind = floralShare is > 0 and < 1 ? draw.Whole(on[c] * (1 - floralShare) / floralShare) : 0;
                buds.Place(limbs[i].Carrying[c], on[c], true);
                buds.Place(limbs[i].Carrying[c], blind, false);
            }
        }
    }

    /// <summary>A whole number shared in proportion, none lost: systematic draws along the parts.</summary>
    private int[] Shared(int number, double[] parts)
    {
        var shares = new int[parts.Length];
        var all = parts.Sum();
        if (number <= 0 || all <= 0)
            return shares;
        var (step, next, upTo) = (all / number, all / number * draw.Uniform(), 0.0);
        for (var i = 0; i < parts.Length; i++)
        {
            upTo += parts[i];
            for (; next < upTo; next += step)
                shares[i]++;
        }
        // The last draw may fall a rounding error beyond the last part.
        shares[^1] += number - shares.Sum();
        return shares;
    }
}
