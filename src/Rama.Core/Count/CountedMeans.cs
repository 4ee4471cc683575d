namespace Rama.Core.Count;

/// <summary>
/// Means beside the buds, each over the trees where it was counted or measured; null where it never was.
/// </summary>
/// <param name="Limbs">Limbs per tree.</param>
/// <param name="GirthCm">Trunk girth, cm.</param>
/// <param name="TcsaCm2">Trunk cross-section, cm².</param>
public sealed record CountedMeans(double? Limbs, double? GirthCm, double? TcsaCm2)
{
    /// <summary>The means of counted trees.</summary>
    internal static CountedMeans Of(IReadOnlyList<CountedTree> trees) =>
        new(trees.Average(t => t.Limbs), trees.Average(t => t.GirthCm), trees.Average(t => t.TcsaCm2));
}
