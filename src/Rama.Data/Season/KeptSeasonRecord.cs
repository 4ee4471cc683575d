using Rama.Data.Database;

namespace Rama.Data.Season;

/// <summary>What the season page tells of the estate as a whole, as it was last worked out.</summary>
public sealed class KeptSeasonRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Calendar year of the harvest.</summary>
    public int Season { get; init; }

    /// <summary>The page without its lines, as JSON.</summary>
    public string Told { get; set; } = "{}";
}
