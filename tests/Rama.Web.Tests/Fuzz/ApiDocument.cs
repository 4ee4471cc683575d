using System.Text.Json.Nodes;

namespace Rama.Web.Tests.Fuzz;

/// <summary>One thing the API can be asked, as its own document tells.</summary>
/// <param name="Method">HTTP method.</param>
/// <param name="Path">Path with its parameters in braces, from <c>/api/v1</c> on.</param>
/// <param name="Query">Names of what it may be asked with, and their schemas.</param>
/// <param name="Body">Schema of a JSON body; null where it takes none.</param>
/// <param name="Media">Media type of a body that is no JSON; null where it takes none.</param>
public sealed record ApiOperation(
    string Method,
    string Path,
    IReadOnlyDictionary<string, JsonNode> Query,
    JsonNode? Body,
    string? Media
)
{
    /// <summary>As docs/roles.md names it.</summary>
    public string Name => $"{Method} {Path}";
}

/// <summary>
/// The document the API describes itself with: a new endpoint is in it, and so in every test that reads it.
/// </summary>
public sealed class ApiDocument
{
    private const string Base = "/api/v1";

    private readonly JsonNode _document;

    private ApiDocument(JsonNode document) => _document = document;

    /// <summary>Reads it from the running application.</summary>
    public static async Task<ApiDocument> OfAsync(RamaApplication application)
    {
        using var client = application.CreateClient();
        return new(await client.ReadAsync("/openapi/v1.json"));
    }

    /// <summary>All that can be asked.</summary>
    public IReadOnlyList<ApiOperation> Operations() =>
        [
            .. _document["paths"]!
                .AsObject()
                .SelectMany(path => path.Value!.AsObject().Select(o => Of(path.Key, o.Key, o.Value!)))
                .OrderBy(o => o.Name, StringComparer.Ordinal),
        ];

    /// <summary>A schema with its reference followed.</summary>
    public JsonNode Follow(JsonNode schema) =>
        schema["$ref"] is { } reference
            ? _document["components"]!["schemas"]![((string)reference!).Split('/')[^1]]!
            : schema;

    private static ApiOperation Of(string path, string method, JsonNode operation)
    {
        var content = operation["requestBody"]?["content"]?.AsObject();
        var json = content?["application/json"]?["schema"];
        return new(
            method.ToUpperInvariant(),
            path[Base.Length..],
            (operation["parameters"]?.AsArray() ?? [])
                .Where(p => (string)p!["in"]! == "query")
                .ToDictionary(p => (string)p!["name"]!, p => p!["schema"]!),
            json,
            json is null ? content?.First().Key : null
        );
    }
}
