namespace Rama.Core.Systems;

/// <summary>How a canopy fills its row, which decides what limits its height.</summary>
public enum CanopyKind
{
    /// <summary>Narrow cones: height after pruning at most 0.9 of the row spacing.</summary>
    Spindle,

    /// <summary>A thin wall: height after pruning at most the row spacing.</summary>
    Wall,

    /// <summary>Two slanted planes that share the alley: the clear alley at the top limits the height.</summary>
    OpenV,

    /// <summary>A broad crown: limits hold at the end of the season, so next season's growth is taken off.</summary>
    Broad,
}
