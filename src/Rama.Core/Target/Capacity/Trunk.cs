namespace Rama.Core.Target.Capacity;

/// <summary>What the trunk tells about a tree's capacity.</summary>
public static class Trunk
{
    /// <summary>Trunk cross-sectional area in cm² from girth in cm: C² ÷ 4π. Exact for a round trunk.</summary>
    public static double CrossSectionCm2(double girthCm) => girthCm * girthCm / (4 * Math.PI);
}
