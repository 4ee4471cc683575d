using OpenQA.Selenium;
using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>Who works in the rows, as a crew lead keeps it.</summary>
public sealed class CrewTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static void Press(Page page, string line, string button) =>
        page.Driver.FindElement(By.XPath($"//tr[th[contains(., '{line}')]]//button[contains(., '{button}')]")).Click();

    [Fact]
    public void A_lead_adds_renames_and_lets_somebody_go()
    {
        using var page = new Page(server, role: Role.CrewLead).Open("/crew/people");
        page.Says("[data-test='crew-cards']", "4 work in the rows");
        page.Click("[data-test='add-worker']");
        Assert.Contains("fill this in", page.Problem("worker.name"), StringComparison.Ordinal);
        page.Type("worker.name", "pruner 3");
        page.Click("[data-test='add-worker']");
        page.Until("the name is taken", () =>
            page.Problem("worker.name").Contains("already", StringComparison.Ordinal)
        );
        page.Type("worker.name", "Pruner 6");
        page.Click("[data-test='add-worker']");
        page.Says("[data-test='crew']", "Pruner 6");
        page.Says("[data-test='crew-cards']", "5 work in the rows");
        Press(page, "Pruner 6", "Rename");
        page.Type("worker.rename", "Number 6");
        Press(page, "Name or number", "Save");
        page.Says("[data-test='crew']", "Number 6");
        Press(page, "Number 6", "Has left");
        page.Says("[data-test='crew-cards']", "4 work in the rows");
        Press(page, "Number 6", "Remove");
        page.Until("nobody of that name", () =>
            !page.Find("[data-test='crew']").Text.Contains("Number 6", StringComparison.Ordinal)
        );
    }
}
