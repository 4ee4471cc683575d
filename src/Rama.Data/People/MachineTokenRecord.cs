using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.People;

/// <summary>What a machine may do with its token, and nothing else.</summary>
public enum MachineScope
{
    /// <summary>Send scans of every tree.</summary>
    Scans,

    /// <summary>Send the weather of days.</summary>
    Weather,

    /// <summary>Send what was harvested.</summary>
    Harvest,

    /// <summary>Read what a reader may, files included; change nothing.</summary>
    Read,
}

/// <summary>What a machine shows instead of a person's sign-in: a scanner, a weather station, a pack-house.</summary>
public sealed class MachineTokenRecord : IEstateOwned, IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The token.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>SHA-256 of what the machine shows: who reads the database cannot use it.</summary>
    [NotInHistory]
    public byte[] Secret { get; init; } = [];

    /// <summary>The machine, as the estate calls it.</summary>
    public string Name { get; init; } = "";

    /// <summary>What it may do.</summary>
    public MachineScope Scope { get; init; }

    /// <summary>Who made it.</summary>
    [NotInHistory]
    public string MadeBy { get; init; } = "";

    /// <summary>When.</summary>
    [NotInHistory]
    public DateTimeOffset MadeAt { get; init; }

    /// <summary>When it was last used, to about ten minutes; null while it never was.</summary>
    [NotInHistory]
    public DateTimeOffset? UsedAt { get; set; }

    HistoryPlace IHistoried.Place => new("token", Detail: Name);
}
