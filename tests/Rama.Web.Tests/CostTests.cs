using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using MiniExcelLibs;
using Rama.Data.People;
using Calendar = Ical.Net.Calendar;

namespace Rama.Web.Tests;

/// <summary>Costs, pay and calendar of the demo's crew plan.</summary>
public sealed class CostTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    // The same file is read by another parser in web/src/stages/crew/calendar.test.ts.
    private const string Golden = "tests/Rama.Web.Tests/Files/crew-c.ics";

    private readonly HttpClient _manager = application.ClientOf();

    private static double Sum(JsonNode rows, string of) => rows.AsArray().Sum(r => (double)r!["cost"]![of]!);

    private async Task<byte[]> File(string path)
    {
        using var answer = await _manager.GetAsync(
            new Uri(path, UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(200, (int)answer.StatusCode);
        return await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken);
    }

    // Each demo estate has plantings of its own.
    private static string WithoutIds(string calendar) => Regex.Replace(calendar, "UID:[0-9a-f-]{36}", "UID:");

    [Fact]
    public async Task However_it_is_taken_together_it_is_the_same_money()
    {
        var costs = await _manager.ReadAsync("/api/v1/crew-plan/costs");
        var total = costs["total"]!;
        foreach (var by in new[] { "byPlanting", "byPass" })
        foreach (var of in new[] { "planned", "plannedHours", "soFar", "soFarHours", "left", "leftHours", "value" })
            Assert.Equal((double)total[of]!, Sum(costs[by]!, of), 6);
        Assert.Equal((double)total["value"]!, Sum(costs["byCrew"]!, "value"), 6);

        // What is left are the hours of the crew plan.
        var plan = await _manager.ReadAsync("/api/v1/crew-plan");
        Assert.Equal(
            plan["tasks"]!.AsArray().Sum(t => (double)(t!["placed"]?["hours"] ?? t["hours"])!),
            (double)total["leftHours"]!,
            6
        );
        // And what is paid is what people get.
        var pay = await _manager.ReadAsync("/api/v1/crew-plan/pay");
        Assert.Equal((double)total["soFar"]!, pay["lines"]!.AsArray().Sum(l => (double)l!["line"]!["pay"]!), 6);
    }

    [Fact]
    public async Task What_was_reported_is_paid_at_the_wage_of_the_crew()
    {
        var costs = await _manager.ReadAsync("/api/v1/crew-plan/costs");
        var plan = await _manager.ReadAsync("/api/v1/crew-plan");
        var wages = plan["crews"]!
            .AsArray()
            .ToDictionary(c => (string)c!["id"]!, c => (double)c!["crew"]!["wagePerHour"]!);
        var h11 = await _manager.PlantingAsync("H11");
        var work = await _manager.ReadAsync($"/api/v1/plantings/{h11["id"]}/work");
        var paid = work["reports"]!
            .AsArray()
            .Select(r => r!["report"]!)
            .Sum(r => (double)r["people"]! * (double)r["hours"]! * wages[(string)r["crew"]!]);
        var row = costs["byPlanting"]!.AsArray().Single(r => (string?)r!["planting"] == (string)h11["id"]!)!["cost"]!;
        Assert.True(paid > 0);
        Assert.Equal(paid, (double)row["soFar"]!, 6);
        Assert.Equal((double)row["value"]! / (double)row["trees"]!, (double)row["perTree"]!, 9);
    }

    [Fact]
    public async Task Pay_and_costs_are_taken_out_as_files()
    {
        var lines = (await _manager.ReadAsync("/api/v1/crew-plan/pay"))["lines"]!.AsArray();
        var csv = Encoding.UTF8.GetString(await File("/api/v1/crew-plan/pay/file?language=es")).TrimEnd().Split("\r\n");
        Assert.StartsWith("\uFEFFSemana del,Cuadrilla,Persona", csv[0], StringComparison.Ordinal);
        Assert.Equal(lines.Count, csv.Length - 1);
        var first = csv[1].Split(',');
        Assert.Equal((string)lines[0]!["line"]!["week"]!, first[0]);
        Assert.Equal((double)lines[0]!["line"]!["pay"]!, double.Parse(first[8], CultureInfo.InvariantCulture), 9);
        // Read back by the library that reads workbooks for the importer.
        using MemoryStream book = new(await File("/api/v1/crew-plan/costs/file?by=planting&format=xlsx"));
        var rows = book.Query(useHeaderRow: true).Cast<IDictionary<string, object?>>().ToList();
        var costs = await _manager.ReadAsync("/api/v1/crew-plan/costs");
        Assert.Equal(Sum(costs["byPlanting"]!, "value"), rows.Sum(r => Convert.ToDouble(r["Expected"])), 6);
        using var none = await _manager.GetAsync(
            new Uri("/api/v1/crew-plan/costs/file?by=moon", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)none.StatusCode);
        using var lead = application.ClientOf(Role.CrewLead);
        Assert.Equal(403, (await lead.SendAsync(HttpMethod.Get, "/api/v1/crew-plan/pay")).Status);
    }

    [Fact]
    public async Task The_calendar_holds_the_days_of_the_plan()
    {
        var plan = await _manager.ReadAsync("/api/v1/crew-plan");
        var calendar = Calendar.Load(Encoding.UTF8.GetString(await File("/api/v1/crew-plan/calendar")))!;
        Assert.Equal(calendar.Events.Count, calendar.Events.Select(e => e.Uid).Distinct().Count());
        foreach (var task in plan["tasks"]!.AsArray().Where(t => t!["placed"] is not null))
        {
            var id = ((string)task!["id"]!).Replace('/', '-').Replace('#', '-');
            var events = calendar.Events.Where(e => e.Uid!.StartsWith(id + "-", StringComparison.Ordinal)).ToList();
            Assert.Equal((string)task["placed"]!["first"]!, $"{events.Min(e => e.Start!.Value):yyyy-MM-dd}");
            Assert.Equal((string)task["placed"]!["last"]!, $"{events.Max(e => e.End!.Value).AddDays(-1):yyyy-MM-dd}");
            Assert.All(events, e => Assert.Equal((string)task["site"]!, e.Location));
        }
        var c = plan["crews"]!.AsArray().Single(k => (string)k!["crew"]!["name"]! == "Crew C")!["id"];
        var one = Encoding.UTF8.GetString(await File($"/api/v1/crew-plan/calendar?crew={c}"));
        var golden = RamaApplication.RepositoryFile(Golden);
        if (Environment.GetEnvironmentVariable("RAMA_WRITE_FILES") == "1")
            await System.IO.File.WriteAllTextAsync(golden, one, TestContext.Current.CancellationToken);
        Assert.Equal(
            WithoutIds(await System.IO.File.ReadAllTextAsync(golden, TestContext.Current.CancellationToken)),
            WithoutIds(one)
        );
        using var none = await _manager.GetAsync(
            new Uri($"/api/v1/crew-plan/calendar?crew={Guid.NewGuid()}", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)none.StatusCode);
    }
}
