using Rama.Core.Explain;

namespace Rama.Core.Result.Counts;

/// <summary>What one tree carried at one point of the year, as typed or sent from the row.</summary>
public sealed record CropCountEntry
{
    private const int LongestNote = 300;

    /// <summary>Row number.</summary>
    public double? Row { get; init; }

    /// <summary>Tree in the row.</summary>
    public double? Tree { get; init; }

    /// <summary>When in the year.</summary>
    public CropPoint? Point { get; init; }

    /// <summary>Day it was counted.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Clusters, or shoots: in bloom, that hold fruit, or left with fruit.</summary>
    public double? Clusters { get; init; }

    /// <summary>Fruitlets after the drop; fruit left after thinning, or before harvest.</summary>
    public double? Fruit { get; init; }

    /// <summary>Fruitlets taken off by hand.</summary>
    public double? TakenOff { get; init; }

    /// <summary>Whether a count that looks wrong was made twice and stands.</summary>
    public bool IsSure { get; init; }

    /// <summary>A note, at most 300 characters.</summary>
    public string? Note { get; init; }

    /// <summary>Reads it.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CropCount Read()
    {
        var reader = new EntryReader();
        var row = reader.RequiredWhole("row", "Row", Row, "", 1, 9_999);
        var tree = reader.RequiredWhole("tree", "Tree", Tree, "", 1, 9_999);
        if (Point is null || !Enum.IsDefined(Point.Value))
            reader.Add("point", "missing", "When in the year: please choose.");
        if (Day is null)
            reader.Add("day", "missing", "Day: please fill this in.");
        var clusters = reader.OptionalWhole("clusters", "Clusters", Clusters, "cluster/tree", 0, 20_000);
        var fruit = reader.OptionalWhole("fruit", "Fruit", Fruit, "fruit/tree", 0, 50_000);
        var off = reader.OptionalWhole("takenOff", "Taken off", TakenOff, "fruitlet/tree", 0, 50_000);
        var note = reader.OptionalText("note", "Note", Note, LongestNote);
        if (Point is CropPoint.Bloom or CropPoint.Set && clusters is null)
            reader.Add("clusters", "missing", "Clusters: please fill this in.");
        if (Point is CropPoint.Thinned or CropPoint.Harvest && fruit is null)
            reader.Add("fruit", "missing", "Fruit: please fill this in.");
        if (Point == CropPoint.Bloom && fruit is not null)
            reader.Add("fruit", "conflict", "Fruit: there is none in bloom.");
        else if (fruit < clusters)
            reader.Add("fruit", "conflict", "Fruit: expected at least one on each cluster that holds fruit.");
        if (Point is not CropPoint.Thinned && off is not null)
            reader.Add("takenOff", "conflict", "Taken off: told of trees that are thinned only.");
        reader.ThrowIfAny();
        return new((int)row, (int)tree, Point!.Value, Day!.Value, clusters, fruit, off, IsSure, note);
    }
}

/// <summary>What one tree carried at one point of the year.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Point">When in the year.</param>
/// <param name="Day">Day it was counted.</param>
/// <param name="Clusters">Clusters, or shoots; null where not counted.</param>
/// <param name="Fruit">Fruitlets or fruit; null where not counted.</param>
/// <param name="TakenOff">Fruitlets taken off by hand; null where not counted.</param>
/// <param name="IsSure">Whether a count that looks wrong was made twice.</param>
/// <param name="Note">A note.</param>
public sealed record CropCount(
    int Row,
    int Tree,
    CropPoint Point,
    DateOnly Day,
    double? Clusters,
    double? Fruit,
    double? TakenOff,
    bool IsSure,
    string? Note
);
