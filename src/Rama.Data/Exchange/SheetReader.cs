using System.Globalization;
using System.IO.Compression;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using MiniExcelLibs;
using Rama.Data.Exchange.Reading;

namespace Rama.Data.Exchange;

/// <summary>Reads CSV, XLSX and GeoJSON into a sheet. What a file is, its bytes tell, not its name.</summary>
public static class SheetReader
{
    /// <summary>Largest file, bytes.</summary>
    public const int MostBytes = 32 * 1024 * 1024;

    /// <summary>Most lines below the header.</summary>
    public const int MostLines = 100_000;

    /// <summary>Most columns.</summary>
    public const int MostColumns = 200;

    /// <summary>Most cells, empty ones among them.</summary>
    public const int MostCells = 4_000_000;

    // A workbook of the most lines allowed unpacks to well below this; one that unpacks to more is made to harm.
    private const long MostUnpackedBytes = 200L * 1024 * 1024;

    // Empty columns at the end are the mark of a spreadsheet; so many are the mark of a file made to harm.
    private const int MostCellsOfALine = 1_000;

    private static readonly string[] Delimiters = [",", ";", "\t", "|"];

    /// <summary>Reads a file.</summary>
    /// <exception cref="UnreadableFileException">Says what is wrong with the file as a whole.</exception>
    public static Sheet Read(string name, byte[] content, CancellationToken cancel = default)
    {
        if (content.Length > MostBytes)
            throw new UnreadableFileException(
                "size",
                $"The file is larger than {MostBytes / 1024 / 1024} MB. Split it, or leave out columns that are "
                    + "not needed."
            );
        if (content.Length == 0)
            throw new UnreadableFileException("empty", "The file is empty.");
        List<string> notes = [];
        var rows = content switch
        {
            [(byte)'P', (byte)'K', ..] => Workbook(content, cancel),
            [0xD0, 0xCF, 0x11, 0xE0, ..] => throw new UnreadableFileException(
                "type",
                "This is an old Excel file (.xls) or one with a password. Save it as .xlsx without a password, or "
                    + "as CSV, then import that."
            ),
            [(byte)'%', (byte)'P', (byte)'D', (byte)'F', ..] => throw new UnreadableFileException(
                "type",
                "This is a PDF. Expected a CSV, XLSX or GeoJSON file."
            ),
            _ => null,
        };
        if (rows is not null)
            return TableShape.Of(name, rows, SheetForm.Workbook, notes);
        var (text, encoding) = Decode(content, notes);
        if (text.AsSpan().TrimStart() is ['{', ..])
            return GeoJsonSheet.Read(name, text);
        var delimiter = Delimiter(text);
        return TableShape.Of(name, Csv(text, delimiter, cancel), new(delimiter, encoding), notes);
    }

    private static (string Text, string Encoding) Decode(byte[] content, List<string> notes)
    {
        var (text, encoding) = content switch
        {
            [0xFF, 0xFE, ..] => (Encoding.Unicode.GetString(content), "utf-16"),
            [0xFE, 0xFF, ..] => (Encoding.BigEndianUnicode.GetString(content), "utf-16BE"),
            _ => (null, "utf-8"),
        };
        if (text is null)
        {
            try
            {
                text = new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(content);
            }
            catch (DecoderFallbackException)
            {
                (text, encoding) = (Encoding.Latin1.GetString(content), "latin1");
                notes.Add("The file is not UTF-8; it was read as Western European. Check names with accents.");
            }
        }
        if (text.AsSpan().IndexOfAnyInRange('\0', '\u0008') >= 0)
            throw new UnreadableFileException("type", "This is not a table. Expected a CSV, XLSX or GeoJSON file.");
        return (text.TrimStart('\uFEFF'), encoding);
    }

