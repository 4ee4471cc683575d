using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using MiniExcelLibs;
using MiniExcelLibs.OpenXml;

namespace Rama.Data.Exchange;

/// <summary>Writes a table as CSV (UTF-8, comma, decimal point) or XLSX.</summary>
public static class SheetWriter
{
    /// <summary>Whether a spreadsheet would run a text as a formula.</summary>
    public static bool IsFormula(ReadOnlySpan<char> text) =>
        !text.IsEmpty
        && (text[0] is '=' or '+' or '-' or '@' or '\t' or '\r' || text[0] == '\'' && IsFormula(text[1..]));

    /// <summary>A text without the mark put before one that a spreadsheet would run as a formula.</summary>
    internal static ReadOnlySpan<char> WithoutMark(ReadOnlySpan<char> text) =>
        text is ['\'', ..] && IsFormula(text[1..]) ? text[1..] : text;

    /// <summary>Writes CSV; a byte order mark tells spreadsheets that it is UTF-8.</summary>
    public static void WriteCsv(Stream stream, IReadOnlyList<string> headers, IEnumerable<IReadOnlyList<object?>> lines)
    {
        using var text = new StreamWriter(stream, new UTF8Encoding(true), leaveOpen: true) { NewLine = "\r\n" };
        using var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" });
        foreach (var line in lines.Prepend(headers))
        {
            foreach (var cell in line)
                csv.WriteField(Written(cell));
            csv.NextRecord();
        }
    }

    /// <summary>Writes lines of a file back as it came: a workbook, or text parted and encoded so.</summary>
    /// <param name="stream">Where to.</param>
    /// <param name="form">How the file is written.</param>
    /// <param name="decimalSign">Its decimal sign.</param>
    /// <param name="headers">Headers.</param>
    /// <param name="lines">Lines.</param>
    public static void WriteLike(
        Stream stream,
        SheetForm form,
        string decimalSign,
        IReadOnlyList<string> headers,
        IEnumerable<IReadOnlyList<object?>> lines
    )
    {
        if (form.Delimiter is null)
        {
            // A sheet may have headings twice, or none.
            WriteXlsx(
                stream,
                "lines",
                [.. headers.Select((h, i) => headers.Take(i).Contains(h) ? $"{h} {i + 1}" : h)],
                lines
            );
            return;
        }
        var encoding = form.Encoding == "utf-8" ? new UTF8Encoding(true) : Encoding.GetEncoding(form.Encoding);
        using var text = new StreamWriter(stream, encoding, leaveOpen: true) { NewLine = "\r\n" };
        using var csv = new CsvWriter(
            text,
            new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n", Delimiter = form.Delimiter }
        );
        foreach (var line in lines.Prepend(headers))
        {
            foreach (var cell in line)
                csv.WriteField(cell is double && decimalSign == "," ? Written(cell).Replace('.', ',') : Written(cell));
            csv.NextRecord();
        }
    }

    /// <summary>Writes a workbook of one sheet; numbers stay numbers.</summary>
    public static void WriteXlsx(
        Stream stream,
        string name,
        IReadOnlyList<string> headers,
        IEnumerable<IReadOnlyList<object?>> lines
    )
    {
        var rows = lines.Select(line =>
            headers
                .Zip(line)
                .ToDictionary(
                    c => c.First,
                    c =>
                        c.Second switch
                        {
                            string text => Harmless(text),
                            DateOnly day => Written(day),
                            var other => other,
                        }
                )
        );
        stream.SaveAs(
            rows.DefaultIfEmpty(headers.ToDictionary(h => h, _ => (object?)null)),
            sheetName: name,
            configuration: new OpenXmlConfiguration { TableStyles = TableStyles.None }
        );
    }

    private static string Written(object? cell) =>
        cell switch
        {
            null => "",
            string text => Harmless(text),
            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            IFormattable number => number.ToString(null, CultureInfo.InvariantCulture),
            _ => cell.ToString() ?? "",
        };

    // A text someone typed must not become a formula in someone else's spreadsheet.
    private static string Harmless(string text) => IsFormula(text) ? "'" + text : text;
}
