using System.Text.RegularExpressions;

namespace Rama.Data.Exchange.Reading;

/// <summary>Tables with a column for each year, such as yields of past seasons side by side.</summary>
internal static partial class YearColumns
{
    /// <summary>The columns that are of one year each; none where there are fewer than two.</summary>
    /// <param name="columns">Columns of the file.</param>
    /// <param name="known">Fields of the table; a column that names none holds the yield.</param>
    public static IReadOnlyList<ColumnMapping> Of(IReadOnlyList<Heading> columns, IReadOnlyList<ExchangeColumn> known)
    {
        var found = columns
            .Select(c => (Column: c, Year: YearIn(c), Field: FieldOf(c, known)))
            .Where(c => c.Year is not null && c.Column.Contents is { Filled: > 0, Numbers: > 0.5 })
            .Select(c => new ColumnMapping(c.Field, c.Column.Index) { Season = c.Year })
            .DistinctBy(c => (c.Field, c.Season))
            .ToList();
        return found.Count >= 2 ? found : [];
    }

    private static int? YearIn(Heading column) =>
        column.Names.SelectMany(n => n.Words).FirstOrDefault(w => YearLike().IsMatch(w)) is { } year
            ? int.Parse(year)
            : null;

    private static string FieldOf(Heading column, IReadOnlyList<ExchangeColumn> known) =>
        known
            .Where(c => c.Kind == ColumnKind.Amount)
            .Select(c =>
                (
                    c.Field,
                    Fit: column.Names.Max(n =>
                        MappingGuess.FitOf(new([.. n.Words.Where(w => !YearLike().IsMatch(w))]), c)
                    )
                )
            )
            .Where(c => c.Fit > 0)
            .OrderByDescending(c => c.Fit)
            .Select(c => c.Field)
            .FirstOrDefault("yield");

    [GeneratedRegex(@"^(19|20)\d\d$")]
    private static partial Regex YearLike();
}
