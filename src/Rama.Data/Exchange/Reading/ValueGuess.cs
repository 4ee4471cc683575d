using System.Globalization;

namespace Rama.Data.Exchange.Reading;

/// <summary>
/// Names in a file that are not written as Rama has them: what they most likely mean, once for all lines. What is a
/// guess is asked.
/// </summary>
internal static class ValueGuess
{
    // A file of another sort entirely would otherwise ask without end.
    private const int Most = 200;

    private static readonly string[] Fields = ["variety", "rootstock", "system"];

    /// <summary>What stands for what, by field.</summary>
    /// <param name="sheet">The file.</param>
    /// <param name="columns">Which column is which.</param>
    /// <param name="leftOut">Lines that are not read.</param>
    /// <param name="names">Names of the trade.</param>
    public static IReadOnlyList<ValueMapping> Of(
        Sheet sheet,
        IReadOnlyList<ColumnMapping> columns,
        IReadOnlyList<LeftOutLine> leftOut,
        TradeNames names
    )
    {
        var skipped = leftOut.Select(l => l.Line).ToHashSet();
        return
        [
            .. columns
                .Where(c => Fields.Contains(c.Field))
                .SelectMany(c =>
                    sheet
                        .Lines.Where(l => !skipped.Contains(l.Number))
                        .Select(l => Convert.ToString(l[c.Column], CultureInfo.InvariantCulture)?.Trim() ?? "")
                        .Where(written => written.Length > 0)
                        .GroupBy(written => written, StringComparer.OrdinalIgnoreCase)
                        .Select(g => Of(c.Field, g.Key, g.Count(), names))
                        .OfType<ValueMapping>()
                )
                .Concat(Dates(sheet, columns, skipped))
                .Take(Most),
        ];
    }

    // A spreadsheet makes a day of a code such as 3-A or 4/11; which it was only a person can say.
    private static IEnumerable<ValueMapping> Dates(
        Sheet sheet,
        IReadOnlyList<ColumnMapping> columns,
        HashSet<int> skipped
    ) =>
        from column in columns
        where column.Field is "code" or "block"
        from line in sheet.Lines
        where !skipped.Contains(line.Number) && line[column.Column] is DateOnly
        let day = (DateOnly)line[column.Column]!
        select new ValueMapping(
            column.Field,
            day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            day.ToString("d-MMM", CultureInfo.InvariantCulture)
        )
        {
            Lines = 1,
            IsGuess = true,
        };

    private static ValueMapping? Of(string field, string written, int lines, TradeNames names)
    {
        var known = names.Find(field, written);
        // Another case or a missing point is no other name.
        if (known is not null && Words.Plain(known) == Words.Plain(written))
            return null;
        return known is not null
            ? new(field, written, known) { Lines = lines }
            : new ValueMapping(field, written, Near(written, Of(field, names))) { Lines = lines, IsGuess = true };
    }

    private static IReadOnlyList<string> Of(string field, TradeNames names) =>
        field switch
        {
            "variety" => names.Varieties,
            "rootstock" => names.Rootstocks,
            _ => names.Systems,
        };

    /// <summary>The name one slip away, two in a long one; null where there is none or more than one.</summary>
    private static string? Near(string written, IReadOnlyList<string> names)
    {
        var plain = Words.Plain(written);
        if (plain.Length < 4)
            return null;
        var most = plain.Length >= 8 ? 2 : 1;
        var near = names.Where(n => Distance(plain, Words.Plain(n)) <= most).Take(2).ToList();
        return near.Count == 1 ? near[0] : null;
    }

    // Levenshtein: letters put in, left out or changed.
    private static int Distance(string one, string other)
    {
        var row = Enumerable.Range(0, other.Length + 1).ToArray();
        for (var i = 1; i <= one.Length; i++)
        {
            var diagonal = row[0];
            row[0] = i;
            for (var j = 1; j <= other.Length; j++)
            {
                var above = row[j];
                row[j] = Math.Min(Math.Min(row[j], row[j - 1]) + 1, diagonal + (one[i - 1] == other[j - 1] ? 0 : 1));
                diagonal = above;
            }
        }
        return row[^1];
    }
}
