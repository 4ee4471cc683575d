using Rama.Data.Database;

namespace Rama.Data.Season;

/// <summary>
/// The line of a planting on the season page as it was last worked out, with the versions it rests on: shown until it
/// is worked out again. It tells nothing that could not be made anew, so that no archive has it.
/// </summary>
public sealed class KeptLineRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Calendar year of the harvest.</summary>
    public int Season { get; init; }

    /// <summary>Version of the planting.</summary>
    public long PlantingVersion { get; set; }

    /// <summary>Version of its plan; 0 without one.</summary>
    public long PlanVersion { get; set; }

    /// <summary>Its place in the order of the work, from 0.</summary>
    public int Turn { get; set; }

    /// <summary>The line, as JSON.</summary>
    public string Told { get; set; } = "{}";
}
