using System.Text;
using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>Talks to the application as any client would: JSON in, JSON out.</summary>
internal static class Api
{
    public static async Task<(int Status, JsonNode Body)> SendAsync(
        this HttpClient client,
        HttpMethod method,
        string path,
        string? json = null
    )
    {
        using var request = new HttpRequestMessage(method, path);
        if (json is not null)
            request.Content = new StringContent(json, Encoding.UTF8, "application/json");
        using var response = await client.SendAsync(request, TestContext.Current.CancellationToken);
        var body = await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        return ((int)response.StatusCode, JsonNode.Parse(body.Length == 0 ? "null" : body) ?? new JsonObject());
    }

    public static Task<(int Status, JsonNode Body)> PostAsync(this HttpClient client, string path, string json) =>
        client.SendAsync(HttpMethod.Post, path, json);

    public static Task<(int Status, JsonNode Body)> PutAsync(this HttpClient client, string path, string json) =>
        client.SendAsync(HttpMethod.Put, path, json);

    public static async Task<JsonNode> ReadAsync(this HttpClient client, string path)
    {
        var (status, body) = await client.SendAsync(HttpMethod.Get, path);
        Assert.Equal(200, status);
        return body;
    }

    /// <summary>Sends entries from the row on a day of the demo, and tells what became of each.</summary>
    public static async Task<List<(string Outcome, string? Code)>> SendFromRowAsync(
        this HttpClient client,
        Guid device,
        params string[] entries
    )
    {
        var (status, body) = await client.PostAsync(
            "/api/v1/field",
            $$"""
            {"device": "{{device}}", "sentAt": "2027-01-27T16:00:00Z",
             "entries": [{{string.Join(",", entries)}}]}
            """
        );
        Assert.Equal(200, status);
        return
        [
            .. body.AsArray()
                .Select(r => ((string)r!["outcome"]!, (string?)r["problems"]?.AsArray().FirstOrDefault()?["code"])),
        ];
    }

    /// <summary>A new estate of the client's person, and a client that is at work in it.</summary>
    public static async Task<HttpClient> InNewEstateAsync(
        this RamaApplication application,
        HttpClient client,
        string name,
        int season = 2027
    )
    {
        var (_, made) = await client.PostAsync("/api/v1/estates", $$"""{"estate": "{{name}}", "season": {{season}}}""");
        using var request = new HttpRequestMessage(HttpMethod.Put, "/api/v1/session/estate")
        {
            Content = new StringContent($$"""{"estate": "{{made["id"]}}"}""", Encoding.UTF8, "application/json"),
        };
        using var answer = await client.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(200, (int)answer.StatusCode);
        return application.ClientWith(answer.Headers.GetValues("Set-Cookie").Single().Split(';')[0]);
    }

    /// <summary>Somebody new who has taken up an invitation to the demo estate.</summary>
    public static async Task<(string Id, string Email, string Password)> JoinedAsync(
        this RamaApplication application,
        string role
    )
    {
        using var manager = application.ClientOf();
        var link = await manager.InviteAsync(role);
        var (email, password) = ($"{Guid.NewGuid():n}@larkfold.example", "three long rows");
        using var nobody = application.CreateClient();
        var (status, session) = await nobody.PostAsync(
            "/api/v1/invitations/account",
            $$"""{"link": "{{link}}", "name": "Someone", "email": "{{email}}", "password": "{{password}}"}"""
        );
        Assert.Equal(200, status);
        return ((string)session["person"]!["id"]!, email, password);
    }

    /// <summary>What the link of a new invitation carries.</summary>
    public static async Task<string> InviteAsync(this HttpClient manager, string role)
    {
        var (status, made) = await manager.PostAsync(
            "/api/v1/invitations",
            $$"""{"name": "Someone", "role": "{{role}}"}"""
        );
        Assert.Equal(200, status);
        return ((string)made["link"]!).Split('#')[1];
    }

    /// <summary>Saves what is told of the estate as a whole, at the version it stands at.</summary>
    public static async Task<(int Status, JsonNode Body)> SaveEstateAsync(this HttpClient client, string estate)
    {
        var version = (await client.ReadAsync("/api/v1/season"))["estateVersion"];
        return await client.PutAsync("/api/v1/estate", $$"""{"version": {{version}}, "estate": {{estate}}}""");
    }

    /// <summary>The planting with a block code.</summary>
    public static async Task<JsonNode> PlantingAsync(this HttpClient client, string code)
    {
        var season = await client.ReadAsync("/api/v1/season");
        var line = season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == code);
        return await client.ReadAsync($"/api/v1/plantings/{line!["id"]}");
    }

    public static IReadOnlyList<string> ProblemFields(JsonNode body) =>
        [.. body["problems"]!.AsArray().Select(p => (string)p!["field"]!)];

    /// <summary>All that was typed of a planting, as the target desk asks for it.</summary>
    public static string PlanOf(JsonNode view, string? target = null)
    {
        JsonObject plan = [];
        foreach (
            var part in new[]
            {
                "season",
                "planting",
                "rows",
                "records",
                "learning",
                "fruitSample",
                "target",
                "count",
                "settings",
            }
        )
            plan[part] = view[part]!.DeepClone();
        if (target is not null)
            plan["target"] = JsonNode.Parse(target);
        return plan.ToJsonString();
    }
}
