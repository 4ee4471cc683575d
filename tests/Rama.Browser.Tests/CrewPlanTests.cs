using System.Globalization;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>The crew plan on the screen, and work reported from the row.</summary>
public sealed class CrewPlanTests(RamaServer server) : IClassFixture<RamaServer>
{
    private const string H12 = "[data-test='bar-H12-winter']";

    private async Task<JsonNode> Plan()
    {
        using var client = server.ClientOf();
        return await client.ReadAsync("/api/v1/crew-plan");
    }

    private static JsonNode TaskOf(JsonNode plan, string code, string pass) =>
        plan["tasks"]!.AsArray().Single(t => (string)t!["code"]! == code && (string)t["pass"]! == pass)!;

    /// <summary>What a screen reader says of the bar.</summary>
    private static string NameOf(Page page) => ((WebElement)page.Find(H12)).ComputedAccessibleLabel;

    [Fact]
    public async Task A_bar_is_moved_by_keys_and_kept_until_it_is_freed()
    {
        using var page = new Page(server).Open("/crew");
        page.Says("[data-test='crew-plan-sum']", "late");
        page.Says("[data-test='late-list']", "In time with");
        var plan = await Plan();
        var placed = TaskOf(plan, "H12", "winter")["placed"]!;
        page.Click($"{H12} rect");
        page.Says("[data-test='crew-task']", "H12 Chapel Piece");
        page.Press(Keys.ArrowRight);
        // The next day its crew works.
        var free = plan["crews"]!.AsArray().Single(c => (string)c!["id"]! == (string)placed["crew"]!)!["free"]!
            .AsArray()
            .Select(d => (string)d!)
            .ToHashSet();
        var day = DateOnly.Parse((string)placed["first"]!, CultureInfo.InvariantCulture);
        string next;
        do next = (day = day.AddDays(1)).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        while (free.Contains(next));
        page.Until("it is kept on the next day", () =>
            page.Find("[data-field='start'] input").GetAttribute("value") == next
        );
        Assert.Contains("kept", NameOf(page), StringComparison.Ordinal);
        page.Click(By.XPath("//*[@data-test='crew-task']//button[contains(., 'Free it')]"));
        page.Until("it is free", () => !NameOf(page).Contains("kept", StringComparison.Ordinal));
        Assert.Equal(0, (int)TaskOf(await Plan(), "H12", "winter")["version"]!);
    }

    [Fact]
    public async Task A_better_plan_is_looked_for_and_kept()
    {
        var before = (double)(await Plan())["cost"]!["total"]!;
        using var page = new Page(server).Open("/crew");
        page.Click(By.XPath("//button[contains(., 'Improve the plan')]"));
        page.Says(".crew-plan-improve [role='status']", "");
        page.Says(".crew-plan-head", "Plan of");
        var plan = await Plan();
        Assert.True((double)plan["cost"]!["total"]! <= before);
        Assert.False((bool)plan["isStale"]!);
    }

    [Fact]
    public async Task A_lead_reports_rows_without_signal()
    {
        await using var cable = new Cable(server.Address);
        using var page = new Page(server, 390, 844, phone: true, role: Role.CrewLead, address: cable.Address).ByTaps();
        page.Open("/field");
        page.Find("[data-test='count-W4'][data-taken='true']");
        page.Until("the service worker", () => page.Script<bool>("return !!navigator.serviceWorker.controller"));
        await cable.CutAsync();
        page.OpenInRow("W4");
        page.Click(By.LinkText("Work"));
        page.Says("[data-test='work-left']", "25 rows left");
        page.Click("[data-test='work-row-1']");
        page.Click("[data-test='work-row-2']");
        page.Says("[data-test='work-left']", "23 rows left");
        page.Find("[data-test='work-hours']").SendKeys("7.5");
        page.Click("[data-test='work-send']");
        page.Says("[data-test='work-told']", "rows 1, 2");
        page.Until("one waiting", () => page.Find("[data-test='sync']").GetAttribute("data-waiting") == "1");
        // What was told holds on this phone at once.
        Assert.False(page.Find("[data-test='work-row-1']").Enabled);
        cable.Mend();
        page.Click("[data-test='sync']");
        page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-state") == "idle");

        var task = TaskOf(await Plan(), "W4", "hazard");
        Assert.Equal([1, 2], task["done"]!["rowsDone"]!.AsArray().Select(r => (int)r!));
        Assert.True((double)task["done"]!["paidHours"]! > 0);
    }

