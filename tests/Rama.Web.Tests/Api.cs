using System.Text;
using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>Talks to the application as any client would: JSON in, JSON out.</summary>
internal static class Api
{
    public static async Task<(int Status, JsonNode Body)> SendAsync(this HttpClient client, HttpMethod method, string path, string? json = null)
    {
        using var request = new HttpRequestMessage(method, path);
        if (json is not null) request.Content = new StringContent(json, Encoding.UTF8, "application/json");
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

    /// <summary>The planting with a block code.</summary>
    public static async Task<JsonNode> PlantingAsync(this HttpClient client, string code)
    {
        var season = await client.ReadAsync("/api/v1/season");
        var line = season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == code);
        return await client.ReadAsync($"/api/v1/plantings/{line!["id"]}");
    }

    public static IReadOnlyList<string> ProblemFields(JsonNode body) =>
        [.. body["problems"]!.AsArray().Select(p => (string)p!["field"]!)];
}
