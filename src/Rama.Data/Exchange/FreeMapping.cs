using System.Globalization;
using System.Text.RegularExpressions;
using Rama.Core.Estate;
using Rama.Data.Exchange.Reading;

namespace Rama.Data.Exchange;

/// <summary>Columns of a file that fill nothing Rama knows, kept as free columns of the plantings.</summary>
public static partial class FreeMapping
{
    private const string Prefix = "free:";

    /// <summary>Whether a field is a free column.</summary>
    public static bool IsFree(string field) => field.StartsWith(Prefix, StringComparison.Ordinal);

    /// <summary>The field of a free column.</summary>
    public static string FieldOf(string name) => Prefix + name;

    /// <summary>The name of a free column.</summary>
    public static string NameOf(string field) => field[Prefix.Length..];

    /// <summary>A mapping that keeps all columns nobody uses.</summary>
    internal static ImportMapping KeepAll(ImportMapping mapping, Sheet sheet) => Keep(mapping, sheet, _ => true);

    /// <summary>A mapping that keeps unused columns the plantings have already.</summary>
    internal static ImportMapping KeepKnown(ImportMapping mapping, Sheet sheet, IReadOnlySet<string> known) =>
        Keep(mapping, sheet, known.Contains);

    /// <summary>What stands in a cell: a number and a day where it is plainly one.</summary>
    internal static FreeValue Value(string field, object? cell, string decimalSign)
    {
        var name = NameOf(field);
        return cell switch
        {
            double number => new() { Name = name, Number = number },
            DateOnly day => new() { Name = name, Date = day },
            // 007 is a name, and so is 3-Apr.
            string text when PlainNumber().IsMatch(text) && CellNumber.Parse(text, decimalSign) is { } number => new()
            {
                Name = name,
                Number = number,
            },
            string text
                when DateOnly.TryParseExact(
                    text,
                    "yyyy-MM-dd",
                    CultureInfo.InvariantCulture,
                    DateTimeStyles.None,
                    out var day
                ) => new() { Name = name, Date = day },
            null => new() { Name = name },
            var other => new() { Name = name, Text = other.ToString()!.Trim() },
        };
    }

    private static ImportMapping Keep(ImportMapping mapping, Sheet sheet, Predicate<string> isKept)
    {
        if (ExchangeTables.Find(mapping.Table) is not { KeepsFree: true })
            return mapping;
        var used = mapping
            .Columns.SelectMany(c => c.UnitColumn is { } unit ? [c.Column, unit] : new[] { c.Column })
            .ToHashSet();
        var names = sheet.Headers.Select((_, i) => (Name: NameFor(sheet.FullHeader(i)), Column: i));
        return mapping with
        {
            Columns =
            [
                .. mapping.Columns,
                .. names
                    .Where(n => n.Name.Length > 0 && !used.Contains(n.Column) && isKept(n.Name))
                    .DistinctBy(n => n.Name, StringComparer.OrdinalIgnoreCase)
                    .Take(FreeValue.Most)
                    .Select(n => new ColumnMapping(FieldOf(n.Name), n.Column)),
            ],
        };
    }

    private static string NameFor(string header)
    {
        var name = string.Join(' ', header.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        return name.Length > FreeValue.LongestName ? name[..FreeValue.LongestName].TrimEnd() : name;
    }

    [GeneratedRegex(@"^-?(0|[1-9][\d.,]*)([.,]\d+)?$")]
    private static partial Regex PlainNumber();
}
