using Rama.Core.Quantities;

namespace Rama.Core.Count;

/// <summary>One limb of a counted tree.</summary>
/// <param name="DiameterMm">Diameter at its base in mm, where measured.</param>
/// <param name="Forked">Whether it forks.</param>
/// <param name="Buds">Buds on it as they were counted on its tree, where counted limb by limb.</param>
/// <param name="AgeYears">Its age in years, 1 for last summer's; null where nobody told.</param>
public sealed record LimbSize(double? DiameterMm, bool Forked, double? Buds, int? AgeYears = null)
{
    /// <summary>Cross-section of its base (LCSA) in cm².</summary>
    public double? LcsaCm2 => DiameterMm is { } mm ? Math.PI * mm * mm / 400 : null;
}

/// <summary>One limb of a counted tree, as typed.</summary>
public sealed record LimbSizeEntry
{
    /// <summary>Diameter a finger's width from the trunk.</summary>
    public Amount? Diameter { get; init; }

    /// <summary>Whether it forks.</summary>
    public bool Forked { get; init; }

    /// <summary>Buds on it, counted as on the rest of its tree.</summary>
    public double? Buds { get; init; }

    /// <summary>Its age in years, 1 for last summer's.</summary>
    public double? Age { get; init; }
}
