using Rama.Core.Explain;
using Rama.Data.Crew;
using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>A tree a pruner cut for practice, with how it was scored.</summary>
public sealed class PracticeRunRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by the device.</summary>
    public Guid Id { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <summary>Who cut it.</summary>
    public Guid WorkerId { get; init; }

    /// <summary>The same, where it was read with it.</summary>
    public WorkerRecord? Worker { get; init; }

    /// <summary>When it was kept.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Which tree: trunk class and number.</summary>
    public required string Tree { get; init; }

    /// <summary>0 to 100.</summary>
    public int Score { get; init; }

    /// <summary>Floral buds left on it.</summary>
    public int BudsLeft { get; init; }

    /// <summary>Floral buds that were to be left.</summary>
    public double Target { get; init; }

    /// <summary>Minutes the cuts take, not the clock.</summary>
    public double Minutes { get; init; }

    /// <summary>What was said of it, as JSON.</summary>
    public required string Remarks { get; init; }

    /// <summary>What was said of it.</summary>
    public IReadOnlyList<Notice> ToRemarks() => ReadRemarks(Remarks);

    /// <summary>What was said of a tree, from JSON.</summary>
    /// <param name="remarks">The JSON kept.</param>
    internal static IReadOnlyList<Notice> ReadRemarks(string remarks) =>
        StoredJson.Read<IReadOnlyList<Notice>>(remarks);
}
