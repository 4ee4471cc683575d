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

    /// <summary>The field that could not be read, as a path such as <c>target.yield</c>.</summary>
    /// <param name="failure">How reading ended.</param>
    public static string FieldOf(JsonException failure)
    {
        // $.target.yield.value → target.yield: an amount is one field to the person who typed it.
        var field = $"{failure.Path?.TrimStart('$')}.{failure.Data[SoundValues.Member]}".Trim('.');
        return field.EndsWith(".value", StringComparison.Ordinal) ? field[..^".value".Length] : field;
    }

    /// <summary>Code of what is wrong: what cannot be kept, or what is no number or text.</summary>
    /// <param name="failure">How reading ended.</param>
    public static string CodeOf(JsonException failure) =>
        failure.Data[SoundValues.Member] is not null ? "unsound" : "text";

    /// <summary>What was expected there.</summary>
    /// <param name="failure">How reading ended.</param>
    public static string ExpectationOf(JsonException failure) =>
        failure.Data[SoundValues.Member] is not null ? failure.Message
        : failure.Message.Contains("could not be mapped", StringComparison.Ordinal)
            ? "There is no such field. Check its spelling."
        : failure.Message.Contains("could not be converted", StringComparison.Ordinal)
            ? "Expected a number, or a text of the right kind."
        : "This is not valid JSON here.";

    private static JsonSerializerOptions Ready()
    {
        JsonSerializerOptions options = new(JsonSerializerDefaults.Web);
        Configure(options);
        options.MakeReadOnly();
        return options;
    }
}
