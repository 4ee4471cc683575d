using System.Net;
using System.Text.Json.Nodes;

namespace Rama.Web.Tests.Faults;

/// <summary>
/// Two copies of the application on one database, as behind a balancer: whatever is done at one holds at the other, and
/// one of them may go without a loss.
/// </summary>
public sealed class CopiesTests : IAsyncLifetime
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private readonly TestDatabase _database = new();
    private readonly CookieContainer _cookies = new();
    private RamaProcess _first = null!,
        _second = null!;
    private HttpClient _atFirst = null!,
        _atSecond = null!;

    public async ValueTask InitializeAsync()
    {
        await _database.MakeAsync(RamaApplication.RepositoryFile("demo/larkfold"));
        (_first, _second) = (new(_database.Connection), new(_database.Connection));
        await Task.WhenAll(_first.StartAsync(), _second.StartAsync());
        (_atFirst, _atSecond) = (At(_first), At(_second));
        var (status, _) = await _atFirst.PostAsync(
            "/api/v1/session",
            $$"""{"email": "manager@larkfold.example", "password": "{{TestDatabase.DemoPassword}}"}"""
        );
        Assert.Equal(200, status);
    }

    // A browser keeps one cookie for the name both are reached under.
    private HttpClient At(RamaProcess copy) =>
        new(new SocketsHttpHandler { CookieContainer = _cookies }) { BaseAddress = copy.Address };

    public async ValueTask DisposeAsync()
    {
        _atFirst.Dispose();
        _atSecond.Dispose();
        await _first.DisposeAsync();
        await _second.DisposeAsync();
        await _database.DisposeAsync();
    }

    [Fact]
    public async Task What_is_done_at_one_copy_holds_at_the_other()
    {
        // Signed in at one, signed in at both; out at one, out at both.
        Assert.Equal("signedIn", (string)(await _atSecond.ReadAsync("/api/v1/session"))["state"]!);

        // Both have worked the planting out, and keep it; a save at one is seen at the other, in everything told of it.
        var view = await _atFirst.PlantingAsync("H4");
        var path = $"/api/v1/plantings/{view["id"]}";
        await _atSecond.ReadAsync(path);
        await _atSecond.ReadAsync("/api/v1/season");
        var bench = (await _atSecond.PostAsync($"{path}/bench", "{}")).Body;
        var target = view["target"]!.DeepClone();
        target["yield"]!["value"] = (double)target["yield"]!["value"]! * 0.8;
        var body = $$"""{"version": {{view["planVersion"]}}, "target": {{target.ToJsonString()}}}""";
        Assert.Equal(200, (await _atFirst.PutAsync($"{path}/target", body)).Status);
        // Whoever read before that is told, at the other copy as well.
        Assert.Equal(409, (await _atSecond.PutAsync($"{path}/target", body)).Status);
        foreach (var client in new[] { _atSecond, _atFirst })
        {
            var seen = await client.ReadAsync(path);
            Assert.Equal((double)target["yield"]!["value"]!, (double)seen["target"]!["yield"]!["value"]!);
            var cut = (await client.PostAsync($"{path}/bench", "{}")).Body;
            Assert.True((double)cut["toLeave"]! < (double)bench["toLeave"]!);
        }
        Assert.Equal(
            Line(await _atFirst.ReadAsync("/api/v1/season")).ToJsonString(),
            Line(await _atSecond.ReadAsync("/api/v1/season")).ToJsonString()
        );

        // A system of the estate's own, changed at one after the other had read it.
        var pack = await _atSecond.ReadAsync("/api/v1/catalogue/systems/tall-spindle");
        var system = pack["system"]!.DeepClone();
        system["name"]!["en"] = "Changed at the other";
        var saved = await _atFirst.PutAsync(
            "/api/v1/catalogue/systems",
            $$"""{"version": 0, "system": {{system.ToJsonString()}}}"""
        );
        Assert.True(saved.Status == 200, saved.Body.ToJsonString());
        Assert.Equal(
            "Changed at the other",
            (string)(await _atSecond.ReadAsync("/api/v1/catalogue/systems/tall-spindle"))["system"]!["name"]!["en"]!
        );

        await _atSecond.SendAsync(HttpMethod.Delete, "/api/v1/session");
        Assert.Equal("signedOut", (string)(await _atFirst.ReadAsync("/api/v1/session"))["state"]!);
    }

    private static JsonNode Line(JsonNode season) =>
        season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == "H4")!;

    // Phones are answered by whichever copy is there: nothing acknowledged is lost, nothing is kept twice.
    [Fact]
    public async Task One_copy_killed_amid_the_traffic_of_phones_loses_nothing()
    {
        var planting = (string)(await _atFirst.PlantingAsync("H4"))["id"]!;
        const int Phones = 4,
            EachSends = 30;
        var acknowledged = 0;
        var killed = 0;
        await Task.WhenAll(Enumerable.Range(0, Phones).Select(PhoneAsync));
        Assert.Equal(1, killed);

        // The other one alone tells all of it.
        var counted = (await _atSecond.ReadAsync($"/api/v1/plantings/{planting}"))["count"]!["trees"]!
            .AsArray()
            .Where(t => (int)(double)t!["row"]! >= 100)
            .Select(t => ((int)(double)t!["row"]!, (int)(double)t["tree"]!))
            .ToList();
        Assert.Equal(Phones * EachSends, counted.Count);
        Assert.Equal(Phones * EachSends, counted.Distinct().Count());

        async Task PhoneAsync(int phone)
        {
            var device = Guid.NewGuid();
            for (var tree = 1; tree <= EachSends; tree++)
            {
                var entry = $$$"""
                    {"id": "{{{Guid.NewGuid()}}}", "sequence": {{{tree}}}, "planting": "{{{planting}}}",
                     "at": "2027-01-27T10:{{{tree:00}}}:00Z", "row": {{{100 + phone}}}, "tree": {{{tree}}},
                     "kind": "tree", "body": {"floralBuds": {{{150 + tree}}}}}
                    """;
                // As a balancer does: the next one where one does not answer. The same entry may so arrive at both.
                for (var attempt = phone + tree; ; attempt++)
                {
                    if (await TrySendAsync(attempt % 2 == 0 ? _atFirst : _atSecond, device, entry))
                        break;
                    Assert.True(attempt < phone + tree + 40, "Neither copy answers.");
                }
                if (Interlocked.Increment(ref acknowledged) == Phones * EachSends / 3)
                {
                    Interlocked.Increment(ref killed);
                    await _first.KillAsync();
                }
            }
        }
    }

    private static async Task<bool> TrySendAsync(HttpClient client, Guid device, string entry)
    {
        try
        {
            var (status, body) = await client.PostAsync(
                "/api/v1/field",
                $$"""{"device": "{{device}}", "sentAt": "2027-01-27T16:00:00Z", "entries": [{{entry}}]}"""
            );
            // Senders to one planting take turns; who is told to wait sends again.
            if (status == 503)
                return false;
            Assert.True(status == 200, body.ToJsonString());
            var outcome = (string)body.AsArray().Single()!["outcome"]!;
            Assert.True(outcome is "taken" or "known", body.ToJsonString());
            return true;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }
}
