using Rama.Data.Database;

namespace Rama.Data.History;

/// <summary>One import: a file taken over as a whole.</summary>
public sealed class BatchRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Key within the estate.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>When it was saved.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Account of who did it; null where no account did.</summary>
    public Guid? PersonId { get; init; }

    /// <summary>Who did it, as they were then called; null where no account did.</summary>
    public string? Person { get; init; }

    /// <summary>What the file held, such as <c>plantings</c>.</summary>
    public required string Table { get; init; }

    /// <summary>Name of the file.</summary>
    public required string File { get; init; }

    /// <summary>Lines that were new.</summary>
    public int Added { get; set; }

    /// <summary>Lines that said something else than before.</summary>
    public int Changed { get; set; }

    /// <summary>What tells the file's headings from others; null where it had none.</summary>
    public string? Shape { get; init; }

    /// <summary>Which column was which, as JSON: the next file of the same headings is read so.</summary>
    public string? Mapping { get; init; }

    /// <summary>
    /// What stood there before, compressed, as <c>ImportUndo</c> reads it; null where it cannot be undone.
    /// </summary>
    public byte[]? Before { get; set; }

    /// <summary>The import this one undid; null for a file.</summary>
    public Guid? Undoes { get; init; }

    /// <summary>When it was undone; null while it stands.</summary>
    public DateTimeOffset? UndoneAt { get; set; }
}
