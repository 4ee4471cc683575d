using OpenQA.Selenium;
using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>
/// The tree bench on the real application: stepping, cutting by hand, practice; and how a block is cut.
/// </summary>
public sealed class BenchTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static int Buds(Page page) =>
        int.Parse(
            page.Find("[data-test='bench-tree']").GetAttribute("data-buds")!,
            System.Globalization.CultureInfo.InvariantCulture
        );

    private static int Cuts(Page page) =>
        int.Parse(
            page.Find("[data-test='bench-tree']").GetAttribute("data-cuts")!,
            System.Globalization.CultureInfo.InvariantCulture
        );

    private static void Press(Page page, string keys) => page.Find("body").SendKeys(keys);

    [Fact]
    public void A_prescription_is_stepped_through_with_its_reasons()
    {
        using var page = new Page(server).OpenPlanting("H4", "bench", planting: false);
        page.Find("[data-test='bench-cuts'] li");
        page.Until("the drawing", () => Cuts(page) > 3);
        var left = Buds(page);
        Press(page, Keys.Home);
        page.Until("the uncut tree", () => Cuts(page) == 0);
        Assert.True(Buds(page) > left);
        Press(page, Keys.ArrowRight);
        page.Until("the first cut", () => Cuts(page) == 1);
        page.Says(".bench-now", "Cut 1:");
        page.Click("[data-test='another']");
        page.Until("another tree", () => page.Find(".bench-foot").Text.StartsWith("Tree 1", StringComparison.Ordinal));
    }

    // Must show: sixty cuts undone and redone leave the tree as it was.
    [Fact]
    public void Sixty_cuts_by_hand_are_undone_and_redone_without_drift()
    {
        using var page = new Page(server).OpenPlanting("H4", "bench", planting: false);
        page.Until("the drawing", () => Cuts(page) > 3);
        Press(page, Keys.Home);
        page.Until("the uncut tree", () => Cuts(page) == 0);
        var whole = Buds(page);
        page.Click("[data-test='take-over']");
        page.Find("[data-test='undo']");
        // A tree has fewer limbs than sixty; the rest are buds, each clicked where it sits.
        page.Script<object>(
            """
            const buds = [...document.querySelectorAll('.tree-bud:not(.tree-bud-leaf)')].slice(0, 60);
            for (const bud of buds) bud.dispatchEvent(new MouseEvent('click', { bubbles: true }));
            return null;
            """
        );
        page.Until("sixty cuts", () => Cuts(page) == 60);
        var left = Buds(page);
        Assert.Equal(whole - 60, left);
        Press(page, new('u', 60));
        page.Until("all undone", () => Cuts(page) == 0 && Buds(page) == whole);
        Press(page, new('r', 60));
        page.Until("all redone", () => Cuts(page) == 60 && Buds(page) == left);
    }

    [Fact]
    public void Limbs_are_chosen_and_cut_with_keys_alone()
    {
        using var page = new Page(server).OpenPlanting("H9", "bench", planting: false);
        page.Until("the drawing", () => Cuts(page) > 3);
        Press(page, Keys.Home);
        page.Until("the uncut tree", () => Cuts(page) == 0);
        Press(page, "x");
        page.Find("[data-test='undo']");
        // What would fall with the limb chosen is told before, and is what falls.
        var whole = Buds(page);
        Press(page, Keys.ArrowDown);
        page.Says(".bench-foot", "would fall");
        var told = int.Parse(
            System
                .Text.RegularExpressions.Regex.Match(page.Find(".bench-foot").Text, @"(\d+) buds? would fall")
                .Groups[1]
                .Value,
            System.Globalization.CultureInfo.InvariantCulture
        );
        Press(page, "x");
        page.Until("one cut", () => Cuts(page) == 1);
        page.Says(".bench-now", "Cut 1:");
        page.Until("what was told has fallen", () => whole - Buds(page) == told);
    }

    [Fact]
    public void A_pruner_practises_is_scored_and_kept_for_the_lead()
    {
        using var page = new Page(server, role: Role.CrewLead).OpenPlanting("W1", "bench", planting: false);
        page.Until("the drawing", () => Cuts(page) > 0);
        page.Click("[data-test='practise']");
        page.Find("[data-test='practice-target']");
        Press(page, Keys.ArrowDown + "x");
        page.Until("one cut", () => Cuts(page) == 1);
        page.Click("[data-test='done']");
        page.Find("[data-test='score']");
        page.Find("[data-test='remarks'] li");
        page.Click(By.XPath("//*[@class='practice-keep']//option[text()='Pruner 2']"));
        page.Click("[data-test='keep-run']");
        page.Says(".practice-runs", "Pruner 2");
    }

    [Fact]
    public void Practice_begins_uncut_beside_the_card_and_shows_each_remark_at_its_place()
    {
        using var page = new Page(server, role: Role.CrewLead).OpenPlanting("W1", "prescribe");
        page.Click("[data-test='practise']");
        page.Find("[data-test='practice-card'] li");
        page.Until("an uncut tree", () => Cuts(page) == 0);
        // Limb after limb from the top down: no card asks for that.
        for (var made = 1; made <= 4; made++)
        {
            Press(page, Keys.ArrowDown + "x");
            page.Until("another cut", () => Cuts(page) == made);
        }
        page.Click("[data-test='done']");
        page.Click(".practice-remark");
        page.Find(".tree-spoken");
        Assert.Empty(Axe.Faults(page));
        page.Click("[data-test='next-tree']");
        page.Find("[data-test='practice-card'] li");
        page.Until("another uncut tree", () => Cuts(page) == 0);
    }

    [Fact]
    public void A_school_is_chosen_saved_and_an_issued_card_goes_out_of_date()
    {
        using var page = new Page(server).OpenPlanting("W3", "prescribe");
        page.Click("[data-test='issue']");
        page.Says("[data-test='cards-issued']", "Prescription 1");
        page.Click(By.XPath("//div[@data-field='cutting.answers.spur-removal']//div[text()='Leave to hand thinning']"));
        page.Click("[data-test='how-cut'] [data-test='save']");
        page.Says("[data-test='cards-old']", "1 card");
        page.Says("[data-test='cards-issued']", "out of date");
    }

    [Fact]
    public void A_prescription_changed_meanwhile_is_shown_before_its_card_is_handed_out()
    {
        using var page = new Page(server).OpenPlanting("W8", "prescribe");
        page.Find("[data-test='issue']");
        // Somebody else changes it while this page lies open.
        using (var other = new Page(server).OpenPlanting("W8", "prescribe"))
        {
            other.Click(By.XPath("//summary[text()='Numbers of the system']"));
            other
                .Find(
                    "[data-test='how-cut'] [data-field^='cutting.settings.'] input, [data-test='how-cut'] "
                        + "input[data-field^='cutting.settings.']"
                )
                .SendKeys("1");
            other.Click("[data-test='how-cut'] [data-test='save']");
            other.Says("[data-test='how-cut']", "Saved");
        }
        page.Click("[data-test='issue']");
        page.Says("[data-test='issue-problem']", "Somebody changed the prescription");
        page.Until("no card handed out", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='cards-issued']")).Count == 0
        );
        page.Click("[data-test='issue']");
        page.Says("[data-test='cards-issued']", "Prescription 1");
    }

    [Fact]
    public void A_measure_says_why_and_leaf_buds_stand_where_buds_were_cut()
    {
        using var page = new Page(server).OpenPlanting("H6", "bench", planting: false);
        page.Until("leaf buds", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='bench-tree'] .tree-bud-leaf")).Count > 20
        );
        page.Click(".bench-thickest .why");
        page.Says(".arithmetic", "diameter of the limb ÷ diameter of its leader there");
        page.Says(".arithmetic", "mm");
        page.Click("[data-test='bench-left'] .why");
        page.Until("the buds' arithmetic", () =>
            page
                .Driver.FindElements(By.CssSelector(".arithmetic"))
                .Any(e => e.Text.Contains("floral buds − all drops", StringComparison.Ordinal))
        );
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Many_trees_are_cut_and_another_school_stands_beside()
    {
        using var page = new Page(server).OpenPlanting("H4", "prescribe");
        page.Find("select[aria-label='Beside it'] option[value='order=top-down']").Click();
        page.Click("[data-test='simulate']");
        page.Says("[data-test='simulation']", "Trees ending on target");
        page.Until("two columns", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='simulation'] thead th")).Count == 3
        );
        page.Click("[data-test='simulation'] td .why");
        page.Says(".arithmetic", "trees ending on target");
        page.Press(Keys.Escape);
        // The trees that were counted are cut too, each by itself.
        page.Click("[data-test='counted-cut'] summary");
        page.Says("[data-test='counted-cut']", "row 3, tree 14");
    }

    [Fact]
    public void Demonstration_trees_change_the_prescription_and_it_says_how()
    {
        using var page = new Page(server).OpenPlanting("H10", "prescribe");
        page.Click(By.XPath("//summary[text()='Demonstration trees']"));
        foreach (var (column, text) in new[] { (0, "2"), (1, "9"), (2, "400"), (3, "100") })
            page.Find($"[data-test='how-cut'] [data-cell='0-{column}']").SendKeys(text);
        page.Says("[data-test='demonstrated']", "What 1 demonstration tree changed");
        page.Click("[data-test='how-cut'] [data-test='save']");
        page.Says("[data-test='demonstrated']", "min a tree were expected");
        // More on the ground than stood is told in its line.
        page.Find("[data-test='how-cut'] [data-cell='0-3']").SendKeys("0");
        page.Says("[data-test='how-cut']", "fell where");
    }

    [Fact]
    public void The_bench_says_why_a_step_cuts_no_more()
    {
        using var page = new Page(server).OpenPlanting("H4", "bench", planting: false);
        page.Find("[data-test='bench-cuts'] li");
        page.Says("[data-test='step-end']", "below its number");
        page.Click(".bench-ends summary");
        page.Says(".bench-ends", "Thickest limbs");
    }

    [Fact]
    public void A_decision_made_by_hand_asks_for_its_reason()
    {
        using var page = new Page(server).OpenPlanting("H10", "decide");
        page.Says("[data-test='by-class']", "Reduce");
        page.Find("[data-field='settings.held'] option[value='structureOnly']").Click();
        page.Click(".sheet [data-test='save']");
        Assert.Contains("fill this in", page.Problem("settings.heldReason"), StringComparison.Ordinal);
        page.Type("settings.heldReason", "hail nets first");
        page.Press(Keys.Enter);
        page.Says("[data-test='decision']", "by hand");
    }
}
