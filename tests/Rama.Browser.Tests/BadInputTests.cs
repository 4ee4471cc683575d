using OpenQA.Selenium;
using OpenQA.Selenium.Chromium;

namespace Rama.Browser.Tests;

/// <summary>Slips and lost connections: told at the field, and nothing typed is lost.</summary>
public sealed class BadInputTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Theory]
    [InlineData("rowSpacing", "0", "Expected 1 to 15 m.")]
    [InlineData("rowSpacing", "-3", "Expected 1 to 15 m.")]
    [InlineData("rowSpacing", "wide", "Expected a number such as 3.5.")]
    [InlineData("treeSpacing", "90", "Expected 0.2 to 15 m.")]
    [InlineData("area", "0", "Expected 0.01 to 1,000 ha.")]
    [InlineData("missingShare", "120", "Expected 0 to 95 %.")]
    [InlineData("yearPlanted", "2099", "Expected 1900 to 2027.")]
    public void A_slip_in_the_planting_is_told_at_its_field(string field, string text, string problem)
    {
        using var page = new Page(server).OpenPlanting("H4", "estate");
        page.Type($"planting.{field}", text);
        page.Until(problem, () => page.Problem($"planting.{field}") == problem);
    }

    [Fact]
    public void What_cannot_be_used_is_not_saved_and_can_be_undone()
    {
        using var page = new Page(server).OpenPlanting("H4", "target");
        page.Type("target.packOut", "120");
        page.Until("the message", () => page.Problem("target.packOut") == "Expected 5 to 100 %.");
        page.Type("target.yield", "");
        page.Click("[data-test='save']");
        page.Until("the message", () => page.Problem("target.yield") == "Please fill this in.");
        page.Says("[data-test='save-state']", "Not saved yet");
        page.Driver.FindElement(By.XPath("//*[contains(@class, 'desk-save')]//button[contains(., 'Discard changes')]"))
            .Click();
        page.Until("the saved value", () =>
            page.Find("[data-field='target.packOut'] input").GetAttribute("value") == "86"
        );
    }

    [Fact]
    public void Comma_decimals_are_read_and_written_in_a_comma_language()
    {
        using var page = new Page(server, language: "es").OpenPlanting("W1", "estate");
        page.Until("a comma", () =>
            page.Find("[data-field='planting.rowSpacing'] input").GetAttribute("value") == "3,6"
        );
        page.Type("planting.rowSpacing", "3,5");
        page.Says(".chain", "2.597"); // 10 000 ÷ (3.5 × 1.1)
        page.Type("planting.rowSpacing", "ancho");
        page.Until("the message", () => page.Problem("planting.rowSpacing") == "Se espera un número como 3,5.");
    }

    [Fact]
    public void Slips_in_the_counting_sheet_are_told_at_their_line()
    {
        using var page = new Page(server).OpenPlanting("W1", "count");
        page.Type("count.trees[1].row", "4");
        page.Type("count.trees[1].tree", "12");
        page.Says(".entry-sheet", "Tree 12 of row 4 is already on line 1.");
        page.Type("count.trees[2].buds", "many");
        page.Says(".entry-sheet", "Expected a number such as 3.5.");
        page.Type("count.trees[3].limbs", "2.5");
        page.Says(".entry-sheet", "Expected a whole number.");
        Assert.Equal("true", page.Find("[data-field='count.trees[2].buds']").GetAttribute("aria-invalid"));
    }

    [Fact]
    public void A_floral_share_above_one_is_told_at_its_field()
    {
        using var page = new Page(server).OpenPlanting("H2", "count");
        page.Driver.FindElement(By.XPath("//*[text()='All buds × floral share']")).Click();
        page.Type("count.floralShare", "140");
        page.Until("the message", () => page.Problem("count.floralShare") == "Expected 0 to 100 %.");
        page.Type("count.floralShare", "50");
        page.Says("[data-test='mean']", "48"); // the calibrated scan's 95 buds × .5
    }

    [Fact]
    public void One_tree_counted_decides_nothing_and_none_asks_for_some()
    {
        using var page = new Page(server).OpenPlanting("W1", "count");
        while (page.Driver.FindElements(By.CssSelector(".sheet-side button")) is { Count: > 1 } all)
        {
            all[^1].Click();
            page.Until("one line less", () =>
                page.Driver.FindElements(By.CssSelector(".sheet-side button")).Count == all.Count - 1
            );
        }
        page.Says(".notices", "One tree says nothing about how trees differ.");
        page.Click(".rail-stage[href$='decide']");
        page.Says(".notices", "Without an interval nobody knows how sure this is.");
        page.Click(".rail-stage[href$='count']");
        page.Click(".sheet-side button");
        page.Says("aside", "Nothing counted yet.");
        page.Click(".rail-stage[href$='prescribe']");
        page.Says(".planting-main", "The prescription needs a target and counted trees.");
    }

    [Fact]
    public void A_lost_connection_keeps_what_was_typed()
    {
        using var page = new Page(server).OpenPlanting("H4", "target");
        page.Type("target.yield", "58");
        page.Shows("[data-test='buds-to-leave']", "196"); // 58 000 ÷ (.205 × .86 × 2 850.9) × 1.7 = 196.2
        Offline(page, true);
        page.Click("[data-test='save']");
        page.Says(".desk-save", "The server does not answer.");
        Offline(page, false);
        Assert.Equal("58", page.Find("[data-field='target.yield'] input").GetAttribute("value"));
        page.Save();
    }

    private static void Offline(Page page, bool offline) =>
        page.Driver.NetworkConditions = new ChromiumNetworkConditions
        {
            IsOffline = offline,
            DownloadThroughput = 100_000_000,
            UploadThroughput = 100_000_000,
        };
}
