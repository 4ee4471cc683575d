using Rama.Core.Season;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>A farm or place of an estate that blocks lie on.</summary>
public sealed class SiteRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Key within the estate.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>As its people call it.</summary>
    public required string Name { get; init; }

    /// <inheritdoc cref="SiteEntry.Latitude" />
    public double? Latitude { get; private set; }

    /// <inheritdoc cref="SiteEntry.Longitude" />
    public double? Longitude { get; private set; }

    /// <inheritdoc cref="SiteEntry.Zone" />
    public string? Zone { get; private set; }

    /// <inheritdoc cref="SiteEntry.Snow" />
    public bool Snow { get; private set; }

    /// <inheritdoc cref="SiteEntry.StormMonth" />
    public int? StormMonth { get; private set; }

    /// <inheritdoc cref="SiteEntry.HotMonth" />
    public int? HotMonth { get; private set; }

    /// <inheritdoc cref="SiteEntry.Source" />
    public string? WeatherSource { get; private set; }

    /// <summary>PostgreSQL's row version.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("site", Detail: Name);

    /// <summary>Takes over what the core has read without a problem.</summary>
    public void TakeOver(SitePlace place)
    {
        (Latitude, Longitude, Zone, WeatherSource) = (place.Latitude, place.Longitude, place.ZoneName, place.Source);
        (Snow, StormMonth, HotMonth) = (place.Year.Snow, place.Year.StormMonth, place.Year.HotMonth);
    }

    /// <summary>The site as typed.</summary>
    public SiteEntry ToEntry() =>
        new()
        {
            Latitude = Latitude,
            Longitude = Longitude,
            Zone = Zone,
            Snow = Snow,
            StormMonth = StormMonth,
            HotMonth = HotMonth,
            Source = WeatherSource,
        };

    /// <summary>The site as the core knows it; a source that is no longer there changes nothing of it.</summary>
    public SitePlace ToPlace() => ToEntry().Read(WeatherSource is null ? [] : [WeatherSource]);
}
