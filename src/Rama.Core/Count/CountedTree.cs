using Rama.Core.Target.Capacity;

namespace Rama.Core.Count;

/// <summary>One counted tree.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Number of the tree in its row.</param>
/// <param name="GirthCm">Trunk girth in cm, where measured.</param>
/// <param name="Limbs">Limbs of at least 30 cm, where counted.</param>
/// <param name="FloralBuds">Floral buds on the tree.</param>
/// <param name="Kinds">All buds by kind that gave the floral buds; empty where floral buds were counted
/// directly.</param>
/// <param name="LimbSizes">Its limbs, where they were counted or measured one by one.</param>
public sealed record CountedTree(
    double Row,
    double Tree,
    double? GirthCm,
    double? Limbs,
    double FloralBuds,
    IReadOnlyList<KindCount> Kinds,
    IReadOnlyList<LimbSize> LimbSizes
)
{
    /// <summary>Trunk cross-section in cm², where the girth was measured.</summary>
    public double? TcsaCm2 => GirthCm is { } girth ? Trunk.CrossSectionCm2(girth) : null;
}
