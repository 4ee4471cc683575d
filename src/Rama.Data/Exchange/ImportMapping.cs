namespace Rama.Data.Exchange;

/// <summary>Which column of a file fills which field, and how its numbers are written.</summary>
/// <param name="Table">The table the file is read as, such as <c>plantings</c>.</param>
/// <param name="Decimal">The decimal sign, <c>.</c> or <c>,</c>.</param>
/// <param name="Columns">Columns by the field they fill; others are left alone.</param>
public sealed record ImportMapping(string Table, string Decimal, IReadOnlyList<ColumnMapping> Columns);

/// <summary>The column that fills a field.</summary>
/// <param name="Field">The field.</param>
/// <param name="Column">Number of the column, from 0.</param>
/// <param name="Unit">Unit of all its amounts; null where another column tells it.</param>
/// <param name="UnitColumn">Number of the column that tells the unit line by line; null where it is the same in
/// all.</param>
public sealed record ColumnMapping(string Field, int Column, string? Unit = null, int? UnitColumn = null);
