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
    public Guid EstateId { get; init; }

    public long Id { get; private set; }

    public Guid PlantingId { get; init; }

    public int Season { get; init; }

    public TargetAct Act { get; init; }

    public DateTimeOffset At { get; private set; }

    public Guid? PersonId { get; private set; }

    public string? Person { get; private set; }

    /// <summary>The target as JSON, as it was typed.</summary>
    public string Entry { get; private init; } = "";

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

    public TargetEntry ToEntry() => TargetDetails.ReadWhole(Entry);
}
