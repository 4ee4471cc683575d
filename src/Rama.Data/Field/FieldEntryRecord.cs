using System.Text.Json;
using System.Text.Json.Nodes;
using Rama.Core.Count;
using Rama.Data.Database;

namespace Rama.Data.Field;

/// <summary>What an entry from the field tells.</summary>
public enum FieldKind
{
    /// <summary>A tree was counted.</summary>
    Tree,

    /// <summary>A tree of the walk was left out.</summary>
    Skip,

    /// <summary>Buds were cut.</summary>
    Cut,

    /// <summary>Something was seen on the vigour walk.</summary>
    Mark,

    /// <summary>A reworked tree was worked on or looked at.</summary>
    Rework,

    /// <summary>Work was done on a pass.</summary>
    Work,

    /// <summary>A finished tree was checked.</summary>
    Check,

    /// <summary>The crop of a tree was counted: in bloom, after the drop, after thinning, before harvest.</summary>
    Crop,
}

/// <summary>What became of an entry from the field.</summary>
public enum FieldState
{
    /// <summary>The count says it.</summary>
    InForce,

    /// <summary>A later one took its place.</summary>
    Superseded,

    /// <summary>Somebody else had counted the tree before; both are kept until somebody chooses.</summary>
    Conflict,

    /// <summary>Somebody chose the other one.</summary>
    SetAside,

    /// <summary>Taken back by who made it.</summary>
    Withdrawn,
}

/// <summary>What the field told: kept as it arrived, whatever became of it.</summary>
public sealed class FieldEntryRecord : IEstateOwned
{
    /// <summary>Most entries of one planting and season: every tree that can be counted, ten times over.</summary>
    public const int MostOfPlanting = 10 * SurveyEntry.MostTrees;

    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by the device, so that an entry sent twice is one.</summary>
    public Guid Id { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <summary>The device it was made on.</summary>
    public Guid Device { get; init; }

    /// <summary>Its place among the entries of the device.</summary>
    public long Sequence { get; init; }

    /// <summary>What it tells of; null where it takes back an entry that has not come.</summary>
    public FieldKind? Kind { get; init; }

    /// <summary>Number of the row, from 1; null where it takes back an entry that has not come.</summary>
    public int? Row { get; init; }

    /// <summary>Tree in the row; null for a mark on a whole row or buds whose tree nobody noted.</summary>
    public int? Tree { get; init; }

    /// <summary>When it was made, by the device's clock set right by the server's.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>When it came, by the server's clock.</summary>
    public DateTimeOffset ReceivedAt { get; init; }

    /// <summary>Account of who did it; null where no account did.</summary>
    public Guid? PersonId { get; init; }

    /// <summary>Who did it, as they were then called; null where no account did.</summary>
    public string? Person { get; init; }

    /// <summary>The entry it takes the place of.</summary>
    public Guid? Supersedes { get; init; }

    /// <summary>Whether it holds.</summary>
    public FieldState State { get; internal set; }

    /// <summary>What was told, as JSON: its body under the name its handler gives it.</summary>
    public string Data { get; init; } = "";

    internal static string Write(string member, JsonElement body) =>
        StoredJson.WritePart(new JsonObject { [member] = JsonNode.Parse(body.GetRawText()) }) ?? "{}";

    internal JsonElement? ReadBody(string member) =>
        JsonElement.Parse(Data).TryGetProperty(member, out var body) ? body : null;
}
