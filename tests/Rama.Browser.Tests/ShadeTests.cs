namespace Rama.Browser.Tests;

/// <summary>Light for the sun and dark for a cab at night, as the device is set or as somebody chose.</summary>
public sealed class ShadeTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static string Paper(Page page) =>
        page.Script<string>("return getComputedStyle(document.body).backgroundColor");

    [Fact]
    public void It_follows_the_device_until_somebody_chooses()
    {
        using var page = new Page(server);
        page.Driver.ExecuteCdpCommand(
            "Emulation.setEmulatedMedia",
            new()
            {
                ["features"] = new[]
                {
                    new Dictionary<string, object> { ["name"] = "prefers-color-scheme", ["value"] = "dark" },
                },
            }
        );
        page.Open("/").Find(".season-line");
        Assert.Equal("rgb(27, 23, 20)", Paper(page));

        page.Click("[data-test='account']");
        page.Find("select[aria-label='Light'] option[value='day']").Click();
        page.Until("day", () => Paper(page) == "rgb(245, 240, 230)");
        page.Open("/field").Find("[data-test='shade']");
        Assert.Equal("rgb(245, 240, 230)", Paper(page));
        page.Click("[data-test='shade']");
        page.Until("night", () => Paper(page) == "rgb(27, 23, 20)");
        // A card is paper at any time.
        page.OpenPlanting("H4", "card", planting: false).Find("[data-test='the-card']");
        Assert.Equal(
            "rgb(255, 255, 255)",
            page.Script<string>("return getComputedStyle(document.querySelector('.card')).backgroundColor")
        );
        page.Script<object>("localStorage.clear()");
    }
}
