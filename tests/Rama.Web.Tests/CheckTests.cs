using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Checks of finished trees: what the demo's say, what the row sends, and who is told what.</summary>
public sealed class CheckTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly Guid Phone = Guid.Parse("0b6c2a52-6f0e-4c7e-9a55-0d7f3b1d8a03");

    private readonly HttpClient _manager = application.ClientOf();
    private readonly HttpClient _lead = application.ClientOf(Role.CrewLead);
    private readonly HttpClient _reader = application.ClientOf(Role.Reader);
    private readonly HttpClient _counter = application.ClientOf(Role.Counter);
    private long _sequence;

    [Fact]
    public async Task The_hard_crew_of_the_demo_is_found_and_the_one_on_target_left_alone()
    {
        var h6 = await Checks("H6");
        Assert.Equal("tooFew", (string)h6["says"]!["all"]!["kind"]!);
        Assert.NotNull(h6["says"]!["all"]!["correction"]);
        Assert.All(h6["says"]!["pruners"]!.AsArray(), p => Assert.Equal("tooFew", (string)p!["verdict"]!["kind"]!));
        Assert.True((double)h6["says"]!["effect"]!["done"]!["tonnes"]! > 1);
        var done = h6["says"]!["effect"]!["done"]!;
        var goesOn = h6["says"]!["effect"]!["goesOn"]!;
        Assert.True((double)goesOn["fruit"]! > (double)done["fruit"]!);
        Assert.Equal("onTarget", (string)(await Checks("H11"))["says"]!["all"]!["kind"]!);
        Assert.Null((await Checks("H11"))["says"]!["effect"]);
        Assert.Equal("tooFewCounts", (string)(await Checks("W3"))["says"]!["all"]!["kind"]!);
        Assert.Null((await Checks("H4"))["says"]);
        Assert.Empty(h6["says"]!["warnings"]!.AsArray());
    }

    [Fact]
    public async Task Season_page_crew_plan_today_and_the_row_tell_the_same()
    {
        var h6 = await Checks("H6");
        var all = h6["says"]!["all"]!;
        var line = (await _lead.ReadAsync("/api/v1/season"))["plantings"]!
            .AsArray()
            .Single(p => (string)p!["code"]! == "H6")!;
        Assert.Equal((double)all["off"]!, (double)line["check"]!["off"]!, 12);
        Assert.True(JsonNode.DeepEquals(all["sentence"], line["check"]!["sentence"]));
        var against = line["check"]!["against"]!.AsArray().Single()!;
        Assert.Equal("Crew A", (string)against["name"]!);
        Assert.True(
            JsonNode.DeepEquals(against["told"]!["sentence"], h6["says"]!["crews"]![0]!["verdict"]!["sentence"])
        );
        var task = (await _lead.ReadAsync("/api/v1/crew-plan"))["tasks"]!
            .AsArray()
            .Single(t => (string)t!["code"]! == "H6" && (string)t["pass"]! == "winter")!;
        var crews = h6["says"]!["crews"]!.AsArray();
        var said = crews.SingleOrDefault(c => (string)c!["who"]! == (string?)task["placed"]?["crew"])?["verdict"]
            ?? all;
        Assert.True(JsonNode.DeepEquals(said["sentence"], task["check"]!["sentence"]));
        Assert.True(JsonNode.DeepEquals(said["correction"]!["sentence"], task["check"]!["correction"]));
        foreach (
            var turn in (await _lead.ReadAsync("/api/v1/crew-plan/today"))["turns"]!
                .AsArray()
                .Where(t => (string)t!["code"]! == "H6" && (string)t["pass"]! == "winter")
        )
            Assert.True(JsonNode.DeepEquals(task["check"], turn!["check"]));
        var kit = (await _lead.ReadAsync($"/api/v1/plantings/{line["id"]}/kit"))["check"]!;
        Assert.True(JsonNode.DeepEquals(all["sentence"], kit["verdict"]!["sentence"]));
        // What the row holds a tree against is what the card that was handed out says.
        var card = await _lead.ReadAsync($"/api/v1/plantings/{line["id"]}/prescriptions/1");
        foreach (var (asked, of) in kit["classes"]!.AsArray().Zip(card["classes"]!.AsArray()))
        foreach (var member in new[] { "name", "number", "least", "most" })
            Assert.True(JsonNode.DeepEquals(asked![member], of![member]), member);
        // And the calculator says the same of the same trees.
        var trees = h6["says"]!["trees"]!.AsArray();
        var shares = trees.Select(t => (double)t!["check"]!["left"]! / (double)t["asked"]!);
        var (_, again) = await _lead.PostAsync(
            "/api/v1/calculations/check-verdict",
            new JsonObject { ["shares"] = new JsonArray([.. shares.Select(s => JsonValue.Create(s))]) }.ToJsonString()
        );
        Assert.Equal((string)all["kind"]!, (string)again["kind"]!);
    }

    [Fact]
    public async Task Trees_to_check_are_those_drawn_and_the_same_for_everybody()
    {
        var id = await IdOf("H6");
        var one = (await _lead.ReadAsync($"/api/v1/plantings/{id}/kit"))["check"]!["rows"]!;
        var other = (await _manager.ReadAsync($"/api/v1/plantings/{id}/kit"))["check"]!["rows"]!;
        Assert.True(JsonNode.DeepEquals(one, other));
        var due = one.AsArray().Sum(r => (int)r!["due"]!);
        // 51 rows of some 106 trees, one in forty.
        Assert.InRange(due, 120, 140);
        // Whoever reports nothing is drawn nothing.
        Assert.Null((await _counter.ReadAsync($"/api/v1/plantings/{id}/kit"))["check"]);
    }

    [Fact]
    public async Task A_check_from_the_row_counts_once_and_can_be_put_right_and_taken_back()
    {
        var before = Trees(await Checks("W3"));
        var (one, two) = (Guid.NewGuid(), Guid.NewGuid());
        var w3 = await IdOf("W3");
        Assert.Equal([("taken", null)], await Send(_lead, Check(one, w3, 5, 5, 120)));
        Assert.Equal([("known", null)], await Send(_lead, Check(one, w3, 5, 5, 120)));
        Assert.Equal(before + 1, Trees(await Checks("W3")));
        // Somebody else's second look at the tree does not take its place.
        await Send(_manager, Check(two, w3, 5, 5, 131));
        var says = (await Checks("W3"))["says"]!;
        Assert.Equal("twice", (string)says["trees"]!.AsArray().Single(t => Left(t!) == 131)!["standing"]!);
        Assert.Contains(says["warnings"]!.AsArray(), w => (string)w!["code"]! == "check.twice");
        // A correction does.
        Assert.Equal([("taken", null)], await Send(_lead, Check(Guid.NewGuid(), w3, 5, 5, 125, supersedes: one)));
        says = (await Checks("W3"))["says"]!;
        Assert.Single(says["trees"]!.AsArray(), t => (string)t!["standing"]! == "charted" && Left(t) == 125);
        Assert.DoesNotContain(says["trees"]!.AsArray(), t => Left(t!) == 120);
        foreach (var kept in (await Checks("W3"))["checks"]!.AsArray().Where(c => (int)c!["entry"]!["row"]! == 5))
            await Send(
                _lead,
                $$"""
                {"id": "{{Guid.NewGuid()}}", "sequence": {{++_sequence}}, "planting": "{{w3}}",
                 "at": "2027-01-27T15:30:00Z", "supersedes": "{{kept!["id"]}}"}
                """
            );
        Assert.Equal(before, Trees(await Checks("W3")));
    }

    [Fact]
    public async Task What_cannot_be_a_check_is_refused_at_its_field()
    {
        var w3 = await IdOf("W3");
        Assert.Equal(
            [("refused", "missing")],
            await Send(_lead, Check(Guid.NewGuid(), w3, 5, 6, null, "\"note\": \"nothing counted\""))
        );
        Assert.Equal([("refused", "range")], await Send(_lead, Check(Guid.NewGuid(), w3, 5, 6, -1)));
        Assert.Equal([("refused", "range")], await Send(_lead, Check(Guid.NewGuid(), w3, 5, 0, 120)));
        Assert.Equal(
            [("refused", "conflict")],
            await Send(
                _lead,
                Check(
                    Guid.NewGuid(),
                    w3,
                    5,
                    6,
                    100,
                    "\"limbs\": [{\"diameter\": {\"value\": 12, \"unit\": \"mm\"}, \"buds\": 7}]"
                )
            )
        );
        // A planting that is no longer there, and a person who reports nothing.
        Assert.Equal([("refused", "unknown")], await Send(_lead, Check(Guid.NewGuid(), Guid.NewGuid(), 5, 6, 120)));
        Assert.Equal([("refused", "forbidden")], await Send(_counter, Check(Guid.NewGuid(), w3, 5, 6, 120)));
    }

    [Fact]
    public async Task Before_a_card_a_check_is_kept_and_judges_nobody()
    {
        var h4 = await IdOf("H4");
        await Send(_lead, Check(Guid.NewGuid(), h4, 3, 8, 150));
        var says = (await Checks("H4"))["says"]!;
        Assert.Equal("none", (string)says["all"]!["kind"]!);
        Assert.Equal(["check.no-card"], says["warnings"]!.AsArray().Select(w => (string)w!["code"]!));
        foreach (var kept in (await Checks("H4"))["checks"]!.AsArray())
            await Send(
                _lead,
                $$"""
                {"id": "{{Guid.NewGuid()}}", "sequence": {{++_sequence}}, "planting": "{{h4}}",
                 "at": "2027-01-27T15:30:00Z", "supersedes": "{{kept!["id"]}}"}
                """
            );
    }

    [Fact]
    public async Task Names_are_for_those_who_lead_and_money_for_those_who_are_told_it()
    {
        var id = await IdOf("H6");
        var lead = await _lead.ReadAsync($"/api/v1/plantings/{id}/checks");
        var pruner = lead["says"]!["pruners"]!.AsArray().First()!;
        Assert.Contains("Pruner", (string)lead["names"]![(string)pruner["who"]!]!, StringComparison.Ordinal);
        Assert.NotNull(lead["says"]!["effect"]!["done"]!["cost"]);
        foreach (var client in new[] { _reader, _counter })
        {
            var told = await client.ReadAsync($"/api/v1/plantings/{id}/checks");
            Assert.Empty(told["says"]!["pruners"]!.AsArray());
            Assert.Empty(told["pruners"]!.AsArray());
            Assert.DoesNotContain((string)pruner["who"]!, told.ToJsonString(), StringComparison.Ordinal);
            Assert.DoesNotContain("Pruner", told.ToJsonString(), StringComparison.Ordinal);
            // The verdict itself is for everybody.
            Assert.Equal("tooFew", (string)told["says"]!["all"]!["kind"]!);
            var entries = await client.ReadAsync($"/api/v1/plantings/{id}/field");
            Assert.DoesNotContain((string)pruner["who"]!, entries.ToJsonString(), StringComparison.Ordinal);
        }
        var counter = await _counter.ReadAsync($"/api/v1/plantings/{id}/checks");
        Assert.Null(counter["says"]!["effect"]!["done"]!["cost"]);
        Assert.Null(counter["says"]!["effect"]!["perTree"]!["costPerTree"]);
        Assert.All(counter["says"]!["crews"]!.AsArray(), c => Assert.Null(c!["effect"]!["costPerTree"]));
    }

    [Fact]
    public async Task Practice_and_checks_of_a_person_stand_side_by_side()
    {
        var hands = await _lead.ReadAsync("/api/v1/checks");
        var names = hands["pruners"]!.AsArray().Select(p => (string)p!["name"]!).ToList();
        // By name: it is no league.
        Assert.Equal(names.Order(StringComparer.CurrentCultureIgnoreCase), names);
        var one = hands["pruners"]!.AsArray().Single(p => (string)p!["name"]! == "Pruner 1")!;
        Assert.Equal("H6", (string)one["plantings"]!.AsArray().Single()!["code"]!);
        Assert.Equal(403, (await _counter.SendAsync(HttpMethod.Get, "/api/v1/checks")).Status);
    }

    [Fact]
    public async Task Who_was_checked_is_kept()
    {
        var workers = await _manager.ReadAsync("/api/v1/workers");
        var one = workers.AsArray().Single(w => (string)w!["name"]! == "Pruner 1")!["id"];
        var (status, body) = await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/workers/{one}");
        Assert.Equal(400, status);
        Assert.Equal("kept", (string)body["problems"]![0]!["code"]!);
    }

    [Fact]
    public async Task The_rest_left_with_more_makes_the_card_in_hand_out_of_date()
    {
        var id = await IdOf("H11");
        var before = await _manager.ReadAsync($"/api/v1/plantings/{id}");
        async Task<JsonNode> Save(double? rest)
        {
            var view = await _manager.ReadAsync($"/api/v1/plantings/{id}");
            var cutting = view["cutting"]!.DeepClone();
            cutting["rest"] = rest;
            var (status, after) = await _manager.SendAsync(
                HttpMethod.Put,
                $"/api/v1/plantings/{id}/cutting",
                new JsonObject { ["version"] = view["planVersion"]!.DeepClone(), ["cutting"] = cutting }.ToJsonString()
            );
            Assert.True(status == 200, after.ToString());
            return after;
        }
        var wanted = (double)before["plan"]!["ledger"]!["wanted"]!;
        var raised = await Save(0.05);
        Assert.Equal(1.05 * wanted, (double)raised["plan"]!["ledger"]!["wanted"]!, 6);
        Assert.Equal(0.05, (double)raised["cutting"]!["rest"]!);
        // The season page shows it, and a card handed out now is another version.
        var line = (await _lead.ReadAsync("/api/v1/season"))["plantings"]!
            .AsArray()
            .Single(p => (string)p!["code"]! == "H11")!;
        Assert.Equal(1.05 * wanted, (double)line["ledger"]!["wanted"]!, 6);
        var (_, card) = await _manager.PostAsync(
            $"/api/v1/plantings/{id}/cards",
            new JsonObject { ["version"] = raised["planVersion"]!.DeepClone(), ["language"] = "en" }.ToJsonString()
        );
        Assert.Equal(2, (int)card["number"]!);
        // What was checked stays judged by the card of its day.
        Assert.Equal("onTarget", (string)(await Checks("H11"))["says"]!["all"]!["kind"]!);
        Assert.Equal(wanted, (double)(await Save(null))["plan"]!["ledger"]!["wanted"]!, 6);
    }

    private async Task<object> IdOf(string code) => (await _manager.PlantingAsync(code))["id"]!;

    private async Task<JsonNode> Checks(string code) =>
        await _lead.ReadAsync($"/api/v1/plantings/{await IdOf(code)}/checks");

    private static int Trees(JsonNode checks) => checks["checks"]!.AsArray().Count;

    private static double? Left(JsonNode tree) => (double?)tree["check"]!["left"];

    private static Task<List<(string Outcome, string? Code)>> Send(HttpClient who, params string[] entries) =>
        who.SendFromRowAsync(Phone, entries);

    private string Check(
        Guid id,
        object planting,
        int row,
        int tree,
        int? left,
        string more = "\"minutes\": 4",
        Guid? supersedes = null
    ) =>
        $$$"""
            {"id": "{{{id}}}", "sequence": {{{++_sequence}}}, "planting": "{{{planting}}}", "row": {{{row}}},
             "tree": {{{tree}}}, "at": "2027-01-27T15:00:00Z", "supersedes": {{{(
                supersedes is { } s ? $"\"{s}\"" : "null"
            )}}}, "kind": "check",
             "body": {"pass": "winter", "day": "2027-01-27", "left": {{{(
                left is { } buds ? $"{buds}" : "null"
            )}}}, {{{more}}}}}
            """;
}
