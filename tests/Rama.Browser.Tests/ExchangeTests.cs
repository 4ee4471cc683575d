using System.Text;
using OpenQA.Selenium;
using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>From a spreadsheet into Rama, as a manager does it.</summary>
public sealed class ExchangeTests(RamaServer server) : IClassFixture<RamaServer>
{
    private const string Header =
        "Finca;Código;Nombre;Variedad;Patrón;Plantado;Entre filas;Sobre fila (m);Superficie (ha)\n";

    private static string SaveFile(string name, string text)
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("rama").FullName, name);
        File.WriteAllText(path, text, new UTF8Encoding(true));
        return path;
    }

    private static void Choose(Page page, string file) =>
        page.Driver.FindElement(By.CssSelector("[data-test='file']")).SendKeys(file);

    [Fact]
    public void A_list_of_blocks_is_mapped_checked_mended_and_taken_over()
    {
        using var page = new Page(server).Open("/exchange");
        page.Find(".export");
        var file = SaveFile(
            "blocks.csv",
            Header + "Casa;Z1;Llano;Jonagold;M.9;2018;11,5;1;2,5\n" + "Casa;Z2;Alto;Nobody;M.9;2018;11,5;1;1,75\n"
        );
        Choose(page, file);
        // Guessed from Spanish headers and decimal commas; nobody plants rows 11.5 m apart.
        page.Says("[data-test='mapping']", "11,5 · 11,5");
        page.Says("[data-test='mapping']", "by its values");
        page.Says("[data-test='report']", "1 question first");
        page.Says("[data-test='questions']", "“Nobody”");
        page.Click(By.XPath("//*[@data-test='questions']//option[@value='Topaz']"));
        page.Says("[data-test='report']", "2 lines can be taken over");
        page.Click("[data-test='import']");
        page.Says("[data-test='report']", "2 lines taken over");
        Assert.Empty(page.Complaints());

        page.OpenPlanting("Z2", "estate");
        Assert.Equal("11.5", page.Find("[data-field='planting.rowSpacing'] input").GetAttribute("value"));
        Assert.Equal("ft", page.Find("[data-field='planting.rowSpacing'] select").GetAttribute("value"));
        Assert.Equal("Casa", page.Find("[data-field='planting.site'] input").GetAttribute("value"));
    }

    [Fact]
    public void What_the_file_leaves_open_is_asked_and_lines_are_mended()
    {
        using var page = new Page(server).Open("/exchange");
        page.Find(".export");
        const string header = "Block,Variety,Rootstock,Planted,Row spacing,Tree spacing (cm),Area,Remarks\n";
        var file = SaveFile("open.csv", header + "Y1,Topaz,M9,2018,12,90,5.16,x\nY2,Topaz,M9,2050,12,90,3.2,y\n");
        Choose(page, file);
        page.Says("[data-test='report']", "1 problem to mend");
        page.Says("[data-test='report']", "Line 3");
        page.Says("[data-test='unused']", "Remarks");
        page.Click(By.XPath("//*[@data-test='questions']//button[normalize-space()='5.16 ac']"));
        page.Until("nothing asked", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='questions']")).Count == 0
        );

        File.WriteAllText(
            file,
            File.ReadAllText(file).Replace("2050", "2018", StringComparison.Ordinal),
            new UTF8Encoding(true)
        );
        Choose(page, file);
        // It is not asked again of the same file, mended.
        page.Says("[data-test='report']", "2 lines can be taken over");
        page.Click("[data-test='import']");
        page.Says("[data-test='report']", "2 lines taken over");
        page.OpenPlanting("Y2", "estate");
        Assert.Equal("ac", page.Find("[data-field='planting.area'] select").GetAttribute("value"));
        // Nobody would choose centimetres there, but the file did.
        Assert.Equal("90", page.Find("[data-field='planting.treeSpacing'] input").GetAttribute("value"));
        Assert.Equal("cm", page.Find("[data-field='planting.treeSpacing'] select").GetAttribute("value"));
    }

    [Fact]
    public void Names_are_made_columns_kept_lines_left_out_and_all_of_it_undone()
    {
        using var page = new Page(server).Open("/exchange");
        page.Find(".export");
        const string header = "Block,Variety,Rootstock,Planted,Row spacing (m),Tree spacing (m),Area (ha),Soil\n";
        Choose(
            page,
            SaveFile(
                "soils.csv",
                header
                    + "S1,Own seedling 7,M9,2018,4,1,1,loam\nS2,Topaz,M9,2018,4,1,\"2,5\",clay\n"
                    + "S3,Topaz,M9,2050,4,1,2,clay\n"
            )
        );
        page.Says("[data-test='questions']", "“Own seedling 7”");
        page.Click(
            By.XPath("//*[@data-test='questions']//select[contains(@aria-label, 'is new')]/option[@value='Elstar']")
        );
        page.Until("nothing asked", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='questions']")).Count == 0
        );
        // A number written the other way is offered, and a line that cannot be mended is left out by its number.
        page.Says("[data-test='report']", "Line 4");
        page.Click("[data-test='keep-columns'] summary");
        page.Click("[data-test='keep-columns'] input");
        page.Find("[data-test='leave-out']").SendKeys("3-4" + Keys.Tab);
        page.Says("[data-test='report']", "1 lines can be taken over");
        page.Click("[data-test='import']");
        page.Says("[data-test='report']", "1 lines taken over");

        page.OpenPlanting("S1", "estate");
        page.Shows("[data-field='planting.free:Soil'] input", "loam");
        page.Type("planting.free:Soil", "stony");
        page.Press(Keys.Escape);
        page.Open("/");
        page.Find("[data-test='find']").SendKeys("loam" + Keys.Enter);
        page.Says(".planting-head", "S1");

        page.Open("/exchange");
        page.Click("[data-test='past-imports'] summary");
        page.Says("[data-test='past-imports']", "soils.csv");
        page.Click("[data-test='undo']");
        page.Click(".ant-popconfirm-buttons .ant-btn-primary");
        page.Says("[data-test='past-imports']", "Undid soils.csv");
        page.Open("/");
        page.Find("[data-test='find']").SendKeys("S1");
        page.Until("no S1", () => page.Driver.FindElements(By.CssSelector("[data-test='planting-S1']")).Count == 0);
    }

    [Fact]
    public void A_file_that_is_none_says_so_and_leaves_the_page_usable()
    {
        using var page = new Page(server).Open("/exchange");
        page.Find(".export");
        Choose(page, SaveFile("paper.csv", "%PDF-1.7 not a table")[..]);
        page.Find("[data-test='file-failure']");
        Choose(page, SaveFile("rows.csv", "Planting,Row,Trees\nH2,1,160\n"));
        page.Says("[data-test='report']", "1 lines can be taken over");
    }

    [Fact]
    public void A_reader_takes_tables_out_and_nothing_in()
    {
        using var page = new Page(server, role: Role.Reader).Open("/exchange");
        page.Says(".export", "Counted trees");
        Assert.Empty(page.Driver.FindElements(By.CssSelector("[data-test='file']")));
        Assert.Empty(page.Driver.FindElements(By.CssSelector("[data-test='export-estate']")));
    }

    [Fact]
    public void Rows_typed_in_show_at_once_in_the_number_of_trees()
    {
        using var page = new Page(server).OpenPlanting("H5", "estate");
        // 1.7 ha at 3.5 × 1.1 m and 2 597 trees a hectare: 4 416 places. One row of 100 with 10 missing: 10 % are gone.
        foreach (var (cell, text) in new[] { ("0-0", "1"), ("0-2", "100"), ("0-3", "1-10") })
            page.Find($"[data-test='rows'] [data-cell='{cell}']").SendKeys(text);
        page.Says(".chain", "2,338 trees/ha"); // 2 597.4 × 0.9
        page.Find("[data-test='rows'] [data-cell='0-4']").SendKeys("10");
        page.Says("[data-test='rows']", "cannot be replanted and missing");
    }

    [Fact]
    public void The_history_tells_who_changed_what()
    {
        using var page = new Page(server).OpenPlanting("W6", "target");
        page.Type("target.yield", "40");
        page.Type("target.fruitSize", "180");
        page.Type("target.budFactor", "1.7");
        page.Save();
        page.Type("target.yield", "44");
        page.Save();
        page.Driver.FindElement(By.LinkText("history")).Click();
        page.Says("[data-test='history']", "40 t/ha");
        page.Says("[data-test='history']", "44 t/ha");
        page.Says("[data-test='history']", "Manager");
    }

    [Fact]
    public void Last_season_is_read_and_not_changed()
    {
        using var page = new Page(server).Open("/?season=2026");
        page.Says("[data-test='past']", "season 2026");
        page.FindLine("H4");
        page.Click("[data-test='planting-H4']");
        page.Says("[data-test='past']", "season 2026");
        page.Click(".rail-stage[href*='target']");
        page.Says("[data-test='read-only']", "Season 2026 is closed");
        page.Shows("[data-link='fruit'] input", "119"); // 60 000 ÷ (.205 × .86 × 2 850.9)
    }

    [Fact]
    public void A_manager_who_knows_better_changes_a_number_and_can_go_back()
    {
        using var page = new Page(server).Open("/catalogue");
        page.Click("[data-test='change-Topaz']");
        page.Type("variety.setShare", "7");
        page.Click("[data-test='save-variety']");
        Assert.Contains("0.01", page.Problem("variety.setShare"), StringComparison.Ordinal);
        page.Type("variety.setShare", "0.7");
        page.Click("[data-test='save-variety']");
        page.Says("[data-test='varieties']", "own numbers");
        page.Says("[data-test='varieties']", "shipped 0.62");
        page.Click("[data-test='change-Topaz']");
        page.Click("[data-test='back-to-shipped']");
        page.Until("as shipped", () =>
            !page.Find("[data-test='varieties']").Text.Contains("shipped", StringComparison.Ordinal)
        );
        page.Click("[data-test='change-M.26']");
        page.Type("rootstock.vigourPercent", "40");
        page.Click("[data-test='save-rootstock']");
        page.Says(".catalogue", "shipped 45");
    }
}
