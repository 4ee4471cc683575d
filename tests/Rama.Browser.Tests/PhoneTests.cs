using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>What fits a phone, and a thumb.</summary>
public sealed class PhoneTests(RamaServer server) : IClassFixture<RamaServer>
{
    // What a phone lays out on: wider than itself where something of a page is.
    private static long Width(Page page) =>
        page.Script<long>("return Math.max(document.documentElement.scrollWidth, window.innerWidth)");

    [Theory]
    [InlineData("estate")]
    [InlineData("target")]
    [InlineData("count")]
    [InlineData("decide")]
    [InlineData("prescribe")]
    [InlineData("passes")]
    [InlineData("check")]
    [InlineData("result")]
    [InlineData("history")]
    public void Nothing_is_cut_off_on_a_phone(string stage)
    {
        // H6 has checks, a past and changes.
        using var page = new Page(server, 390, 844, phone: true).OpenPlanting("H6", stage);
        page.Find(".ledger svg");
        Assert.Empty(Axe.Faults(page));
        Assert.Equal(390, Width(page));
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/map")]
    [InlineData("/targets")]
    [InlineData("/cards")]
    [InlineData("/cards/wall")]
    [InlineData("/routes")]
    [InlineData("/catalogue")]
    [InlineData("/catalogue/systems")]
    [InlineData("/catalogue/systems/trees")]
    [InlineData("/practice")]
    [InlineData("/exchange")]
    [InlineData("/estate")]
    [InlineData("/people")]
    [InlineData("/crew")]
    [InlineData("/crew/people")]
    [InlineData("/crew/what-if")]
    [InlineData("/crew/depth")]
    [InlineData("/crew/costs")]
    [InlineData("/crew/list")]
    [InlineData("/crew/checks")]
    [InlineData("/known")]
    [InlineData("/year")]
    [InlineData("/days")]
    [InlineData("/weather")]
    [InlineData("/results")]
    [InlineData("/results/learned")]
    [InlineData("/results/seasons")]
    [InlineData("/results/winter")]
    [InlineData("/scans")]
    [InlineData("/field")]
    [InlineData("/field/today")]
    public void No_page_is_wider_than_a_phone(string path)
    {
        using var page = new Page(server, 390, 844, phone: true).Open(path);
        page.Find("main h1");
        Assert.Empty(Axe.Faults(page));
        Assert.Equal(390, Width(page));
    }

    [Theory]
    [InlineData("trees")]
    [InlineData("route")]
    public void Pages_of_the_count_have_no_accessibility_faults_and_fit_a_phone(string name)
    {
        using var page = new Page(server, 390, 844, phone: true).OpenPlanting("H2", name, planting: false);
        page.Find(name == "trees" ? "[data-test='sheet']" : "[data-test='print']");
        Assert.Empty(Axe.Faults(page));
        Assert.Equal(390, Width(page));
    }

    [Theory]
    [InlineData("W4", "Trees")]
    [InlineData("W4", "Buds")]
    [InlineData("W4", "Walk")]
    [InlineData("H6", "Work")]
    [InlineData("H6", "Check")]
    public void Pages_for_the_row_have_no_faults_and_keys_for_a_thumb(string code, string tab)
    {
        using var page = new Page(server, 390, 844, phone: true).Open("/field");
        page.OpenInRow(code);
        page.Click(By.LinkText(tab));
        page.Find($".field-tabs a.active");
        Assert.Empty(Axe.Faults(page));
        Assert.Equal(390, Width(page));
        // Common practice, no source: at least 44 px, handbook and interface text.
        Assert.Empty(
            page.Script<IReadOnlyCollection<object>>(
                """
                const touched = 'button, input:not([type=file]), .field-tabs a, summary';
                return [...document.querySelectorAll(touched)].filter(e => e.offsetParent)
                  .map(e => [e.textContent || e.dataset.test, Math.round(e.getBoundingClientRect().height)])
                  .filter(([, height]) => height < 44).map(String);
                """
            )
        );
    }

    [Fact]
    public void Cells_and_buttons_of_the_counting_sheet_fit_a_thumb()
    {
        using var page = new Page(server, 390, 844, phone: true).OpenPlanting("H4", "count");
        page.Find("[data-cell='0-0']");
        // Common practice, no source: at least 44 px, handbook and interface text.
        var small = page.Script<IReadOnlyCollection<object>>(
            """
            return [...document.querySelectorAll('.sheet-cell, .sheet-side button, .save-bar button')]
              .filter(e => e.getBoundingClientRect().height < 44).map(e => e.outerHTML.slice(0, 90));
            """
        );
        Assert.Empty(small);
    }
}
