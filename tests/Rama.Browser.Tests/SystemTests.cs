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

    // An orchardist's test: the two-leader system is put together from an empty one by the editor alone, of steps all
    // systems know and two of its own. What it cuts and leaves is what the shipped one does.
    [Fact]
    public void The_two_leader_system_is_rebuilt_by_the_editor_alone()
    {
        using var page = new Page(server).Open("/catalogue/systems");
        page.Click("[data-test='new-system']");
        page.Find("[data-test='system-editor'] .tree-wood");
        Write(page, "name-en", "Twins rebuilt");
        Write(page, "name-es", "Gemelos");
        page.Click(".system-editor details summary");
        page.Find(".system-editor details label.answer-step:nth-of-type(2) input").Click();
        Choose(page, "How leaders stand", "side by side along the row");
        Choose(page, "Canopy", "wall");
        foreach (
            var (field, value) in new[]
            {
                ("form-leaders", "2"),
                ("form-limbsPerTree", "30"),
                ("form-rowM", "3.4"),
                ("form-treeM", "1.2"),
                ("shape-trunkM", "0.4"),
                ("shape-trunkMm", "52"),
                ("shape-heightM", "3.4"),
                ("shape-firstLimbM", "0.7"),
                ("shape-buds", "220"),
                ("shape-limbMm", "9"),
                ("shape-metresPerMm", "0.047"),
                ("shape-riseLowDeg", "10"),
                ("shape-riseTopDeg", "28"),
                ("shape-droopDeg", "12"),
                ("shape-spreadDeg", "70"),
                ("shape-ageYears", "4"),
                ("shape-forkShare", "0.2"),
                ("shape-uprightShare", "0.08"),
                ("shape-pendantShare", "0.06"),
                ("shape-shootM", "0.15"),
                ("form-wires", "0.7 1.25 1.8 2.35 2.9"),
            }
        )
            Write(page, field, value);

        Choose(page, "Take a step over from …", "Tall spindle");
        Take(page, "step", "Height");
        Take(page, "step", "Rival leaders");
        Take(page, "step", "Low wood");
        Take(page, "step", "Pendant wood");
        Take(page, "step", "Thickest limbs");
        Write(page, "term-too-big", "ratio > slope(along, 0.5, 0.5, 0.75, 0.33) or diameter > big-from");
        Write(page, "thick-limbs-find", "limbs where too-big and along < 40 %");
        Write(page, "thick-limbs-most", "big-limbs");
        page.Click("[data-test='step-thick-limbs'] .rule-limit button");
        Value(page, "big-limbs", "1", "0 1 2");
        Value(page, "big-from", "18", "");
        Value(page, "renewal-share", "12.5", "");

        Write(page, "new-term", "Spent");
        page.Click("[data-test='new-term-add']");
        Write(page, "term-spent", "age >= 4 years or density < 1.5");
        page.Click("[data-test='add-step']");
        Choose(page, "Cut", "to a renewal stub", "[data-test='step-new-step']");
        Write(page, "new-step-find", "limbs where spent");
        Write(page, "new-step-first", "age down, density up");
        Write(page, "new-step-most", "renewal-share * limbs");
        Write(page, "new-step-leave", "stub");
        page.Click("[data-test='step-new-step'] .step-words summary");
        Write(page, "new-step-seconds", "8");
        page.Click("[data-test='add-step']");
        Choose(page, "Cut", "shorten", "[data-test='step-new-step-2']");
        Write(page, "new-step-2-find", "limbs where reach-along > tree-spacing / 2 + 10 cm");
        Write(page, "new-step-2-first", "reach-along down");
        Write(page, "new-step-2-most", Keys.Delete);
        Write(page, "new-step-2-leave", "0.7 * length");
        page.Click("[data-test='step-new-step-2'] .step-words summary");
        Write(page, "new-step-2-seconds", "8");
        foreach (
            var step in new[] { "Fork removal", "Upright shoots (watersprouts)", "Shorten laden limbs", "Rub off buds" }
        )
            Take(page, "step", step);

        Choose(page, "Take a question over from …", "Tall spindle");
        foreach (var question in new[] { "renewal", "order", "stubs", "spur-removal" })
            Take(page, "question", question, byId: true);
        page.Click("[data-test='question-renewal'] summary");
        Choose(page, "Usual answer", "10–15 % of the limbs", "[data-test='question-renewal']");
        page.Click("[data-test='more-of-system'] summary");
        Write(page, "base-seconds", "75");
        page.Until("no fault", () => page.Find("[data-test='save-system']").Enabled);
        page.Click("[data-test='save-system']");
        page.Find("[data-test='system-twins-rebuilt']");

        var cut = page.Script<string>(
            """
            const tried = async (id) => {
              const { system } = await (await fetch(`/api/v1/catalogue/systems/${id}`)).json();
              const trees = await (await fetch(`/api/v1/catalogue/systems/${id}/trees`)).json();
              return trees.trees.map(({ cut }) => ({
                buds: cut.tree.floralBuds,
                left: cut.after.floralBuds,
                cuts: cut.cuts.map(({ branch, bud, leaveM, drop }) => [branch, bud, leaveM, drop]),
              }));
            };
            const both = Promise.all(['two-axis-short-renewal', 'twins-rebuilt'].map(tried));
            return both.then((cut) => cut.map((c) => JSON.stringify(c)).join('\n'));
            """
        );
        var (shipped, rebuilt) = (cut.Split('\n')[0], cut.Split('\n')[1]);
        Assert.Contains("\"cuts\":[[", shipped, StringComparison.Ordinal);
        Assert.Equal(shipped, rebuilt);
    }

    private static void Value(Page page, string setting, string value, string tries)
    {
        Write(page, $"setting-{setting}-value", value);
        page.Click($"[data-test='setting-{setting}'] summary");
        Write(page, $"setting-{setting}-tries", tries.Length == 0 ? Keys.Delete : tries);
    }

    private static void Take(Page page, string part, string which, bool byId = false)
    {
        page.Find($"[data-test='take-{part}'] select:nth-of-type(2)")
            .FindElements(By.TagName("option"))
            .First(o => (byId ? o.GetAttribute("value") : o.Text.Trim()) == which)
            .Click();
        page.Click($"[data-test='take-{part}-add']");
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
