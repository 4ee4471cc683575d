using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;

namespace Rama.Data.Exchange;

/// <summary>Guesses what a file holds and which column is which, from its headers in English or Spanish.</summary>
public static partial class MappingGuess
{
    /// <summary>The table the headers fit best, with its mapping.</summary>
    public static ImportMapping Of(Sheet sheet) =>
        ExchangeTables
            .All.Select(table => Of(sheet, table))
            .MaxBy(guess => Fit(guess, ExchangeTables.Find(guess.Table)!))!;

    /// <summary>The columns of one table in a file.</summary>
    public static ImportMapping Of(Sheet sheet, ExchangeTable table) =>
        Of(sheet, table.Columns) with
        {
            Table = table.Name,
        };

    /// <summary>Which of these columns is which in a file.</summary>
    internal static ImportMapping Of(Sheet sheet, IReadOnlyList<ExchangeColumn> known)
    {
        var headers = sheet
            .Headers.Select((h, i) => (Plain: Plain(Bare(h)), Unit: UnitIn(h, known), Index: i))
            .ToList();
        List<ColumnMapping> columns = [];
        HashSet<int> taken = [];
        // Exact headers first, so that "tree" does not take "tree spacing".
        foreach (var exact in new[] { true, false })
        foreach (var column in known.Where(c => columns.TrueForAll(m => m.Field != c.Field)))
        {
            var names = column.Headers.Append(column.Field).Select(Plain).ToList();
            var (_, unit, index) = headers.FirstOrDefault(
                h =>
                    !taken.Contains(h.Index)
                    && names.Exists(k =>
                        exact ? h.Plain == k : k.Length > 4 && h.Plain.Contains(k, StringComparison.Ordinal)
                    ),
                ("", null, -1)
            );
            if (index < 0)
                continue;
            taken.Add(index);
            var unitColumn = headers
                .FirstOrDefault(
                    h => h.Plain == Plain(column.UnitHeader) || h.Plain == Plain($"unidad {column.Headers[^1]}"),
                    ("", null, -1)
                )
                .Index;
            if (unitColumn >= 0)
                taken.Add(unitColumn);
            columns.Add(
                new(
                    column.Field,
                    index,
                    column.Kind == ColumnKind.Amount && unitColumn < 0
                        ? unit is not null && column.Units.Contains(unit)
                            ? unit
                            : column.Units[0]
                        : null,
                    unitColumn < 0 ? null : unitColumn
                )
            );
        }
        return new("", DecimalOf(sheet, columns), columns);
    }

    private static double Fit(ImportMapping guess, ExchangeTable table)
    {
        var required = table.Columns.Count(c => c.Required);
        var found = table.Columns.Count(c => c.Required && guess.Columns.Any(m => m.Field == c.Field));
        return (double)found / required * 10 + guess.Columns.Count + (found == required ? 5 : 0);
    }

    // A comma is the decimal sign where some cell has one that cannot part thousands, and no point that says otherwise.
    private static string DecimalOf(Sheet sheet, List<ColumnMapping> columns)
    {
        var cells = sheet
            .Lines.Take(500)
            .SelectMany(line => columns.Select(c => line[c.Column] as string))
            .OfType<string>()
            .Where(c => NumberLike().IsMatch(c))
            .ToList();
        var comma = cells.Count(c => c.LastIndexOf(',') > c.LastIndexOf('.') && !Thousands().IsMatch(c));
        var point = cells.Count(c => c.LastIndexOf('.') > c.LastIndexOf(',') && !Thousands().IsMatch(c));
        return comma > point ? "," : ".";
    }

    private static string Bare(string header) => InBrackets().Replace(header, "").Trim();

    private static string? UnitIn(string header, IReadOnlyList<ExchangeColumn> known)
    {
        var written = InBrackets().Match(header) is { Success: true } match
            ? match.Groups[1].Value
            : header.Split(' ', '_')[^1];
        return known
            .SelectMany(c => c.Units)
            .FirstOrDefault(u => string.Equals(u, written.Trim(), StringComparison.OrdinalIgnoreCase));
    }

    /// <summary>Letters and digits only, without accents and case: "Año de plantación" → "anodeplantacion".</summary>
    internal static string Plain(string text) =>
        string.Concat(
                text.Normalize(NormalizationForm.FormD)
                    .Where(c =>
                        CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark
                        && char.IsLetterOrDigit(c)
                    )
            )
            .ToLowerInvariant();

    [GeneratedRegex(@"[\(\[]([^\)\]]*)[\)\]]")]
    private static partial Regex InBrackets();

    [GeneratedRegex(@"^-?[\d.,\s]+$")]
    private static partial Regex NumberLike();

    [GeneratedRegex(@"^-?\d{1,3}([.,]\d{3})+$")]
    private static partial Regex Thousands();
}
