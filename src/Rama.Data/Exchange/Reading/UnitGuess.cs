using Rama.Core.Quantities;

namespace Rama.Data.Exchange.Reading;

/// <summary>
/// Finds the units of a file's columns: what a heading, a line of units or a title says; what the values can only be;
/// and, of plantings, where area over spacing gives the trees listed. What is still open is marked so, never taken.
/// </summary>
internal static class UnitGuess
{
    // Half of the file is off by more only where a unit is wrong: ft² for m² is 11, acres for hectares 2.5.
    private const double Agree = 1.35;

    private static readonly string[] Imperial = ["ft", "in", "ac"];

    /// <summary>The columns with their units.</summary>
    /// <param name="sheet">The file.</param>
    /// <param name="headings">Its columns.</param>
    /// <param name="known">Fields of the table.</param>
    /// <param name="columns">Which column is which.</param>
    /// <param name="lines">Lines of the table.</param>
    /// <param name="sign">The decimal sign.</param>
    public static IReadOnlyList<ColumnMapping> Of(
        Sheet sheet,
        IReadOnlyList<Heading> headings,
        IReadOnlyList<ExchangeColumn> known,
        IReadOnlyList<ColumnMapping> columns,
        IReadOnlyList<SheetLine> lines,
        string sign
    )
    {
        var titled = sheet.Titles.Select(UnitWords.In).OfType<string>().ToList();
        List<ColumnMapping> told = [];
        foreach (var column in columns)
        {
            var field = known.First(k => k.Field == column.Field);
            if (field.Kind != ColumnKind.Amount || column.UnitColumn is not null)
                told.Add(column);
            else
                told.Add(Told(column, field, headings[column.Column], titled));
        }
        var open = told.Where(t => t.UnitFrom == UnitSource.Open).ToList();
        if (open.Count == 0)
            return told;
        var decided = Jointly(known, told, lines, sign);
        return
        [
            .. told.Select(t =>
                t.UnitFrom == UnitSource.Open && decided.TryGetValue(t.Field, out var d)
                    ? t with
                    {
                        Unit = d.Unit,
                        UnitFrom = d.From,
                    }
                    : t
            ),
        ];
    }

    private static ColumnMapping Told(
        ColumnMapping column,
        ExchangeColumn field,
        Heading heading,
        IReadOnlyList<string> titled
    )
    {
        bool Is(string? unit) => unit is not null && field.Units.Contains(unit);
        if (Is(heading.Unit))
            return column with { Unit = heading.Unit, UnitFrom = UnitSource.Heading };
        if (Is(heading.UnitLine))
            return column with { Unit = heading.UnitLine, UnitFrom = UnitSource.Line };
        if (titled.FirstOrDefault(Is) is { } title)
            return column with { Unit = title, UnitFrom = UnitSource.Line };
        if (field.Units.Count == 1)
            return column with { Unit = field.Units[0], UnitFrom = UnitSource.Heading };
        var cells = heading.Contents;
        // Nothing stands there, or nothing but zeros: any unit is right.
        if (cells.Filled == 0 || cells.Pairs == 0 && cells.Values.All(v => v == 0))
            return column with { Unit = field.Units[0] };
        var fitting = field.Units.Where(u => field.IsUsual(Middle(cells.Values), u)).ToList();
        return fitting.Count == 1 && cells.Pairs == 0
            ? column with
            {
                Unit = fitting[0],
                UnitFrom = UnitSource.Values,
            }
            : column with
            {
                Unit = fitting.FirstOrDefault() ?? field.Units[0],
                UnitFrom = UnitSource.Open,
            };
    }

