using Rama.Core.Weather;
using Rama.Data.Database;

namespace Rama.Data.Weather;

/// <summary>
/// Weather of a day on a site. A measured series: files replace days, nobody types them.
/// </summary>
public sealed class WeatherDayRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Site it was measured on.</summary>
    public Guid SiteId { get; init; }

    /// <summary>Day, by the calendar of the place.</summary>
    public DateOnly Date { get; init; }

    /// <summary>Lowest of the day, °C.</summary>
    public double MinC { get; set; }

    /// <summary>Highest of the day, °C.</summary>
    public double MaxC { get; set; }

    /// <summary>Rain, mm; null where nobody measured it.</summary>
    public double? RainMm { get; set; }

    /// <summary>Strongest wind, m/s; null where nobody measured it.</summary>
    public double? WindMs { get; set; }

    /// <summary>The day as the core has it.</summary>
    public WeatherDay ToDay() => new(Date, MinC, MaxC, RainMm, WindMs);
}
