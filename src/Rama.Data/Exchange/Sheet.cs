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
);

/// <summary>A line of a sheet.</summary>
/// <param name="Number">Number of the line in the file, as a person counts: the header is line 1.</param>
/// <param name="Cells">Cells: text, a number, a day, a geometry, or null where empty.</param>
public sealed record SheetLine(int Number, IReadOnlyList<object?> Cells)
{
    /// <summary>The cell of a column; null where the line is short.</summary>
    public object? this[int column] => column < Cells.Count ? Cells[column] : null;
}
