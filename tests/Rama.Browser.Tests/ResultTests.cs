using OpenQA.Selenium;
using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>What came of a season: looked at, put right, begun anew, and seen over the estate.</summary>
public sealed class ResultTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact]
    public void A_season_is_told_from_wish_to_result_and_put_right()
    {
        using var page = new Page(server).OpenPlanting("W2", "result");
        page.Says("[data-test='season-chain']", "as planned");
        page.Click(By.XPath("//button[.='2022']"));
        page.Says("[data-test='season-chain']", "What made the difference was set");
        Assert.Empty(Axe.Faults(page));
        // A count that cannot be is told at its field, and nothing is lost.
        page.Type("records.season.counts.setClusters", "400");
        page.Click("[data-test='save']");
        page.Until("a problem", () => page.Problem("records.season.counts.setClusters").Length > 0);
        page.Shows("[data-field='records.season.counts.setClusters'] input", "400");
        page.Type("records.season.counts.setClusters", "150");
        page.Click("[data-test='save']");
        page.Says("[data-test='season-chain']", "thinning");
    }

    [Fact]
    public void The_record_of_the_season_begins_with_what_its_plan_wanted()
    {
        using var page = new Page(server).OpenPlanting("H11", "result");
        page.Click("[data-test='season-begin']");
        page.Says("main", "What came of 2027");
        page.Until("what was wanted", () =>
            page.Find("[data-field='records.season.wanted.budsLeft'] input").GetAttribute("value") is { Length: > 0 }
        );
        // The walk after pruning found what was left; it need not be typed again.
        page.Until("what was left", () =>
            page.Find("[data-field='records.season.budsLeft'] input").GetAttribute("value") is { Length: > 0 }
        );
        page.Click("[data-test='save']");
        page.Says("[data-test='season-chain']", "of the buds wanted");
    }

    [Fact]
    public void A_learned_number_is_pinned_with_its_reason_and_put_back()
    {
        using var page = new Page(server).OpenPlanting("W4", "result");
        page.Says("[data-test='learned-packOut'] [data-test='standing']", "learned; the next target takes it");
        page.Choose("learning.packOut.follows", "pinned");
        // A pin is a number with a reason; without, it is a fault and not the shipped number.
        page.Click("[data-test='learned'] [data-test='save']");
        page.Until("the number asked for", () => page.Problem("learning.packOut.pinned").Length > 0);
        page.Type("learning.packOut.pinned", "90");
        page.Click("[data-test='learned'] [data-test='save']");
        page.Until("the reason asked for", () => page.Problem("learning.packOut.reason").Length > 0);
        page.Type("learning.packOut.reason", "a new sorting line");
        page.Click("[data-test='learned'] [data-test='save']");
        page.Says("[data-test='learned-packOut'] [data-test='standing']", "pinned by hand");
        Assert.Empty(Axe.Faults(page));
        // The estate tells it with its reason; the planting opens again with it.
        page.Open("/results/learned");
        page.Says("[data-test='learning-packOut']", "a new sorting line");
        page.Click(By.XPath("//*[@data-test='learning-packOut']//a[contains(., 'W4')]"));
        page.Shows("[data-field='learning.packOut.pinned'] input", "90");
        page.Choose("learning.packOut.follows", "seasons");
        page.Click("[data-test='learned'] [data-test='save']");
        page.Says("[data-test='learned-packOut'] [data-test='standing']", "learned; the next target takes it");
    }

    [Fact]
    public void A_line_of_the_harvest_is_taken_out_and_put_back_before_it_is_saved()
    {
        using var page = new Page(server).OpenPlanting("H3", "result");
        page.Click(By.XPath("//button[.='2025']"));
        page.Click("[data-test='harvest-lines'] summary");
        var packed = page.Find("[data-test='harvest'] > p").Text;
        const string First = "[data-test='harvest-lines'] tbody tr:first-child button";
        page.Click(First);
        page.Says("[data-test='harvest-lines']", "1 line goes when the record is saved");
        page.Click(First);
        page.Click(First);
        Assert.Empty(Axe.Faults(page));
        page.Click("[data-test='save']");
        page.Says("[data-test='harvest-lines'] summary", "11 lines");
        page.Until("less packed", () => page.Find("[data-test='harvest'] > p").Text != packed);
    }

    [Fact]
    public void Shoots_to_come_are_told_with_the_cuts()
    {
        using var page = new Page(server).OpenPlanting("H3", "prescribe");
        page.Says("[data-test='shoots']", "are to be expected next summer");
        page.OpenPlanting("H3", "result");
        page.Choose("learning.shootLength.follows", "pinned");
        page.Type("learning.shootLength.pinned", "30");
        page.Type("learning.shootLength.reason", "wet ground");
        page.Click("[data-test='learned'] [data-test='save']");
        page.Says("[data-test='learned-shootLength'] [data-test='standing']", "pinned by hand");
        Assert.Empty(Axe.Faults(page));
        page.Open("/results/learned");
        page.Says("[data-test='learning-shootLength']", "wet ground");
    }

    [Fact]
    public void Seasons_stand_side_by_side_and_sort()
    {
        using var page = new Page(server).Open("/results/seasons");
        page.Says("[data-test='seasons'] tbody tr:first-child", "2022");
        page.Click(By.XPath("//label[contains(., 'By planting')]"));
        page.Says("[data-test='seasons'] tbody tr:first-child", "H1");
        page.Click(By.XPath("//button[.='2025']"));
        page.Click(By.XPath("//th//button[contains(., 'Packed, by area')]"));
        // H4 picked most of a hectare in 2025: 61.7 t/ha, 87 % of it packed.
        page.Says("[data-test='seasons'] tbody tr:first-child", "H4");
        page.Says("[data-test='seasons'] tbody tr:first-child", "53.7 t/ha");
    }

    [Fact]
    public void The_estate_sees_where_a_season_was_lost()
    {
        using var page = new Page(server, role: Role.Reader).Open("/results?of=2023");
        page.Says("[data-test='results-links'] tbody tr:first-child", "bloom");
        page.Says("[data-test='results'] tbody tr:first-child", "H3");
        Assert.Empty(Axe.Faults(page));
        page.Click(By.XPath("//a[contains(., 'Church Field')]"));
        page.Says("[data-test='season-chain']", "thinning");
    }
}