    // Spacings and area of plantings, all units that can go together tried.
    private static Dictionary<string, (string Unit, UnitSource From)> Jointly(
        IReadOnlyList<ExchangeColumn> known,
        IReadOnlyList<ColumnMapping> told,
        IReadOnlyList<SheetLine> lines,
        string sign
    )
    {
        ColumnMapping? Column(string field) => told.FirstOrDefault(t => t.Field == field);
        var (row, tree, both, area, trees) = (
            Column("rowSpacing"),
            Column("treeSpacing"),
            Column("spacing"),
            Column("area"),
            Column("trees")
        );
        if (both is null && (row is null || tree is null))
            return [];
        // Told line by line, there is no one unit to try the others with.
        if (new[] { both, row, tree, area }.Any(c => c is { Unit: null }))
            return [];
        var measured = lines.Take(400).Select(l => Measured(l, row, tree, both, area, trees, sign)).ToList();
        ExchangeColumn Field(string field) => known.First(k => k.Field == field);
        IEnumerable<string> Units(ColumnMapping? column, string field, IEnumerable<double?> values)
        {
            if (column is null)
                return [""];
            if (column.UnitFrom != UnitSource.Open)
                return [column.Unit!];
            var middle = Middle([.. values.OfType<double>()]);
            var usual = Field(field).Units.Where(u => Field(field).IsUsual(middle, u)).ToList();
            return usual.Count > 0 ? usual : Field(field).Units;
        }
        var combinations = (
            from r in Units(both ?? row, "rowSpacing", measured.Select(m => m.Row))
            from t in both is null ? Units(tree, "treeSpacing", measured.Select(m => m.Tree)) : [r]
            where
                both is null
                || Field("treeSpacing").IsUsual(Middle([.. measured.Select(m => m.Tree).OfType<double>()]), t)
            where Imperial.Contains(r) == Imperial.Contains(t)
            from a in Units(area, "area", measured.Select(m => m.Area))
            select (Row: r, Tree: t, Area: a)
        ).ToList();
        var agreeing = combinations.Where(c => Agrees(measured, c)).ToList();
        var byTrees = agreeing.Count is > 0 && agreeing.Count < combinations.Count;
        var left = byTrees ? agreeing : combinations;
        if (left.Count == 0)
            return [];
        // Where spacings are in feet the area is more likely in acres; it is asked all the same.
        var likely = left.MaxBy(c => Imperial.Contains(c.Area) == Imperial.Contains(c.Row) ? 1 : 0);
        (string, UnitSource) Decided(Func<(string Row, string Tree, string Area), string> of) =>
            (
                of(likely),
                left.Select(of).Distinct().Count() > 1 ? UnitSource.Open
                : combinations.Select(of).Distinct().Count() > 1 ? UnitSource.Trees
                : UnitSource.Values
            );
        return new()
        {
            ["rowSpacing"] = Decided(c => c.Row),
            ["treeSpacing"] = Decided(c => c.Tree),
            ["spacing"] = Decided(c => c.Row),
            ["area"] = Decided(c => c.Area),
        };
    }

    private static (double? Row, double? Tree, double? Area, double? Trees) Measured(
        SheetLine line,
        ColumnMapping? row,
        ColumnMapping? tree,
        ColumnMapping? both,
        ColumnMapping? area,
        ColumnMapping? trees,
        string sign
    )
    {
        double? Number(ColumnMapping? column) => column is null ? null : CellNumber.Of(line[column.Column], sign);
        if (both is not null)
            return line[both.Column] is string text && ColumnContents.Pair(text) is { } pair
                ? (CellNumber.Parse(pair.Row, sign), CellNumber.Parse(pair.Tree, sign), Number(area), Number(trees))
                : (null, null, Number(area), Number(trees));
        return (Number(row), Number(tree), Number(area), Number(trees));
    }

    private static bool Agrees(
        IReadOnlyList<(double? Row, double? Tree, double? Area, double? Trees)> measured,
        (string Row, string Tree, string Area) units
    )
    {
        if (units.Area.Length == 0)
            return false;
        var ratios = measured
            .Where(m => m is { Row: > 0, Tree: > 0, Area: > 0, Trees: > 0 })
            .Select(m =>
                m.Area!.Value
                * Units.Area[units.Area].Factor
                * 10_000
                / (m.Row!.Value * Units.Length[units.Row].Factor * m.Tree!.Value * Units.Length[units.Tree].Factor)
                / m.Trees!.Value
            )
            .ToList();
        return ratios.Count > 0 && Middle(ratios) is > 1 / Agree and < Agree;
    }

    private static double Middle(IReadOnlyList<double> values) =>
        values.Count == 0 ? double.NaN : values.Order().ElementAt(values.Count / 2);
}
