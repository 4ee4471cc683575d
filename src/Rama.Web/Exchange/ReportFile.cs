using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Data.Exchange;

namespace Rama.Web.Exchange;

/// <summary>A table that somebody takes along.</summary>
internal static class ReportFile
{
    private const string Workbook = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    /// <summary>The table as CSV or XLSX.</summary>
    /// <param name="name">Name of the file, without its ending.</param>
    /// <param name="format"><c>csv</c> or <c>xlsx</c>.</param>
    /// <param name="language">Language of its headings.</param>
    /// <param name="columns">The headings.</param>
    /// <param name="lines">The lines, a cell a column.</param>
    public static FileContentHttpResult Of(
        string name,
        string format,
        string language,
        IReadOnlyList<LocalText> columns,
        IEnumerable<IReadOnlyList<object?>> lines
    )
    {
        using var content = new MemoryStream();
        IReadOnlyList<string> headers = [.. columns.Select(c => c.In(language))];
        if (format == "xlsx")
            SheetWriter.WriteXlsx(content, name, headers, lines);
        else
            SheetWriter.WriteCsv(content, headers, lines);
        return TypedResults.File(content.ToArray(), format == "xlsx" ? Workbook : "text/csv", $"{name}.{format}");
    }
}
