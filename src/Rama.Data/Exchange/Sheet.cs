namespace Rama.Data.Exchange;

/// <summary>A table as it stands in a file: headers and lines of cells.</summary>
/// <param name="Name">Name of the file.</param>
/// <param name="Headers">Headers, trimmed.</param>
/// <param name="Lines">Lines below the header; empty ones are left out.</param>
/// <param name="Notes">What was found on reading, such as an unusual encoding.</param>
public sealed record Sheet(
    string Name,
    IReadOnlyList<string> Headers,
    IReadOnlyList<SheetLine> Lines,
    IReadOnlyList<string> Notes
)
{
    /// <summary>Headings of groups of columns, one a column; empty where the table has none.</summary>
    public IReadOnlyList<string> Groups { get; init; } = [];

    /// <summary>What a line of units below the headers says, one a column; empty where there is none.</summary>
    public IReadOnlyList<string> Units { get; init; } = [];

    /// <summary>Lines above the table.</summary>
    public IReadOnlyList<string> Titles { get; init; } = [];

    /// <summary>How it is written, so that lines to mend go back as they came.</summary>
    public SheetForm Form { get; init; } = SheetForm.Csv;

    /// <summary>The heading of a column with that of its group.</summary>
    /// <param name="column">Number of the column.</param>
    public string FullHeader(int column) =>
        Groups.ElementAtOrDefault(column) is { Length: > 0 } group && group != Headers[column]
            ? $"{group} · {Headers[column]}"
            : Headers[column];
}

/// <summary>How a table is written.</summary>
/// <param name="Delimiter">What parts its cells; null in a workbook.</param>
/// <param name="Encoding">Name of its encoding.</param>
public sealed record SheetForm(string? Delimiter, string Encoding)
{
    /// <summary>Commas and UTF-8, as Rama writes.</summary>
    public static SheetForm Csv { get; } = new(",", "utf-8");

    /// <summary>A workbook.</summary>
    public static SheetForm Workbook { get; } = new(null, "utf-8");
}

/// <summary>A line of a sheet.</summary>
/// <param name="Number">Number of the line in the file, as a person counts: the first is line 1.</param>
/// <param name="Cells">Cells: text, a number, a day, a geometry, or null where empty.</param>
public sealed record SheetLine(int Number, IReadOnlyList<object?> Cells)
{
    /// <summary>The cell of a column; null where the line is short.</summary>
    public object? this[int column] => column < Cells.Count ? Cells[column] : null;
}
