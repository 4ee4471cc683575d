namespace Rama.Data.Exchange.Reading;

/// <summary>
/// How a line is read: once, or once for each season where the file has a column for each.
/// </summary>
/// <param name="Season">The season all its cells are of; null where the line says it, or none.</param>
/// <param name="Decimal">The decimal sign.</param>
/// <param name="Columns">Which column fills a field.</param>
/// <param name="Values">What names in the file stand for.</param>
public sealed record LineReading(
    int? Season,
    string Decimal,
    IReadOnlyDictionary<string, ColumnMapping> Columns,
    IReadOnlyDictionary<(string Field, string Written), string> Values
)
{
    /// <summary>Names whose meaning is asked.</summary>
    public IReadOnlySet<(string Field, string Written)> Asked { get; init; } = new HashSet<(string, string)>();

    /// <summary>Order of day and month by field, where the column shows it.</summary>
    public IReadOnlyDictionary<string, DayOrder> DayOrders { get; init; } = new Dictionary<string, DayOrder>();

    /// <summary>Order of day and month in a field.</summary>
    /// <param name="field">The field.</param>
    public DayOrder OrderOf(string field) => DayOrders.GetValueOrDefault(field);

    /// <summary>The readings of a mapping.</summary>
    /// <param name="mapping">The mapping.</param>
    public static IReadOnlyList<LineReading> Of(ImportMapping mapping)
    {
        var values = mapping
            .Values.Where(v => v.Name is not null)
            .DistinctBy(v => (v.Field, v.Written.ToUpperInvariant()))
            .ToDictionary(v => (v.Field, v.Written.ToUpperInvariant()), v => v.Name!);
        var asked = mapping
            .Values.Where(v => v.Name is null)
            .Select(v => (v.Field, v.Written.ToUpperInvariant()))
            .ToHashSet();
        var seasons = mapping.Columns.Select(c => c.Season).OfType<int>().Distinct().Order().ToList();
        LineReading Reading(int? season) =>
            new(
                season,
                mapping.Decimal,
                mapping
                    .Columns.Where(c => c.Season is null || c.Season == season)
                    .DistinctBy(c => c.Field)
                    .ToDictionary(c => c.Field),
                values
            )
            {
                Asked = asked,
            };
        return seasons.Count == 0 ? [Reading(null)] : [.. seasons.Select(s => Reading(s))];
    }

    /// <summary>Whether the line tells anything of the season.</summary>
    /// <param name="line">The line.</param>
    public bool HasCells(SheetLine line) =>
        Season is null
        || Columns.Values.Any(c =>
            c.Season is not null && line[c.Column] is { } cell && !(cell is string text && IsNothing(text))
        );

    // As people write that there was nothing to write.
    private static bool IsNothing(string text) =>
        text.Trim() is "" or "-" or "–" or "—" or "." || Words.Plain(text) is "na" or "nd" or "sd" or "none" or "nil";
}
