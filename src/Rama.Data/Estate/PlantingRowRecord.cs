using Rama.Core.Estate;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>One row of trees of a planting; the trees that stand out are kept as arrays of their numbers.</summary>
public sealed class PlantingRowRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; private set; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; private set; }

    /// <summary>Number of the row, from 1.</summary>
    public int Row { get; private set; }

    /// <summary>Number of the first tree of this planting in the row.</summary>
    public int FirstTree { get; private set; }

    /// <summary>Places in the row, from the first on, with trees or without.</summary>
    public int Trees { get; private set; }

    /// <summary>Numbers of places without a tree.</summary>
    public int[] Missing { get; private set; } = [];

    /// <summary>Numbers of trees planted later.</summary>
    public int[] Replants { get; private set; } = [];

    /// <summary>Numbers of trees of another variety.</summary>
    public int[] Pollinizers { get; private set; } = [];

    /// <summary>Numbers of trees to be taken out.</summary>
    public int[] ToGrub { get; private set; } = [];

    HistoryPlace IHistoried.Place => new("row", PlantingId, Detail: $"{Row}/{FirstTree}");

    internal static PlantingRowRecord Of(PlantingRecord planting, TreeRow row)
    {
        var record = new PlantingRowRecord
        {
            EstateId = planting.EstateId,
            PlantingId = planting.Id,
            Row = row.Number,
            FirstTree = row.FirstTree,
        };
        record.TakeOver(row);
        return record;
    }

    internal void TakeOver(TreeRow row)
    {
        Trees = row.Trees;
        (Missing, Replants) = ([.. row.Missing], [.. row.Replants]);
        (Pollinizers, ToGrub) = ([.. row.Pollinizers], [.. row.ToGrub]);
    }

    internal RowEntry ToEntry() =>
        new()
        {
            Row = Row,
            FirstTree = FirstTree,
            Trees = Trees,
            Missing = TreeNumbers.Write(Missing),
            Replants = TreeNumbers.Write(Replants),
            Pollinizers = TreeNumbers.Write(Pollinizers),
            ToGrub = TreeNumbers.Write(ToGrub),
        };
}
