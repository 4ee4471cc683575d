using Rama.Data.Database;

namespace Rama.Data.History;

/// <summary>One field that changed: who, when, how, from what to what. Written once, never changed.</summary>
public sealed class ChangeRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Counts up with time.</summary>
    public long Id { get; private set; }

    /// <summary>When it was saved.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Who did it; null for Rama itself.</summary>
    public Guid? PersonId { get; init; }

    /// <summary>The name at that time; it stays when the account is gone.</summary>
    public string? Person { get; init; }

    /// <summary>The import it came with; null for what was typed.</summary>
    public Guid? BatchId { get; init; }

    /// <summary>What kind of thing changed, such as <c>planting</c>.</summary>
    public required string Subject { get; init; }

    /// <summary>Planting it belongs to; null where it is the estate's.</summary>
    public Guid? PlantingId { get; init; }

    /// <summary>Season it belongs to; null where it is the same in all.</summary>
    public int? Season { get; init; }

    /// <summary>Which one of its kind, such as <c>3/14</c>.</summary>
    public string Detail { get; init; } = "";

    /// <summary>The field; empty where the whole row was added or removed.</summary>
    public string Field { get; init; } = "";

    /// <summary>Before; null for what is new.</summary>
    public string? Old { get; init; }

    /// <summary>After; null for what is gone.</summary>
    public string? New { get; init; }
}
