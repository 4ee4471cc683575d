using Rama.Data.History;

namespace Rama.Data.Database;

/// <summary>
/// For which estate and by whom a unit of work is done. Nothing of another estate is seen; none is set, nothing is
/// seen.
/// The database holds the same rule by itself, from settings of the connection (<see cref="ScopedConnection"/>).
/// </summary>
public sealed class EstateScope
{
    /// <summary>The estate at hand; none is seen while it is empty.</summary>
    public Guid EstateId { get; set; }

    /// <summary>Whether what is saved is nothing anybody has to hear of (<see cref="SaveSignal"/>).</summary>
    public bool IsQuiet { get; set; }

    /// <summary>The person at work; null for Rama itself.</summary>
    public Author? Author { get; set; }

    /// <summary>The import at work, so that its changes are kept as one batch; null otherwise.</summary>
    public BatchRecord? Batch { get; set; }
}

/// <summary>A person as the history names them.</summary>
public sealed record Author(Guid PersonId, string Name);
