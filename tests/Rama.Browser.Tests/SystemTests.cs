using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>Training systems read, copied and changed on the real application.</summary>
public sealed class SystemTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static void Write(Page page, string test, string text)
    {
        var input = page.Find($"[data-test='{test}']");
        input.SendKeys(Keys.Control + "a");
        input.SendKeys(text);
    }

    [Fact]
    public void A_system_is_copied_changed_on_a_live_tree_and_saved()
    {
        using var page = new Page(server).Open("/catalogue/systems");
        page.Click("[data-test='system-tall-spindle']");
        page.Find("[data-test='system-editor'] .tree-wood");
        var before = page.Find(".system-sample p").Text;
        page.Click("[data-test='copy-system']");

        // Each language has its own words.
        Write(page, "name-es", "Huso propio");
        page.Shows("[data-test='name-en']", "Tall spindle (copy)");
        page.Click(".step-words summary");
        var spanish = page.Find("[data-test='unsound-wood-lookFor-es']").GetAttribute("value");
        Write(page, "unsound-wood-lookFor-es", "Lo que cuelgue.");
        Assert.NotEqual(spanish, page.Find("[data-test='unsound-wood-lookFor-en']").GetAttribute("value"));
        Assert.Contains(
            "hangs",
            page.Find("[data-test='unsound-wood-lookFor-en']").GetAttribute("value"),
            StringComparison.Ordinal
        );

        // A word the language has not is told, and the tree of the last good rule stays.
        Write(page, "thick-limbs-find", "limbs where wind > 3");
        page.Says("[data-test='pack-fault']", "“wind” is no word for limbs");
        page.Find("[data-test='system-editor'] .tree-wood");
        // A rule that leads back to itself is no endless loop.
        Write(page, "thick-limbs-find", "limbs where too-big");
        Write(page, "term-too-big", "too-big or diameter > 30 mm");
        page.Says("[data-test='pack-fault']", "too-big");
        Write(page, "term-too-big", "diameter > 60 mm");
        // A step that questions speak of goes with what they say of it.
        page.Click("[data-test='forks-out']");
        page.Until("another tree than before", () =>
            page.Find(".system-sample p") is var told && told.Text != before && told.GetAttribute("data-test") is null
        );

        page.Click("[data-test='save-system']");
        page.Says("[data-test='system-tall-spindle-2']", "Tall spindle (copy)");
    }

    [Fact]
    public void What_is_not_settled_of_a_system_is_said_before_it_is_chosen()
    {
        using var page = new Page(server).Open("/plantings/new");
        page.Find("[data-field='planting.variety'] select option[value='Redhaven']").Click();
        page.Says("[data-field='planting.system']", "Experimental");
        page.Find("[data-field='planting.variety'] select option[value='Topaz']").Click();
        page.Until("no word of it for apple", () =>
            !page.Find("[data-field='planting.system']").Text.Contains("Experimental", StringComparison.Ordinal)
        );
    }
}
