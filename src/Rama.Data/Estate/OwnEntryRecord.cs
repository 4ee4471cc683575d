using System.Text.Json;
using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>
/// An entry of the catalogue as the estate knows it: a shipped one with other numbers, or one of its own.
/// </summary>
public abstract class OwnEntryRecord<T> : IHistoried
    where T : class
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>What it is known by in the catalogue.</summary>
    public required string Name { get; init; }

    /// <summary>The entry as JSON, in the form of the shipped catalogue.</summary>
    public string Data { get; private set; } = "";

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    /// <inheritdoc />
    public abstract HistoryPlace Place { get; }

    /// <summary>Takes an entry in the place of what was kept.</summary>
    public void TakeOver(T entry) => Data = JsonSerializer.Serialize(entry, StoredJson.Whole);

    /// <summary>The entry kept.</summary>
    public T ToEntry() => Parse(Data);

    /// <summary>Reads an entry from JSON.</summary>
    public static T Parse(string json) => JsonSerializer.Deserialize<T>(json, StoredJson.Whole)!;
}
