using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Trees in rework and trees to go: at the desk, in the row and in the year; wood renewed.</summary>
public sealed class ReworkTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly Guid Phone = Guid.Parse("0b6c2a52-6f0e-4c7e-9a55-0d7f3b1d8a09");
    private readonly HttpClient _client = application.ClientOf();
    private long _sequence;

    private async Task<string> PathOf(string code) =>
        $"/api/v1/plantings/{(string)(await _client.PlantingAsync(code))["id"]!}";

    private static async Task<(JsonNode Tree, uint Version)> Tree(HttpClient client, string path, int row, int tree)
    {
        var known = (await client.ReadAsync($"{path}/rework"))["trees"]!
            .AsArray()
            .Single(t => ((int)t!["tree"]!["row"]!, (int)t["tree"]!["tree"]!) == (row, tree))!;
        return (known["tree"]!, (uint)known["version"]!);
    }

    private static Task<(int Status, JsonNode Body)> Save(HttpClient client, string path, params string[] trees) =>
        client.PutAsync($"{path}/rework", $$"""{"trees": [{{string.Join(",", trees)}}]}""");

    // One truth: the plan of the trees, the pass of the year, the kit of the row and the row sheet.
    [Fact]
    public async Task Desk_year_row_and_sheet_tell_the_same_of_the_demo()
    {
        var path = await PathOf("H6");
        var plan = (await _client.ReadAsync($"{path}/rework"))["plan"]!;
        Assert.Equal(
            ["toGraft  22", "winter 1 24", "winter 3 23"],
            plan["standings"]!.AsArray().Select(s => $"{s!["standing"]} {s["winter"]} {s["trees"]}").Order()
        );
        var pass = (await _client.ReadAsync($"{path}/programme"))["programme"]!["passes"]!
            .AsArray()
            .Single(p => (string)p!["id"]! == "rework")!;
        Assert.Equal((double)plan["hours"]!["paid"]!, (double)pass["hours"]!["paid"]!);
        var kit = (await _client.ReadAsync($"{path}/kit"))["rework"]!;
        Assert.Equal(plan["trees"]!.ToJsonString(), kit["trees"]!.ToJsonString());
        var asked = plan["trees"]!
            .AsArray()
            .SelectMany(t => t!["tasks"]!.AsArray())
            .Select(t => (string)t!)
            .ToHashSet();
        Assert.Equal(asked.Order(), kit["tasks"]!.AsArray().Select(t => (string)t!["id"]!).Order());
        var sheet = await _client.ReadAsync($"{path}/trees");
        var row = sheet["rows"]!.AsArray().Single(r => (int)r!["row"]! == 50)!["rework"]!.AsArray();
        Assert.Equal("winter", (string)sheet["standings"]![(int)row[0]!]!);
        Assert.Null(row[24]);
        // Where nothing is reworked the year has no such pass, and the kit none of it.
        var other = await PathOf("H4");
        Assert.DoesNotContain((await _client.ReadAsync($"{other}/programme"))["programme"]!["passes"]!.AsArray(), p =>
            (string)p!["id"]! == "rework"
        );
        Assert.Null((await _client.ReadAsync($"{other}/kit"))["rework"]);
    }

    [Fact]
    public async Task A_crew_lead_saves_trees_all_or_none()
    {
        var path = await PathOf("H6");
        using var lead = application.ClientOf(Role.CrewLead);
        using var counter = application.ClientOf(Role.Counter);
        const string One = """{"version": 0, "tree": {"row": 40, "tree": 1, "variety": "Comice"} }""";
        Assert.Equal(403, (await Save(counter, path, One)).Status);
        var (status, refused) = await Save(
            lead,
            path,
            One,
            """{"version": 0, "tree": {"row": 40, "tree": 999, "variety": "Comice"} }""",
            """{"version": 0, "tree": {"row": 40, "tree": 1, "variety": "Comice"} }"""
        );
        Assert.Equal(400, status);
        Assert.Equal(["trees[1].tree", "trees[2].tree"], Api.ProblemFields(refused));
        Assert.Equal(204, (await Save(lead, path, One)).Status);
        var (_, version) = await Tree(lead, path, 40, 1);
        // Saved by another meanwhile.
        (status, refused) = await Save(lead, path, One);
        Assert.Equal((400, "trees[0].tree"), (status, Api.ProblemFields(refused)[0]));
        var grafted = $$$"""
            {"version": {{{version}}}, "tree": {"row": 40, "tree": 1, "variety": "Comice", "graft": "bark",
             "graftedOn": "2025-04-11", "union": "holds"} }
            """;
        Assert.Equal(204, (await Save(lead, path, grafted)).Status);
        var plan = (await lead.ReadAsync($"{path}/rework"))["plan"]!;
        var line = plan["trees"]!.AsArray().Single(t => (int)t!["row"]! == 40)!;
        Assert.Equal(("winter", 2), ((string)line["standing"]!, (int)line["winter"]!));
        Assert.Contains("nurse-first", line["tasks"]!.AsArray().Select(t => (string)t!));
        (_, version) = await Tree(lead, path, 40, 1);
        Assert.Equal(
            204,
            (
                await Save(
                    lead,
                    path,
                    $$$"""
                    {"version": {{{version}}}, "remove": true,
                     "tree": {"row": 40, "tree": 1, "variety": "Comice"} }
                    """
                )
            ).Status
        );
        Assert.Contains((await lead.ReadAsync($"{path}/history")).AsArray(), c =>
            (string)c!["subject"]! == "rework" && (string)c["detail"]! == "40/1"
        );
        Assert.Equal(404, (await Save(lead, $"/api/v1/plantings/{Guid.NewGuid()}", One)).Status);
    }

    // Bad input of the issue: a tree both reworked and to grub, from either side.
    [Fact]
    public async Task A_tree_is_not_reworked_and_grubbed_at_once()
    {
        var path = await PathOf("H3");
        Assert.Equal(
            204,
            (
                await Save(_client, path, """{"version": 0, "tree": {"row": 12, "tree": 3, "variety": "Elstar"} }""")
            ).Status
        );
        var view = await _client.ReadAsync(path);
        var rows = view["rows"]!.DeepClone();
        var row = rows["rows"]!.AsArray().Single(r => (int)r!["row"]! == 12)!;
        row["toGrub"] = "3, 40";
        var (status, refused) = await _client.PutAsync(
            $"{path}/rows",
            $$"""{"version": {{view["plantingVersion"]}}, "rows": {{rows.ToJsonString()}} }"""
        );
        var field = Api.ProblemFields(refused)[0];
        Assert.Equal((400, "toGrub"), (status, field[(field.IndexOf('.', StringComparison.Ordinal) + 1)..]));
        row["toGrub"] = "40";
        (status, _) = await _client.PutAsync(
            $"{path}/rows",
            $$"""{"version": {{view["plantingVersion"]}}, "rows": {{rows.ToJsonString()}} }"""
        );
        Assert.Equal(200, status);
        (status, refused) = await Save(
            _client,
            path,
            """{"version": 0, "tree": {"row": 12, "tree": 40, "variety": "Elstar"} }"""
        );
        Assert.Equal((400, "trees[0].tree"), (status, Api.ProblemFields(refused)[0]));
        // Marking every second tree would take trees in rework along.
        var version = (uint)(await _client.ReadAsync(path))["plantingVersion"]!;
        (status, refused) = await _client.PostAsync(
            $"{path}/taking-out/mark",
            $$"""{"version": {{version}}, "pattern": "tree", "every": 2}"""
        );
        Assert.Equal((400, "rows"), (status, Api.ProblemFields(refused)[0]));
    }

    [Fact]
    public async Task Trees_to_go_are_marked_named_and_followed_until_their_places_are_empty()
    {
        var path = await PathOf("W4");
        using var lead = application.ClientOf(Role.CrewLead);
        using var reader = application.ClientOf(Role.Reader);
        using var counter = application.ClientOf(Role.Counter);
        var begin = await reader.ReadAsync($"{path}/taking-out");
        Assert.True((double)begin["tonnesPerHa"]! > 5 && (double)begin["keptHoursPerHa"]! > 20);
        Assert.Equal(403, (await counter.SendAsync(HttpMethod.Get, $"{path}/taking-out")).Status);
        var view = await _client.ReadAsync(path);
        var body = $$"""{"version": {{view["plantingVersion"]}}, "pattern": "row", "every": 5, "from": 5}""";
        Assert.Equal(403, (await lead.PostAsync($"{path}/taking-out/mark", body)).Status);
        var (status, marked) = await _client.PostAsync($"{path}/taking-out/mark", body);
        Assert.Equal(200, status);
        Assert.Equal(409, (await _client.PostAsync($"{path}/taking-out/mark", body)).Status);
        var rows = marked["rows"]!["rows"]!.AsArray();
        Assert.Equal(
            [5, 10, 15, 20, 25],
            rows.Where(r => (string)r!["toGrub"]! != "").Select(r => (int)r!["row"]!).Order()
        );
        var rework = await _client.ReadAsync($"{path}/rework");
        Assert.Equal("rework.no-winter", (string)rework["plan"]!["warnings"]!.AsArray().Single()!["code"]!);
        Assert.Equal(
            ["hold-back", "crop-last"],
            rework["plan"]!["work"]!.AsArray().Select(w => (string)w!["task"]!["id"]!)
        );
        Assert.Equal(400, (await _client.PutAsync($"{path}/removal", """{"version": 0, "season": 2020}""")).Status);
        Assert.Equal(204, (await _client.PutAsync($"{path}/removal", """{"version": 0, "season": 2027}""")).Status);
        Assert.Equal(400, (await _client.PutAsync($"{path}/removal", """{"version": 0, "season": 2028}""")).Status);
        rework = await _client.ReadAsync($"{path}/rework");
        Assert.Equal(["out"], rework["plan"]!["work"]!.AsArray().Select(w => (string)w!["task"]!["id"]!));
        var trees = (int)rework["plan"]!["work"]![0]!["trees"]!;
        var missing = view["plan"]!["density"]!["bearingTrees"]!;
        (status, var done) = await _client.PostAsync(
            $"{path}/taking-out/done",
            $$"""{"version": {{marked["plantingVersion"]}} }"""
        );
        Assert.Equal(200, status);
        Assert.All(done["rows"]!["rows"]!.AsArray(), r => Assert.Equal("", (string)r!["toGrub"]!));
        // One truth: a fifth of the rows stands empty, and the trees of the plan are so many fewer.
        Assert.True((double)done["plan"]!["density"]!["bearingTrees"]! < 0.85 * (double)missing, $"{trees} trees");
        Assert.Null((await _client.ReadAsync($"{path}/rework"))["plan"]);
    }

    [Fact]
    public async Task Colours_of_the_ribbons_are_the_managers()
    {
        var path = await PathOf("H6");
        using var lead = application.ClientOf(Role.CrewLead);
        var version = (uint)(await _client.ReadAsync($"{path}/rework"))["estateVersion"]!;
        var body = $$$"""{"version": {{{version}}}, "ribbons": {"winter": "green"} }""";
        Assert.Equal(403, (await lead.PutAsync("/api/v1/ribbons", body)).Status);
        var (status, refused) = await _client.PutAsync(
            "/api/v1/ribbons",
            $$$"""{"version": {{{version}}}, "ribbons": {"winter": "red"} }"""
        );
        Assert.Equal((400, "ribbons.winter"), (status, Api.ProblemFields(refused)[0]));
        Assert.Equal(204, (await _client.PutAsync("/api/v1/ribbons", body)).Status);
        Assert.Equal(400, (await _client.PutAsync("/api/v1/ribbons", body)).Status);
        Assert.Equal("green", (string)(await _client.ReadAsync($"{path}/kit"))["rework"]!["ribbons"]!["winter"]!);
    }

    private async Task<string> Send(HttpClient client, string path, int tree, string body, Guid id, Guid? over = null)
    {
        var entry = $$"""
            {"id": "{{id}}", "sequence": {{++_sequence}}, "planting": "{{path[^36..]}}", "at": "2027-01-27T10:00:00Z",
             "row": 49, "tree": {{tree}}, "kind": "rework", "body": {{body}}{{(
                over is { } o ? $", \"supersedes\": \"{o}\"" : ""
            )}} }
            """;
        var (status, receipts) = await client.PostAsync(
            "/api/v1/field",
            $$"""{"device": "{{Phone}}", "sentAt": "2027-01-27T10:00:00Z", "entries": [{{entry}}]}"""
        );
        Assert.Equal(200, status);
        return (string)receipts[0]!["outcome"]!;
    }

    [Fact]
    public async Task Work_in_the_row_arrives_once_and_over_nobody_elses_word()
    {
        var path = await PathOf("H6");
        using var counter = application.ClientOf(Role.Counter);
        var (known, version) = await Tree(_client, path, 49, 20);
        string News(uint seen, string union, bool done) =>
            $$$"""
                {"seen": {{{seen}}}, "tree": {"variety": "Abate", "graft": "cleft", "graftedOn": "{{{known[
                    "graftedOn"
                ]}}}",
                 "union": "{{{union}}}", "doneSeason": {{{(done ? "2027" : "null")}}}} }
                """;
        var (first, second, third) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        Assert.Equal("taken", await Send(counter, path, 20, News(version, "holds", done: true), first));
        Assert.Equal("known", await Send(counter, path, 20, News(version, "holds", done: true), first));
        Assert.True(
            (bool)
                (await _client.ReadAsync($"{path}/rework"))["plan"]!["trees"]!
                    .AsArray()
                    .Single(t => (int)t!["row"]! == 49 && (int)t["tree"]! == 20)!["isDone"]!
        );
        // Put right by the same phone, though it has not seen the version its first word made.
        Assert.Equal("taken", await Send(counter, path, 20, News(version, "loose", done: true), second, first));
        // Another phone that was taken along before: a person chooses.
        Assert.Equal("conflict", await Send(counter, path, 20, News(version, "failed", done: false), third));
        var field = await _client.ReadAsync($"{path}/field");
        var conflict = field["entries"]!.AsArray().Single(e => (string)e!["id"]! == third.ToString())!;
        Assert.Equal("loose", (string)conflict["inForce"]!["union"]!);
        var (status, _) = await _client.PutAsync(
            $"{path}/field/{third}",
            $$"""{"take": true, "inForce": {{conflict["inForce"]!.ToJsonString()}} }"""
        );
        Assert.Equal(204, status);
        Assert.Equal("failed", (string)(await Tree(_client, path, 49, 20)).Tree["union"]!);
        // What cannot be so is refused, and stays on the phone.
        Assert.Equal("refused", await Send(counter, path, 20, News(0, "glued", done: true), Guid.NewGuid()));
        Assert.Equal("refused", await Send(counter, path, 20, """{"tree": {"variety": "Abate"}}""", Guid.NewGuid()));
        // A place that is none of the rows is for a person to look at.
        Assert.Equal(
            "conflict",
            await Send(counter, path, 999, """{"seen": 0, "tree": {"variety": "Abate"}}""", Guid.NewGuid())
        );
    }

    [Fact]
    public async Task A_file_of_trees_in_rework_is_read_line_by_line()
    {
        var report = await _client.ImportAsync(
            "check",
            """
            Planting,Row,Tree,Variety grafted,Graft,Grafted on,Union
            H6,41,1,Comice,bark,2026-04-12,holds
            H6,41,1,Comice,bark,2026-04-12,holds
            H6,41,2,Comice,glue,2026-04-12,holds
            H6,41,3,Comice,bark,2031-04-12,
            """,
            "rework"
        );
        Assert.Equal([3, 4, 5], report["problems"]!.AsArray().Select(p => (int)p!["line"]!));
        Assert.Equal(1, (int)report["added"]!);
    }

    // Handbook 9.3, through the counts of the demo: the first of this winter are what last winter's card left.
    [Fact]
    public async Task Renewal_is_told_from_counts_cards_and_what_was_logged()
    {
        var carded = await PathOf("H2");
        var last = (await _client.ReadAsync($"{carded}/card?season=2026"))["notes"]!.AsArray().Select(n => (string)n!);
        var first = (await _client.ReadAsync($"{carded}/renewal"))["ledger"]!["firstThisWinter"]!;
        Assert.Contains(last, n => n.Contains($"{first} ", StringComparison.Ordinal));
        var path = await PathOf("W2");
        var renewal = await _client.ReadAsync($"{path}/renewal");
        var ledger = renewal["ledger"]!;
        Assert.Equal(4, (int)ledger["trees"]!);
        Assert.Equal(5, ledger["forecast"]!["winters"]!.AsArray().Count);
        using var lead = application.ClientOf(Role.CrewLead);
        using var counter = application.ClientOf(Role.Counter);
        const string Body = """{"version": 0, "renewal": {"limbs": 2.5} }""";
        Assert.Equal(403, (await counter.PutAsync($"{path}/renewal/2027", Body)).Status);
        Assert.Equal(204, (await lead.PutAsync($"{path}/renewal/2027", Body)).Status);
        Assert.Equal(400, (await lead.PutAsync($"{path}/renewal/2027", Body)).Status);
        Assert.Equal(400, (await lead.PutAsync($"{path}/renewal/2028", Body)).Status);
        Assert.Equal(400, (await lead.PutAsync($"{path}/renewal/2015", Body)).Status);
        // By hand: (3 + 2.5 + 2.5) ÷ 3.
        Assert.Equal(8 / 3.0, (double)(await _client.ReadAsync($"{path}/renewal"))["ledger"]!["renewedAWinter"]!, 9);
        // A limb older than the trees is told at its field, and nothing is saved.
        var view = await _client.ReadAsync(path);
        var count = view["count"]!.DeepClone();
        count["trees"]![0]!["limbSizes"]![0]!["age"] = 30;
        var (status, refused) = await _client.PutAsync(
            $"{path}/count",
            $$"""{"version": {{view["planVersion"]}}, "count": {{count.ToJsonString()}} }"""
        );
        Assert.Equal((400, "trees[0].limbSizes[0].age"), (status, Api.ProblemFields(refused)[0]));
        var round = await _client.ReadAsync($"{await PathOf("W11")}/renewal");
        Assert.Equal(5, (int)round["ledger"]!["nextScaffold"]!);
    }

    // One truth: bench and target desk tell the light of one row; where no rows are on the map it is said.
    [Fact]
    public async Task Light_on_the_bench_is_that_of_the_target_desk()
    {
        var path = await PathOf("H4");
        var light = await _client.ReadAsync($"{path}/bench/light");
        var view = await _client.ReadAsync(path);
        var (status, desk) = await _client.PostAsync(
            $"{path}/target/desk",
            ConsistencyTests.EntryOf(view).ToJsonString()
        );
        Assert.Equal(200, status);
        Assert.Equal(desk["light"]!.ToJsonString(), light["light"]!.ToJsonString());
        Assert.Equal(3.3, (double)light["rowM"]!);
        using var ambertree = application.ClientWith(await application.SignInAsync("manager@ambertree.example"));
        var lemon = (await ambertree.ReadAsync("/api/v1/season"))["plantings"]!
            .AsArray()
            .Single(p => (string)p!["code"]! == "L1")!;
        var south = (await ambertree.ReadAsync($"/api/v1/plantings/{lemon["id"]}/bench/light"))["light"]!;
        Assert.True((bool)south["isAssumed"]!);
        Assert.Equal(0, (double)south["place"]!["rowAzimuthDeg"]!);
    }
}
