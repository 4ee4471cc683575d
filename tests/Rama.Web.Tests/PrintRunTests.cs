using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Cards of many plantings in one run: each the very card of its planting.</summary>
public sealed class PrintRunTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private readonly HttpClient _client = application.ClientOf();

    [Fact]
    public async Task It_prints_the_card_of_each_planting_in_the_order_asked_for()
    {
        var lines = await LinesAsync();
        var ready = lines.Where(l => l["ledger"]?["left"] is not null).Select(Id).Reverse().ToList();
        Assert.True(ready.Count >= 15);
        var steps = await RunAsync(_client, "print", [.. ready, .. ready.Take(2)], ["es", "en"]);

        Assert.Equal(ready, steps.Select(s => (string)s["planting"]!));
        Assert.Equal(Enumerable.Range(1, ready.Count), steps.Select(s => (int)s["done"]!));
        foreach (var step in steps)
        foreach (var (card, language) in step["cards"]!.AsArray().Zip(["es", "en"]))
        {
            var alone = await _client.ReadAsync($"/api/v1/plantings/{step["planting"]}/card?language={language}");
            Assert.True(JsonNode.DeepEquals(alone, card), $"{alone["block"]} {language}");
        }
    }

    [Fact]
    public async Task Where_nothing_is_prescribed_there_is_no_card()
    {
        var bare = (await LinesAsync()).First(l => (string)l["stage"]! is "target");
        using var stranger = await application.InNewEstateAsync(application.ClientOf(), "Print");
        await stranger.ImportAsync("save", ImportFile.ManyPlantings(1));
        var theirs = Id((await stranger.ReadAsync("/api/v1/season"))["plantings"]![0]!);

        var steps = await RunAsync(_client, "print", [Id(bare), theirs, $"{Guid.NewGuid()}"], ["en"]);

        Assert.Equal(3, steps.Count);
        Assert.All(steps, s => Assert.Empty(s["cards"]!.AsArray()));
        // Nobody reads the cards of another estate.
        var mine = (await LinesAsync()).First(l => l["ledger"]?["left"] is not null);
        Assert.Empty((await RunAsync(stranger, "print", [Id(mine)], ["en"])).Single()["cards"]!.AsArray());
    }

    [Fact]
    public async Task What_is_handed_out_is_kept_as_it_is_printed()
    {
        var ready = (await LinesAsync()).Where(l => l["ledger"]?["left"] is not null).Take(4).Select(Id).ToList();
        var first = await RunAsync(_client, "hand-out", ready, ["en", "es"]);
        var again = await RunAsync(_client, "hand-out", ready, ["en"]);
        foreach (var (step, later) in first.Zip(again))
        {
            var path = $"/api/v1/plantings/{step["planting"]}/cards";
            var kept = (await _client.ReadAsync(path)).AsArray().Select(c => c!).ToList();
            Assert.Equal(["en", "es", "en"], kept.Select(c => (string)c["language"]!));
            // The same prescription has the same number, in either language and later.
            Assert.Equal([1, 1, 1], kept.Select(c => (int)c["number"]!));
            Assert.All(kept, c => Assert.False((bool)c["outOfDate"]!));
            var printed = step["cards"]!.AsArray().Append(later["cards"]![0]).Reverse();
            foreach (var (card, issue) in printed.Zip([kept[0], kept[1], kept[2]]))
                Assert.True(JsonNode.DeepEquals(card, await _client.ReadAsync($"{path}/{issue["id"]}")));
        }
    }

    [Theory]
    [InlineData("""{"plantings": []}""", "plantings")]
    [InlineData("""{"plantings": null}""", "plantings")]
    [InlineData("""{"plantings": ["00000000-0000-0000-0000-000000000001"], "languages": ["en", "la"]}""", "languages")]
    public async Task What_cannot_be_a_run_is_told_at_its_field(string run, string fields)
    {
        var (status, body) = await _client.PostAsync("/api/v1/cards/print", run);
        Assert.Equal(400, status);
        Assert.Equal(fields.Split(','), Api.ProblemFields(body).Order());
        var many = JsonSerializer.Serialize(new { plantings = Enumerable.Range(0, 1_001).Select(_ => Guid.NewGuid()) });
        Assert.Equal(400, (await _client.PostAsync("/api/v1/cards/print", many)).Status);
    }

    // Whoever reads may print; only who decides hands out.
    [Fact]
    public async Task A_reader_hands_nothing_out()
    {
        using var reader = application.ClientOf(Role.Reader);
        var ready = Id((await LinesAsync()).First(l => l["ledger"]?["left"] is not null));
        Assert.Single((await RunAsync(reader, "print", [ready], ["en"])).Single()["cards"]!.AsArray());
        var body = $$"""{"plantings": ["{{ready}}"]}""";
        Assert.Equal(403, (await reader.PostAsync("/api/v1/cards/hand-out", body)).Status);
    }

    private static string Id(JsonNode line) => (string)line["id"]!;

    private async Task<List<JsonNode>> LinesAsync() =>
        [
            .. (await _client.ReadAsync("/api/v1/season"))["plantings"]!
                .AsArray()
                .Select(l => l!)
                .Where(l => l["ledger"] is not null || (string)l["stage"]! == "target"),
        ];

    private static async Task<List<JsonNode>> RunAsync(
        HttpClient client,
        string way,
        IEnumerable<string> plantings,
        IEnumerable<string> languages
    )
    {
        using var answer = await client.PostAsync(
            new Uri($"/api/v1/cards/{way}", UriKind.Relative),
            JsonContent.Create(new { plantings, languages }),
            Cancel
        );
        Assert.Equal(200, (int)answer.StatusCode);
        return
        [
            .. (await answer.Content.ReadAsStringAsync(Cancel))
                .Split('\n')
                .Where(l => l.StartsWith("data: ", StringComparison.Ordinal))
                .Select(l => JsonNode.Parse(l["data: ".Length..])!)
                .Where(s => s["planting"] is not null),
        ];
    }
}
