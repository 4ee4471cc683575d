using System.Text.Json;
using System.Text.Json.Nodes;
using Rama.Core.Target;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Sharing;
using Rama.Data.Database;

namespace Rama.Data.Target;

/// <summary>
/// What a target says beside its few main numbers, as typed: insurance, canopy and sharing. Most plantings leave most
/// of it empty, so it is kept as one JSON text without what was left empty, and not as forty columns.
/// </summary>
internal sealed record TargetDetails(InsuranceEntry? Insurance, CanopyEntry? Canopy, SharingEntry? Sharing)
{
    /// <summary>The JSON of a target's details; empty where nothing was typed.</summary>
    public static JsonObject Of(TargetEntry target)
    {
        var json = JsonSerializer
            .SerializeToNode(new TargetDetails(target.Insurance, target.Canopy, target.Sharing), StoredJson.Sparse)!
            .AsObject();
        StoredJson.Prune(json);
        return json;
    }

    /// <summary>The text kept; null where nothing was typed.</summary>
    public static string? Write(TargetEntry target) => Of(target) is { Count: > 0 } json ? json.ToJsonString() : null;

    /// <summary>A target with the details of a text kept.</summary>
    /// <exception cref="JsonException">The text says something no target has.</exception>
    public static TargetEntry Read(TargetEntry target, string? json) =>
        json is null ? target : Read(target, JsonNode.Parse(json)!.AsObject());

    /// <summary>A target with these details.</summary>
    /// <exception cref="JsonException">They say something no target has.</exception>
    public static TargetEntry Read(TargetEntry target, JsonObject json)
    {
        var details = json.Deserialize<TargetDetails>(StoredJson.Sparse)!;
        return target with { Insurance = details.Insurance, Canopy = details.Canopy, Sharing = details.Sharing };
    }

    /// <summary>The whole target as JSON, for a version of it.</summary>
    public static string WriteWhole(TargetEntry target)
    {
        var json = JsonSerializer.SerializeToNode(target, StoredJson.Sparse)!.AsObject();
        json.Remove("isUntouched");
        StoredJson.Prune(json);
        return json.ToJsonString();
    }

    /// <summary>A whole target from JSON.</summary>
    public static TargetEntry ReadWhole(string json) =>
        JsonSerializer.Deserialize<TargetEntry>(json, StoredJson.Sparse)!;
}