    [Fact]
    public async Task The_days_of_a_crew_are_there_without_signal()
    {
        using var client = server.ClientOf();
        var today = await client.ReadAsync("/api/v1/crew-plan/today");
        // The work of the day at hand.
        var turn = today["turns"]![0]!;
        var crew = (string)today["crews"]!.AsArray().Single(c => (string)c!["id"]! == (string)turn["crew"]!)!["name"]!;
        var line = $"[data-test='today-{turn["code"]}-{turn["pass"]}']";
        await using var cable = new Cable(server.Address);
        using var page = new Page(server, 390, 844, phone: true, role: Role.CrewLead, address: cable.Address).ByTaps();
        page.Open("/field");
        page.Click("[data-test='today']");
        page.Click(By.XPath($"//button[.='{crew}']"));
        page.Says(line, (string)turn["name"]!);
        page.Until("the service worker", () => page.Script<bool>("return !!navigator.serviceWorker.controller"));
        page.Open("/field");
        page.Find($"[data-test='count-{turn["code"]}'][data-taken='true']");
        await cable.CutAsync();
        page.Open("/field/today");
        page.Says(line, (string)turn["name"]!);
        page.Click(line);
        page.Find($"[data-test='work-pass-{turn["pass"]}'][aria-pressed='true']");
        // Who is in the crew is known there, too.
        var person = today["people"]!.AsArray().First(p => (string)p!["crew"]! == (string)turn["crew"]!)!;
        page.Click($"[data-test='work-who-{person["name"]}']");
        page.Find($"[data-test='work-who-{person["name"]}'][aria-pressed='true']");
    }

    [Fact]
    public async Task Work_is_reported_and_put_right_in_the_office()
    {
        using var client = server.ClientOf();
        var w5 = await client.PlantingAsync("W5");
        using var page = new Page(server).Open($"/plantings/{w5["id"]}/passes");
        page.Click("[data-test='report-add']");
        page.Type("report.people", "4");
        page.Type("report.hours", "30");
        page.Type("report.rows", "first");
        page.Click(By.XPath("//button[contains(., 'Save report')]"));
        page.Until("no rows", () => page.Problem("report.rows").Length > 0);
        page.Type("report.rows", "1-3");
        page.Click(By.XPath("//button[contains(., 'Save report')]"));
        page.Until("too long a day", () => page.Problem("report.hours").Contains("16", StringComparison.Ordinal));
        page.Type("report.hours", "7.5");
        page.Type("report.hazard", "Wasps at the gate");
        page.Click(By.XPath("//button[contains(., 'Save report')]"));
        page.Says(".work-reported", "rows 1–3");
        page.Says(".work-hazard", "Wasps at the gate");
        page.Says("[data-test='pass-winter'] [data-test='progress']", "done");

        page.Click(By.XPath("//button[contains(., 'Correct')]"));
        page.Type("report.rows", "1-2");
        page.Click(By.XPath("//button[contains(., 'Save report')]"));
        page.Says(".work-reported", "rows 1–2");
        var work = await client.ReadAsync($"/api/v1/plantings/{w5["id"]}/work");
        Assert.Equal(
            [1, 2],
            Assert.Single(work["reports"]!.AsArray())!["report"]!["rows"]!.AsArray().Select(r => (int)r!)
        );
        page.Click(By.XPath("//button[contains(., 'Take it back')]"));
        page.Says(".work-reported", "Nothing has been reported yet");
    }

    [Fact]
    public void A_crew_is_added_with_its_mistakes_at_their_fields()
    {
        using var page = new Page(server).Open("/crew/people");
        page.Click("[data-test='add-crew']");
        page.Type("crews.hoursPerDay", "20");
        page.Click("[data-test='save-crew']");
        page.Until("what is wrong", () =>
            page.Problem("crews.hoursPerDay").Contains("16", StringComparison.Ordinal)
            && page.Problem("crews.people").Contains("fill this in", StringComparison.Ordinal)
        );
        page.Type("crews.hoursPerDay", "8");
        page.Type("crews.people", "3");
        page.Type("crews.name", "Crew D");
        page.Click("[data-test='save-crew']");
        page.Says("[data-test='crew-Crew D']", "3 × 8 h");
    }
}
