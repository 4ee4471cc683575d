using System.IO.Compression;
using System.Xml;

namespace Rama.Data.Exchange;

/// <summary>How many columns a workbook really uses, whatever it claims, told without holding any of it.</summary>
/// <remarks>Source: ECMA-376, part 1, 18.3.1.4 (cells) and 18.3.1.73 (rows).</remarks>
internal static class WorkbookWidth
{
    private static readonly XmlReaderSettings Safe = new()
    {
        DtdProcessing = DtdProcessing.Prohibit,
        XmlResolver = null,
        IgnoreWhitespace = true,
    };

    /// <summary>The last column with a cell in any sheet, from 1; 0 where there is none.</summary>
    /// <param name="content">The workbook.</param>
    /// <param name="cancel">Ends it.</param>
    /// <exception cref="InvalidDataException">It cannot be unpacked.</exception>
    /// <exception cref="XmlException">A sheet is not well-formed.</exception>
    public static int Of(byte[] content, CancellationToken cancel)
    {
        using var zip = new ZipArchive(new MemoryStream(content, writable: false));
        var widest = 0;
        foreach (var sheet in zip.Entries.Where(e => e.FullName.StartsWith("xl/worksheets/", StringComparison.Ordinal)))
        {
            if (!sheet.FullName.EndsWith(".xml", StringComparison.OrdinalIgnoreCase))
                continue;
            using var stream = sheet.Open();
            using var xml = XmlReader.Create(stream, Safe);
            var column = 0;
            while (xml.Read())
            {
                if (xml.NodeType != XmlNodeType.Element)
                    continue;
                if (xml.LocalName == "row")
                {
                    cancel.ThrowIfCancellationRequested();
                    column = 0;
                }
                else if (xml.LocalName == "c")
                {
                    // A cell without its place follows the one before.
                    column = xml.GetAttribute("r") is { Length: > 0 } place ? ColumnOf(place) : column + 1;
                    widest = Math.Max(widest, column);
                }
            }
        }
        return widest;
    }

    /// <summary>The letters of a column: 1 is A, 27 is AA.</summary>
    /// <param name="column">The column, from 1.</param>
    public static string Letters(int column)
    {
        var letters = "";
        for (; column > 0; column = (column - 1) / 26)
            letters = (char)('A' + (column - 1) % 26) + letters;
        return letters;
    }

    private static int ColumnOf(string place)
    {
        var column = 0;
        foreach (var letter in place.AsSpan(0, Math.Min(place.Length, 4)))
            if (letter is >= 'A' and <= 'Z')
                column = column * 26 + letter - 'A' + 1;
            else
                break;
        return column;
    }
}
