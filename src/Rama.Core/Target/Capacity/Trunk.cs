namespace Rama.Core.Target.Capacity;

/// <summary>What the trunk tells about a tree's capacity.</summary>
public static class Trunk
{
    /// <summary>Trunk cross-sectional area in cm² from girth in cm: C² ÷ 4π. Exact for a round trunk.</summary>
    public static double CrossSectionCm2(double girthCm) => girthCm * girthCm / (4 * Math.PI);

    /// <summary>Girth in cm of a cross-section in cm²: √(4π A). Exact for a round trunk.</summary>
    public static double GirthCm(double crossSectionCm2) => Math.Sqrt(4 * Math.PI * crossSectionCm2);
}
