using System.Text.Json;
using System.Text.Json.Serialization;
using Rama.Core.Estate;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>A variety as the estate knows it: a shipped one with other numbers, or one of its own.</summary>
public sealed class OwnVarietyRecord : IHistoried
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow, RespectRequiredConstructorParameters = true, RespectNullableAnnotations = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
    };

    public Guid EstateId { get; init; }

    public required string Name { get; init; }

    /// <summary>The variety as JSON, in the form of the shipped catalogue.</summary>
    public string Data { get; private set; } = "";

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("variety", Detail: Name);

    public void Take(Variety variety) => Data = JsonSerializer.Serialize(variety, Json);

    public Variety ToVariety() => Parse(Data);

    /// <summary>Reads a variety from JSON.</summary>
    public static Variety Parse(string json) => JsonSerializer.Deserialize<Variety>(json, Json)!;
}
