using Rama.Data.History;

namespace Rama.Data.Count;

/// <summary>
/// Trunk girths of one row of trees, measured for one season: a number per tree place, not a row per tree.
/// </summary>
public sealed class TrunkRowRecord : IHistoried
{
    public Guid EstateId { get; init; }

    public Guid PlantingId { get; init; }

    public int Season { get; init; }

    public int Row { get; init; }

    /// <summary>Girth in cm of tree 1, 2, 3 …; NaN where a tree was not measured.</summary>
    public required float[] GirthsCm { get; set; }

    HistoryPlace IHistoried.Place => new("trunkRow", PlantingId, Season, $"{Row}");
}
