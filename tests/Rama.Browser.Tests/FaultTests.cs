namespace Rama.Browser.Tests;

/// <summary>What was kept long ago, and what breaks, does not take the application with it.</summary>
public sealed class FaultTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact]
    public async Task A_card_of_an_earlier_form_is_drawn()
    {
        var w1 = SmokePages.PlantingsOf(server)["W1"].Id;
        var id = await server.KeepOldCardAsync(1, Guid.Parse(w1));
        using var page = new Page(server).Open($"/plantings/{w1}/card?issued={id}");
        page.Find(".card-drawing .tree-wood");
        page.Says(".card-gauge", "8 mm");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_page_that_breaks_says_what_is_safe_and_leads_back()
    {
        using var page = new Page(server);
        // An answer no page can draw: the fault is the test's own, the page that tells of it is the application's.
        page.BeforeEach(
            """
            const asked = window.fetch;
            const nonsense = () =>
                new Response('{"cuts": 7}', { status: 200, headers: { 'content-type': 'application/json' } });
            window.fetch = async (request, ...rest) => {
              const answer = await asked(request, ...rest);
              return String(request.url ?? request).includes('/card?') ? nonsense() : answer;
            };
            """
        );
        page.OpenPlanting("H4", "prescribe");
        page.Click("[data-test='card']");
        page.Says("[data-test='broken']", "What was saved is safe");
        page.Find(".shell-places");
        page.Find("[data-test='broken'] a").Click();
        page.FindLine("H4");
    }
}
