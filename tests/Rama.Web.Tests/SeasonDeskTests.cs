using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc.Testing;
using Npgsql;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>
/// The season page of an estate too large to be worked out while somebody waits: it answers at once with what is kept,
/// says what is still being worked out, and comes to the same in the end, at every copy of the server.
/// </summary>
public sealed class SeasonDeskTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private const int Plantings = 120;

    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task It_answers_at_once_and_comes_to_the_same()
    {
        var client = await LargeAsync("At once");

        // All plantings are there at once; a line that is not marked is as it will be.
        var first = await client.ReadAsync("/api/v1/season");
        var whole = await WholeAsync(client);
        var told = Lines(whole).ToDictionary(l => (string)l["code"]!);
        Assert.Equal(Plantings, Lines(first).Count);
        Assert.All(Lines(first), line =>
            Assert.True(
                (bool)line["isPending"]! || JsonNode.DeepEquals(line["ledger"], told[(string)line["code"]!]["ledger"])
            )
        );
        Assert.All(told.Values, line =>
        {
            Assert.False((bool)line["isPending"]!);
            Assert.NotNull(line["ledger"]!["left"]);
        });

        // What is saved is not told otherwise once nothing is left to be worked out.
        var target = await RaisedAsync(client, "P7", 1.2);
        var changed = await WholeAsync(client);
        Assert.Equal(target, Wanted(changed, "P7"));
        Assert.NotEqual(target, Wanted(whole, "P7"));
    }

    [Fact]
    public async Task Another_copy_shows_what_is_kept_and_which_of_it_changed()
    {
        var client = await LargeAsync("Kept");
        // Worked out and kept after the import, though nobody asked.
        await KeptAsync("Kept");
        var whole = await WholeAsync(client);

        await using (var copy = application.WithWebHostBuilder(_ => { }))
        {
            var kept = await At(copy, client).ReadAsync("/api/v1/season");
            Assert.Equal(Plantings, (int)kept["pending"]!["of"]!);
            Assert.True(JsonNode.DeepEquals(whole["plantings"], kept["plantings"]));
            foreach (var told in new[] { "areaHa", "readyForCards", "systems", "passes", "crewHoursPerWeek" })
                Assert.True(JsonNode.DeepEquals(whole[told], kept[told]), told);
            Assert.True(JsonNode.DeepEquals(whole, await WholeAsync(At(copy, client))));
        }

        // Changed past Rama, so that no copy hears of it: what is kept stands, and is told to be of before.
        await OwnerAsync("update plantings p set name = 'Kiln piece' {0} and p.code = 'P3'", "Kept");
        await using (var copy = application.WithWebHostBuilder(_ => { }))
        {
            var kept = Lines(await At(copy, client).ReadAsync("/api/v1/season"));
            var pending = Assert.Single(kept, l => (bool)l["isPending"]!);
            Assert.Equal(("P3", "Piece 3"), ((string)pending["code"]!, (string)pending["name"]!));
            var now = Lines(await WholeAsync(At(copy, client))).Single(l => (string)l["code"]! == "P3");
            Assert.Equal("Kiln piece", (string)now["name"]!);
        }

        // What an earlier Rama kept in another form counts as none: names are all there is.
        await OwnerAsync("update kept_lines p set told = '{{\"earlier\": 1}}' {0}", "Kept");
        await using (var copy = application.WithWebHostBuilder(_ => { }))
            Assert.All(Lines(await At(copy, client).ReadAsync("/api/v1/season")), line =>
            {
                Assert.True((bool)line["isPending"]!);
                Assert.NotEqual("", (string)line["name"]!);
                Assert.Null(line["ledger"]);
            });

        await RaisedAsync(client, "P7", 1.2);
        // A save is worked out and kept, though nobody asked for the page.
        var wanted = Wanted(await WholeAsync(client), "P7");
        await UntilAsync(async () =>
            await OwnerAsync(
                """
                select (p.told->'ledger'->>'wanted')::float8 from kept_lines p
                join plantings q on (q.estate_id, q.id) = (p.estate_id, p.planting_id) {0} and q.code = 'P7'
                """,
                "Kept"
            )
                is double kept
            && kept == wanted
        );
    }

    /// <summary>What is too much at once is refused as such; others are served meanwhile.</summary>
    [Fact]
    public async Task Many_seasons_at_once_hold_nobody_up()
    {
        var client = await LargeAsync("Seasons");
        await WholeAsync(client);
        using var reader = application.ClientOf(Role.Reader);
        var asked = Enumerable
            .Range(1990, 60)
            .Select(s => client.SendAsync(HttpMethod.Get, $"/api/v1/season?season={s}"));
        var others = reader.ReadAsync("/api/v1/season");
        var answers = await Task.WhenAll(asked);
        Assert.All(answers, a => Assert.True(a.Status is 200 or 429));
        Assert.Null((await others)["pending"]);
        await WholeAsync(client);
    }

    private async Task<HttpClient> LargeAsync(string name)
    {
        var client = await application.InNewEstateAsync(application.ClientOf(), name);
        await client.ImportAsync("save", ImportFile.ManyPlantings(Plantings));
        StringBuilder plans = new("Planting,Target yield (t/ha),Target fruit size (g),Bud factor\n"),
            trees = new("Planting,Row,Tree,Girth (cm),Limbs,Floral buds\n");
        for (var i = 0; i < Plantings; i++)
        {
            plans.Append(FormattableString.Invariant($"P{i},{40 + i % 30},180,1.7\n"));
            for (var k = 0; k < 5; k++)
                trees.Append(FormattableString.Invariant($"P{i},{k + 1},{10 + 7 * k},15.2,22,{180 + i * 37 % 200}\n"));
        }
        await client.ImportAsync("save", plans.ToString(), "plans");
        await client.ImportAsync("save", trees.ToString(), "counts");
        return client;
    }

    private static HttpClient At(WebApplicationFactory<Program> copy, HttpClient client)
    {
        var other = copy.CreateClient(new() { HandleCookies = false, BaseAddress = copy.ClientOptions.BaseAddress });
        other.DefaultRequestHeaders.Add("Cookie", client.DefaultRequestHeaders.GetValues("Cookie"));
        return other;
    }

    private static async Task<JsonNode> WholeAsync(HttpClient client)
    {
        JsonNode? whole = null;
        await UntilAsync(async () => (whole = await client.ReadAsync("/api/v1/season"))["pending"] is null);
        return whole!;
    }

    private Task KeptAsync(string estate) =>
        UntilAsync(async () => await OwnerAsync("select count(*) from kept_lines p {0}", estate) is (long)Plantings);

    // The SQL ends in a condition on the estate of p, where it says so.
    private async Task<object?> OwnerAsync(string sql, string estate)
    {
        await using var source = NpgsqlDataSource.Create(application.OwnerConnection);
        await using var command = source.CreateCommand(
            string.Format(
                CultureInfo.InvariantCulture,
                sql,
                "where p.estate_id = (select id from estates where name = $1)"
            )
        );
        command.Parameters.Add(new() { Value = estate });
        return await command.ExecuteScalarAsync(Cancel);
    }

    private static async Task UntilAsync(Func<Task<bool>> holds)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        patience.CancelAfter(TimeSpan.FromMinutes(3));
        while (!await holds())
            await Task.Delay(100, patience.Token);
    }

    private static List<JsonNode> Lines(JsonNode season) => [.. season["plantings"]!.AsArray().Select(p => p!)];

    private static double Wanted(JsonNode season, string code) =>
        (double)Lines(season).Single(l => (string)l["code"]! == code)["ledger"]!["wanted"]!;

    private static async Task<double> RaisedAsync(HttpClient client, string code, double by)
    {
        var view = await client.PlantingAsync(code);
        var target = view["target"]!.DeepClone();
        target["yield"]!["value"] = (double)target["yield"]!["value"]! * by;
        var (status, after) = await client.PutAsync(
            $"/api/v1/plantings/{view["id"]}/target",
            $$"""{"version": {{view["planVersion"]}}, "target": {{target.ToJsonString()}}}"""
        );
        Assert.Equal(200, status);
        return (double)after["plan"]!["ledger"]!["wanted"]!;
    }
}
