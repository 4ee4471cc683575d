using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using Rama.Core.Estate;

namespace Rama.Data.Exchange.Reading;

/// <summary>
/// Guesses what a file holds and which column is which: from its headings in English or Spanish, short or long, and
/// from what stands below them.
/// </summary>
public static partial class MappingGuess
{
    // What a column must reach to be taken: a heading that says part of it, or contents that leave no doubt.
    private const int Enough = 50;

    // By column; each column is one object for as long as the program runs.
    private static readonly ConditionalWeakTable<ExchangeColumn, Phrase[]> Names = [];

    /// <summary>The table the file fits best, or one that is named, with its mapping.</summary>
    /// <param name="sheet">The file.</param>
    /// <param name="table">The table, where it is known.</param>
    /// <param name="catalogue">What the estate knows; what Rama ships with when left out.</param>
    public static ImportMapping Of(Sheet sheet, ExchangeTable? table = null, Catalogue? catalogue = null)
    {
        var names = catalogue is null ? TradeNames.Shipped : new TradeNames(catalogue);
        var leftOut = LeftOutLines.Of(sheet);
        return table is not null
            ? Of(sheet, table, leftOut, names)
            : ExchangeTables
                .All.Select(t => Of(sheet, t, leftOut, names))
                .MaxBy(guess => Fit(guess, ExchangeTables.Find(guess.Table)!))!;
    }

    private static ImportMapping Of(
        Sheet sheet,
        ExchangeTable table,
        IReadOnlyList<LeftOutLine> leftOut,
        TradeNames names
    )
    {
        var guess = Of(sheet, table.Columns, leftOut, names, table.HasYearColumns);
        return guess with
        {
            Table = table.Name,
            // Targets have the masses of their packages beside them, past seasons have not.
            Columns = table.HasYearColumns ? [.. guess.Columns.Select(c => WithPackage(sheet, c))] : guess.Columns,
            LeftOut = [.. leftOut.Select(l => l.Line)],
            Values = ValueGuess.Of(sheet, guess.Columns, leftOut, names),
        };
    }

    /// <summary>Which of these columns is which in a file.</summary>
    internal static ImportMapping Of(Sheet sheet, IReadOnlyList<ExchangeColumn> known) =>
        Of(sheet, known, [], TradeNames.Shipped, hasYearColumns: false);

    /// <summary>Whether a heading names a field of some table.</summary>
    /// <param name="heading">The heading.</param>
    internal static bool Knows(string heading)
    {
        var words = Words.Of(UnitWords.Without(heading));
        return ExchangeTables.All.Any(t => t.Columns.Any(c => FitOf(words, c) >= Words.Abbreviated));
    }

    private static ImportMapping Of(
        Sheet sheet,
        IReadOnlyList<ExchangeColumn> known,
        IReadOnlyList<LeftOutLine> leftOut,
        TradeNames names,
        bool hasYearColumns
    )
    {
        var skipped = leftOut.Select(l => l.Line).ToHashSet();
        var lines = sheet.Lines.Where(l => !skipped.Contains(l.Number)).ToList();
        var sign = DecimalOf(sheet, lines);
        var columns = sheet
            .Headers.Select((h, i) => Heading.Of(sheet, i, ColumnContents.Of(lines, i, sign, names)))
            .ToList();
        var units = UnitColumns(columns);
        var years = hasYearColumns ? YearColumns.Of(columns, known) : [];
        HashSet<int> taken = [.. units.Values, .. years.Select(y => y.Column)];
        var fits =
            from column in known
            from heading in columns
            where !taken.Contains(heading.Index)
            let fit = heading.Fits(column)
            where fit >= Enough
            orderby fit descending
            select (column, heading.Index);
        List<ColumnMapping> found = [];
        foreach (var (column, index) in fits)
            if (found.TrueForAll(f => f.Field != column.Field && f.Column != index))
                found.Add(new(column.Field, index, UnitColumn: units.TryGetValue(index, out var unit) ? unit : null));
        found.AddRange(years);
        return new(
            "",
            sign,
            UnitGuess.Of(
                sheet,
                columns,
                known,
                [.. found.OrderBy(f => f.Season).ThenBy(f => Place(known, f))],
                lines,
                sign
            )
        );
    }

    private static int Place(IReadOnlyList<ExchangeColumn> known, ColumnMapping found) =>
        known.Index().First(c => c.Item.Field == found.Field).Index;

    // Beside an amount there may be a column with its unit, line by line, as Rama writes it: by the amount's column.
    private static Dictionary<int, int> UnitColumns(IReadOnlyList<Heading> columns)
    {
        Dictionary<int, int> found = [];
        foreach (var column in columns.Where(c => c.Plain.Length > 0))
        {
            var unit = columns.FirstOrDefault(u =>
                u.Contents.Numbers == 0 && (u.Plain == column.Plain + "unit" || u.Plain == "unidad" + column.Plain)
            );
            if (unit is not null && unit.Index != column.Index)
                found[column.Index] = unit.Index;
        }
        return found;
    }

    /// <summary>How well the words of a heading name a field.</summary>
    /// <param name="words">The words.</param>
    /// <param name="column">The field.</param>
    internal static int FitOf(Phrase words, ExchangeColumn column)
    {
        var names = Names.GetValue(column, c => [.. c.Headers.Append(c.Field).Select(Words.Of)]);
        var best = 0;
        foreach (var name in names)
            best = Math.Max(best, Words.Fit(words, name));
        return best;
    }

    private static ColumnMapping WithPackage(Sheet sheet, ColumnMapping column) =>
        PackageYield.Of(column.Unit) is { } package
            ? column with
            {
                Package = PackageYield.MassIn(sheet, package),
            }
            : column;

    private static double Fit(ImportMapping guess, ExchangeTable table)
    {
        var required = table.Columns.Count(c => c.Required);
        var found = table.Columns.Count(c => c.Required && guess.Fills(c, table));
        return (double)found / required * 10
            + guess.Columns.DistinctBy(c => c.Field).Count()
            + (found == required ? 5 : 0);
    }

    // A comma is the decimal sign where more cells have one that cannot part thousands than have such a point.
    private static string DecimalOf(Sheet sheet, IReadOnlyList<SheetLine> lines)
    {
        int comma = 0,
            point = 0;
        foreach (var cell in lines.Take(500).SelectMany(l => l.Cells.Take(sheet.Headers.Count)).OfType<string>())
        {
            // Two spacings in one cell tell as well as one.
            foreach (
                Match number in Numbers()
                    .Matches(NumberLike().IsMatch(cell) || ColumnContents.Pair(cell) is not null ? cell : "")
            )
            {
                var text = number.Value;
                if (Thousands().IsMatch(text))
                    continue;
                if (text.LastIndexOf(',') > text.LastIndexOf('.'))
                    comma++;
                else if (text.LastIndexOf('.') > text.LastIndexOf(','))
                    point++;
            }
        }
        return comma > point ? "," : ".";
    }

    [GeneratedRegex(@"^-?[\d.,\s]+%?$")]
    private static partial Regex NumberLike();

    [GeneratedRegex(@"\d*[.,]\d[\d.,]*")]
    private static partial Regex Numbers();

    [GeneratedRegex(@"^\d{1,3}([.,]\d{3})+$")]
    private static partial Regex Thousands();
}
