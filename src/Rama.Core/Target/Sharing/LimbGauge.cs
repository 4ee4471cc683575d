namespace Rama.Core.Target.Sharing;

/// <summary>
/// How many buds a limb may keep by its thickness: all limbs kept share the tree's buds by their cross-section.
/// </summary>
/// <param name="BudsPerCm2">Buds for each cm² of limb cross-section.</param>
public sealed record LimbGauge(double BudsPerCm2)
{
    /// <summary>Gauge of a tree.</summary>
    /// <param name="budsPerTree">Buds to leave on the tree, above 0.</param>
    /// <param name="limbDiametersMm">Diameters of the limbs kept, 2 to 3 cm from their base, mm; at least one.</param>
    public static LimbGauge Of(double budsPerTree, IReadOnlyCollection<double> limbDiametersMm) =>
        new(budsPerTree / limbDiametersMm.Sum(CrossSectionCm2));

    /// <summary>Buds to leave on a limb.</summary>
    /// <param name="diameterMm">Its diameter, mm.</param>
    /// <param name="bigFromMm">Diameter from which a limb is too big for its place and comes out, mm.</param>
    /// <returns>Null for a limb to take out: a number would ask to keep it.</returns>
    public double? BudsOn(double diameterMm, double bigFromMm = double.PositiveInfinity) =>
        diameterMm > bigFromMm ? null : BudsPerCm2 * CrossSectionCm2(diameterMm);

    internal static double CrossSectionCm2(double diameterMm) => Math.PI * diameterMm * diameterMm / 400;
}
