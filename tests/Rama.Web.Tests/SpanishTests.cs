using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>
/// What the core says in English, arithmetic and sentences, has its Spanish: nobody in the row reads half a page of
/// each.
/// </summary>
public sealed class SpanishTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly HashSet<string> Told =
    [
        .. JsonNode
            .Parse(File.ReadAllText(RamaApplication.RepositoryFile("web/src/words/es.json")))!
            .AsObject()
            .Select(w => w.Key),
    ];

    [Fact]
    public async Task Everything_the_demo_says_is_told_in_Spanish()
    {
        using var client = application.ClientOf();
        HashSet<string> missing = [];
        foreach (var line in (await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray())
        {
            Missing(line!, missing);
            Missing((await client.ReadAsync($"/api/v1/plantings/{line!["id"]}"))["plan"]!, missing);
            Missing(await client.ReadAsync($"/api/v1/plantings/{line["id"]}/checks"), missing);
            Missing(await client.ReadAsync($"/api/v1/plantings/{line["id"]}/crop"), missing);
        }
        // What the words of a rule mean, for whoever writes one.
        foreach (var (_, words) in (await client.ReadAsync("/api/v1/catalogue/systems/blank"))["words"]!.AsObject())
            missing.UnionWith(words!.AsArray().Select(w => (string)w!["means"]!).Except(Told));
        Missing(await client.ReadAsync("/api/v1/crops"), missing);
        Missing(await client.ReadAsync("/api/v1/learning"), missing);
        Assert.True(missing.Count == 0, string.Join("\n", missing.Order()));
    }

    // Arithmetic and sentences anywhere in an answer; figures that come with words of their own have them in
    // both languages.
    private static void Missing(JsonNode node, HashSet<string> missing)
    {
        void Ask(string key)
        {
            if (!Told.Contains(key))
                missing.Add(key);
        }
        if (node is JsonArray list)
            foreach (var item in list.OfType<JsonNode>())
                Missing(item, missing);
        if (node is not JsonObject thing)
            return;
        if (thing["formula"] is { } formula && thing["result"] is { } result && thing["inputs"] is JsonArray inputs)
        {
            Ask((string)formula!);
            foreach (var figure in inputs.Append(result).OfType<JsonObject>().Where(f => f["words"] is null))
                Ask((string)figure["name"]!);
        }
        if (thing["code"] is { } code && thing["message"] is not null && thing["figures"] is not null)
            Ask($"notice:{code}");
        foreach (var (_, value) in thing)
            if (value is not null)
                Missing(value, missing);
    }
}
