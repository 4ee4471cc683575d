using Rama.Core.Season;
using Rama.Core.Weather;

namespace Rama.Web.Weather;

/// <summary>
/// A source of weather beside files: days of a place, measured up to now and forecast from there. Which there are, who
/// runs the server says (<see cref="WeatherSources"/>); people switch one on, site by site.
/// </summary>
internal interface IWeatherSource
{
    /// <summary>Name people choose it by.</summary>
    string Name { get; }

    /// <summary>Days of a place in their order.</summary>
    /// <param name="place">The place; it says where it lies.</param>
    /// <param name="from">First day wanted.</param>
    /// <param name="to">Last day wanted, ahead of today.</param>
    /// <param name="now">The time taken as now: what lies after it is a forecast.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="WeatherSourceException">It does not answer, or tells what cannot be.</exception>
    Task<IReadOnlyList<WeatherDay>> ReadAsync(
        SitePlace place,
        DateOnly from,
        DateOnly to,
        DateTimeOffset now,
        CancellationToken cancel
    );
}

/// <summary>A source of weather does not answer, or tells what cannot be.</summary>
internal sealed class WeatherSourceException(string message, Exception? inner = null) : Exception(message, inner);
