using System.Globalization;
using System.Net;
using System.Text;

namespace Rama.StandIns;

/// <summary>
/// A simulated weather station with a forecast: answers hours of any days on the loopback address, as
/// docs/weather.md has the form. The same seed, place and hour is the same weather, whenever it is asked for.
/// </summary>
internal static class StationStandIn
{
    /// <summary>Where the settings of <c>./rama start</c> look for it.</summary>
    public const int Port = 5078;

    private const int MostDays = 800;

    public static async Task<int> RunAsync(Options options)
    {
        var seed = (int)options.Number("seed", 1, 0, int.MaxValue);
        if (options.Optional("to") is not null)
            return await SendDaysAsync(options, seed);
        var port = (int)options.Number("port", Port, 1_024, 65_535);
        var builder = WebApplication.CreateSlimBuilder();
        builder.WebHost.ConfigureKestrel(server => server.Listen(IPAddress.Loopback, port));
        builder.Logging.ClearProviders();
        var app = builder.Build();
        app.MapGet("/hours", (double latitude, DateOnly from, DateOnly to, DateTimeOffset now) =>
        {
            if (to < from || to.DayNumber - from.DayNumber > MostDays || latitude is not (>= -90 and <= 90))
                return Results.BadRequest();
            Console.WriteLine($"asked for {from:yyyy-MM-dd} to {to:yyyy-MM-dd}");
            SimulatedClimate climate = new(latitude, seed);
            // Days of the place are not days of universal time: a margin on either side.
            var first = new DateTimeOffset(from.AddDays(-1), TimeOnly.MinValue, TimeSpan.Zero);
            var last = new DateTimeOffset(to.AddDays(2), TimeOnly.MinValue, TimeSpan.Zero);
            return Results.Ok(
                new
                {
                    hours = Enumerable
                        .Range(0, (int)(last - first).TotalHours)
                        .Select(h => first.AddHours(h))
                        .Select(at => (At: at, Weather: climate.At(at, now)))
                        .Select(h => new
                        {
                            at = h.At,
                            temperatureC = Math.Round(h.Weather.TemperatureC, 1),
                            rainMm = Math.Round(h.Weather.RainMm, 1),
                            windMs = Math.Round(h.Weather.WindMs, 1),
                            forecast = h.At > now,
                        }),
                }
            );
        });
        Console.WriteLine($"Simulated weather station at http://127.0.0.1:{port}/hours (Ctrl-C stops it)");
        await app.RunAsync();
        return 0;
    }

    // As a station that is not asked but tells: the days before one, in a file.
    private static async Task<int> SendDaysAsync(Options options, int seed)
    {
        var before = DateOnly.FromDateTime(DateTime.UtcNow);
        if (options.Optional("before") is { } day && !DateOnly.TryParse(day, CultureInfo.InvariantCulture, out before))
            throw new ArgumentException($"--before: expected a day such as 2027-01-27, got “{day}”.");
        SimulatedClimate climate = new(options.Number("latitude", 45.6, -90, 90), seed);
        StringBuilder file = new("Site,Date,Lowest (°C),Highest (°C),Rain (mm),Wind (m/s)\n");
        for (var back = (int)options.Number("days", 3, 1, MostDays); back > 0; back--)
        {
            var date = before.AddDays(-back);
            var midnight = new DateTimeOffset(date, TimeOnly.MinValue, TimeSpan.Zero);
            var hours = Enumerable
                .Range(0, 24)
                .Select(h => climate.At(midnight.AddHours(h), midnight.AddDays(1)))
                .ToList();
            var (lowest, highest) = (hours.Min(h => h.TemperatureC), hours.Max(h => h.TemperatureC));
            var (rain, wind) = (hours.Sum(h => h.RainMm), hours.Max(h => h.WindMs));
            file.Append(
                CultureInfo.InvariantCulture,
                $"\"{options.Text("site")}\",{date:yyyy-MM-dd},{lowest:0.0},{highest:0.0},{rain:0.0},{wind:0.0}\n"
            );
        }
        using MemoryStream content = new(Encoding.UTF8.GetBytes(file.ToString()));
        return await Sending.SendAsync(options, "weather", $"station-{before:yyyy-MM-dd}.csv", content);
    }
}
