using System.Text.Json;
using System.Text.Json.Nodes;
using Rama.Core.Result;
using Rama.Core.Result.Harvest;
using Rama.Data.Database;

namespace Rama.Data.Result;

/// <summary>
/// What a season says beside its few main numbers, as typed: what was counted on the trees, what was
/// wanted, and the harvest by pick and grade. Most
/// seasons leave most of it empty, so it is kept as one JSON text.
/// </summary>
internal sealed record SeasonDetails(
    SeasonCountsEntry? Counts,
    SeasonWantedEntry? Wanted,
    IReadOnlyList<HarvestLineEntry>? Harvest = null
)
{
    /// <summary>The JSON of a season's details; empty where nothing was typed.</summary>
    public static JsonObject Of(SeasonResultEntry season)
    {
        var json = JsonSerializer
            .SerializeToNode(new SeasonDetails(season.Counts, season.Wanted, season.Harvest), StoredJson.Sparse)!
            .AsObject();
        StoredJson.Prune(json);
        return json;
    }

    /// <summary>The text kept; null where nothing was typed.</summary>
    public static string? Write(SeasonResultEntry season) =>
        Of(season) is { Count: > 0 } json ? json.ToJsonString() : null;

    /// <summary>A season with the details of a text kept.</summary>
    public static SeasonResultEntry Read(SeasonResultEntry season, string? json) =>
        json is null ? season : Read(season, JsonNode.Parse(json)!.AsObject());

    /// <summary>A season with these details.</summary>
    /// <exception cref="JsonException">They say something no season has.</exception>
    public static SeasonResultEntry Read(SeasonResultEntry season, JsonObject json)
    {
        var details = json.Deserialize<SeasonDetails>(StoredJson.Sparse)!;
        return season with { Counts = details.Counts, Wanted = details.Wanted, Harvest = details.Harvest };
    }
}
