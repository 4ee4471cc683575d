using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace Rama.Data.Database;

/// <summary>How JSON that comes in is read: strictly, so that a slip is told instead of becoming a default.</summary>
public static class StrictJson
{
    /// <summary>Options that read so.</summary>
    public static readonly JsonSerializerOptions Options = Ready();

    /// <summary>Makes options read so.</summary>
    /// <param name="options">Options with the defaults of the web.</param>
    public static void Configure(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        // The nullable annotations reach members and not what stands in a list.
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(
            SoundValues.Check
        );
    }

    private static JsonSerializerOptions Ready()
    {
        JsonSerializerOptions options = new(JsonSerializerDefaults.Web);
        Configure(options);
        options.MakeReadOnly();
        return options;
    }
}
