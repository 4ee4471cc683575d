using Rama.Core.Crew;
using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.Crew;

/// <summary>A crew of an estate.</summary>
public sealed class CrewRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by whoever added it.</summary>
    public Guid Id { get; init; }

    /// <summary>Name or number; one of its kind in an estate, whatever its capitals.</summary>
    public string Name { get; private set; } = "";

    /// <summary>All that was typed of it, as JSON.</summary>
    public string Sheet { get; private set; } = "";

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    /// <inheritdoc />
    public HistoryPlace Place => new("crew", Detail: Name);

    /// <summary>Takes what was typed, once the core has read it.</summary>
    public void TakeOver(CrewEntry entry) => (Name, Sheet) = (entry.Read().Name, StoredJson.WritePart(entry)!);

    /// <summary>The crew as typed.</summary>
    public CrewEntry ToEntry() => StoredJson.ReadPart<CrewEntry>(Sheet) ?? new();
}
