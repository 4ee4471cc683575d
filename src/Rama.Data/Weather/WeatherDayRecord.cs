using Rama.Core.Weather;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Weather;

/// <summary>
/// Weather of a day on a site. A measured series: files and sources replace days, nobody types them.
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
    public double MinC { get; private set; }

    /// <summary>Highest of the day, °C.</summary>
    public double MaxC { get; private set; }

    /// <summary>Rain, mm; null where nobody measured it.</summary>
    public double? RainMm { get; private set; }

    /// <summary>Strongest wind, m/s; null where nobody measured it.</summary>
    public double? WindMs { get; private set; }

    /// <summary>Whether it lies ahead and is only forecast.</summary>
    public bool IsForecast { get; private set; }

    /// <summary>When it came.</summary>
    public DateTimeOffset TakenAt { get; private set; }

    /// <summary>A day of a site.</summary>
    public static WeatherDayRecord Of(SiteRecord site, WeatherDay day, DateTimeOffset now)
    {
        WeatherDayRecord record = new()
        {
            EstateId = site.EstateId,
            SiteId = site.Id,
            Date = day.Date,
        };
        record.TakeOver(day, now);
        return record;
    }

    /// <summary>Takes a day over; rain and wind that are not told stay as they were measured.</summary>
    public void TakeOver(WeatherDay day, DateTimeOffset now)
    {
        if (ToDay() == day)
            return;
        (MinC, MaxC, IsForecast, TakenAt) = (day.MinC, day.MaxC, day.IsForecast, now);
        (RainMm, WindMs) = (day.RainMm ?? RainMm, day.WindMs ?? WindMs);
    }

    /// <summary>The day as the core has it.</summary>
    public WeatherDay ToDay() => new(Date, MinC, MaxC, RainMm, WindMs, IsForecast);
}
