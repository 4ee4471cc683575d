using Rama.Core.Target;
using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.Target;

/// <summary>What a person did with a target.</summary>
public enum TargetAct
{
    /// <summary>Proposed it; the one set before stays in force.</summary>
    Proposed,

    /// <summary>Set it; it is in force until another is.</summary>
    Set,
}

/// <summary>A target as it was proposed or set, once and for all: versions are added and never changed.</summary>
public sealed class TargetVersionRecord : IStamped, IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Counts up with time.</summary>
    public long Id { get; private set; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <summary>What was done with it.</summary>
    public TargetAct Act { get; init; }

    /// <summary>When it was done.</summary>
    public DateTimeOffset At { get; private set; }

    /// <summary>Account of who did it; null where no account did.</summary>
    public Guid? PersonId { get; private set; }

    /// <summary>Who did it, as they were then called; null where no account did.</summary>
    public string? Person { get; private set; }

    /// <summary>The target as JSON, as it was typed.</summary>
    public string Entry { get; private init; } = "";

    /// <summary>A version of the target of a plan, as it stands.</summary>
    public static TargetVersionRecord Of(
        Guid estateId,
        Guid plantingId,
        int season,
        TargetAct act,
        TargetEntry entry
    ) =>
        new()
        {
            EstateId = estateId,
            PlantingId = plantingId,
            Season = season,
            Act = act,
            Entry = TargetDetails.WriteWhole(entry),
        };

    void IStamped.Stamp(DateTimeOffset at, Author? by) => (At, PersonId, Person) = (at, by?.PersonId, by?.Name);

    /// <summary>The target as it was typed.</summary>
    public TargetEntry ToEntry() => TargetDetails.ReadWhole(Entry);
}
