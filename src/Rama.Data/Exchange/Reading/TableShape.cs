using System.Globalization;

namespace Rama.Data.Exchange.Reading;

/// <summary>
/// Finds the table in the lines of a file: titles above it, its headings, groups of them one line higher, a line of
/// units below, and columns with nothing in them.
/// </summary>
internal static class TableShape
{
    // Titles, remarks and empty lines above a table are fewer.
    private const int MostAbove = 40;

    // So many columns tell a line of headings from others.
    private const int MostLooked = 60;

    /// <summary>The table.</summary>
    /// <param name="name">Name of the file.</param>
    /// <param name="rows">Its lines with their numbers.</param>
    /// <param name="form">How it is written.</param>
    /// <param name="notes">What was found on reading.</param>
    /// <exception cref="UnreadableFileException">There is no table, or a larger one than is read.</exception>
    public static Sheet Of(
        string name,
        IEnumerable<(int Number, object?[] Cells)> rows,
        SheetForm form,
        IReadOnlyList<string> notes
    )
    {
        using var all = rows.GetEnumerator();
        List<(int Number, object?[] Cells)> head = [];
        while (head.Count < MostAbove && all.MoveNext())
            head.Add(all.Current);
        var at = HeadingOf(head);
        var headings = head[at].Cells.Select(Written).ToList();
        var groups =
            at > 0 && Texts(head[at - 1].Cells) >= 2 && !head[at - 1].Cells.Any(IsNumber)
                ? Forward(head[at - 1].Cells.Select(Written), headings.Count)
                : [];
        // A heading that stands one line higher, over nothing, names its column all the same.
        for (var i = 0; i < groups.Count; i++)
            if (i >= headings.Count)
                headings.Add(head[at - 1].Cells.Length > i ? Written(head[at - 1].Cells[i]) : "");
            else if (headings[i].Length == 0 && head[at - 1].Cells.Length > i)
                headings[i] = Written(head[at - 1].Cells[i]);
        while (headings.Count > 0 && headings[^1].Length == 0)
            headings.RemoveAt(headings.Count - 1);

        IReadOnlyList<string> units = [];
        var from = at + 1;
        if (from < head.Count && IsUnits(head[from].Cells))
            units = [.. head[from++].Cells.Select(Written)];
        var lines = Lines(head.Skip(from), all);
        if (lines.Count == 0)
            throw new UnreadableFileException("empty", "The table has headers and no lines.");
        return WithoutEmptyColumns(
            new(name, headings, lines, notes)
            {
                Groups = groups,
                Units = units,
                Titles =
                [
                    .. head[..(groups.Count > 0 ? at - 1 : at)]
                        .Select(r => string.Join(' ', r.Cells.Select(Written).Where(c => c.Length > 0)))
                        .Where(t => t.Length > 0),
                ],
                Form = form,
            }
        );
    }

    // The line that names the most fields Rama knows; where none does, the first with two cells.
    private static int HeadingOf(List<(int Number, object?[] Cells)> head)
    {
        var best = (At: -1, Known: 1);
        Dictionary<string, bool> asked = [];
        bool Knows(string text) =>
            asked.TryGetValue(text, out var known) ? known : asked[text] = MappingGuess.Knows(text);
        for (var i = 0; i < head.Count; i++)
        {
            var known = head[i]
                .Cells.Take(MostLooked)
                .Count(c => c is string { Length: > 0 and < 60 } text && Knows(text));
            if (known > best.Known)
                best = (i, known);
        }
        if (best.At < 0)
            best.At = head.FindIndex(r => r.Cells.Count(c => !IsBlank(c)) >= 2);
        return best.At >= 0
            ? best.At
            : throw new UnreadableFileException(
                "header",
                "No table was found: expected a line of headers with at least two columns."
            );
    }

    private static List<string> Forward(IEnumerable<string> cells, int atLeast)
    {
        List<string> groups = [];
        var last = "";
        foreach (var cell in cells)
            groups.Add(last = cell.Length > 0 ? cell : last);
        while (groups.Count < atLeast)
            groups.Add(last);
        return groups;
    }

    private static bool IsUnits(object?[] cells) =>
        Texts(cells) >= 1 && cells.All(c => IsBlank(c) || c is string text && UnitWords.Find(text) is not null);

    private static List<SheetLine> Lines(
        IEnumerable<(int Number, object?[] Cells)> head,
        IEnumerator<(int Number, object?[] Cells)> rest
    )
    {
        List<SheetLine> lines = [];
        var cells = 0;
        void Take((int Number, object?[] Cells) row)
        {
            if (row.Cells.All(IsBlank))
                return;
            if (lines.Count == SheetReader.MostLines)
                throw new UnreadableFileException(
                    "size",
                    $"The table has more than {SheetReader.MostLines:#,0} lines. Split the file."
                );
            if ((cells += row.Cells.Length) > SheetReader.MostCells)
                throw new UnreadableFileException(
                    "size",
                    $"The table has more than {SheetReader.MostCells:#,0} cells. Leave out columns that are not needed."
                );
            lines.Add(new(row.Number, row.Cells));
        }
        foreach (var row in head)
            Take(row);
        while (rest.MoveNext())
            Take(rest.Current);
        return lines;
    }

    private static Sheet WithoutEmptyColumns(Sheet sheet)
    {
        var width = Math.Max(sheet.Headers.Count, sheet.Lines.Max(l => l.Cells.Count));
        var filled = new bool[width];
        foreach (var line in sheet.Lines)
            for (var i = 0; i < line.Cells.Count; i++)
                filled[i] |= !IsBlank(line.Cells[i]);
        // A heading over an empty column still says that the column is there, and so does what stands below none.
        bool IsNamed(int i) => sheet.Headers.ElementAtOrDefault(i) is { Length: > 0 };
        var kept = Enumerable.Range(0, width).Where(i => filled[i] || IsNamed(i)).ToList();
        if (kept.Count > SheetReader.MostColumns)
            throw new UnreadableFileException(
                "columns",
                $"The table has {kept.Count} columns; expected at most {SheetReader.MostColumns}."
            );
        if (kept.Count == width && width == sheet.Headers.Count)
            return sheet;
        IReadOnlyList<string> Of(IReadOnlyList<string> row) =>
            row.Count == 0 ? row : [.. kept.Select(i => row.ElementAtOrDefault(i) ?? "")];
        return sheet with
        {
            Headers = Of(sheet.Headers),
            Groups = Of(sheet.Groups),
            Units = Of(sheet.Units),
            Lines = [.. sheet.Lines.Select(l => l with { Cells = [.. kept.Select(i => l[i])] })],
        };
    }

    private static int Texts(object?[] cells) => cells.Count(c => c is string text && !string.IsNullOrWhiteSpace(text));

    private static bool IsNumber(object? cell) =>
        cell is double
        || cell is string text && double.TryParse(text, NumberStyles.Number, CultureInfo.InvariantCulture, out _);

    private static bool IsBlank(object? cell) =>
        cell is null or "" || cell is string text && string.IsNullOrWhiteSpace(text);

    private static string Written(object? cell) =>
        (cell as string ?? Convert.ToString(cell, CultureInfo.InvariantCulture) ?? "").Trim();
}
