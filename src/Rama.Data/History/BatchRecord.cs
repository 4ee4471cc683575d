using Rama.Data.Database;

namespace Rama.Data.History;

/// <summary>One import: a file taken over as a whole.</summary>
public sealed class BatchRecord : IEstateOwned
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; } = Guid.CreateVersion7();

    public DateTimeOffset At { get; init; }

    public Guid? PersonId { get; init; }

    public string? Person { get; init; }

    /// <summary>What the file held, such as <c>plantings</c>.</summary>
    public required string Table { get; init; }

    /// <summary>Name of the file.</summary>
    public required string File { get; init; }

    public int Added { get; set; }

    public int Changed { get; set; }
}
