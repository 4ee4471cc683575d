using System.Text.RegularExpressions;

namespace Rama.Data.Exchange.Reading;

/// <summary>Why a line is not read.</summary>
public enum LeftOutReason
{
    /// <summary>It sums others up.</summary>
    Total,

    /// <summary>A remark between the lines.</summary>
    Remark,

    /// <summary>The headings once more, as on each printed page.</summary>
    Heading,
}

/// <summary>A line of a file that is not read.</summary>
/// <param name="Line">Number of the line.</param>
/// <param name="Reason">Why.</param>
/// <param name="Text">What stands in it.</param>
public sealed record LeftOutLine(int Line, LeftOutReason Reason, string Text);

/// <summary>Finds the lines of a table that are no lines of it: sums, remarks, headings printed again.</summary>
public static partial class LeftOutLines
{
    /// <summary>Lines that should be left out.</summary>
    /// <param name="sheet">The table.</param>
    public static IReadOnlyList<LeftOutLine> Of(Sheet sheet)
    {
        List<LeftOutLine> found = [];
        foreach (var line in sheet.Lines)
        {
            var texts = line
                .Cells.OfType<string>()
                .Where(t => t.Length > 0 && CellNumber.Parse(t, ".") is null && CellNumber.Parse(t, ",") is null)
                .ToList();
            var filled = line.Cells.Count(c => c is not (null or ""));
            LeftOutReason? reason =
                texts.Count is 1 or 2 && texts.Exists(t => SumLike().IsMatch(t)) && filled > texts.Count
                    ? LeftOutReason.Total
                : filled == 1 && texts.Count == 1 && sheet.Headers.Count >= 4 ? LeftOutReason.Remark
                : filled > 1 && filled == texts.Count && IsHeading(sheet, line) ? LeftOutReason.Heading
                : null;
            if (reason is { } why)
                found.Add(new(line.Number, why, string.Join(' ', texts)));
        }
        return found;
    }

    private static bool IsHeading(Sheet sheet, SheetLine line) =>
        sheet
            .Headers.Index()
            .All(h => string.Equals(line[h.Index] as string ?? "", h.Item, StringComparison.OrdinalIgnoreCase));

    // The word alone, or with what is summed before it: a block may be called Media Luna or Total Hill.
    [GeneratedRegex(
        @"^\W*(grand[\s-]|sub[\s-]?)?(totale?s?|sum(me|a)?|gesamt|promedio|average|avg|mean|media|durchschnitt)\W*$"
            + @"|\b(sub)?total(es)?\W*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex SumLike();
}
