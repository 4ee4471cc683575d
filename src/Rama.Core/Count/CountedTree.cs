using Rama.Core.Target.Capacity;

namespace Rama.Core.Count;

/// <summary>One counted tree.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Number of the tree in its row.</param>
/// <param name="GirthCm">Trunk girth in cm, where measured.</param>
/// <param name="Limbs">Limbs of at least 30 cm, where counted.</param>
/// <param name="FloralBuds">Floral buds on the tree.</param>
public sealed record CountedTree(double Row, double Tree, double? GirthCm, double? Limbs, double FloralBuds)
{
    /// <summary>Trunk cross-section in cm², where the girth was measured.</summary>
    public double? TcsaCm2 => GirthCm is { } girth ? Trunk.CrossSectionCm2(girth) : null;
}
