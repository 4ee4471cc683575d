using System.Globalization;
using System.Text.Json;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Data.Exchange.Reading;

namespace Rama.Data.Exchange;

/// <summary>Reads the cells of one line as the mapping says; what cannot be read is told by field.</summary>
public sealed class LineReader(LineReading reading, SheetLine line)
{
    private readonly IReadOnlyDictionary<string, ColumnMapping> _columns = reading.Columns;

    /// <summary>A reader of a file with one reading a line.</summary>
    public LineReader(ImportMapping mapping, SheetLine line)
        : this(LineReading.Of(mapping)[0], line) { }

    /// <summary>What could not be read.</summary>
    public EntryReader Problems { get; } = new();

    /// <summary>Number of the line in the file.</summary>
    public int LineNumber => line.Number;

    /// <summary>
    /// Whether the file has a column for the field. One that is there and empty clears what was known.
    /// </summary>
    public bool Has(string field) => _columns.ContainsKey(field);

    /// <summary>A text, or null where the cell is empty.</summary>
    public string? Text(string field) =>
        Written(Cell(field)) is not { } written ? null
        : reading.Values.TryGetValue((field, written.ToUpperInvariant()), out var name) ? name
        : written;

    /// <summary>Whether it is asked what the name in a field stands for.</summary>
    public bool IsAsked(string field) =>
        Written(Cell(field)) is { } written && reading.Asked.Contains((field, written.ToUpperInvariant()));

    private static string? Written(object? cell) =>
        cell switch
        {
            null => null,
            double number => number.ToString("0.##########", CultureInfo.InvariantCulture),
            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            var other => other.ToString()!.Trim() is { Length: > 0 } text ? text : null,
        };

    /// <summary>A number, or null where the cell is empty or unreadable.</summary>
    public double? Number(string field)
    {
        if (field == "season" && reading.Season is { } season)
            return season;
        switch (Cell(field))
        {
            case double number:
                return number;
            case string { Length: > 0 } text when CellNumber.Parse(text, reading.Decimal) is { } read:
                return read;
            case null or "":
                return null;
            default:
                Problems.Add(field, "text", $"Expected a number such as 3{reading.Decimal}5, got “{Text(field)}”.");
                return null;
        }
    }

    /// <summary>A number that only serves to compare: null where the cell holds none, and nothing is told.</summary>
    public double? NumberToCompare(string field) => CellNumber.Of(Cell(field), reading.Decimal);

    /// <summary>An amount in the unit of its column, or null where the cell is empty or unreadable.</summary>
    public Amount? Amount(string field)
    {
        if (Number(field) is not { } value)
            return null;
        var column = _columns[field];
        var unit =
            column.UnitColumn is { } other && line[other] is string { Length: > 0 } written ? written : column.Unit;
        return column.Package is { } package && unit is not null && PackageYield.Of(unit) is not null
            ? PackageYield.ByMass(value, unit, package)
            : new(value, unit);
    }

    /// <summary>
    /// The two distances in a cell such as <c>12 x 3 ft</c>, between rows and within them; null where it is empty or
    /// unreadable.
    /// </summary>
    public (Amount Row, Amount Tree)? Pair(string field)
    {
        if (Text(field) is not { } text)
            return null;
        if (
            ColumnContents.Pair(text) is { } pair
            && CellNumber.Parse(pair.Row, reading.Decimal) is { } row
            && CellNumber.Parse(pair.Tree, reading.Decimal) is { } tree
        )
        {
            var unit = pair.Unit ?? _columns[field].Unit;
            return (new(row, unit), new(tree, unit));
        }
        Problems.Add(field, "text", $"Expected two distances such as 4 x 1{reading.Decimal}5, got “{text}”.");
        return null;
    }

    /// <summary>A day, or null where the cell is empty or unreadable.</summary>
    public DateOnly? Date(string field)
    {
        switch (Cell(field))
        {
            case null or "":
                return null;
            case DateOnly day:
                return day;
            case string text when WrittenDays.Read(text.Trim(), reading.OrderOf(field)) is { } day:
                return day;
            default:
                Problems.Add(
                    field,
                    "date",
                    $"Expected a day as year-month-day, such as 2027-03-14, got “{Text(field)}”; other orders are read "
                        + "where the column shows which comes first."
                );
                return null;
        }
    }

    /// <summary>Values of free columns: those of the file over those known.</summary>
    public IReadOnlyList<FreeValue> Free(IReadOnlyList<FreeValue> known)
    {
        var free = _columns.Keys.Where(FreeMapping.IsFree).ToList();
        if (free.Count == 0)
            return known;
        var values = known.Where(v => !_columns.ContainsKey(FreeMapping.FieldOf(v.Name!))).ToList();
        foreach (var field in free)
        {
            var value = FreeMapping.Value(field, Cell(field), reading.Decimal);
            if (value.Written.Length > FreeValue.LongestText)
                Problems.Add(field, "length", $"Expected at most {FreeValue.LongestText} characters.");
            else if (value.Written.Length > 0)
                values.Add(value);
        }
        return [.. values.OrderBy(v => v.Name, StringComparer.Ordinal)];
    }

    /// <summary>A geometry, or null where there is none.</summary>
    public JsonElement? Geometry(string field) => Cell(field) as JsonElement?;

    private object? Cell(string field) => _columns.TryGetValue(field, out var column) ? line[column.Column] : null;
}
