using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>The year of a planting and of the estate.</summary>
public sealed class PassesTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact]
    public void A_day_noted_moves_the_year()
    {
        using var page = new Page(server).OpenPlanting("H6", "passes");
        page.Says("[data-test='pass-winter']", "Winter prune");
        page.Says("[data-test='pass-winter']", "three points of contact");
        page.Click("[data-test='noted-days'] summary");
        // As a browser's own picker sets it.
        page.Script<object?>(
            """
            const input = document.querySelector("[data-test='day-greenTip']");
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, '2027-04-02');
            input.dispatchEvent(new Event('input', { bubbles: true }));
            return null;
            """
        );
        page.Click("[data-test='save-days']");
        page.Says("[data-test='pass-winter']", "Mar 25");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_year_of_the_estate_tells_hours_by_month_and_leads_to_a_planting()
    {
        using var page = new Page(server).Open("/year");
        page.Says("[data-test='year-hours']", "all together");
        page.Click("[data-test='year'] a");
        page.Find("[data-test='programme']");
        Assert.Empty(page.Complaints());
    }

    // As a browser's own picker sets a day.
    private static void SetDay(Page page, string css, string day) =>
        page.Script<object?>(
            $$"""
            const input = document.querySelector("{{css}}");
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, '{{day}}');
            input.dispatchEvent(new Event('input', { bubbles: true }));
            return null;
            """
        );

    [Fact]
    public void A_day_is_noted_for_all_of_a_variety_and_moves_their_years()
    {
        using var page = new Page(server).Open("/year");
        page.Click(By.LinkText("Note days for many"));
        page.Says("[data-test='days']", "Expected");
        var line = page.Until("a line of several", () =>
            page
                .Driver.FindElements(By.CssSelector("[data-test='days'] tbody tr"))
                .FirstOrDefault(r => r.FindElements(By.CssSelector("button")).Count > 0)
        )!;
        var count = line.FindElement(By.CssSelector("button")).Text.Split(' ')[0];
        var label = line.FindElement(By.CssSelector("input")).GetAttribute("aria-label");
        SetDay(page, $"input[aria-label='{label}']", "2027-03-21");
        page.Says("[data-test='save-days']", $"Note {count} plantings");
        page.Click("[data-test='save-days']");
        page.Says("[data-test='days-noted']", $"{count} of ");
        // Opened, each of them has it; one is another day.
        line.FindElement(By.CssSelector("button")).Click();
        var one = page.Find(".days-each input").GetAttribute("aria-label");
        page.Shows($"input[aria-label='{one}']", "2027-03-21");
        SetDay(page, $"input[aria-label='{one}']", "2024-03-21");
        page.Click("[data-test='save-days']");
        page.Says(".days-each .field-problem", "does not belong to the season");
        SetDay(page, $"input[aria-label='{one}']", "2027-03-23");
        page.Click("[data-test='save-days']");
        page.Says("[data-test='days']", "Noted Mar 21 – Mar 23");
        Assert.DoesNotContain(page.Complaints(), c => !c.Contains("400", StringComparison.Ordinal));
    }

    [Fact]
    public void A_pass_is_left_out_for_a_reason_moved_added_and_reported_done()
    {
        using var page = new Page(server).OpenPlanting("H10", "passes");
        const string Thinning = "[data-test='pass-thinning']";
        page.Click($"{Thinning} summary");
        page.Click($"{Thinning} [data-test='leave-out']");
        page.Click($"{Thinning} [data-test='save-plan']");
        // What is missing is said at its field, and nothing typed is lost.
        page.Says($"{Thinning} .field-problem", "fill this in");
        page.Find($"{Thinning} [data-test='reason']").SendKeys("thinned by spray");
        page.Click($"{Thinning} [data-test='save-plan']");
        page.Says(Thinning, "Left out: thinned by spray");

        const string Winter = "[data-test='pass-winter']";
        page.Click($"{Winter} summary");
        SetDay(page, $"{Winter} [data-test='move-from']", "2027-02-08");
        SetDay(page, $"{Winter} [data-test='move-to']", "2027-04-05");
        page.Click($"{Winter} [data-test='save-plan']");
        page.Says(Winter, "moved from");
        page.Says(Winter, "days after its window");
        page.Click($"{Winter} summary");
        SetDay(page, $"{Winter} [data-test='done']", "2027-01-20");
        page.Click($"{Winter} [data-test='save-done']");
        page.Says($"{Winter} [data-test='state']", "Done Jan 20");

        page.Find(".passes-add select option[value='summer-light']").Click();
        page.Click("[data-test='add-pass']");
        page.Says("[data-test='pass-summer-light']", "Few cuts");
    }

    [Fact]
    public void Weather_that_holds_passes_up_is_told_first_and_a_site_is_told_where_it_lies()
    {
        using var page = new Page(server).Open("/");
        page.Says("[data-test='warnings']", "Hard freeze");
        page.Says("[data-test='heat']", "°C-days");
        page.Open("/weather");
        page.Says("[data-test='warnings']", "Winter prune");
        const string Site = "[data-test='site-Weir Bank']";
        page.Says($"{Site} [data-test='days']", "forecast");
        page.Click($"{Site} summary");
        page.Type("site.latitude", "95");
        page.Click($"{Site} [data-test='save-site']");
        page.Says($"{Site} .field-problem", "-90 to 90");
        page.Type("site.latitude", "45.7");
        page.Click($"{Site} [data-test='save-site']");
        page.Until("the site to be saved", () =>
            page.Driver.FindElements(By.CssSelector($"{Site} .field-problem")).Count == 0 ? page : null
        );
    }

    [Fact]
    public void A_pass_has_its_card_on_paper_and_its_cuts_on_the_bench()
    {
        using var page = new Page(server).OpenPlanting("H8", "passes");
        page.Click("[data-test='pass-after-harvest'] .passes-links a");
        page.Says("[data-test='pass-card']", "Only on dry days");
        page.Find("[data-test='pass-card'] .card-tree svg");
        page.OpenPlanting("H8", "passes");
        page.Click("[data-test='pass-after-harvest'] .passes-links a + a");
        page.Says(".bench-panel", "goes to no number");
        page.Find("[data-test='bench-tree'] svg");
        Assert.Empty(page.Complaints());
    }
}
