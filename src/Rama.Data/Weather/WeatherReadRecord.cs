using Rama.Data.Database;

namespace Rama.Data.Weather;

/// <summary>When the source of weather of a site was read last, and how that went.</summary>
public sealed class WeatherReadRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The site.</summary>
    public Guid SiteId { get; init; }

    /// <summary>When it was tried last.</summary>
    public DateTimeOffset TriedAt { get; set; }

    /// <summary>When days came last; null before the first.</summary>
    public DateTimeOffset? ReadAt { get; set; }

    /// <summary>What went wrong the last time; null where nothing did.</summary>
    public string? Problem { get; set; }

    /// <summary>PostgreSQL's row version: of two copies of the server that want to read, one does.</summary>
    public uint Version { get; private set; }
}
