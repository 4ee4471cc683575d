using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>The crew plan of the demo: what it plans, what is kept, what the row reports.</summary>
public sealed class CrewPlanTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly Guid Phone = Guid.Parse("0b6c2a52-6f0e-4c7e-9a55-0d7f3b1d8a02");

    private readonly HttpClient _manager = application.ClientOf();
    private readonly HttpClient _lead = application.ClientOf(Role.CrewLead);
    private long _sequence;

    private Task<JsonNode> Plan() => _lead.ReadAsync("/api/v1/crew-plan");

    private static JsonNode TaskOf(JsonNode plan, string code, string pass) =>
        plan["tasks"]!.AsArray().Single(t => (string)t!["code"]! == code && (string)t["pass"]! == pass)!;

    private static string CrewNamed(JsonNode plan, string name) =>
        (string)plan["crews"]!.AsArray().Single(c => (string)c!["crew"]!["name"]! == name)!["id"]!;

    private static string Code(JsonNode body) => (string)body["problems"]![0]!["code"]!;

    private static string FieldOf(JsonNode body) => (string)body["problems"]![0]!["field"]!;

    [Fact]
    public async Task Its_hours_are_those_of_the_year_less_what_is_done()
    {
        var plan = await Plan();
        var season = await _lead.ReadAsync("/api/v1/season");
        foreach (var code in new[] { "H4", "W3", "H6" })
        {
            var task = TaskOf(plan, code, "winter");
            var programme = (await _lead.ReadAsync($"/api/v1/plantings/{task["planting"]}/programme"))["programme"]!;
            var pass = programme["passes"]!.AsArray().Single(p => (string)p!["id"]! == "winter")!;
            var done = Done(task!);
            Assert.Equal((double)pass["hours"]!["paid"]! * (1 - done), (double)task["hours"]!, 6);
            Assert.Equal((string)pass["to"]!, (string)task["due"]!);
            // And the season page tells the same hours.
            var line = season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == code)!;
            Assert.Equal((double)line["work"]!["hours"]!, (double)task["hours"]!, 6);
            Assert.Equal(
                done,
                (double)line["passes"]!.AsArray().Single(p => (string)p!["id"]! == "winter")!["done"]!,
                6
            );
        }
        // Half worked; the one all trees of which are reported is done and not planned any more.
        Assert.InRange((double)TaskOf(plan, "H6", "winter")["done"]!["value"]!, 0.3, 0.7);
        Assert.DoesNotContain(plan["tasks"]!.AsArray(), t =>
            (string)t!["code"]! == "H11" && (string)t["pass"]! == "winter"
        );
    }

    [Fact]
    public async Task The_season_page_tells_the_days_of_the_plan()
    {
        var plan = await Plan();
        var season = await _lead.ReadAsync("/api/v1/season");
        var seen = 0;
        foreach (var line in season["plantings"]!.AsArray().Where(l => l!["work"] is not null))
        {
            var winter = plan["tasks"]!
                .AsArray()
                .Where(t => (string)t!["code"]! == (string)line!["code"]! && IsWinter((string)t["pass"]!))
                .ToList();
            if (winter.Count == 0)
                continue;
            Assert.Equal(winter.Max(t => (string)t!["placed"]!["last"]!), (string)line!["work"]!["done"]!);
            Assert.Equal(winter.Max(t => (int)t!["placed"]!["daysLate"]!), (int)line["work"]!["daysLate"]!);
            seen += (int)line["work"]!["daysLate"]! > 0 ? 1 : 0;
        }
        Assert.True(seen > 0);
        // 8 × 8 + 6 × 8 + 4 × 8 hours a day, five days a week.
        Assert.Equal(720, (double)season["crewHoursPerWeek"]!);
        Assert.Equal(720, (double)(await _lead.ReadAsync("/api/v1/year"))["crewHoursPerWeek"]!);
        static bool IsWinter(string pass) =>
            pass is "winter" or "major" or "detail" or "hazard" || pass.EndsWith("-winter", StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_stops_looking_keeps_the_best_so_far()
    {
        var before = await Plan();
        using CancellationTokenSource stop = new();
        using HttpRequestMessage request = new(HttpMethod.Post, "/api/v1/crew-plan/improve")
        {
            Content = new StringContent(
                $$"""{"seconds": 60, "version": {{before["version"]}} }""",
                System.Text.Encoding.UTF8,
                "application/json"
            ),
        };
        using (
            var answer = await _manager.SendAsync(
                request,
                HttpCompletionOption.ResponseHeadersRead,
                TestContext.Current.CancellationToken
            )
        )
        {
            using StreamReader steps = new(
                await answer.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken)
            );
            for (var told = 0; told < 3; )
                told += (await steps.ReadLineAsync(TestContext.Current.CancellationToken))!.StartsWith(
                    "data:",
                    StringComparison.Ordinal
                )
                    ? 1
                    : 0;
        }
        JsonNode after;
        do after = await Plan();
        while ((uint)after["version"]! == (uint)before["version"]!);
        Assert.True((double)after["cost"]!["total"]! <= (double)before["cost"]!["total"]! + 0.01);
    }

    [Fact]
    public async Task A_pass_the_planting_cannot_have_is_not_kept()
    {
        var task = TaskOf(await Plan(), "H12", "winter");
        Assert.Equal(
            404,
            (
                await _manager.PutAsync(
                    $"/api/v1/plantings/{task["planting"]}/passes/no-such-pass/crew",
                    """{"version": 0, "task": {"neverLate": true, "inTwo": false} }"""
                )
            ).Status
        );
    }

    [Fact]
    public async Task What_is_late_says_why_and_what_has_no_hands_too()
    {
        var plan = await Plan();
        var tasks = plan["tasks"]!.AsArray();
        var late = tasks.Where(t => (int?)t!["placed"]?["daysLate"] > 0).Select(t => (string)t!["id"]!).Order();

        Assert.Equal(late, plan["late"]!.AsArray().Select(l => (string)l!["task"]!).Order());
        Assert.NotEmpty(plan["late"]!.AsArray());
        Assert.All(tasks, t => Assert.True(t!["placed"] is not null ^ t["unplaced"] is not null));
    }

    [Fact]
    public async Task Work_kept_with_a_crew_on_a_day_stays_there()
    {
        var plan = await Plan();
        var task = TaskOf(plan, "H12", "winter");
        var crew = CrewNamed(plan, "Crew A");
        var path = $"/api/v1/plantings/{task["planting"]}/passes/winter/crew";
        string Body(object version, string crew, string start) =>
            $$$"""
                {"version": {{{version}}},
                 "task": {"crew": {{{crew}}}, "start": {{{start}}}, "neverLate": false, "inTwo": false}}
                """;

        Assert.Equal(
            204,
            (await _manager.PutAsync(path, Body(task["version"]!, $"\"{crew}\"", "\"2027-02-10\""))).Status
        );
        var kept = TaskOf(await Plan(), "H12", "winter");
        Assert.Equal((crew, "2027-02-10"), ((string)kept["placed"]!["crew"]!, (string)kept["placed"]!["first"]!));

        // Over another's change, and with a crew that is gone.
        var stale = await _manager.PutAsync(path, Body(0, $"\"{crew}\"", "null"));
        Assert.Equal((400, "changed"), (stale.Status, Code(stale.Body)));
        var gone = await _manager.PutAsync(path, Body(kept["version"]!, $"\"{Guid.NewGuid()}\"", "null"));
        Assert.Equal((400, "crew"), (gone.Status, FieldOf(gone.Body)));
        Assert.Equal(403, (await _lead.PutAsync(path, Body(kept["version"]!, "null", "null"))).Status);
        Assert.Equal(204, (await _manager.PutAsync(path, Body(kept["version"]!, "null", "null"))).Status);
        Assert.Equal(0, (int)TaskOf(await Plan(), "H12", "winter")["version"]!);
    }

    [Fact]
    public async Task A_better_plan_is_put_in_force_and_never_over_another()
    {
        var before = await Plan();
        var answer = await _manager.PostAsync(
            "/api/v1/crew-plan/improve",
            new StringContent(
                $$"""{"seconds": 2, "version": {{before["version"]}}}""",
                System.Text.Encoding.UTF8,
                "application/json"
            ),
            TestContext.Current.CancellationToken
        );
        var steps = (await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))
            .Split('\n')
            .Where(l => l.StartsWith("data:", StringComparison.Ordinal))
            .Select(l => JsonNode.Parse(l[5..])!)
            .ToList();

        Assert.True((bool)steps[^1]["isSaved"]!, steps[^1].ToJsonString());
        var after = await Plan();
        Assert.False((bool)after["isStale"]!);
        Assert.Equal((double)steps[^1]["cost"]!, (double)after["cost"]!["total"]!, 6);
        Assert.True((double)after["cost"]!["total"]! <= (double)before["cost"]!["total"]! + 0.01);
        var stale = await _manager.PostAsync(
            "/api/v1/crew-plan/improve",
            $$"""{"seconds": 0, "version": {{before["version"]}}}"""
        );
        Assert.Equal((400, "changed"), (stale.Status, Code(stale.Body)));
    }

    [Fact]
    public async Task A_crew_is_refused_at_the_field_and_kept_while_somebody_is_in_it()
    {
        var id = Guid.NewGuid();
        string Body(int version, string more) =>
            $$$"""
                {"version": {{{version}}},
                 "crew": {"name": "Crew T", "people": 3, "hoursPerDay": 8, "skills": ["pruner"]{{{more}}}}}
                """;
        var refused = await _manager.PutAsync($"/api/v1/crews/{id}", Body(0, ", \"sites\": [\"Nowhere\"]"));
        Assert.Equal((400, "sites"), (refused.Status, FieldOf(refused.Body)));
        var hours = await _manager.PutAsync($"/api/v1/crews/{id}", Body(0, ", \"overtime\": 9"));
        Assert.Equal((400, "overtime"), (hours.Status, FieldOf(hours.Body)));
        Assert.Equal(204, (await _manager.PutAsync($"/api/v1/crews/{id}", Body(0, ""))).Status);
        // Sent again, as after a lost answer.
        Assert.Equal(204, (await _manager.PutAsync($"/api/v1/crews/{id}", Body(0, ""))).Status);
        var taken = await _manager.PutAsync($"/api/v1/crews/{Guid.NewGuid()}", Body(0, ""));
        Assert.Equal((400, "taken"), (taken.Status, Code(taken.Body)));
        var worker = Guid.NewGuid();
        Assert.Equal(
            200,
            (
                await _lead.PutAsync(
                    $"/api/v1/workers/{worker}",
                    $$$"""{"version": 0, "worker": {"name": "Pruner 91", "language": "en", "crew": "{{{id}}}"}}"""
                )
            ).Status
        );
        var kept12 = TaskOf(await Plan(), "H12", "winter");
        var pass = $"/api/v1/plantings/{kept12["planting"]}/passes/winter/crew";
        Assert.Equal(
            204,
            (
                await _manager.PutAsync(
                    pass,
                    $$$"""{"version": 0, "task": {"crew": "{{{id}}}", "neverLate": false, "inTwo": false}}"""
                )
            ).Status
        );
        var kept = await _manager.DeleteAsync($"/api/v1/crews/{id}", TestContext.Current.CancellationToken);
        Assert.Equal(400, (int)kept.StatusCode);
        Assert.Equal(
            204,
            (int)
                (await _lead.DeleteAsync($"/api/v1/workers/{worker}", TestContext.Current.CancellationToken)).StatusCode
        );
        Assert.Equal(
            204,
            (int)(await _manager.DeleteAsync($"/api/v1/crews/{id}", TestContext.Current.CancellationToken)).StatusCode
        );
        // Work kept with it is free.
        Assert.Equal(0, (int)TaskOf(await Plan(), "H12", "winter")["version"]!);
    }

    private static Task<List<(string Outcome, string? Code)>> Send(HttpClient who, params string[] entries) =>
        who.SendFromRowAsync(Phone, entries);

    private string Report(Guid id, object planting, string rows, string hours = "8", Guid? supersedes = null) =>
        $$$"""
            {"id": "{{{id}}}", "sequence": {{{++_sequence}}}, "planting": "{{{planting}}}",
             "at": "2027-01-27T15:00:00Z", "supersedes": {{{(
                supersedes is { } s ? $"\"{s}\"" : "null"
            )}}}, "kind": "work",
             "body": {"pass": "hazard", "day": "2027-01-27", "people": 6, "hours": {{{hours}}}, "rows": [{{{rows}}}]}}
            """;

    [Fact]
    public async Task Rows_reported_are_progress_and_take_hours_off_the_plan()
    {
        var before = TaskOf(await Plan(), "W4", "hazard");
        var whole = (double)before["hours"]!;
        var planting = (string)before["planting"]!;
        var (one, two) = (Guid.NewGuid(), Guid.NewGuid());

        // The same sent twice is one.
        Assert.Equal([("taken", null)], await Send(_lead, Report(one, planting, "1, 2, 3")));
        Assert.Equal([("known", null)], await Send(_lead, Report(one, planting, "1, 2, 3")));
        var after = TaskOf(await Plan(), "W4", "hazard");
        Assert.InRange(Done(after), 0.05, 0.25);
        Assert.Equal(whole * (1 - Done(after)), (double)after["hours"]!, 6);

        // A second lead tells of a row once more: both stay, it counts once and is told.
        await Send(_manager, Report(two, planting, "3, 4"));
        var work = await _lead.ReadAsync($"/api/v1/plantings/{planting}/work");
        Assert.Equal(2, work["reports"]!.AsArray().Count);
        var progress = work["progress"]!["hazard"]!;
        Assert.Equal([1, 2, 3, 4], progress["rowsDone"]!.AsArray().Select(r => (int)r!));
        Assert.Equal("progress.twice", (string)progress["warnings"]![0]!["code"]!);

        // Put right, the old one is kept and no longer counts.
        await Send(_manager, Report(Guid.NewGuid(), planting, "4", supersedes: two));
        progress = (await _lead.ReadAsync($"/api/v1/plantings/{planting}/work"))["progress"]!["hazard"]!;
        Assert.Empty(progress["warnings"]!.AsArray());
    }

    private static double Done(JsonNode task) => (double?)task["done"]?["value"] ?? 0;

    [Fact]
    public async Task The_days_taken_into_the_row_are_those_of_the_plan_with_what_can_hurt_somebody()
    {
        var today = await _lead.ReadAsync("/api/v1/crew-plan/today");
        // W4 is another test's.
        var others = (string)TaskOf(await Plan(), "W4", "hazard")["planting"]!;
        var first = today["turns"]!.AsArray().First(t => (string)t!["planting"]! != others)!;
        Assert.Equal(
            [("taken", null)],
            await Send(
                _lead,
                Report(Guid.NewGuid(), first["planting"]!, "1")
                    .Replace("\"people\"", "\"hazard\": \"Wasps in row 3\", \"people\"", StringComparison.Ordinal)
            )
        );

        today = await _lead.ReadAsync("/api/v1/crew-plan/today");
        var plan = await Plan();
        var soon = plan["tasks"]!
            .AsArray()
            .Where(t => t!["placed"] is { } p && DateOnly.Parse((string)p["first"]!) <= new DateOnly(2027, 2, 10))
            .ToList();
        Assert.Equal(soon.Count, today["turns"]!.AsArray().Count);
        foreach (var task in soon)
        {
            var turn = today["turns"]!.AsArray().Single(w => $"{w!["planting"]}/{w["pass"]}" == (string)task!["id"]!);
            foreach (var of in new[] { "first", "last", "people", "hours", "crew", "daysLate" })
                Assert.Equal(task!["placed"]![of]!.ToString(), turn![of]!.ToString());
        }
        Assert.Contains(today["turns"]!.AsArray(), w =>
            w!["hazards"]!.AsArray().Any(h => (string)h!["what"]! == "Wasps in row 3")
        );
        using var counter = application.ClientOf(Role.Counter);
        Assert.Equal(403, (await counter.SendAsync(HttpMethod.Get, "/api/v1/crew-plan/today")).Status);
    }

    [Fact]
    public async Task What_cannot_be_is_refused_alone()
    {
        var planting = TaskOf(await Plan(), "H3", "winter")["planting"]!;
        Assert.Equal(
            [("refused", "range"), ("refused", "unknown"), ("refused", "missing"), ("taken", null)],
            await Send(
                _lead,
                Report(Guid.NewGuid(), planting, "1", hours: "30"),
                Report(Guid.NewGuid(), Guid.NewGuid(), "1"),
                Report(Guid.NewGuid(), planting, "", hours: "null"),
                Report(Guid.NewGuid(), planting, "")
            )
        );
        Assert.Equal(
            [("refused", "forbidden")],
            await Send(application.ClientOf(Role.Counter), Report(Guid.NewGuid(), planting, "1"))
        );
    }

    [Fact]
    public async Task A_problem_sent_is_planned()
    {
        // Source: Pinedo, Scheduling, example of total weighted tardiness.
        string Job(int id, int days, int due, int cost) =>
            $$"""
                {"id": "{{id}}", "hours": {{days * 8}}, "due": "2027-02-{{due:00}}", "latePerDay": {{cost}}}
                """;
        var (status, body) = await _lead.PostAsync(
            "/api/v1/calculations/crew-plan",
            $$"""
            {"start": "2027-02-01", "seconds": 5,
             "crews": [{"name": "A", "people": 1, "hoursPerDay": 8, "skills": ["pruner"],
                        "weekdays": ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"]}],
             "tasks": [{{Job(1, 12, 16, 4)}}, {{Job(2, 8, 26, 5)}}, {{Job(3, 15, 25, 3)}}, {{Job(4, 9, 27, 5)}}]}
            """
        );

        Assert.Equal(200, status);
        Assert.Equal(["1", "2", "4", "3"], body["plan"]!["tasks"]!.AsArray().Select(t => (string)t!["task"]!));
        Assert.Equal((67.0, 0.0), ((double)body["plan"]!["cost"]!["late"]!, (double)body["gap"]!));
        var wrong = await _lead.PostAsync(
            "/api/v1/calculations/crew-plan",
            """{"start": "2027-02-01", "tasks": [{"id": "1", "hours": -5, "after": ["2"]}]}"""
        );
        Assert.Equal((400, "tasks[0].hours"), (wrong.Status, FieldOf(wrong.Body)));
    }
}
