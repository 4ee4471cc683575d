using System.Text.Json;
using System.Text.Json.Serialization;

namespace Rama.Core.Explain;

/// <summary>Reads the rules and words that ship with the core as JSON files.</summary>
internal static class DataFile
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        // A misspelt or missing member must stop the load, not silently become a default.
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectRequiredConstructorParameters = true,
        RespectNullableAnnotations = true,
        ReadCommentHandling = JsonCommentHandling.Disallow,
        AllowOutOfOrderMetadataProperties = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
    };

    /// <summary>Reads an embedded file.</summary>
    /// <exception cref="InvalidDataException">Says which file is wrong and why.</exception>
    public static T Read<T>(string name) => Parse<T>(Text(name), name);

    /// <summary>The text of an embedded file.</summary>
    /// <exception cref="InvalidDataException">There is none of that name.</exception>
    public static string Text(string name)
    {
        using var stream = typeof(DataFile).Assembly.GetManifestResourceStream(name)
            ?? throw new InvalidDataException($"{name} is not part of this build.");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }

    /// <summary>Reads JSON text; <paramref name="name"/> is told in the error.</summary>
    /// <exception cref="InvalidDataException">Says what is wrong.</exception>
    public static T Parse<T>(string json, string name)
    {
        try
        {
            return JsonSerializer.Deserialize<T>(json, Options) ?? throw new InvalidDataException($"{name} is empty.");
        }
        catch (JsonException e)
        {
            throw new InvalidDataException($"{name}: {e.Message}", e);
        }
    }
}
