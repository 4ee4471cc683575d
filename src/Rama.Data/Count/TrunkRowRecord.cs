using Rama.Data.History;

namespace Rama.Data.Count;

/// <summary>
/// Trunk girths of one row of trees, measured for one season: a number per tree place, not a row per tree.
/// </summary>
public sealed class TrunkRowRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <summary>Number of the row, from 1.</summary>
    public int Row { get; init; }

    /// <summary>Girth in cm of tree 1, 2, 3 …; NaN where a tree was not measured.</summary>
    public required float[] GirthsCm { get; set; }

    HistoryPlace IHistoried.Place => new("trunkRow", PlantingId, Season, $"{Row}");
}
