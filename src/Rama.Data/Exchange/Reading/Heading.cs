namespace Rama.Data.Exchange.Reading;

/// <summary>A column of a file: what its heading says and what stands below it.</summary>
/// <param name="Index">Number of the column.</param>
/// <param name="Plain">The heading, letters and digits only.</param>
/// <param name="Names">Its words without the unit: alone, and with those of its group.</param>
/// <param name="Unit">Unit the heading names; null for none.</param>
/// <param name="UnitLine">Unit the line of units names; null for none.</param>
/// <param name="Contents">What stands below.</param>
internal sealed record Heading(
    int Index,
    string Plain,
    IReadOnlyList<Phrase> Names,
    string? Unit,
    string? UnitLine,
    ColumnContents Contents
)
{
    // What contents add to a heading, and take from one they speak against.
    private const int Telling = 60,
        Fitting = 15,
        Against = 45,
        Never = 200;

    /// <summary>Reads a heading.</summary>
    /// <param name="sheet">The file.</param>
    /// <param name="index">Number of the column.</param>
    /// <param name="contents">What stands below.</param>
    public static Heading Of(Sheet sheet, int index, ColumnContents contents)
    {
        var (text, group) = (sheet.Headers[index], sheet.Groups.ElementAtOrDefault(index) ?? "");
        var bare = UnitWords.Without(text);
        return new(
            index,
            Words.Plain(text),
            [
                Words.Of(bare),
                Words.Of(text),
                .. group.Length > 0 && bare.Length > 0 ? new[] { Words.Of($"{group} {bare}") } : [],
            ],
            UnitWords.In(text),
            UnitWords.Find(sheet.Units.ElementAtOrDefault(index) ?? ""),
            contents
        );
    }

    /// <summary>How well the column fills a field.</summary>
    /// <param name="column">The field.</param>
    public int Fits(ExchangeColumn column)
    {
        var named = Names.Max(n => MappingGuess.FitOf(n, column));
        return named + Said(column, named > 0);
    }

    private int Said(ExchangeColumn column, bool named)
    {
        // An empty column is what its heading says.
        if (Contents.Filled == 0)
            return 0;
        return column.Field switch
        {
            "variety" => Catalogued(Contents.Varieties),
            "rootstock" => Catalogued(Contents.Rootstocks),
            "system" => Catalogued(Contents.Systems),
            "crop" => Catalogued(Contents.Crops),
            "spacing" => Contents.Pairs > 0.7 ? Telling : -Never,
            "yearPlanted" => Contents.Years > 0.7 ? Fitting : -Against,
            "code" when column.IsKey => Contents.Distinct > 0.95 ? 0 : -Against / 2,
            _ => column.Kind switch
            {
                ColumnKind.Amount => Contents.Numbers < 0.5 ? -Against : UnitFits(column, named),
                ColumnKind.Number => Contents.Numbers < 0.5 ? -Against : 0,
                // Names are seldom numbers throughout, but block codes are.
                _ => 0,
            },
        };
    }

    private static int Catalogued(double share) =>
        share >= 0.5 ? Telling
        : share > 0 ? 0
        : -Fitting;

    private int UnitFits(ExchangeColumn column, bool named) =>
        (Unit ?? UnitLine) is not { } unit ? 0
        : !column.Units.Contains(unit) ? -Never
        : named ? Fitting
        : 0;
}