    private static IEnumerable<(int, object?[])> Csv(string text, string delimiter, CancellationToken cancel)
    {
        Narrow(text, delimiter[0]);
        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                // A stray quote is a cell's own; the line it stands in shows it.
                Delimiter = delimiter,
                BadDataFound = null,
                DetectColumnCountChanges = false,
                IgnoreBlankLines = false,
            }
        );
        while (true)
        {
            cancel.ThrowIfCancellationRequested();
            // A cell may hold line breaks: the line a record begins on is the one after the last one's end.
            var number = parser.RawRow + 1;
            if (!parser.Read())
                yield break;
            // Excel's own way to tell the delimiter is no line of the table.
            if (
                number == 1
                && parser.Record is [var first, ..]
                && first.StartsWith("sep=", StringComparison.OrdinalIgnoreCase)
            )
                continue;
            yield return (
                number,
                [.. parser.Record!.Select(c => (object?)SheetWriter.WithoutMark(c.AsSpan().Trim()).ToString())]
            );
        }
    }

    // Before anything is made of it: millions of empty cells take a hundred times the memory of their commas.
    private static void Narrow(string text, char delimiter)
    {
        foreach (var line in text.AsSpan().EnumerateLines())
            if (line.Length > MostCellsOfALine && line.Count(delimiter) > MostCellsOfALine)
                throw TooWide();
    }

    private static UnreadableFileException TooWide() =>
        new("columns", $"A line has more than {MostCellsOfALine:#,0} cells; expected at most {MostColumns} columns.");

    /// <summary>The delimiter that cuts the first lines into the most cells, the same number in each.</summary>
    private static string Delimiter(string text)
    {
        // As much of each line as tells.
        var sample = text.Split('\n', 12)
            .Take(10)
            .Where(l => l.Trim().Length > 0)
            .Select(l => l[..Math.Min(l.Length, 10_000)])
            .ToList();
        return Delimiters.MaxBy(d =>
        {
            var counts = sample.Select(l => Unquoted(l).Split(d).Length).ToList();
            return counts.Count == 0 ? 0
                : counts.Max() > 1 ? counts.Count(c => c == counts.Max()) * 1_000 + counts.Max()
                : 0;
        })!;
    }

    private static string Unquoted(string line)
    {
        var quoted = false;
        return string.Concat(
            line.Where(c =>
            {
                if (c == '"')
                    quoted = !quoted;
                return !quoted;
            })
        );
    }

    private static IEnumerable<(int, object?[])> Workbook(byte[] content, CancellationToken cancel)
    {
        Unpackable(content, cancel);
        List<(int, object?[])> rows = [];
        try
        {
            // The library makes each line as wide as the workbook claims to be, at a cost that grows with the square.
            var width = WorkbookWidth.Of(content, cancel);
            if (width > MostCellsOfALine)
                throw TooWide();
            using var stream = new MemoryStream(content, writable: false);
            var (number, cells) = (0, 0);
            foreach (
                IDictionary<string, object?> row in stream.QueryRange(
                    useHeaderRow: false,
                    startCell: "A1",
                    endCell: $"{WorkbookWidth.Letters(Math.Max(1, width))}{MostLines + 200}"
                )
            )
            {
                cancel.ThrowIfCancellationRequested();
                number++;
                // The rest is not worth reading: the table is too large.
                if ((cells += row.Count) > MostCells + MostCellsOfALine || rows.Count > MostLines + 100)
                    break;
                rows.Add((number, [.. row.Values.Select(Cell)]));
            }
        }
        catch (Exception e)
            when (e is not OperationCanceledException and not OutOfMemoryException and not UnreadableFileException)
        {
            throw new UnreadableFileException(
                "broken",
                "This workbook cannot be read. Open it in a spreadsheet and save it as .xlsx or CSV again.",
                e
            );
        }
        return rows;
    }

    private static object? Cell(object? value) =>
        value switch
        {
            null => null,
            string text => SheetWriter.WithoutMark(text.AsSpan().Trim()).ToString(),
            double number => number,
            DateTime time => DateOnly.FromDateTime(time),
            bool yes => yes ? "yes" : "no",
            IConvertible number => number.ToDouble(CultureInfo.InvariantCulture),
            _ => value.ToString(),
        };

    // What a zip says of its size can be a lie: it is unpacked once, counting, before anything reads it.
    private static void Unpackable(byte[] content, CancellationToken cancel)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(content, writable: false));
            if (!zip.Entries.Any(e => e.FullName == "xl/workbook.xml"))
                throw new UnreadableFileException(
                    "type",
                    "This zip is not a workbook. Expected a CSV, XLSX or GeoJSON file."
                );
            Unpack(zip, cancel);
        }
        catch (InvalidDataException e)
        {
            throw new UnreadableFileException("broken", "This file is damaged and cannot be unpacked.", e);
        }
    }

    /// <summary>Unpacks all of a zip to nowhere.</summary>
    /// <exception cref="UnreadableFileException">It unpacks to far more than its size.</exception>
    internal static void Unpack(ZipArchive zip, CancellationToken cancel)
    {
        var buffer = new byte[81_920];
        var total = 0L;
        foreach (var entry in zip.Entries)
        {
            using var stream = entry.Open();
            for (int read; (read = stream.Read(buffer)) > 0; )
            {
                cancel.ThrowIfCancellationRequested();
                if ((total += read) > MostUnpackedBytes)
                    throw new UnreadableFileException(
                        "bomb",
                        "This file unpacks to far more than its size and was not read."
                    );
            }
        }
    }
}
