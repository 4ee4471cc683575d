using System.Globalization;
using System.Text.Json;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Data.Exchange;

/// <summary>Reads the cells of one line as the mapping says; what cannot be read is told by field.</summary>
public sealed class LineReader(ImportMapping mapping, SheetLine line)
{
    private readonly Dictionary<string, ColumnMapping> _columns = mapping.Columns.ToDictionary(c => c.Field);

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
        Cell(field) switch
        {
            null => null,
            double number => number.ToString("0.##########", CultureInfo.InvariantCulture),
            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            var other => other.ToString()!.Trim() is { Length: > 0 } text ? text : null,
        };

    /// <summary>A number, or null where the cell is empty or unreadable.</summary>
    public double? Number(string field)
    {
        switch (Cell(field))
        {
            case double number:
                return number;
            case string { Length: > 0 } text when Parse(text) is { } read:
                return read;
            case null or "":
                return null;
            default:
                Problems.Add(field, "text", $"Expected a number such as 3{mapping.Decimal}5, got “{Text(field)}”.");
                return null;
        }
    }

    /// <summary>An amount in the unit of its column, or null where the cell is empty or unreadable.</summary>
    public Amount? Amount(string field)
    {
        if (Number(field) is not { } value)
            return null;
        var column = _columns[field];
        var unit =
            column.UnitColumn is { } other && line[other] is string { Length: > 0 } written ? written : column.Unit;
        return new(value, unit);
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
            case string text
                when DateOnly.TryParseExact(
                    text,
                    "yyyy-MM-dd",
                    CultureInfo.InvariantCulture,
                    DateTimeStyles.None,
                    out var day
                ):
                return day;
            default:
                Problems.Add(
                    field,
                    "date",
                    $"Expected a day as year-month-day, such as 2027-03-14, got “{Text(field)}”."
                );
                return null;
        }
    }

    /// <summary>A geometry, or null where there is none.</summary>
    public JsonElement? Geometry(string field) => Cell(field) as JsonElement?;

    private object? Cell(string field) => _columns.TryGetValue(field, out var column) ? line[column.Column] : null;

    private double? Parse(string text)
    {
        var bare = text.Replace("\u00a0", "", StringComparison.Ordinal)
            .Replace("\u202f", "", StringComparison.Ordinal)
            .Replace(" ", "", StringComparison.Ordinal)
            .Replace('−', '-')
            .TrimEnd('%');
        var (point, group) = mapping.Decimal == "," ? (',', '.') : ('.', ',');
        // A group sign may part thousands only; elsewhere it is a slip, or the other decimal sign.
        var parts = bare.Split(point);
        if (parts.Length > 2)
            return null;
        var groups = parts[0].TrimStart('-').Split(group);
        if (groups.Length > 1 && (groups[0].Length is 0 or > 3 || groups.Skip(1).Any(g => g.Length != 3)))
            return null;
        var plain =
            parts[0].Replace(group.ToString(), "", StringComparison.Ordinal)
            + (parts.Length == 2 ? "." + parts[1] : "");
        return double.TryParse(
            plain,
            NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture,
            out var value
        )
            ? value
            : null;
    }
}
