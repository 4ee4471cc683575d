using OpenQA.Selenium;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Changes tried out on the screen, and less depth taken.</summary>
public sealed class TrialTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static By Button(string text) => By.XPath($"//button[contains(., '{text}')]");

    [Fact]
    public void Changes_stand_side_by_side_with_their_mistakes_at_their_fields()
    {
        using var page = new Page(server).Open("/crew/what-if");
        page.Type("trial.hire.hireWeeks", "60");
        page.Click(Button("Try them out"));
        page.Until("what is wrong", () =>
            page.Problem("trial.hire.hireWeeks").Contains("52", StringComparison.Ordinal)
        );
        page.Type("trial.hire.hireWeeks", "six");
        page.Click(Button("Try them out"));
        page.Until("what is no number", () => page.Problem("trial.hire.hireWeeks").Length > 0);
        page.Type("trial.hire.hireWeeks", "6");
        page.Click(Button("One pass for two"));
        page.Click(Button("Try them out"));
        page.Says("[data-test='trial-onePass']", "No work at hand is planned in two passes");
        page.Click("[data-test='trial-onePass'] .trial-name button");
        page.Click(Button("Try them out"));
        page.Says("[data-test='trial-sum']", "save");
        // The difference first, of each of the three.
        IReadOnlyList<string> Differences() =>
            [.. page.Driver.FindElements(By.CssSelector(".trial-table tbody tr:first-child td")).Select(c => c.Text)];
        page.Until("all tried", () => Differences() is [_, .., { Length: > 0 }]);
        Assert.Equal(4, Differences().Count);
        Assert.Contains("saves", Differences()[1], StringComparison.Ordinal);
        Assert.Contains("costs", Differences()[2], StringComparison.Ordinal);
        // What is typed since has no result yet.
        page.Type("trial.lost.lostWeeks", "1");
        page.Until("no old result", () =>
            page.Driver.FindElements(By.CssSelector(".trial-table tbody tr:first-child td"))[2].Text.Length == 0
        );
    }

    [Fact]
    public async Task Less_depth_is_taken_and_the_plan_made_again()
    {
        using var page = new Page(server).Open("/crew/depth");
        page.Says("[data-test='depth-sum']", "give");
        page.Type("depth.hours", "1");
        page.Click(Button("Work out"));
        page.Until("too few", () => page.Problem("depth.hours").Length > 0);
        page.Type("depth.hours", "3700");
        page.Click(Button("Work out"));
        page.Says(".crew-plan-head", "3,700 of");
        page.Click("[data-test='depth-take']");
        page.Says("[data-test='depth-done']", "Planned again");
        page.Says(".depth-held", "Hours do not reach");
        using var client = server.ClientOf();
        var held = (await client.ReadAsync("/api/v1/crew-plan/depth"))["held"]!.AsArray();
        Assert.NotEmpty(held);
        page.Open($"/plantings/{held[0]!["planting"]}/decide");
        page.Shows("[data-field$='.heldReason'] input", "Hours do not reach");
    }
}
