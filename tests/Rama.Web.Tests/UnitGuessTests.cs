using System.Globalization;
using Rama.Core.Quantities;
using Rama.Data.Exchange;
using Rama.Data.Exchange.Reading;

namespace Rama.Web.Tests;

/// <summary>Units are read from headings and values, or asked; never taken in silence.</summary>
public sealed class UnitGuessTests
{
    private static string Told(string csv, string field)
    {
        var column = MappingGuess
            .Of(ImportFile.Read(csv), ExchangeTables.Find("plantings"))
            .Columns.Single(c => c.Field == field);
        return column.Unit + (column.UnitFrom == UnitSource.Open ? "?" : "");
    }

    [Theory]
    [InlineData("Rows ft,Trees ft,Acres", "12,3,5.2", "ft ft ac")]
    [InlineData("Row dist.,Dist. in row (cm),Hectares", "3.5,90,2", "m cm ha")]
    [InlineData("ft between rows,Tree spacing in feet,Area ha", "12,3,2", "ft ft ha")]
    [InlineData("Row spacing [m],Tree spacing (mts),Has", "4,1.5,2", "m m ha")]
    // Nobody plants rows 12 m or 3.5 ft apart; which area it is nobody can tell.
    [InlineData("Row spacing,Tree spacing,Area", "12,3,5.16", "ft ft ac?")]
    // A list that mixes them is read as it says, and asked where it says nothing.
    [InlineData("Row spacing,Tree spacing (cm),Area", "12,90,5.16", "ft cm ha?")]
    [InlineData("Row spacing,Tree spacing,Area", "3.5,1,5.16", "m m ha?")]
    [InlineData("Row spacing,Tree spacing,Area", "350,90,5.16", "cm cm ha?")]
    // 5.16 ac × 43 560 ft² ÷ 36 ft² is 6 244 trees; as hectares it were 15 428.
    [InlineData("Row spacing,Tree spacing,Area,Trees", "12,3,5.16,6240", "ft ft ac")]
    [InlineData("Row spacing,Tree spacing,Area,Trees", "12,3,5.16,15400", "ft ft ha")]
    // Both could be metres or feet: the trees say which.
    [InlineData("Row spacing,Tree spacing,Area (ha),Trees", "8,5,1,250", "m m ha")]
    [InlineData("Row spacing,Tree spacing,Area (ha),Trees", "8,5,1,2691", "ft ft ha")]
    [InlineData("Row spacing,Tree spacing,Area (ha)", "8,5,1", "m? m? ha")]
    // Told line by line in one column, asked in another.
    [InlineData("Row spacing,Row spacing unit,Tree spacing (ft),Area,Trees", "12,ft,3,5.16,6240", " ft ha?")]
    public void A_unit_is_found_or_asked(string headers, string cells, string units) =>
        Assert.Equal(
            units.Split(' '),
            new[] { "rowSpacing", "treeSpacing", "area" }.Select(f =>
                Told($"Planting,Variety,Rootstock,Planted,{headers}\nA1,Topaz,M.9,2018,{cells}\n", f)
            )
        );

    // Orchards made up at random, written in any units without a word about them: what is not asked is right.
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_unit_that_is_not_asked_is_right(bool withTrees)
    {
        Random random = new(17);
        var asked = 0;
        for (var n = 0; n < 400; n++)
        {
            var (row, tree, area) = (
                random.GetItems(["m", "ft", "cm"], 1)[0],
                random.GetItems(["m", "ft", "cm", "in"], 1)[0],
                random.GetItems(["ha", "ac"], 1)[0]
            );
            // A list is kept in one system of units.
            if ((row == "ft") != (tree is "ft" or "in"))
                continue;
            var csv =
                "Planting,Variety,Rootstock,Planted,Row spacing,Tree spacing,Area" + (withTrees ? ",Trees\n" : "\n");
            for (var line = 0; line < 12; line++)
            {
                var (rowM, treeM, ha) = (
                    2.5 + 3 * random.NextDouble(),
                    0.5 + 2 * random.NextDouble(),
                    0.3 + 5 * random.NextDouble()
                );
                var trees = Math.Round(ha * 10_000 / rowM / treeM * (0.93 + 0.07 * random.NextDouble()));
                string In(double value, double factor) =>
                    (value / factor).ToString("0.##", CultureInfo.InvariantCulture);
                csv +=
                    $"A{line},Topaz,M.9,2018,{In(rowM, Units.Length[row].Factor)},"
                    + $"{In(treeM, Units.Length[tree].Factor)},{In(ha, Units.Area[area].Factor)}"
                    + (withTrees ? $",{trees}\n" : "\n");
            }
            foreach (var (field, unit) in new[] { ("rowSpacing", row), ("treeSpacing", tree), ("area", area) })
            {
                var told = Told(csv, field);
                if (told.EndsWith('?'))
                    asked++;
                else
                    Assert.True(told == unit, $"{field} in {unit} was read as {told}:\n{csv}");
            }
        }
        // With the trees listed there is nothing left to ask but once in a while.
        if (withTrees)
            Assert.InRange(asked, 0, 20);
    }

    [Theory]
    [InlineData("1.234,5;1,234.5", true)]
    [InlineData("1.234,5;2.000,5", false)]
    public void Two_ways_to_write_a_number_in_one_column_are_told_by_line(string areas, bool mixed)
    {
        var cells = areas.Split(';');
        var csv =
            "Planting;Variety;Rootstock;Planted;Row spacing (m);Tree spacing (m);Area (ha)\n"
            + string.Concat(cells.Select((c, i) => $"A{i};Topaz;M.9;2018;3,5;1;{c}\n"));
        var sheet = ImportFile.Read(csv);
        var mapping = MappingGuess.Of(sheet);
        Assert.Equal(",", mapping.Decimal);
        var told = sheet
            .Lines.Select(l => new LineReader(mapping, l))
            .Where(r => r.Number("area") is null)
            .Select(r => r.LineNumber);
        Assert.Equal(mixed ? [3] : [], told);
    }

    [Fact]
    public void Forty_columns_of_nothing_are_none()
    {
        var nothing = new string(',', 40);
        var sheet = ImportFile.Read($"Planting,Variety{nothing}\nA1,Topaz{nothing}\n");
        Assert.Equal(["Planting", "Variety"], sheet.Headers);
        Assert.Equal(2, sheet.Lines.Single().Cells.Count);
    }

    [Theory]
    [InlineData("Planting,Variety\nA1,Topaz\nTotal,12\nGrand total,,12\nA2,Fuji\n", 2)]
    [InlineData("Site,Planting,Variety,Area\nHome,A1,Topaz,3\n,Total,,3\nHome,A2,Fuji,1\nask about the rest,,,\n", 2)]
    [InlineData("Site,Planting,Variety,Area\nHome,A1,Topaz,3\nSite,Planting,Variety,Area\nHome,A2,Fuji,1\n", 1)]
    [InlineData("Block,Variety,2024,2025\nMedia Luna,Fuji,40,45\nTotal Hill,Topaz,30,31\nAverage,,35,38\n", 1)]
    // A block may be called so.
    [InlineData("Site,Planting,Variety,Area\nTotal Hill,A1,Topaz,3\nHome,Sumac,Fuji,1\n", 0)]
    public void Sums_and_remarks_are_left_out(string csv, int lines) =>
        Assert.Equal(lines, LeftOutLines.Of(ImportFile.Read(csv)).Count);
}
