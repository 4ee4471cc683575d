using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Season;

/// <summary>What is told of a site: where it lies and what its year is like, as typed.</summary>
public sealed record SiteEntry
{
    /// <summary>Degrees north, below 0 for the south; north is taken when left out.</summary>
    public double? Latitude { get; init; }

    /// <summary>Degrees east, below 0 for the west.</summary>
    public double? Longitude { get; init; }

    /// <summary>Its time zone, such as <c>Europe/Rome</c>; universal time when left out.</summary>
    public string? Zone { get; init; }

    /// <summary>Whether low limbs lie under snow in winter.</summary>
    public bool Snow { get; init; }

    /// <summary>Month its storm season begins in, 1 to 12; none when left out.</summary>
    public double? StormMonth { get; init; }

    /// <summary>Month its hot season begins in, 1 to 12; none when left out.</summary>
    public double? HotMonth { get; init; }

    /// <summary>Where its weather is read, by name; files alone when left out.</summary>
    public string? Source { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <param name="sources">Names of the sources of weather there are.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SitePlace Read(IReadOnlyCollection<string> sources)
    {
        var reader = new EntryReader();
        var latitude = reader.Optional("latitude", "Latitude", Latitude, "°", -90, 90);
        var longitude = reader.Optional("longitude", "Longitude", Longitude, "°", -180, 180);
        if (latitude is null != longitude is null)
            reader.Add(latitude is null ? "latitude" : "longitude", "missing", "Please give both, or neither.");
        var name = reader.OptionalText("zone", "Time zone", Zone, 60);
        TimeZoneInfo? zone = TimeZoneInfo.Utc;
        if (name is not null && !(IsPlaceName(name) && TimeZoneInfo.TryFindSystemTimeZoneById(name, out zone)))
            reader.Add("zone", "unknown", "Time zone: expected a name such as Europe/Rome.");
        var storm = reader.OptionalWhole("stormMonth", "Storm season", StormMonth, "", 1, 12);
        var hot = reader.OptionalWhole("hotMonth", "Hot season", HotMonth, "", 1, 12);
        var source = reader.OptionalText("source", "Source of weather", Source, 60);
        if (source is not null && !sources.Contains(source))
            reader.Add("source", "unknown", "Source of weather: there is none of that name.");
        else if (source is not null && latitude is null)
            reader.Add("latitude", "missing", "Latitude: a source of weather has to know where the site lies.");
        reader.ThrowIfAny();
        return new(latitude, longitude, name, zone!, new(latitude < 0, Snow, (int?)storm, (int?)hot), source);
    }

    // Short names such as EST stand for other things elsewhere.
    private static bool IsPlaceName(string zone) => zone == "UTC" || zone.Contains('/', StringComparison.Ordinal);
}

/// <summary>Where a site lies and what its year is like.</summary>
/// <param name="Latitude">Degrees north; null until told.</param>
/// <param name="Longitude">Degrees east; null until told.</param>
/// <param name="ZoneName">Name of its time zone; null until told.</param>
/// <param name="Zone">Its time zone.</param>
/// <param name="Year">What its year is like.</param>
/// <param name="Source">Where its weather is read; null for files alone.</param>
public sealed record SitePlace(
    double? Latitude,
    double? Longitude,
    string? ZoneName,
    TimeZoneInfo Zone,
    SiteYear Year,
    string? Source
);
