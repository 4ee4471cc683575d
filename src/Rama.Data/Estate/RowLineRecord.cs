using NetTopologySuite.Geometries;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>Where a row of a block runs on the ground.</summary>
public sealed class RowLineRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Block it lies on.</summary>
    public Guid BlockId { get; init; }

    /// <summary>Number of the row, from 1.</summary>
    public int Row { get; init; }

    /// <summary>Longitude and latitude of each point in turn, degrees.</summary>
    public required double[] Coordinates { get; set; }

    /// <summary>The row as a line.</summary>
    public LineString ToLine() => new([.. Coordinates.Chunk(2).Select(c => new Coordinate(c[0], c[1]))]);

    HistoryPlace IHistoried.Place => new("rowLine", Detail: $"{Row}");
}
