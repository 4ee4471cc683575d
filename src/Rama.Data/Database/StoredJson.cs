using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using NetTopologySuite.IO.Converters;

namespace Rama.Data.Database;

/// <summary>
/// JSON as it lies in a column of the database or in a file of an archive: the one place that says how.
/// </summary>
internal static class StoredJson
{
    /// <summary>What is kept for good, whole. What a later form no longer knows is passed over.</summary>
    public static readonly JsonSerializerOptions Kept = new(JsonSerializerDefaults.Web) { Converters = { Words } };

    /// <summary>What was typed: nothing unknown, and nothing left out that belongs to it.</summary>
    public static readonly JsonSerializerOptions Whole = new(Kept)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectRequiredConstructorParameters = true,
        RespectNullableAnnotations = true,
    };

    /// <summary>What was typed, most of it usually left empty.</summary>
    public static readonly JsonSerializerOptions Sparse = new(Kept)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    /// <summary>A file of an archive, for people to read as well.</summary>
    public static readonly JsonSerializerOptions File = new(Kept)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The same, most of it usually left empty.</summary>
    public static readonly JsonSerializerOptions SparseFile = new(File)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    /// <summary>Values of a row as its columns have them, NaN too.</summary>
    public static readonly JsonSerializerOptions Row = new()
    {
        NumberHandling = JsonNumberHandling.AllowNamedFloatingPointLiterals,
    };

    /// <summary>Shapes on the ground, as GeoJSON has them.</summary>
    public static readonly JsonSerializerOptions Shape = new() { Converters = { new GeoJsonConverterFactory() } };

    /// <summary>A part of something typed: a number or truth that says nothing is left out, too.</summary>
    public static readonly JsonSerializerOptions Part = new(Sparse)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingDefault,
    };

    private static JsonStringEnumConverter Words => new(JsonNamingPolicy.CamelCase, allowIntegerValues: false);

    /// <summary>The text of something kept whole.</summary>
    public static string Write<T>(T kept) => JsonSerializer.Serialize(kept, Kept);

    /// <summary>Something kept whole, from its text.</summary>
    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Kept)!;

    /// <summary>The text of a part without what says nothing; null where all of it does.</summary>
    public static string? WritePart<T>(T part)
    {
        var json = JsonSerializer.SerializeToNode(part, Part)!.AsObject();
        Prune(json);
        return json.Count == 0 ? null : json.ToJsonString();
    }

    /// <summary>A part from its text; null where there is none.</summary>
    public static T? ReadPart<T>(string? json)
        where T : class => json is null ? null : JsonSerializer.Deserialize<T>(json, Part);

    /// <summary>Takes out what says nothing: an amount without a number, a part or list without an entry.</summary>
    public static void Prune(JsonObject json)
    {
        foreach (var (name, node) in json.ToList())
        {
            if (node is JsonObject part)
            {
                Prune(part);
                if (part.Count == 0 || (part.Count == 1 && part.ContainsKey("unit")))
                    json.Remove(name);
            }
            else if (
                node is null or JsonArray { Count: 0 }
                || (node is JsonValue text && text.TryGetValue(out string? s) && string.IsNullOrWhiteSpace(s))
            )
            {
                json.Remove(name);
            }
        }
    }
}
