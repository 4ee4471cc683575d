using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Rama.Web.Tests;

/// <summary>Machines that send files or read by a token: one thing, in one estate, until withdrawn.</summary>
public sealed class MachineTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly string[] Scopes = ["scans", "weather", "harvest", "read"];

    private readonly HttpClient _manager = application.ClientOf();

    private static string Entry(string name, string scope) => $$"""{"name": "{{name}}", "scope": "{{scope}}"}""";

    private async Task<(HttpClient Machine, string Id, string Secret)> MachineAsync(
        string scope,
        HttpClient? manager = null
    )
    {
        var (status, made) = await (manager ?? _manager).PostAsync("/api/v1/machine-tokens", Entry("Gate", scope));
        Assert.Equal(200, status);
        var secret = (string)made["secret"]!;
        return (With(secret), (string)made["token"]!["id"]!, secret);
    }

    private HttpClient With(string secret)
    {
        var client = application.CreateClient();
        client.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", secret);
        return client;
    }

    private static async Task<(int Status, JsonNode Body)> SendAsync(HttpClient machine, string table, string text)
    {
        using var content = new ByteArrayContent(Encoding.UTF8.GetBytes(text));
        using var answer = await machine.PostAsync(
            $"/api/v1/machine/{table}?name=day.csv",
            content,
            TestContext.Current.CancellationToken
        );
        var body = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        return ((int)answer.StatusCode, body.Length == 0 ? new JsonObject() : JsonNode.Parse(body)!);
    }

    private static string Weather(string site, string lowest) =>
        "Site,Date,Lowest (°C),Highest (°C),Rain (mm)\n"
        + $"{site},2027-01-20,{lowest},6.5,0\n{site},2027-01-21,-2.0,5.0,3.2\n";

    private async Task<string> SiteAsync() =>
        (string)(await _manager.ReadAsync("/api/v1/weather"))["sites"]!.AsArray()[0]!["name"]!;

    [Fact]
    public async Task A_station_sends_its_days_once_and_again()
    {
        var (station, id, _) = await MachineAsync("weather");
        var site = await SiteAsync();
        var (status, report) = await SendAsync(station, "weather", Weather(site, "-4.5"));
        Assert.True(status == 200, report.ToJsonString());
        Assert.Equal(2, (int)report["lines"]!);
        Assert.True((bool)report["saved"]!);
        // The same file, lost on the way back and sent again, says the same.
        (status, report) = await SendAsync(station, "weather", Weather(site, "-4.5"));
        Assert.Equal((200, 2), (status, (int)report["same"]!));

        // A day that cannot be: nothing of the file is taken, and it is said where.
        (status, report) = await SendAsync(station, "weather", Weather(site, "44"));
        Assert.Equal(422, status);
        Assert.Equal(2, (int)report["problems"]![0]!["line"]!);
        Assert.Equal(400, (await SendAsync(station, "weather", "")).Status);

        // It is told as the machine's doing, and when the token was last used.
        var past = (await _manager.ReadAsync("/api/v1/imports")).AsArray()[0]!;
        Assert.Equal(("Gate", "weather"), ((string)past["person"]!, (string)past["table"]!));
        var token = (await _manager.ReadAsync("/api/v1/machine-tokens"))
            .AsArray()
            .Single(t => (string)t!["id"]! == id)!;
        Assert.NotNull(token["usedAt"]);
    }

    [Fact]
    public async Task A_scanner_sends_trees_and_a_pack_house_the_harvest()
    {
        var (scanner, _, _) = await MachineAsync("scans");
        var rows = await _manager.ReadAsync($"/api/v1/plantings/{(await _manager.PlantingAsync("H3"))["id"]}/trees");
        var row = rows["rows"]!.AsArray()[0]!;
        var (status, report) = await SendAsync(
            scanner,
            "scans",
            $"Planting,Row,Tree,Trunk (mm),Buds\nH3,{row["row"]},{row["firstTree"]},51.5,240\n"
        );
        Assert.True(status == 200, report.ToJsonString());
        Assert.Equal(1, (int)report["matched"]!);
        // Where most fits no tree, nothing is kept.
        Assert.Equal(422, (await SendAsync(scanner, "scans", "Planting,Row,Tree,Buds\nNone,1,1,240\n")).Status);

        var (packHouse, _, _) = await MachineAsync("harvest");
        (status, report) = await SendAsync(
            packHouse,
            "harvest",
            "Planting,Season,Pick,Day,Grade,Mass (kg)\nH3,2025,9,2025-10-01,Extra,100\n"
        );
        Assert.True(status == 200, report.ToJsonString());
    }

    // Weather comes every night: it keeps nobody from taking back what was imported the day before.
    [Fact]
    public async Task What_a_station_sends_is_undone_in_a_turn_of_its_own()
    {
        var (packHouse, _, _) = await MachineAsync("harvest");
        var (station, _, _) = await MachineAsync("weather");
        var harvest = "Planting,Season,Pick,Day,Grade,Mass (kg)\nH3,2025,8,2025-10-02,Extra,90\n";
        Assert.Equal(200, (await SendAsync(packHouse, "harvest", harvest)).Status);
        Assert.Equal(200, (await SendAsync(station, "weather", Weather(await SiteAsync(), "-3.1"))).Status);
        Assert.Equal(200, (await SendAsync(station, "weather", Weather(await SiteAsync(), "-3.3"))).Status);
        var past = (await _manager.ReadAsync("/api/v1/imports")).AsArray();
        Assert.Equal(
            [("weather", true), ("weather", false), ("harvest", true)],
            past.Take(3).Select(i => ((string)i!["table"]!, (bool)i["canUndo"]!))
        );
        foreach (var (place, status) in new[] { (1, 400), (2, 204), (0, 204) })
            Assert.Equal(
                status,
                (await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/imports/{past[place]!["id"]}")).Status
            );
    }

    [Fact]
    public async Task Each_scope_opens_its_own_and_nothing_else()
    {
        var endpoints = application
            .Services.GetRequiredService<IEnumerable<EndpointDataSource>>()
            .SelectMany(s => s.Endpoints)
            .OfType<RouteEndpoint>()
            .Where(e => e.Metadata.GetMetadata<IAuthorizeData>() is not null)
            .SelectMany(
                e => e.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods,
                (e, method) => (Method: method, Route: e.RoutePattern.RawText!)
            )
            .Distinct()
            .ToList();
        Assert.True(endpoints.Count > 100);
        foreach (var scope in Scopes)
        {
            var (machine, _, _) = await MachineAsync(scope);
            foreach (var (method, route) in endpoints)
            {
                var path = Regex.Replace(route, @"\{(\w+):guid\}", Guid.NewGuid().ToString());
                path = Regex.Replace(path, @"\{(\w+)(:\w+)?\}", "1").TrimStart('/');
                using HttpRequestMessage request = new(new(method), $"/{path}?name=a.csv");
                if (method is "POST" or "PUT")
                    request.Content = new StringContent(
                        "{}",
                        Encoding.UTF8,
                        path.Contains("/machine/", StringComparison.Ordinal) ? "text/csv" : "application/json"
                    );
                using var answer = await machine.SendAsync(request, TestContext.Current.CancellationToken);
                var status = (int)answer.StatusCode;
                if (path == $"api/v1/machine/{scope}")
                    Assert.True(status is 400 or 415 or 422, $"{scope}: {method} {path}: {status}");
                else if (scope == "read" && method == "GET" && status != 403)
                    Assert.True(status is 200 or 404 or 400 or 204, $"{scope}: {method} {path}: {status}");
                else
                    // A form that is not an endpoint's is refused before anybody is asked who they are.
                    Assert.True(status is 403 or 415, $"{scope}: {method} {path}: {status}");
            }
        }
    }

    [Fact]
    public async Task Who_reads_sees_the_season_and_neither_people_nor_practice()
    {
        var (reader, _, _) = await MachineAsync("read");
        Assert.NotEmpty((await reader.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
        using var people = await reader.GetAsync("/api/v1/people", TestContext.Current.CancellationToken);
        Assert.Equal(403, (int)people.StatusCode);
        // Not signed in as anybody: what is open to anyone is answered as to anyone.
        Assert.Equal("signedOut", (string)(await reader.ReadAsync("/api/v1/session"))["state"]!);
    }

    [Fact]
    public async Task A_token_is_of_one_estate_even_beside_a_cookie_of_another()
    {
        var (_, email, password) = await application.JoinedAsync("manager");
        using var client = application.ClientWith(await application.SignInAsync(email, password));
        using var stranger = await application.InNewEstateAsync(client, "Token ground");
        var (machine, id, secret) = await MachineAsync("read", stranger);
        Assert.Equal("Token ground", (string)(await machine.ReadAsync("/api/v1/season"))["estate"]!);
        Assert.DoesNotContain(
            id,
            (await _manager.ReadAsync("/api/v1/machine-tokens")).AsArray().Select(t => (string)t!["id"]!)
        );
        Assert.Equal(404, (await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/machine-tokens/{id}")).Status);
        // With a manager's cookie of the demo beside it, it is the machine that asks.
        using var both = application.ClientOf();
        both.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", secret);
        Assert.Equal("Token ground", (string)(await both.ReadAsync("/api/v1/season"))["estate"]!);
        Assert.Equal(403, (await both.PostAsync("/api/v1/machine-tokens", Entry("More", "read"))).Status);
    }

    [Fact]
    public async Task A_withdrawn_or_changed_token_is_good_for_nothing()
    {
        var (machine, id, secret) = await MachineAsync("read");
        await machine.ReadAsync("/api/v1/season");
        Assert.Equal(204, (await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/machine-tokens/{id}")).Status);
        foreach (
            var shown in new[]
            {
                secret,
                secret[..^1],
                secret + "A",
                "rama_",
                "",
                "rama_\u00e9",
                new string('a', 9_000),
            }
        )
        {
            using var client = application.CreateClient();
            client.DefaultRequestHeaders.TryAddWithoutValidation("Authorization", $"Bearer {shown}");
            using var answer = await client.GetAsync("/api/v1/season", TestContext.Current.CancellationToken);
            Assert.True((int)answer.StatusCode is 401 or 400, $"{shown}: {answer.StatusCode}");
        }
    }

    [Fact]
    public async Task An_estate_has_at_most_fifty()
    {
        var (_, email, password) = await application.JoinedAsync("manager");
        using var client = application.ClientWith(await application.SignInAsync(email, password));
        using var stranger = await application.InNewEstateAsync(client, "Many machines");
        for (var i = 0; i < 50; i++)
            Assert.Equal(200, (await stranger.PostAsync("/api/v1/machine-tokens", Entry($"Gate {i}", "scans"))).Status);
        Assert.Equal(400, (await stranger.PostAsync("/api/v1/machine-tokens", Entry("One more", "scans"))).Status);
        Assert.Equal(400, (await stranger.PostAsync("/api/v1/machine-tokens", Entry("", "scans"))).Status);
    }
}
