using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>The rows of a planting, as typed.</summary>
public sealed record RowListEntry
{
    /// <summary>Most rows one planting may have.</summary>
    public const int MostRows = 2_000;

    /// <summary>The rows; none where the planting is known by spacing and area alone.</summary>
    public IReadOnlyList<RowEntry> Rows { get; init; } = [];

    /// <summary>Reads the entry; null when no row is listed.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public RowList? Read()
    {
        var reader = new EntryReader();
        if (Rows.Count > MostRows)
            reader.Add("rows", "range", $"Rows: expected at most {MostRows}.");
        reader.ThrowIfAny();

        var rows = Rows.Select((entry, i) => reader.Under($"rows[{i}]", entry.Read)).ToList();
        foreach (var (line, other) in RowList.Overlaps(rows))
            reader.Add(
                $"rows[{line}].row",
                "duplicate",
                $"Row {rows[line]!.Number}: some of its trees are already on line {other + 1}."
            );
        reader.ThrowIfAny();
        return rows.Count == 0
            ? null
            : new([.. rows.OfType<TreeRow>().OrderBy(r => r.Number).ThenBy(r => r.FirstTree)]);
    }
}
