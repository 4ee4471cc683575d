namespace Rama.Core.Count;

/// <summary>Limbs in one class of diameter.</summary>
/// <param name="FromMm">Smallest diameter, mm.</param>
/// <param name="ToMm">Diameter from which the next class begins, mm.</param>
/// <param name="Limbs">Limbs in it.</param>
public sealed record LimbDiameterClass(double FromMm, double ToMm, int Limbs);

/// <summary>How thick the limbs measured are, and how many buds they carry.</summary>
/// <param name="Limbs">Limbs measured.</param>
/// <param name="Trees">Trees they were measured on.</param>
/// <param name="MeanMm">Mean diameter, mm.</param>
/// <param name="SdMm">Standard deviation of the diameter, mm; null for one limb.</param>
/// <param name="ThickestMm">The thickest, mm.</param>
/// <param name="ForkedShare">Share that fork.</param>
/// <param name="Classes">Limbs by diameter, thinnest first.</param>
/// <param name="BudsPerLcsa">Floral buds per cm² of limb cross-section, over limbs with both; null without
/// such.</param>
/// <param name="LcsaPerTreeCm2">Limb cross-section of a tree, cm², over trees all of whose limbs were measured; null
/// without such.</param>
public sealed record LimbSpread(
    int Limbs,
    int Trees,
    double MeanMm,
    double? SdMm,
    double ThickestMm,
    double ForkedShare,
    IReadOnlyList<LimbDiameterClass> Classes,
    double? BudsPerLcsa,
    double? LcsaPerTreeCm2
)
{
    private const double ClassWidthMm = 4;

    /// <summary>Spread over all limbs measured; null where none was.</summary>
    public static LimbSpread? Of(IReadOnlyList<CountedTree> trees)
    {
        var limbs = trees
            .SelectMany(t => t.LimbSizes, (t, limb) => (Tree: t, Limb: limb))
            .Where(l => l.Limb.DiameterMm is not null)
            .ToList();
        if (limbs.Count == 0)
            return null;
        var mm = limbs.Select(l => l.Limb.DiameterMm!.Value).ToList();
        var mean = mm.Average();
        // Buds of all kinds on a limb are floral in the share they are on its tree.
        var carrying = limbs
            .Where(l => l.Limb.Buds is not null)
            .Select(l => (Area: l.Limb.LcsaCm2!.Value, Buds: l.Limb.Buds!.Value * FloralPart(l.Tree)))
            .ToList();
        var whole = trees
            .Where(t =>
                t.LimbSizes.Count > 0 && t.LimbSizes.Count == t.Limbs && t.LimbSizes.All(l => l.DiameterMm is not null)
            )
            .ToList();
        return new(
            limbs.Count,
            limbs.Select(l => l.Tree).Distinct().Count(),
            mean,
            mm.Count > 1 ? Math.Sqrt(mm.Sum(d => (d - mean) * (d - mean)) / (mm.Count - 1)) : null,
            mm.Max(),
            limbs.Count(l => l.Limb.Forked) / (double)limbs.Count,
            [
                .. mm.GroupBy(d => Math.Floor(d / ClassWidthMm))
                    .OrderBy(g => g.Key)
                    .Select(g => new LimbDiameterClass(g.Key * ClassWidthMm, (g.Key + 1) * ClassWidthMm, g.Count())),
            ],
            carrying.Count > 0 ? carrying.Sum(c => c.Buds) / carrying.Sum(c => c.Area) : null,
            whole.Count > 0 ? whole.Average(t => t.LimbSizes.Sum(l => l.LcsaCm2!.Value)) : null
        );
    }

    private static double FloralPart(CountedTree tree) =>
        tree.Kinds.Sum(k => k.Buds) is > 0 and var all ? tree.FloralBuds / all : 1;
}
