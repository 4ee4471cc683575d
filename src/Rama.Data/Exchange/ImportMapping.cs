using Rama.Core.Quantities;

namespace Rama.Data.Exchange;

/// <summary>Which column of a file fills which field, and how its numbers are written.</summary>
/// <param name="Table">The table the file is read as, such as <c>plantings</c>.</param>
/// <param name="Decimal">The decimal sign, <c>.</c> or <c>,</c>.</param>
/// <param name="Columns">Columns by the field they fill; others are left alone.</param>
public sealed record ImportMapping(string Table, string Decimal, IReadOnlyList<ColumnMapping> Columns)
{
    /// <summary>What names in the file stand for.</summary>
    public IReadOnlyList<ValueMapping> Values { get; init; } = [];

    /// <summary>Numbers of the lines that are not read.</summary>
    public IReadOnlyList<int> LeftOut { get; init; } = [];

    /// <summary>This mapping as somebody has set it for a file with the same headings before.</summary>
    /// <param name="kept">The mapping of that file.</param>
    internal ImportMapping Like(ImportMapping kept) =>
        this with
        {
            Columns = [.. kept.Columns.Select(Like)],
            Values =
            [
                .. Values.Select(v =>
                    kept.Values.FirstOrDefault(k =>
                        k is { IsGuess: false, Name: not null }
                        && k.Field == v.Field
                        && string.Equals(k.Written, v.Written, StringComparison.OrdinalIgnoreCase)
                    )
                        is { } known
                        ? v with
                        {
                            Name = known.Name,
                            IsGuess = false,
                        }
                        : v
                ),
            ],
        };

    // A unit that somebody said holds, one that last year's values told does not, and what this file says goes first.
    private ColumnMapping Like(ColumnMapping kept)
    {
        if (
            Columns.FirstOrDefault(c => (c.Field, c.Column, c.Season) == (kept.Field, kept.Column, kept.Season))
            is not { } now
        )
            return kept;
        var with = kept with { Unit = now.Unit, UnitColumn = now.UnitColumn, UnitFrom = now.UnitFrom };
        return now.UnitFrom switch
        {
            UnitSource.Open when kept.UnitFrom == UnitSource.Chosen => kept,
            UnitSource.Values or UnitSource.Trees when now.Unit != kept.Unit => with with
            {
                UnitFrom = UnitSource.Open,
            },
            _ => with,
        };
    }

    /// <summary>Whether the file fills a field, be it by a column that fills several.</summary>
    /// <param name="column">The field.</param>
    /// <param name="table">Its table.</param>
    internal bool Fills(ExchangeColumn column, ExchangeTable table) =>
        Columns.Any(c =>
            c.Field == column.Field
            || table.Also.TryGetValue(column.Field, out var others) && others.Contains(c.Field)
            || column.Field == "season" && c.Season is not null
        );
}

/// <summary>The column that fills a field.</summary>
/// <param name="Field">The field.</param>
/// <param name="Column">Number of the column, from 0.</param>
/// <param name="Unit">Unit of all its amounts; null where another column tells it.</param>
/// <param name="UnitColumn">Number of the column that tells the unit line by line; null where it is the same in
/// all.</param>
public sealed record ColumnMapping(string Field, int Column, string? Unit = null, int? UnitColumn = null)
{
    /// <summary>The season all its cells are of, in a table with a column for each year; null in others.</summary>
    public int? Season { get; init; }

    /// <summary>Net mass of one, where the unit counts bins, boxes or bushels of past seasons.</summary>
    public Amount? Package { get; init; }

    /// <summary>How the unit is known; null where there is none.</summary>
    public UnitSource? UnitFrom { get; init; }
}

/// <summary>How the unit of a column is known.</summary>
public enum UnitSource
{
    /// <summary>Its heading names it.</summary>
    Heading,

    /// <summary>A line of units or one above the table names it.</summary>
    Line,

    /// <summary>No other unit gives usual values.</summary>
    Values,

    /// <summary>Area, spacings and the trees listed agree in no other.</summary>
    Trees,

    /// <summary>It is not known: two units or more would do, and somebody must say.</summary>
    Open,

    /// <summary>Somebody said it.</summary>
    Chosen,
}

/// <summary>A name in a file and what it stands for.</summary>
/// <param name="Field">The field.</param>
/// <param name="Written">What is written.</param>
/// <param name="Name">What it stands for; null where nobody knows yet.</param>
public sealed record ValueMapping(string Field, string Written, string? Name)
{
    /// <summary>Lines it stands in.</summary>
    public int Lines { get; init; }

    /// <summary>Whether it is no more than a guess, and somebody must say.</summary>
    public bool IsGuess { get; init; }
}
