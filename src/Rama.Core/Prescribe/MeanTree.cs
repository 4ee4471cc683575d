using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>The mean tree of a planting while it is being cut.</summary>
/// <param name="Buds">Floral buds standing.</param>
/// <param name="Limbs">Limbs standing.</param>
internal readonly record struct MeanTree(double Buds, double Limbs)
{
    /// <summary>The tree after some cuts of one step, made one after the other.</summary>
    public MeanTree After(CuttingStep step, double cuts)
    {
        if (step.Drop is OneBud) return this with { Buds = Math.Max(0, Buds - cuts) };
        if (step.Drop is not LimbShare drop) return this;

        var (buds, limbs) = (Buds, Limbs);
        for (var made = 0; made < cuts && limbs > 0; made++)
        {
            buds = Math.Max(0, buds - drop.OfMeanLimb * buds / limbs);
            if (step.TakesLimb) limbs--;
        }
        return new(buds, limbs);
    }
}
