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
        page.Click("[data-test='step-unsound-wood'] .step-words summary");
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
        page.Says("[data-test='thick-limbs-find-fault']", "“wind” is no word for limbs");
        page.Find("[data-test='system-editor'] .tree-wood");
        Assert.False(page.Driver.FindElement(By.CssSelector("[data-test='save-system']")).Enabled);
        // A rule that leads back to itself is no endless loop.
        Write(page, "thick-limbs-find", "limbs where too-big");
        Write(page, "term-too-big", "too-big or diameter > 30 mm");
        page.Says("[data-test='term-too-big-fault']", "too-big");
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

    // Must show: a small system is built in the editor, from an empty one and by choosing alone, and cuts trees.
    [Fact]
    public void A_system_is_built_from_an_empty_one_and_a_tree_is_cut_with_it()
    {
        using var page = new Page(server).Open("/catalogue/systems");
        page.Click("[data-test='new-system']");
        page.Find("[data-test='system-editor'] .tree-wood");
        Write(page, "name-en", "Twin leaders of ours");
        Write(page, "name-es", "Dos ejes nuestros");
        page.Click(".system-editor details summary");
        Write(page, "form-leaders", "2");
        Choose(page, "How leaders stand", "side by side along the row");
        Write(page, "shape-trunkM", "0.4");

        // A number of its own, and a step that names it.
        Write(page, "new-setting", "Big from");
        page.Click("[data-test='new-setting-add']");
        page.Click("[data-test='setting-big-from'] summary");
        Choose(page, "unit", "mm", "[data-test='setting-big-from']");
        Write(page, "setting-big-from-value", "14");
        var uncut = page.Find(".system-sample p").Text;
        page.Click("[data-test='add-step']");
        page.Click("[data-test='step-new-step'] .step-words summary");
        Write(page, "new-step-name-en", "Thick limbs");
        Choose(page, "Cut", "to a renewal stub", "[data-test='step-new-step']");
        Choose(page, "Choose a word …", "diameter: diameter at the base", "[data-test='new-step-condition']");
        Choose(page, "Compared with", "Big from", "[data-test='new-step-condition']");
        page.Click("[data-test='new-step-condition'] button");
        page.Shows("[data-test='new-step-find']", "limbs where diameter > big-from");
        Write(page, "new-step-most", "3");
        page.Until("limbs fall", () => page.Find(".system-sample p").Text != uncut);

        // What is empty is no 0, what is misspelt is told with what was meant, and neither can be saved.
        Write(page, "setting-big-from-value", Keys.Backspace);
        page.Says("[data-test='setting-big-from'] .field-problem", "empty");
        page.Until("save off", () => !page.Find("[data-test='save-system']").Enabled);
        Write(page, "setting-big-from-value", "14");
        Write(page, "new-step-first", "diametr down");
        page.Says("[data-test='new-step-first-fault']", "did you mean “diameter”?");
        Write(page, "new-step-first", "diameter down");
        page.Until("save on", () => page.Find("[data-test='save-system']").Enabled);
        page.Click("[data-test='save-system']");
        page.Says("[data-test='system-twin-leaders-of-ours']", "Twin leaders of ours");

        // A block goes over to it; its card and bench cut by it.
        page.OpenPlanting("H4", "estate");
        page.Find("[data-field='planting.system'] select option[value='twin-leaders-of-ours']").Click();
        page.Save();
        page.OpenPlanting("H4", "bench", planting: false);
        page.Until("cut by it", () => page.Find("[data-test='bench-cuts']").Text.Contains("Thick limbs"));
    }

    [Fact]
    public void A_system_goes_out_as_a_file_comes_back_and_is_compared_step_by_step()
    {
        using var page = new Page(server).Open("/catalogue/systems");
        var system = page.Script<string>(
            """
            return fetch('/api/v1/catalogue/systems/open-v')
              .then((r) => r.json())
              .then((p) => JSON.stringify({ system: p.system }));
            """
        );
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.json");
        File.WriteAllText(file, system.Replace("\"open-v\"", "\"open-v-ours\"", StringComparison.Ordinal));
        try
        {
            page.Find("[data-test='new-system']");
            page.Driver.FindElement(By.CssSelector("[data-test='import-system']")).SendKeys(file);
            page.Shows("[data-test='name-en']", "Open V");
            page.Click("[data-test='unsound-wood-out']");
            page.Click("[data-test='compare-system'] summary");
            Choose(page, "Compare with …", "Open V", "[data-test='compare-system']");
            page.Says("[data-test='differences']", "left out");
            // What is no system is said so, and nothing is lost.
            page.Open("/catalogue/systems");
            page.Find("[data-test='new-system']");
            File.WriteAllText(file, "{}");
            page.Driver.FindElement(By.CssSelector("[data-test='import-system']")).SendKeys(file);
            page.Says("main .field-problem", "no training system");
        }
        finally
        {
            File.Delete(file);
        }
    }

    private static void Choose(Page page, string label, string option, string within = ".system-editor") =>
        page.Find($"{within} select[aria-label='{label}']")
            .FindElements(By.TagName("option"))
            .First(o => o.Text.Trim() == option)
            .Click();
}
