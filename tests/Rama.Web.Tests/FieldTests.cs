using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using Rama.Core.Count;
using Rama.Data.Field;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>What devices send from the field: nothing twice, nothing dropped, nobody's count over another's.</summary>
public sealed class FieldTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly Guid Phone = Guid.Parse("0b6c2a52-6f0e-4c7e-9a55-0d7f3b1d8a01");

    private readonly HttpClient _counter = application.ClientOf(Role.Counter);
    private long _sequence;

    private async Task<JsonNode> Added(string code)
    {
        var (status, body) = await application
            .ClientOf()
            .PostAsync(
                "/api/v1/plantings",
                $$$"""
                {"code": "{{{code}}}", "name": "Field test", "variety": "Topaz", "rootstock": "M.9", "system": "tall-spindle", "yearPlanted": 2018,
                 "rowSpacing": {"value": 3.4, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 1, "unit": "ha"}}
                """
            );
        Assert.Equal(201, status);
        return body;
    }

    private string Entry(
        JsonNode planting,
        Guid id,
        string told,
        int row = 3,
        int tree = 12,
        Guid? supersedes = null
    ) =>
        $$"""
            {"id": "{{id}}", "sequence": {{++_sequence}}, "planting": "{{planting[
                "id"
            ]}}", "at": "2027-01-27T10:0{{_sequence % 10}}:00Z", "row": {{row}}, "tree": {{tree}}{{(
                supersedes is { } s ? $", \"supersedes\": \"{s}\"" : ""
            )}}{{(told.Length == 0 ? "" : ", " + told)}}}
            """;

    private static string Tree(double buds) =>
        $$$"""
            "kind": "tree", "body": {"floralBuds": {{{buds}}}, "girth": {"value": 16.5, "unit": "cm"}}
            """;

    private async Task<List<string>> Send(
        IEnumerable<string> entries,
        HttpClient? client = null,
        string sentAt = "2027-01-27T11:00:00Z"
    )
    {
        var (status, body) = await (client ?? _counter).PostAsync(
            "/api/v1/field",
            $$"""{"device": "{{Phone}}", "sentAt": "{{sentAt}}", "entries": [{{string.Join(",", entries)}}]}"""
        );
        Assert.Equal(200, status);
        return [.. body.AsArray().Select(r => (string)r!["outcome"]!)];
    }

    private async Task<List<(int Tree, double Buds)>> Counted(JsonNode planting) =>
        [
            .. (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}"))["count"]!["trees"]!
                .AsArray()
                .Select(t => ((int)t!["tree"]!, (double)t["floralBuds"]!)),
        ];

    [Fact]
    public async Task Five_trees_sent_three_times_are_five_trees()
    {
        var planting = await Added("F1");
        var entries = Enumerable
            .Range(1, 5)
            .Select(i => Entry(planting, Guid.NewGuid(), Tree(100 + i), tree: i))
            .ToList();
        Assert.All(await Send(entries), o => Assert.Equal("taken", o));
        Assert.All(await Send(entries), o => Assert.Equal("known", o));
        Assert.All(await Send(entries.Skip(2)), o => Assert.Equal("known", o));
        Assert.Equal([(1, 101), (2, 102), (3, 103), (4, 104), (5, 105)], await Counted(planting));
    }

    [Fact]
    public async Task A_counter_corrects_and_takes_back_their_own_tree()
    {
        var planting = await Added("F2");
        var (first, second, third) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        await Send([Entry(planting, first, Tree(180)), Entry(planting, second, Tree(182), supersedes: first)]);
        Assert.Equal([(12, 182)], await Counted(planting));
        await Send([Entry(planting, third, "", supersedes: second)]);
        Assert.Empty(await Counted(planting));
        // Sent once more, it takes back nothing further.
        await Send([Entry(planting, Guid.NewGuid(), Tree(190))]);
        Assert.Equal(["known"], await Send([Entry(planting, third, "", supersedes: second)]));
        Assert.Equal([(12, 190)], await Counted(planting));
    }

    [Fact]
    public async Task Two_counters_of_one_tree_are_both_kept_until_somebody_chooses()
    {
        var planting = await Added("F3");
        var other = Guid.NewGuid();
        await Send([Entry(planting, Guid.NewGuid(), Tree(180))]);
        Assert.Equal(
            ["conflict"],
            await Send([Entry(planting, other, Tree(240))], application.ClientOf(Role.CrewLead))
        );
        Assert.Equal([(12, 180)], await Counted(planting));

        var told = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field");
        var conflict = told["entries"]!.AsArray().Single(e => (string)e!["state"]! == "conflict")!;
        Assert.Equal(
            (240, 180),
            ((double)conflict["body"]!["floralBuds"]!, (double)conflict["inForce"]!["floralBuds"]!)
        );
        Assert.Equal(2, told["counters"]!.AsArray().Count);

        Task<(int Status, JsonNode Body)> Choose(string take, string seen) =>
            _counter.PutAsync(
                $"/api/v1/plantings/{planting["id"]}/field/{other}",
                $$"""{"take": {{take}}, "inForce": {{seen}}}"""
            );
        // Whoever chooses says between what; something else by now is looked at again.
        foreach (var seen in new[] { "null", """{"floralBuds": 181}""" })
            Assert.Equal(["inForce"], Api.ProblemFields((await Choose("true", seen)).Body));
        Assert.Equal(204, (await Choose("true", conflict["inForce"]!.ToJsonString())).Status);
        Assert.Equal([(12, 240)], await Counted(planting));
        var standings = (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field"))["entries"]!
            .AsArray()
            .Select(e => (string)e!["state"]!)
            .Order();
        Assert.Equal(["inForce", "setAside"], standings);
        Assert.Equal(404, (await Choose("false", "null")).Status);
    }

    [Fact]
    public async Task What_the_office_typed_is_not_overwritten_from_the_field()
    {
        var planting = await Added("F4");
        var first = Guid.NewGuid();
        await Send([Entry(planting, first, Tree(180))]);
        var view = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}");
        await _counter.PutAsync(
            $"/api/v1/plantings/{planting["id"]}/count",
            $$$"""{"version": {{{view["planVersion"]}}}, "count": {"trees": [{"row": 3, "tree": 12, "floralBuds": 200}]}}"""
        );
        Assert.Equal(["conflict"], await Send([Entry(planting, Guid.NewGuid(), Tree(185), supersedes: first)]));
        Assert.Equal([(12, 200)], await Counted(planting));
    }

    [Fact]
    public async Task Two_counters_at_once_lose_nothing()
    {
        var planting = await Added("F5");
        var batches = Enumerable
            .Range(0, 8)
            .Select(b =>
                Enumerable
                    .Range(1, 5)
                    .Select(i => Entry(planting, Guid.NewGuid(), Tree(100), row: b + 1, tree: i))
                    .ToList()
            )
            .ToList();
        var outcomes = await Task.WhenAll(
            batches.Select((b, i) => Send(b, application.ClientOf(i % 2 == 0 ? Role.Counter : Role.CrewLead)))
        );
        Assert.All(outcomes.SelectMany(o => o), o => Assert.Equal("taken", o));
        Assert.Equal(40, (await Counted(planting)).Count);
    }

    [Fact]
    public async Task A_clock_that_is_wrong_is_set_right()
    {
        var planting = await Added("F6");
        // The device believes it is 2031; the tree was counted an hour before it sent.
        await Send([Entry(planting, Guid.NewGuid(), Tree(180))], sentAt: "2027-01-27T11:01:00Z");
        var entry = (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field"))["entries"]![0]!;
        var ago = DateTimeOffset.UtcNow - (DateTimeOffset)entry["at"]!;
        Assert.InRange(ago.TotalMinutes, 50, 65);
    }

    [Fact]
    public async Task Buds_cut_skips_and_marks_arrive_beside_the_trees()
    {
        var planting = await Added("F7");
        var cut = Guid.NewGuid();
        await Send([
            Entry(planting, Guid.NewGuid(), """ "kind": "skip", "body": "replant" """, tree: 1),
            Entry(
                planting,
                cut,
                """ "kind": "cut", "body": {"kind": "spur", "floral": 11, "vegetative": 8, "dead": 1} """
            ),
            Entry(
                planting,
                Guid.NewGuid(),
                """ "kind": "tree", "body": {"kinds": [{"kind": "spur", "buds": 200}]} """,
                tree: 2
            ),
            Entry(
                planting,
                Guid.NewGuid(),
                """ "kind": "mark", "body": {"extension": {"value": 60, "unit": "cm"}, "conditions": ["canker"], "lookAgain": "2027-05-01"} """
            ),
            Entry(
                planting,
                Guid.NewGuid(),
                """ "kind": "cut", "body": {"kind": "spur", "floral": 12, "vegetative": 8, "dead": 0} """,
                supersedes: cut
            ),
        ]);
        var view = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}");
        Assert.Equal(12, (double)Assert.Single(view["count"]!["budCuts"]!.AsArray())!["floral"]!);
        Assert.Equal(120, (double)view["plan"]!["survey"]!["buds"]!["mean"]!, 9); // 200 spurs, 12 of 20 floral
        var told = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field");
        Assert.Equal("strong", (string)told["vigour"]!["vigour"]!);
        Assert.Contains(told["vigour"]!["advice"]!.AsArray(), a => (string)a!["id"]! == "no-wet-cuts");
        Assert.Equal(
            "replant",
            (string)told["entries"]!.AsArray().Single(e => (string)e!["kind"]! == "skip")!["body"]!
        );
    }

    [Fact]
    public async Task What_cannot_be_used_is_refused_at_its_field_and_the_rest_is_taken()
    {
        var planting = await Added("F8");
        var (status, body) = await _counter.PostAsync(
            "/api/v1/field",
            $$"""
            {"device": "{{Phone}}", "sentAt": "2027-01-27T11:00:00Z", "entries": [{{Entry(
                planting,
                Guid.NewGuid(),
                Tree(-4),
                tree: 1
            )}}, {{Entry(planting, Guid.NewGuid(), Tree(150), tree: 2)}},
             {{Entry(JsonNode.Parse($$"""{"id": "{{Guid.NewGuid()}}"}""")!, Guid.NewGuid(), Tree(150))}}]}
            """
        );
        Assert.Equal(200, status);
        var refused = body.AsArray().Where(r => (string)r!["outcome"]! == "refused").ToList();
        Assert.Equal(
            ["body.floralBuds", "planting"],
            refused.Select(r => (string)r!["problems"]![0]!["field"]!).Order()
        );
        Assert.Equal([(2, 150)], await Counted(planting));
    }

    /// <summary>The envelope as phones sent it before there were kinds; some still hold a queue of it.</summary>
    [Fact]
    public async Task A_queue_from_before_there_were_kinds_still_arrives()
    {
        var planting = await Added("FO");
        var first = Guid.NewGuid();
        const string Rest = "\"supersedes\": null, \"mark\": null";
        Assert.Equal(
            ["taken", "taken", "taken", "taken", "refused"],
            await Send([
                Entry(planting, first, """ "counted": {"floralBuds": 180}, "skipReason": null, "cut": null, """ + Rest),
                Entry(planting, Guid.NewGuid(), """ "skipReason": "broken" """, tree: 1),
                Entry(
                    planting,
                    Guid.NewGuid(),
                    """ "cut": {"kind": "spur", "floral": 9, "vegetative": 8, "dead": 1} """
                ),
                Entry(planting, Guid.NewGuid(), """ "mark": {"extension": {"value": 60, "unit": "cm"}} """),
                Entry(planting, Guid.NewGuid(), """ "counted": {"floralBuds": 1}, "skipReason": "broken" """, tree: 4),
            ])
        );
        Assert.Equal([(12, 180)], await Counted(planting));
        var told = (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field"))["entries"]!.AsArray();
        Assert.Equal(["cut", "mark", "skip", "tree"], told.Select(e => (string)e!["kind"]!).Order());
        Assert.Equal("broken", (string)told.Single(e => (string)e!["kind"]! == "skip")!["body"]!);
    }

    [Theory]
    [InlineData(""" "kind": "drone", "body": {} """, "kind")]
    [InlineData(""" "kind": "0", "body": "x" """, "kind")]
    [InlineData(""" "kind": "tree" """, "body")]
    [InlineData(""" "kind": "tree", "body": {"floralBuds": "180"} """, "body.floralBuds")]
    [InlineData(""" "kind": "tree", "body": {"flowers": 180} """, "body.flowers")]
    [InlineData(""" "kind": "skip", "body": "" """, "body")]
    [InlineData(""" "kind": "tree", "season": 2024, "body": {"floralBuds": 180} """, "season")]
    public async Task What_one_entry_tells_wrong_costs_no_other(string told, string field)
    {
        var planting = await Added($"FW{_sequence++}{Math.Abs(told.GetHashCode(StringComparison.Ordinal)) % 10_000}");
        var (status, body) = await _counter.PostAsync(
            "/api/v1/field",
            $$"""
            {"device": "{{Phone}}", "sentAt": "2027-01-27T11:00:00Z", "entries": [
            {{Entry(planting, Guid.NewGuid(), told)}}, {{Entry(planting, Guid.NewGuid(), Tree(150), tree: 2)}}]}
            """
        );
        Assert.Equal(200, status);
        Assert.Equal(["refused", "taken"], body.AsArray().Select(r => (string)r!["outcome"]!));
        Assert.Equal(field, (string)body[0]!["problems"]![0]!["field"]!);
    }

    [Fact]
    public async Task What_was_made_last_season_belongs_to_it()
    {
        var planting = await Added("FS");
        await Send([Entry(planting, Guid.NewGuid(), Tree(140) + ", \"season\": 2026")]);
        Assert.Empty(await Counted(planting));
        var before = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}?season=2026");
        Assert.Equal(140, (double)Assert.Single(before["count"]!["trees"]!.AsArray())!["floralBuds"]!);
    }

    [Fact]
    public async Task Who_made_an_entry_is_named_and_not_who_had_signal()
    {
        var planting = await Added("FN");
        var lead = (await application.ClientOf(Role.CrewLead).ReadAsync("/api/v1/session"))["person"]!;
        await Send([Entry(planting, Guid.NewGuid(), Tree(140) + $", \"person\": \"{lead["id"]}\"")]);
        // Somebody who does not belong to the estate is nobody here.
        await Send([Entry(planting, Guid.NewGuid(), Tree(150) + $", \"person\": \"{Guid.NewGuid()}\"", tree: 2)]);
        var told = (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field"))["entries"]!.AsArray();
        var names = told.ToDictionary(e => (int)e!["tree"]!, e => (string)e!["person"]!);
        Assert.Equal((string)lead["name"]!, names[12]);
        Assert.NotEqual((string)lead["name"]!, names[2]);
    }

    [Fact]
    public async Task Another_estate_s_planting_cannot_be_counted()
    {
        var planting = await Added("F9");
        using var elsewhere = await application.InNewEstateAsync(application.ClientOf(), "Field Elsewhere");
        Assert.Equal(["refused"], await Send([Entry(planting, Guid.NewGuid(), Tree(99))], elsewhere));
        Assert.Equal(
            404,
            (await elsewhere.SendAsync(HttpMethod.Get, $"/api/v1/plantings/{planting["id"]}/kit")).Status
        );
        Assert.Empty(await Counted(planting));
    }

    [Fact]
    public async Task A_withdrawal_that_comes_before_its_entry_holds()
    {
        var planting = await Added("F20");
        var (tree, cut) = (Guid.NewGuid(), Guid.NewGuid());
        var withdrawals = new[]
        {
            Entry(planting, Guid.NewGuid(), "", supersedes: tree),
            Entry(planting, Guid.NewGuid(), "", supersedes: cut),
        };
        Assert.Equal(["taken", "taken"], await Send(withdrawals));
        Assert.Equal(["known", "known"], await Send(withdrawals));
        await Send([
            Entry(planting, tree, Tree(180)),
            Entry(planting, cut, """ "kind": "cut", "body": {"kind": "spur", "floral": 9, "vegetative": 1} """),
        ]);
        Assert.Empty(await Counted(planting));
        var told = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field");
        Assert.Equal(["withdrawn", "withdrawn"], told["entries"]!.AsArray().Select(e => (string)e!["state"]!));
        Assert.Empty((await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}"))["count"]!["budCuts"]!.AsArray());
    }

    [Fact]
    public async Task A_correction_that_comes_before_its_entry_holds()
    {
        var planting = await Added("F21");
        var first = Guid.NewGuid();
        var before = Entry(planting, first, Tree(180));
        Assert.Equal(["taken"], await Send([Entry(planting, Guid.NewGuid(), Tree(182), supersedes: first)]));
        Assert.Equal(["taken"], await Send([before]));
        Assert.Equal([(12, 182)], await Counted(planting));
    }

    /// <summary>An entry, two corrections and the withdrawal of the last, in every order they can come in.</summary>
    [Theory]
    [InlineData("tree", false)]
    [InlineData("tree", true)]
    [InlineData("cut", false)]
    [InlineData("cut", true)]
    public async Task Corrections_hold_in_whatever_order_they_come(string kind, bool withdrawn)
    {
        var planting = await Added($"FO{kind[0]}{(withdrawn ? 1 : 2)}");
        string Told(int buds) =>
            kind == "tree" ? Tree(buds) : $$""" "kind": "cut", "body": {"kind": "spur", "floral": {{buds}}} """;
        var orders = Orders(withdrawn ? 4 : 3).ToList();
        foreach (var (n, order) in orders.Index())
        {
            var ids = Enumerable.Range(0, 4).Select(_ => Guid.NewGuid()).ToList();
            string[] entries =
            [
                Entry(planting, ids[0], Told(10), tree: n + 1),
                Entry(planting, ids[1], Told(20), tree: n + 1, supersedes: ids[0]),
                // Back to what it first was: nothing of it may hang on being another number.
                Entry(planting, ids[2], Told(n % 2 == 0 ? 10 : 30), tree: n + 1, supersedes: ids[1]),
                Entry(planting, ids[3], "", tree: n + 1, supersedes: ids[2]),
            ];
            foreach (var which in order)
                await Send([entries[which]]);
        }
        var count = (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}"))["count"]!;
        Assert.Equal(
            withdrawn ? [] : orders.Index().Select(o => (o.Index + 1, o.Index % 2 == 0 ? 10.0 : 30)),
            count[kind == "tree" ? "trees" : "budCuts"]!
                .AsArray()
                .Select(t => ((int)t!["tree"]!, (double)t[kind == "tree" ? "floralBuds" : "floral"]!))
                .Order()
        );
        var told = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field");
        Assert.DoesNotContain(told["entries"]!.AsArray(), e => (string)e!["state"]! == "conflict");
    }

    private static IEnumerable<int[]> Orders(int of) =>
        of == 0
            ?
            [
                [],
            ]
            : Orders(of - 1)
                .SelectMany(o => Enumerable.Range(0, of).Select(i => (int[])[.. o[..i], of - 1, .. o[i..]]));

    [Fact]
    public async Task A_count_put_right_to_another_tree_or_to_a_skip_leaves_nothing_behind()
    {
        var planting = await Added("F26");
        var (first, second, third) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        await Send([
            Entry(planting, first, Tree(180)),
            Entry(planting, second, Tree(190), tree: 13, supersedes: first),
        ]);
        Assert.Equal([(13, 190)], await Counted(planting));
        await Send([Entry(planting, third, """ "kind": "skip", "body": "replant" """, tree: 13, supersedes: second)]);
        Assert.Empty(await Counted(planting));
        // And back, over what is no count.
        await Send([Entry(planting, Guid.NewGuid(), Tree(200), tree: 13, supersedes: third)]);
        Assert.Equal([(13, 200)], await Counted(planting));
    }

    [Fact]
    public async Task Two_entries_that_take_each_other_s_place_end()
    {
        var planting = await Added("F27");
        var (one, other) = (Guid.NewGuid(), Guid.NewGuid());
        await Send([
            Entry(planting, one, Tree(1), supersedes: other),
            Entry(planting, other, Tree(2), supersedes: one),
        ]);
        Assert.Equal(["taken"], await Send([Entry(planting, Guid.NewGuid(), Tree(3), tree: 13, supersedes: other)]));
    }

    [Fact]
    public async Task More_trees_than_anybody_counts_by_hand_are_refused_and_told()
    {
        var planting = await Added("F28");
        foreach (var batch in Enumerable.Range(0, SurveyEntry.MostTrees).Chunk(FieldBatch.MostEntries))
            await Send(
                batch.Select(i => Entry(planting, Guid.NewGuid(), Tree(5), row: 1 + i / 100, tree: 1 + i % 100))
            );
        Assert.Equal(["refused"], await Send([Entry(planting, Guid.NewGuid(), Tree(180), row: 99, tree: 1)]));
        Assert.Equal(SurveyEntry.MostTrees, (await Counted(planting)).Count);
    }

    [Fact]
    public async Task A_withdrawal_under_another_planting_touches_nothing()
    {
        var (mine, other) = (await Added("F22"), await Added("F23"));
        var tree = Guid.NewGuid();
        await Send([Entry(mine, tree, Tree(180))]);
        Assert.Equal(
            ["refused", "refused"],
            await Send([
                Entry(other, Guid.NewGuid(), "", supersedes: tree),
                Entry(other, Guid.NewGuid(), Tree(90), supersedes: tree),
            ])
        );
        Assert.Equal([(12, 180)], await Counted(mine));
        Assert.Empty(await Counted(other));
    }

    [Theory]
    [InlineData("\"at\": \"9999-12-31T23:59:59-14:00\"")]
    [InlineData("\"at\": \"0001-01-01T00:00:00Z\"")]
    [InlineData("\"at\": 12")]
    [InlineData("\"at\": null")]
    [InlineData("\"body\": {\"floralBuds\": 1e308}")]
    [InlineData("\"body\": {\"floralBuds\": 1, \"girth\": {\"unit\": \"a unit that is much too long\"}}")]
    [InlineData("\"body\": {\"floralBuds\": 1, \"limbs\": [null]}")]
    [InlineData("\"body\": \"\\u0000\"")]
    [InlineData("\"kind\": \"a\\u0000b\"")]
    [InlineData("\"kind\": \"\\ud800\"")]
    [InlineData("\"person\": \"nobody\"")]
    [InlineData("\"sequence\": 1e30")]
    [InlineData("\"season\": 99999999999")]
    [InlineData("\"row\": -1e12")]
    [InlineData("\"unheard\": true")]
    public async Task One_bad_entry_costs_no_other(string bad)
    {
        var planting = await Added($"FB{Guid.NewGuid():n}"[..12]);
        var member = bad.Split(':')[0];
        var entry = JsonNode.Parse(Entry(planting, Guid.NewGuid(), Tree(180)))!.AsObject();
        entry.Remove(member.Trim('"'));
        var sent = entry.ToJsonString()[..^1] + "," + bad + "}";
        Assert.Equal(["refused", "taken"], await Send([sent, Entry(planting, Guid.NewGuid(), Tree(99), tree: 2)]));
        Assert.Equal([(2, 99)], await Counted(planting));
    }

    [Fact]
    public async Task A_time_of_tomorrow_is_now()
    {
        var planting = await Added("F24");
        var entry = Entry(planting, Guid.NewGuid(), Tree(180))
            .Replace("2027-01-27T10", "2030-01-27T10", StringComparison.Ordinal);
        Assert.Equal(["taken"], await Send([entry]));
        var told = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field");
        Assert.True((DateTimeOffset)told["entries"]![0]!["at"]! <= DateTimeOffset.UtcNow);
    }

    [Fact]
    public async Task An_entry_of_another_estate_waits_for_it()
    {
        var planting = await Added("F25");
        var there = (await application.ClientOf().ReadAsync("/api/v1/session"))["here"]!["estateId"];
        using var elsewhere = await application.InNewEstateAsync(application.ClientOf(), "Beside the field");
        var entry = Entry(planting, Guid.NewGuid(), $"\"estate\": \"{there}\", " + Tree(180));
        Assert.Equal(["elsewhere"], await Send([entry], elsewhere));
        Assert.Empty(await Counted(planting));
        Assert.Equal(["taken"], await Send([entry]));
        Assert.Equal([(12, 180)], await Counted(planting));
    }

    [Fact]
    public async Task Many_phones_on_few_plantings_meet_no_error_of_the_server()
    {
        const int phones = 64;
        var plantings = new List<JsonNode>();
        for (var i = 0; i < 8; i++)
            plantings.Add(await Added($"F3{i}"));
        // Each has counted in two plantings, and all have signal again at the same moment.
        var batches = Enumerable
            .Range(0, phones)
            .Select(phone =>
                new[] { phone % 8, (phone + 1) % 8 }
                    .Select(p => Entry(plantings[p], Guid.NewGuid(), Tree(100 + phone), row: 1 + phone, tree: 1))
                    .ToList()
            )
            .ToList();
        var outcomes = await Task.WhenAll(batches.Select(b => Send(b)));
        Assert.All(outcomes.SelectMany(o => o), o => Assert.Equal("taken", o));
        foreach (var planting in plantings)
            Assert.Equal(phones * 2 / 8, (await Counted(planting)).Count);
    }

    [Fact]
    public async Task The_kit_holds_what_counting_without_signal_needs()
    {
        var planting = await _counter.PlantingAsync("W4");
        var kit = await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/kit");
        // Every trunk of W4 is measured (demo/larkfold/trunks.csv), so its walk goes by trunk class.
        Assert.Equal(["small", "medium", "large"], kit["classes"]!.AsArray().Select(c => (string)c!["name"]!));
        Assert.All(kit["route"]!.AsArray(), s => Assert.NotNull(s!["class"]));
        var target = planting["plan"]!["buds"]!["budsPerTree"]!;
        Assert.Equal((double)target * 1.1, (double)kit["stop"]!["bandHigh"]!, 6);
        Assert.Equal(
            kit["route"]!.ToJsonString(),
            (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/kit"))["route"]!.ToJsonString()
        );
    }

    [Fact]
    public async Task A_photograph_is_kept_once_and_without_its_place()
    {
        var planting = await Added("FP");
        var (id, path) = (Guid.NewGuid(), "");
        path = $"/api/v1/plantings/{planting["id"]}/photos/{id}";
        foreach (var _ in Enumerable.Range(0, 2))
            Assert.Equal(204, await Upload(path, JpegPictureTests.Jpeg(withMetadata: true), " Canker at the union "));
        var photo = Assert.Single(
            (await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field"))["photos"]!.AsArray()
        )!;
        Assert.Equal((3, 12), ((int)photo["row"]!, (int)photo["tree"]!));
        Assert.Equal("Canker at the union", (string)photo["caption"]!);
        Assert.Equal(
            400,
            await Upload(
                $"/api/v1/plantings/{planting["id"]}/photos/{Guid.NewGuid()}",
                JpegPictureTests.Jpeg(withMetadata: false),
                new string('x', PhotoRecord.LongestCaption + 1)
            )
        );
        using var picture = await _counter.GetAsync(
            new Uri(path, UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(
            JpegPictureTests.Jpeg(withMetadata: false),
            await picture.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)
        );

        Assert.Equal(
            400,
            await Upload($"/api/v1/plantings/{planting["id"]}/photos/{Guid.NewGuid()}", "<svg/>"u8.ToArray())
        );
        Assert.Equal(
            413,
            await Upload(
                $"/api/v1/plantings/{planting["id"]}/photos/{Guid.NewGuid()}",
                new byte[PhotoRecord.MostBytes + 95_000]
            )
        );
        using var elsewhere = await application.InNewEstateAsync(application.ClientOf(), "Photo Elsewhere");
        Assert.Equal(404, (await elsewhere.SendAsync(HttpMethod.Get, path)).Status);
    }

    [Fact]
    public async Task A_photograph_sent_by_many_at_once_is_one()
    {
        var planting = await Added("FQ");
        var path = $"/api/v1/plantings/{planting["id"]}/photos/{Guid.NewGuid()}";
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 6).Select(_ => Upload(path, JpegPictureTests.Jpeg(withMetadata: true)))
        );
        Assert.All(answers, a => Assert.Equal(204, a));
        Assert.Single((await _counter.ReadAsync($"/api/v1/plantings/{planting["id"]}/field"))["photos"]!.AsArray());
    }

    private async Task<int> Upload(string path, byte[] content, string caption = "")
    {
        using var body = new ByteArrayContent(content);
        body.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        using var answer = await _counter.PutAsync(
            new Uri($"{path}?at=2027-01-27T10:00:00Z&row=3&tree=12&caption={caption}", UriKind.Relative),
            body,
            TestContext.Current.CancellationToken
        );
        return (int)answer.StatusCode;
    }
}
