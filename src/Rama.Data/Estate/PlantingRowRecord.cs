using Rama.Core.Estate;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>One row of trees of a planting; the trees that stand out are kept as arrays of their numbers.</summary>
public sealed class PlantingRowRecord : IHistoried
{
    public Guid EstateId { get; private set; }

    public Guid PlantingId { get; private set; }

    public int Row { get; private set; }

    public int FirstTree { get; private set; }

    public int Trees { get; private set; }

    public int[] Missing { get; private set; } = [];

    public int[] Replants { get; private set; } = [];

    public int[] Pollinizers { get; private set; } = [];

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
