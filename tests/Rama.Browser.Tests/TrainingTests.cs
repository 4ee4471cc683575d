using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>A young planting from its first leaf to full bearing, and its bare leader.</summary>
public sealed class TrainingTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact]
    public void A_young_planting_is_shown_leaf_by_leaf()
    {
        using var page = new Page(server).OpenPlanting("H7", "training");
        page.Says("[data-test='leaf-2']", "now");
        page.Says("[data-test='task-branch-making']", "licensed applicators");
        page.Click("[data-test='leaf-1']");
        page.Says("[data-test='task-feathers-off']", "Done Mar");
        page.Click("[data-test='leaf-3']");
        page.Says("[data-test='leaf-tasks']", "At most");
        page.Find("[data-test='leaf-6'] .tree-wood");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Measures_are_saved_and_what_is_wrong_stands_at_its_field()
    {
        using var page = new Page(server).OpenPlanting("H7", "training");
        page.Type("young.height", "99");
        page.Click("[data-test='save-young']");
        Assert.Contains("12", page.Problem("young.height"), StringComparison.Ordinal);
        page.Type("young.height", "1.6");
        page.Click("[data-test='save-young']");
        page.Says("[data-test='leaf-1']", "1.6");
    }

    [Fact]
    public void Buds_of_a_bare_leader_are_turned_one_by_one()
    {
        using var page = new Page(server).OpenPlanting("H7", "training/leader");
        page.Says("[data-test='leader-number']", "9");
        page.Click("[data-test='bud-37']");
        page.Says("[data-test='leader-number']", "10");
        page.Type("leader.takenEach", "0.5");
        Assert.Contains("shade each other", page.Problem("leader.takenEach"), StringComparison.Ordinal);
        page.Type("leader.takenEach", "");
        page.Click("[data-test='leader-bench'] .ant-segmented-item:nth-child(2)");
        page.Says("[data-test='leader-bench']", "3 bands");
    }

    [Fact]
    public void The_programme_prints_one_page_a_leaf()
    {
        using var page = new Page(server).OpenPlanting("H7", "training/print", planting: false);
        page.Until("six pages", () => page.Driver.FindElements(By.CssSelector("[data-test='leaf-page']")).Count == 6);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Sides_in_turn_are_drawn_from_above_and_laid_anew()
    {
        using var page = new Page(server).OpenPlanting("W7", "sides");
        page.Says("[data-test='sides-now']", "cut after harvest");
        page.Says("[data-test='sides-2027']", "choose");
        page.Type("sides.everyYears", "2");
        page.Type("sides.start", "2026");
        page.Click("[data-test='save-sides']");
        page.Says("[data-test='sides-now']", "no alley is cut");
        page.Says(".training", "the cuts chosen renew a side");
        Assert.Empty(page.Complaints());
    }
}
