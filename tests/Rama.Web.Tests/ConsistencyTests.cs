using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Rama.Web.Tests;

/// <summary>
/// One truth on the demo: planting, season line, card in both languages, what is handed out as data, bench and
/// stateless calculator tell the same numbers. Made-up plantings are asked likewise in
/// <c>Rama.Core.Tests/Prescribe/ConsistencyTests</c>.
/// </summary>
public sealed partial class ConsistencyTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    [Fact]
    public async Task Every_planting_of_the_demo_tells_one_story()
    {
        var lines = (await _client.ReadAsync("/api/v1/season"))["plantings"]!
            .AsArray()
            .Where(l => l!["decision"] is not null)
            .ToList();
        Assert.True(lines.Count >= 15);
        foreach (var line in lines)
        {
            var code = (string)line!["code"]!;
            var path = $"/api/v1/plantings/{line["id"]}";
            var view = await _client.ReadAsync(path);
            var (prescription, decision) = (view["plan"]!["prescription"]!, view["plan"]!["decision"]!);
            Same(code, "season: decision", (string)decision["kind"]!, (string)line["decision"]!);
            Same(code, "season: minutes", prescription["minutesPerTree"]!, line["minutesPerTree"]!);
            Same(code, "season: left", prescription["budsLeft"]!, line["ledger"]!["left"]!);
            Same(code, "ledger: left", prescription["budsLeft"]!, view["plan"]!["ledger"]!["left"]!["mean"]!);
            Same(code, "decide: thinning", prescription["clustersToThinning"]!, decision["clustersToThinning"]!);

            var (status, worked) = await _client.PostAsync("/api/v1/calculations/plan", EntryOf(view).ToJsonString());
            Assert.True(status == 200, $"{code}: {worked}");
            Same(code, "calculator: left", prescription["budsLeft"]!, worked["prescription"]!["budsLeft"]!);

            var (standing, left) = (line["ledger"]!["standing"]!["mean"]!, line["ledger"]!["left"]!);
            var classes = prescription["classes"]!.AsArray();
            foreach (var language in new[] { "en", "es" })
            {
                var card = await _client.ReadAsync($"{path}/card?language={language}");
                var stops = classes
                    .Select(c => c!["stopAt"])
                    .Concat(classes.Select(c => c!["atMostDown"]))
                    .OfType<JsonNode>()
                    .Select(n => Math.Round((double)n, MidpointRounding.AwayFromZero))
                    .ToList();
                // As the list of the season writes them: halves up.
                foreach (var (told, number) in card["numbers"]!.AsArray().Zip([standing, left]))
                    Same(
                        code,
                        "card: numbers",
                        Math.Round((double)number, MidpointRounding.AwayFromZero),
                        NumbersOf((string)told!["value"]!).Single()
                    );
                Assert.True(
                    stops.SequenceEqual(NumbersOf((string)card["stop"]!)),
                    $"{code} {language}: “{card["stop"]}” for {string.Join(", ", stops)}"
                );
                foreach (var (c, told) in classes.Zip(card["classes"]!.AsArray()))
                    if (c!["stopAt"] is { } stop)
                        Same(
                            code,
                            "card: leave",
                            Math.Round((double)stop, MidpointRounding.AwayFromZero),
                            NumbersOf((string)told!["leave"]!).Single()
                        );
                var made = card["cuts"]!.AsArray().Where(c => (bool)c!["made"]!).Select(c => (int)c!["number"]!);
                Assert.Equal(Enumerable.Range(1, made.Count()), made);
            }
            var (issued, handed) = await _client.PostAsync(
                $"{path}/cards",
                $$"""{"version": {{view["planVersion"]}}, "language": "en"}"""
            );
            Assert.True(issued == 200, $"{code}: {handed}");
            var asked = (await _client.ReadAsync($"{path}/prescriptions/{handed["number"]}"))["classes"]!.AsArray();
            Assert.Equal(
                classes.Select(c =>
                    c!["stopAt"] is { } stop ? Math.Round((double)stop, MidpointRounding.AwayFromZero) : (double?)null
                ),
                asked.Select(c => (double?)c!["number"])
            );
            foreach (var c in classes)
            {
                var (put, bench) = await _client.PostAsync(
                    $"{path}/bench",
                    $$"""{"class": "{{c!["class"]!["name"]}}"}"""
                );
                Assert.Equal(200, put);
                Same(code, "bench: to leave", c["stopAt"] ?? c["decision"]!["budsToLeave"]!, bench["toLeave"]!);
            }
        }
    }

    // The years of a planting: tasks of the leaf at hand are passes of the year with the same hours, their cards tell
    // the same numbers; trees in rework ask for the same hours at the desk, in the year and in the kit.
    [Theory]
    [InlineData("manager@larkfold.example")]
    [InlineData("manager@ambertree.example")]
    public async Task The_years_of_every_planting_tell_one_story(string manager)
    {
        using var client = application.ClientWith(await application.SignInAsync(manager));
        var (trained, reworked) = (0, 0);
        foreach (var line in (await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray())
        {
            var code = (string)line!["code"]!;
            var path = $"/api/v1/plantings/{line["id"]}";
            var passes = (await client.ReadAsync($"{path}/programme"))["programme"]!["passes"]!
                .AsArray()
                .Select(p => p!)
                .ToList();
            var plan = (await client.ReadAsync($"{path}/training"))["plan"];
            if (plan?["state"]!["isOn"]!.GetValue<bool>() == true)
            {
                trained++;
                var leaf = plan["leaves"]![(int)plan["state"]!["leaf"]! - 1]!;
                var tasks = passes.Where(p => p["task"] is not null).ToDictionary(p => (string)p["id"]!);
                Assert.Equal(
                    leaf["tasks"]!.AsArray().Select(t => $"{code} {t!["task"]!["id"]} {t["hours"]?["paid"]}").Order(),
                    tasks.Values.Select(p => $"{code} {p["id"]} {p["hours"]?["paid"]}").Order()
                );
                foreach (var (id, pass) in tasks)
                {
                    if (pass["task"]!["perTree"] is not { } perTree)
                        continue;
                    var card = await client.ReadAsync($"{path}/passes/{id}/card");
                    Assert.True(
                        NumbersOf((string)card["headline"]!)
                            .Contains(Math.Round((double)perTree, MidpointRounding.AwayFromZero)),
                        $"{code} {id}: “{card["headline"]}” for {perTree}"
                    );
                }
            }
            var rework = (await client.ReadAsync($"{path}/rework"))["plan"];
            var pages = passes.Where(p => (string)p["id"]! == "rework").ToList();
            Assert.Equal(rework is null ? 0 : 1, pages.Count);
            if (rework is null)
                continue;
            reworked++;
            Same(code, "rework: hours", rework["hours"]!["paid"]!, pages[0]["hours"]!["paid"]!);
            Same(
                code,
                "rework: trees",
                rework["standings"]!.AsArray().Sum(s => (int)s!["trees"]!),
                TreesIn((await client.ReadAsync($"{path}/kit"))["rework"]!)
            );
        }
        Assert.True(trained > 0 || reworked > 0);
    }

    // Where no rows are listed the row is told to pace by the numbers that stand on paper.
    [Fact]
    public async Task A_walk_without_rows_is_the_same_on_paper_and_in_the_row()
    {
        var paced = 0;
        foreach (var planting in (await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray())
        {
            var path = $"/api/v1/plantings/{(string)planting!["id"]!}";
            var saved = (await _client.ReadAsync(path))["count"]!["sample"]!.ToJsonString();
            var (_, plan) = await _client.PostAsync($"{path}/sample", saved);
            var kit = await _client.ReadAsync($"{path}/kit");
            var told = plan["warnings"]!.AsArray().SingleOrDefault(w => (string)w!["code"]! == "sample.no-rows");
            Assert.Equal(told?.ToJsonString(), kit["pace"]?.ToJsonString());
            Assert.Equal(told is null, kit["route"]!.AsArray().Count > 0);
            if (told is not null)
                paced++;
        }
        Assert.InRange(paced, 10, 23);
    }

    private static int TreesIn(JsonNode kit) =>
        kit["trees"]!.AsArray().Count + kit["toGo"]!.AsArray().Sum(r => r!["trees"]!.AsArray().Count);

    // What the front end sends while somebody types: the parts of the planting as they were entered.
    internal static JsonObject EntryOf(JsonNode view)
    {
        JsonObject entry = new();
        string[] parts =
        [
            "season",
            "planting",
            "rows",
            "records",
            "fruitSample",
            "target",
            "count",
            "measured",
            "settings",
            "cutting",
        ];
        foreach (var part in parts)
            entry[part] = view[part]!.DeepClone();
        return entry;
    }

    private static void Same(string code, string what, string expected, string actual) =>
        Assert.True(expected == actual, $"{code}, {what}: {expected} and {actual}");

    private static void Same(string code, string what, double expected, double actual) =>
        Assert.True(Math.Abs(expected - actual) < 1e-6, $"{code}, {what}: {expected} and {actual}");

    private static void Same(string code, string what, JsonNode expected, JsonNode actual) =>
        Same(code, what, (double)expected, (double)actual);

    private static List<double> NumbersOf(string text) =>
        [.. Numbers().Matches(text).Select(m => double.Parse(m.Value, CultureInfo.InvariantCulture))];

    [GeneratedRegex(@"\d+")]
    private static partial Regex Numbers();
}
