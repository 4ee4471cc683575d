using Rama.Data.Database;

namespace Rama.Data.Count.Scan;

/// <summary>
/// What a scanner saw in one row of trees, for one season: a number per tree place, not a row per tree.
/// </summary>
public sealed class ScanRowRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <summary>Number of the row, from 1.</summary>
    public int Row { get; init; }

    /// <summary>Number of the tree the arrays begin with.</summary>
    public int FirstTree { get; init; }

    /// <summary>Trunk diameters in mm; NaN where none was told.</summary>
    public float[] TrunksMm { get; init; } = [];

    /// <summary>Limbs; NaN where none were told.</summary>
    public float[] Limbs { get; init; } = [];

    /// <summary>Buds as the scanner counts them; NaN where none were told.</summary>
    public float[] Buds { get; init; } = [];

    /// <summary>
    /// Leaders told of each tree: the arrays of <see cref="LeaderBuds"/> hold so many numbers a tree.
    /// </summary>
    public int Leaders { get; init; }

    /// <summary>Buds of each leader, tree by tree; empty where leaders were not told apart.</summary>
    public float[] LeaderBuds { get; init; } = [];
}
