namespace Rama.Core.Weather;

/// <summary>What a station measured, or a forecast says, for one hour.</summary>
/// <param name="At">Begin of the hour.</param>
/// <param name="TemperatureC">Temperature, °C.</param>
/// <param name="RainMm">Rain in the hour, mm; null where it is not measured.</param>
/// <param name="WindMs">Strongest wind in it, m/s; null where it is not measured.</param>
/// <param name="IsForecast">Whether it is only forecast.</param>
public readonly record struct HourlyWeather(
    DateTimeOffset At,
    double TemperatureC,
    double? RainMm = null,
    double? WindMs = null,
    bool IsForecast = false
)
{
    // A day with fewer hours may lack its coldest.
    private const int FewestHours = 20;

    /// <summary>
    /// Days of the place from hours. A day of 23 or 25 hours, when the clock is changed, is a day like others; one that
    /// lacks too many is left out, and one with an hour only forecast is forecast.
    /// </summary>
    /// <param name="hours">Hours in any order; of one told twice the last counts.</param>
    /// <param name="zone">Time zone of the place.</param>
    /// <remarks>Fewest hours of a day, 20: assumption.</remarks>
    public static IReadOnlyList<WeatherDay> DaysOf(IEnumerable<HourlyWeather> hours, TimeZoneInfo zone) =>
        [
            .. hours
                .GroupBy(h => h.At.ToUniversalTime())
                .Select(g => g.Last())
                .GroupBy(h => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(h.At, zone).DateTime))
                .Where(day => day.Count() >= FewestHours)
                .OrderBy(day => day.Key)
                .Select(day => new WeatherDay(
                    day.Key,
                    day.Min(h => h.TemperatureC),
                    day.Max(h => h.TemperatureC),
                    // Stations tell tenths, and sums of tenths are no tenths.
                    day.All(h => h.RainMm is not null)
                        ? Math.Round(day.Sum(h => h.RainMm!.Value), 2)
                        : null,
                    day.Max(h => h.WindMs),
                    day.Any(h => h.IsForecast)
                )),
        ];
}
