using System.Globalization;
using System.Text.Json;
using Rama.Core.Explain;
using Rama.Core.Season;
using Rama.Core.Weather;
using Rama.Data.Database;

namespace Rama.Web.Weather;

/// <summary>
/// A source that answers <c>GET address?latitude=&amp;longitude=&amp;from=&amp;to=&amp;now=</c> with JSON: hours, as a
/// station has them, or days. docs/weather.md has the form.
/// </summary>
internal sealed class HttpWeatherSource(string name, Uri address, HttpClient http) : IWeatherSource
{
    /// <summary>Most bytes of an answer: two years of hours.</summary>
    public const int MostBytes = 4_000_000;

    /// <inheritdoc />
    public string Name => name;

    /// <inheritdoc />
    public async Task<IReadOnlyList<WeatherDay>> ReadAsync(
        SitePlace place,
        DateOnly from,
        DateOnly to,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        try
        {
            var told = await http.GetFromJsonAsync<WeatherAnswer>(
                AddressOf(place, from, to, now),
                StrictJson.Options,
                cancel
            );
            return Read(told, place, from, to);
        }
        catch (HttpRequestException e)
        {
            throw new WeatherSourceException(
                e.StatusCode is { } status
                    ? $"It answered with an error ({(int)status})."
                    : "It does not answer, or answers more than it should.",
                e
            );
        }
        catch (TaskCanceledException e) when (!cancel.IsCancellationRequested)
        {
            throw new WeatherSourceException("It does not answer in time.", e);
        }
        catch (Exception e) when (e is JsonException or NotSupportedException)
        {
            throw new WeatherSourceException("Its answer is not in the form Rama reads.", e);
        }
    }

    private Uri AddressOf(SitePlace place, DateOnly from, DateOnly to, DateTimeOffset now) =>
        new UriBuilder(address)
        {
            Query = string.Create(
                CultureInfo.InvariantCulture,
                $"latitude={place.Latitude}&longitude={place.Longitude}&from={from:yyyy-MM-dd}&to={to:yyyy-MM-dd}"
                    + $"&now={now.UtcDateTime:yyyy-MM-ddTHH:mm:ssZ}"
            ),
        }.Uri;

    private static List<WeatherDay> Read(WeatherAnswer? told, SitePlace place, DateOnly from, DateOnly to)
    {
        try
        {
            IEnumerable<WeatherDay> days =
            [
                .. HourlyWeather.DaysOf((told?.Hours ?? []).Select(h => h.Read()), place.Zone),
                .. (told?.Days ?? []).Select(d => d.Read()),
            ];
            return
            [
                .. days.Where(d => d.Date >= from && d.Date <= to)
                    // Each is held to the limits every day is held to.
                    .Select(d =>
                        new WeatherDayEntry(d.Date, d.MinC, d.MaxC, d.RainMm, d.WindMs).Read() with
                        {
                            IsForecast = d.IsForecast,
                        }
                    )
                    .OrderBy(d => d.Date),
            ];
        }
        catch (UnusableEntryException e)
        {
            throw new WeatherSourceException($"It tells what cannot be. {e.Problems[0].Message}", e);
        }
    }

    private sealed record WeatherAnswer(IReadOnlyList<HourAnswer>? Hours = null, IReadOnlyList<DayAnswer>? Days = null);

    private sealed record HourAnswer(
        DateTimeOffset At,
        double TemperatureC,
        double? RainMm = null,
        double? WindMs = null,
        bool Forecast = false
    )
    {
        public HourlyWeather Read() => new(At, TemperatureC, RainMm, WindMs, Forecast);
    }

    private sealed record DayAnswer(
        DateOnly Date,
        double MinC,
        double MaxC,
        double? RainMm = null,
        double? WindMs = null,
        bool Forecast = false
    )
    {
        public WeatherDay Read() => new(Date, MinC, MaxC, RainMm, WindMs, Forecast);
    }
}
