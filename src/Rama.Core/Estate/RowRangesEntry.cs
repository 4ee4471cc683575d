using System.Globalization;
using System.Text.RegularExpressions;
using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>
/// Rows in bulk, as typed: <c>1-24: 180, 25-30: 150</c>. Rows without a number of trees share the places that area and
/// spacings leave.
/// </summary>
public sealed partial record RowRangesEntry
{
    private const int LongestText = 500;

    /// <summary>Rows and how many trees each has.</summary>
    public string? Ranges { get; init; }

    /// <summary>The ground, for rows whose trees are not told.</summary>
    public DensityEntry Planting { get; init; } = new();

    /// <summary>The rows one by one.</summary>
    /// <exception cref="UnusableEntryException">The text or the ground cannot be used.</exception>
    public RowListEntry Calculate()
    {
        var reader = new EntryReader();
        var text = reader.Text("ranges", "Rows", Ranges, LongestText).Replace('–', '-');
        reader.ThrowIfAny();
        List<(int Row, int? Trees)> rows = [];
        foreach (var part in text.Split([',', ';', '\n'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (
                Range().Match(part) is not { Success: true } range
                || Number(range.Groups["from"]) is not { } from
                || (Number(range.Groups["to"]) ?? from) is var to && (to < from || from < 1 || to > 9_999)
            )
            {
                reader.Add("ranges", "ranges", $"Rows: expected such as 1-24: 180, 25-30: 150; got “{part.Trim()}”.");
                break;
            }
            var trees = Number(range.Groups["trees"]);
            if (trees is < 1 or > RowEntry.MostTrees)
                reader.Add("ranges", "range", $"Rows: expected 1 to {RowEntry.MostTrees} trees in a row.");
            rows.AddRange(Enumerable.Range(from, to - from + 1).Select(row => (row, trees)));
            if (rows.Count > RowListEntry.MostRows)
                reader.Add("ranges", "range", $"Rows: expected at most {RowListEntry.MostRows}.");
        }
        foreach (var twice in rows.GroupBy(r => r.Row).Where(g => g.Count() > 1).Take(1))
            reader.Add("ranges", "duplicate", $"Rows: row {twice.Key} is there twice.");
        reader.ThrowIfAny();
        var open = rows.Count(r => r.Trees is null);
        var each = open == 0 ? 0 : Shared(reader, rows.Sum(r => r.Trees ?? 0), open);
        return new()
        {
            Rows = [.. rows.OrderBy(r => r.Row).Select(r => new RowEntry { Row = r.Row, Trees = r.Trees ?? each })],
        };
    }

    private int Shared(EntryReader reader, int told, int rows)
    {
        var form = reader.Under("planting", Planting.ReadForm);
        reader.ThrowIfAny();
        var each = (int)Math.Round((PlantingDensity.Of(form!).TreePlaces - told) / rows);
        if (each is < 1 or > RowEntry.MostTrees)
            reader.Add(
                "ranges",
                "places",
                FormattableString.Invariant(
                    $"Rows: area and spacings leave {Math.Max(0, each):0} trees for each row. Say how many stand."
                )
            );
        reader.ThrowIfAny();
        return each;
    }

    private static int? Number(Group group) =>
        group.Success && int.TryParse(group.Value, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? number
            : null;

    [GeneratedRegex(@"^\s*(?<from>\d{1,5})\s*(-\s*(?<to>\d{1,5}))?\s*([:x×]\s*(?<trees>\d{1,6}))?\s*$")]
    private static partial Regex Range();
}
