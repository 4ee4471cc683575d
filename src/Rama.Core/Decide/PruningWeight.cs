namespace Rama.Core.Decide;

/// <summary>How hard a reduction is.</summary>
public enum PruningWeight
{
    /// <summary>At most 15 % of the buds.</summary>
    Light,

    /// <summary>At most 35 % of the buds.</summary>
    Standard,

    /// <summary>More than 35 % of the buds.</summary>
    Heavy,
}
