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
}
