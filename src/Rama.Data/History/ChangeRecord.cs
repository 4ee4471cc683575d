using Rama.Data.Database;

namespace Rama.Data.History;

/// <summary>One field that changed: who, when, how, from what to what. Written once, never changed.</summary>
public sealed class ChangeRecord : IEstateOwned
{
    public Guid EstateId { get; init; }

    public long Id { get; private set; }

    public DateTimeOffset At { get; init; }

    /// <summary>Who did it; null for Rama itself.</summary>
    public Guid? PersonId { get; init; }

    /// <summary>The name at that time; it stays when the account is gone.</summary>
    public string? Person { get; init; }

    /// <summary>The import it came with; null for what was typed.</summary>
    public Guid? BatchId { get; init; }

    public required string Subject { get; init; }

    public Guid? PlantingId { get; init; }

    public int? Season { get; init; }

    public string Detail { get; init; } = "";

    /// <summary>The field; empty where the whole row was added or removed.</summary>
    public string Field { get; init; } = "";

    public string? Old { get; init; }

    public string? New { get; init; }
}
