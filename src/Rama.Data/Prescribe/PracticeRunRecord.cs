using Rama.Core.Explain;
using Rama.Data.Crew;
using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>A tree a pruner cut for practice, with how it was scored.</summary>
public sealed class PracticeRunRecord : IEstateOwned
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; }

    public Guid PlantingId { get; init; }

    public int Season { get; init; }

    /// <summary>Who cut it.</summary>
    public Guid WorkerId { get; init; }

    public WorkerRecord? Worker { get; init; }

    public DateTimeOffset At { get; init; }

    /// <summary>Which tree: trunk class and number.</summary>
    public required string Tree { get; init; }

    /// <summary>0 to 100.</summary>
    public int Score { get; init; }

    public int BudsLeft { get; init; }

    public double Target { get; init; }

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
