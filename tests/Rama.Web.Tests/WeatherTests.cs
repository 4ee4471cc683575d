extern alias StandIns;
using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Rama.Core.Weather;
using Rama.Data.Database;
using Rama.Data.People;
using Rama.Data.Weather;
using StandIns::Rama.StandIns;

namespace Rama.Web.Tests;

/// <summary>Sources of weather: what they tell, and what happens where they tell nothing, or nonsense.</summary>
public sealed class WeatherTests(WeatherTests.Application application) : IClassFixture<WeatherTests.Application>
{
    private const string OnePlanting =
        "Site,Block,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha)\n"
        + "Lake,L1,L1,Piece,Topaz,M.9,2016,3.5,1,2\n";

    private readonly HttpClient _client = application.ClientOf();

    private async Task<JsonNode> Site(HttpClient client, string name) =>
        (await client.ReadAsync("/api/v1/weather"))["sites"]!.AsArray().Single(s => (string)s!["name"]! == name)!;

    private static async Task<(int Status, JsonNode Body)> Save(HttpClient client, JsonNode site, string entry) =>
        await client.PutAsync(
            $"/api/v1/sites/{(string)site["id"]!}",
            $$"""{"version": {{(uint)site["version"]!}}, "site": {{entry}}}"""
        );

    // A new estate with one planting on one site, whose weather is read from the stub.
    private async Task<HttpClient> Estate(string name, string source = "Stub")
    {
        var client = await application.InNewEstateAsync(_client, name);
        await client.ImportAsync("save", OnePlanting);
        var (status, body) = await Save(
            client,
            await Site(client, "Lake"),
            $$"""{"latitude": 46, "longitude": 9, "zone": "Europe/Rome", "source": "{{source}}"}"""
        );
        Assert.True(status == 204, body.ToJsonString());
        return client;
    }

    private async Task<JsonNode> Read(HttpClient client)
    {
        // A source is read once in ten seconds; another estate is another site.
        var site = await Site(client, "Lake");
        var (status, _) = await client.PostAsync($"/api/v1/sites/{(string)site["id"]!}/weather", "");
        Assert.Equal(204, status);
        // The server may have begun by itself just before, and not be done yet.
        for (var tried = 0; ; tried++)
        {
            site = await Site(client, "Lake");
            if (site["readAt"] is not null || site["problem"] is not null || tried == 300)
                return site;
            await Task.Delay(100, TestContext.Current.CancellationToken);
        }
    }

    private static DateOnly Today => DateOnly.FromDateTime(DateTime.UtcNow);

    private static string Days(params (int Ahead, double Min, double Max, double Rain)[] days) =>
        $$"""{"days": [{{string.Join(
            ", ",
            days.Select(d =>
                string.Create(
                    CultureInfo.InvariantCulture,
                    $$"""
                    {"date": "{{Today.AddDays(d.Ahead):yyyy-MM-dd}}", "minC": {{d.Min}}, "maxC": {{d.Max}},
                     "rainMm": {{d.Rain}}, "windMs": 2, "forecast": {{(d.Ahead > 0 ? "true" : "false")}} }
                    """
                )
            )
        )}}]}""";

    [Fact]
    public async Task Days_of_a_source_are_kept_and_a_measured_day_is_never_replaced_by_a_forecast()
    {
        application.Answer = Days((-2, -1, 6, 0), (-1, 0, 7, 3.5), (1, -2, 5, 0), (2, -3, 4, 0));
        using var client = await Estate("Sourced");
        var site = await Read(client);
        Assert.Null((string?)site["problem"]);
        Assert.NotNull((string?)site["readAt"]);
        Assert.Equal(
            [(-1.0, false), (0, false), (-2, true), (-3, true)],
            site["days"]!.AsArray().Select(d => ((double)d!["minC"]!, (bool)d["isForecast"]!))
        );
        Assert.Equal(2, (int)site["measured"]!);
        // It was asked for the place, and for days ahead of the day it is there.
        Assert.Contains("latitude=46", application.Asked, StringComparison.Ordinal);
        var there = DateOnly.FromDateTime(TimeZoneInfo.ConvertTimeBySystemTimeZoneId(DateTime.UtcNow, "Europe/Rome"));
        Assert.Contains($"to={there.AddDays(10):yyyy-MM-dd}", application.Asked, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(500, "{}", "error (500)")]
    [InlineData(302, "{}", "error (302)")]
    [InlineData(200, "<html>", "not in the form")]
    [InlineData(200, """{"days": [{"date": "2027-01-20", "minC": "cold"}]}""", "not in the form")]
    [InlineData(200, """{"days": [{"date": "TODAY", "minC": 9, "maxC": 3}]}""", "at least the lowest")]
    [InlineData(200, """{"days": [{"date": "TODAY", "minC": -200, "maxC": 3}]}""", "expected -60 to 50")]
    public async Task What_a_source_tells_wrong_is_said_and_nothing_of_it_is_kept(
        int status,
        string answer,
        string said
    )
    {
        (application.Status, application.Answer) = (
            status,
            answer.Replace(
                "TODAY",
                Today.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                StringComparison.Ordinal
            )
        );
        try
        {
            using var client = await Estate($"Wrong {Guid.NewGuid():n}"[..20]);
            var site = await Read(client);
            Assert.Contains(said, (string)site["problem"]!, StringComparison.Ordinal);
            Assert.Empty(site["days"]!.AsArray());
        }
        finally
        {
            application.Status = 200;
        }
    }

    [Fact]
    public async Task A_source_that_answers_without_end_is_cut_off()
    {
        application.Answer = new string(' ', 5_000_000) + "{}";
        using var client = await Estate("Endless");
        Assert.Contains("more than it should", (string)(await Read(client))["problem"]!, StringComparison.Ordinal);
    }

    // Must show: a warning that holds up a pass, and which; and unknown where no forecast is.
    [Fact]
    public async Task A_hard_freeze_forecast_holds_up_the_winter_and_without_a_forecast_nobody_knows()
    {
        var view = await _client.ReadAsync("/api/v1/weather");
        var freeze = view["warnings"]!.AsArray().First(w => (string)w!["by"]!["by"]! == "noHardFreeze")!;
        Assert.Contains("Winter prune", freeze["passes"]!.AsArray().Select(p => (string)p!["en"]!));
        Assert.True((bool)freeze["by"]!["isForecast"]!);
        // Season page, weather page and programme tell the same.
        var season = await _client.ReadAsync("/api/v1/season");
        Assert.Equal(view["warnings"]!.ToJsonString(), season["warnings"]!.ToJsonString());
        Assert.Equal(view["heat"]!.ToJsonString(), season["heat"]!.ToJsonString());
        var planting = await _client.PlantingAsync((string)freeze["plantings"]![0]!);
        var programme = await _client.ReadAsync($"/api/v1/plantings/{(string)planting["id"]!}/programme");
        var held = programme["outlook"]!
            .AsObject()
            .SelectMany(o => o.Value!["heldUp"]!.AsArray())
            .Select(h => h!.ToJsonString());
        Assert.Contains(freeze["by"]!.ToJsonString(), held);

        using var south = await application.InNewEstateAsync(_client, "No forecast");
        await south.ImportAsync("save", OnePlanting);
        var bare = await south.PlantingAsync("L1");
        await south.PutAsync(
            $"/api/v1/plantings/{(string)bare["id"]!}/days",
            $$"""
            {"version": {{(uint)bare["planVersion"]!}}, "days": {"noted": [
              {"anchor": "leafFallBefore", "day": "{{Today.AddDays(-60):yyyy-MM-dd}}" },
              {"anchor": "silverTip", "day": "{{Today.AddDays(40):yyyy-MM-dd}}"},
              {"anchor": "greenTip", "day": "{{Today.AddDays(50):yyyy-MM-dd}}"} ] } }
            """
        );
        var outlook = (await south.ReadAsync($"/api/v1/plantings/{(string)bare["id"]!}/programme"))["outlook"]!;
        var winter = outlook["winter"]!;
        Assert.Null((bool?)winter["today"]);
        Assert.Empty(winter["heldUp"]!.AsArray());
        Assert.Null((string?)winter["knownUntil"]);
    }

    [Theory]
    [InlineData("""{"latitude": 91, "longitude": 9}""", "latitude")]
    [InlineData("""{"latitude": 45}""", "longitude")]
    [InlineData("""{"latitude": 45, "longitude": 9, "zone": "Rome"}""", "zone")]
    [InlineData("""{"latitude": 45, "longitude": 9, "zone": "../etc/passwd"}""", "zone")]
    [InlineData("""{"stormMonth": 13}""", "stormMonth")]
    [InlineData("""{"source": "http://127.0.0.1:22/"}""", "source")]
    [InlineData("""{"source": "Stub"}""", "latitude")]
    public async Task What_cannot_be_of_a_site_is_told_at_its_field(string entry, string field)
    {
        var (status, body) = await Save(_client, await Site(_client, "Home Farm"), entry);
        Assert.Equal(400, status);
        Assert.Contains(field, Api.ProblemFields(body));
    }

    [Fact]
    public async Task A_site_saved_by_two_is_saved_by_the_first_and_the_history_tells_it()
    {
        var site = await Site(_client, "Weir Bank");
        const string Storms = """{"latitude": 45.61, "longitude": 9.92, "zone": "Europe/Rome", "stormMonth": 6}""";
        Assert.Equal(204, (await Save(_client, site, Storms)).Status);
        var (status, body) = await Save(_client, site, """{"hotMonth": 7}""");
        Assert.Equal((400, "latitude"), (status, Api.ProblemFields(body)[0]));
        var planting = await _client.PlantingAsync("W2");
        var programme = await _client.ReadAsync($"/api/v1/plantings/{(string)planting["id"]!}/programme");
        var storm = programme["programme"]!["passes"]!.AsArray().Single(p => (string)p!["id"]! == "storm-height")!;
        // Eight to two weeks before 1 June.
        Assert.Equal(("2027-04-06", "2027-05-18"), ((string)storm["from"]!, (string)storm["to"]!));
        using var reader = application.ClientOf(Role.CrewLead);
        Assert.Equal(403, (await Save(reader, await Site(_client, "Weir Bank"), Storms)).Status);
    }

    // Two estates have a source; the poll reads both, each in its own scope, and neither sees the other's.
    [Fact]
    public async Task The_server_reads_the_weather_of_every_estate_by_itself()
    {
        application.Answer = Days((-1, 0, 7, 3.5), (1, -2, 5, 0));
        using var one = await Estate("Polled one", "Polled");
        using var two = await Estate("Polled two", "Polled");
        foreach (var client in new[] { one, two })
        {
            for (var i = 0; i < 600 && (string?)(await Site(client, "Lake"))["readAt"] is null; i++)
                await Task.Delay(50, TestContext.Current.CancellationToken);
            Assert.Equal(2, (await Site(client, "Lake"))["days"]!.AsArray().Count);
            Assert.Single((await client.ReadAsync("/api/v1/weather"))["sites"]!.AsArray());
        }
    }

    // A slow source is still read when the next reading begins; the one that began later tells.
    [Fact]
    public async Task Of_two_readings_at_once_the_later_tells_and_the_earlier_fails_nobody()
    {
        using var client = await application.InNewEstateAsync(_client, "Read twice");
        await client.ImportAsync("save", OnePlanting);
        var id = (Guid)(await Site(client, "Lake"))["id"]!;
        var estate = (Guid)(await client.ReadAsync("/api/v1/session"))["here"]!["estateId"]!;
        await using var early = application.Services.CreateAsyncScope();
        await using var late = application.Services.CreateAsyncScope();
        var stores = new[] { early, late }
            .Select(scope =>
            {
                scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = estate;
                return scope.ServiceProvider.GetRequiredService<WeatherStore>();
            })
            .ToList();
        var cancel = TestContext.Current.CancellationToken;
        var site = (await stores[0].SitesAsync(cancel)).Single(s => s.Site.Id == id).Site;
        var now = DateTimeOffset.UtcNow;
        foreach (var store in stores)
            Assert.True(await store.ClaimAsync(site, now, TimeSpan.Zero, cancel));

        WeatherDay day = new(Today, -1, 6, 0, 2);
        await stores[0].TakeAsync(site, [day], now, cancel);
        Assert.Empty((await Site(client, "Lake"))["days"]!.AsArray());
        await stores[1].TakeAsync(site, [day], now, cancel);
        var seen = await Site(client, "Lake");
        Assert.Null((string?)seen["problem"]);
        Assert.Single(seen["days"]!.AsArray());
    }

    [Fact]
    public async Task A_forecast_in_a_file_is_one_and_the_day_measured_takes_its_place()
    {
        using var client = await application.InNewEstateAsync(_client, "Filed");
        await client.ImportAsync("save", OnePlanting);
        var day = Today.AddDays(1).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        await client.ImportAsync("save", $"Date,Min (°C),Max (°C),Forecast\n{day},-5,4,yes\n", "weather");
        Assert.True((bool)(await Site(client, "Lake"))["days"]![0]!["isForecast"]!);
        await client.ImportAsync("save", $"Date,Min (°C),Max (°C),Forecast\n{day},-5,4,\n", "weather");
        Assert.Equal(1, (int)(await Site(client, "Lake"))["measured"]!);
    }

    // Properties of what the station stand-in states of itself; the sums are its own constants, told in its help.
    [Theory]
    [InlineData(45.6)]
    [InlineData(-41)]
    public void A_year_of_the_stand_in_is_the_climate_it_states(double latitude)
    {
        SimulatedClimate climate = new(latitude, 3);
        DateTimeOffset start = new(2023, 1, 1, 0, 0, 0, TimeSpan.Zero);
        var hours = Enumerable
            .Range(0, 4 * 365 * 24)
            .Select(h => start.AddHours(h))
            .Select(at => (At: at, Weather: climate.At(at, start.AddYears(9))))
            .ToList();
        Assert.Equal(climate.MeanC, hours.Average(h => h.Weather.TemperatureC), 0.8);
        var byMonth = hours
            .GroupBy(h => h.At.Month)
            .ToDictionary(g => g.Key, g => g.Average(h => h.Weather.TemperatureC));
        int[] northWinter = [12, 1, 2],
            northSummer = [6, 7, 8];
        var (winter, summer) = latitude > 0 ? (northWinter, northSummer) : (northSummer, northWinter);
        Assert.Contains(byMonth.MinBy(m => m.Value).Key, winter);
        Assert.Contains(byMonth.MaxBy(m => m.Value).Key, summer);
        Assert.Equal(2 * climate.SwingC, byMonth.Values.Max() - byMonth.Values.Min(), 3.0);
        var wet = hours.GroupBy(h => h.At.Date).Count(g => g.Sum(h => h.Weather.RainMm) > 0.1);
        Assert.Equal(SimulatedClimate.WetDays, wet / (4 * 365.0), 0.05);
        // The same hour is the same weather, and a forecast of it is off by little tomorrow.
        Assert.Equal(climate.At(start, start), climate.At(start, start));
        Assert.True(
            Math.Abs(
                climate.At(start.AddDays(1), start).TemperatureC
                    - climate.At(start.AddDays(1), start.AddDays(2)).TemperatureC
            ) <= 0.5
        );
    }

    /// <summary>The application with a source of weather that answers as a test wants it to.</summary>
    public sealed class Application : RamaApplication
    {
        private readonly WebApplication _source = Source();

        public Application() => Started = this;

        private static Application? Started { get; set; }

        public string Answer { get; set; } = "{}";

        public int Status { get; set; } = 200;

        public string Asked { get; private set; } = "";

        private static WebApplication Source()
        {
            var builder = WebApplication.CreateSlimBuilder();
            builder.WebHost.ConfigureKestrel(k => k.Listen(IPAddress.Loopback, 0));
            builder.Logging.ClearProviders();
            var app = builder.Build();
            app.MapGet("/days", (HttpContext http) =>
            {
                Started!.Asked = http.Request.QueryString.Value!;
                if (Started.Status == 302)
                    http.Response.Headers.Location = "http://127.0.0.1:1/";
                return Results.Content(Started.Answer, "application/json", statusCode: Started.Status);
            });
            app.StartAsync().GetAwaiter().GetResult();
            return app;
        }

        protected override void ConfigureWebHost(IWebHostBuilder builder)
        {
            base.ConfigureWebHost(builder);
            var address = _source
                .Services.GetRequiredService<IServer>()
                .Features.Get<IServerAddressesFeature>()!
                .Addresses.Single();
            foreach (var (i, name) in new[] { "Stub", "Polled" }.Index())
            {
                builder.UseSetting($"Weather:Sources:{i}:Name", name);
                builder.UseSetting($"Weather:Sources:{i}:Address", $"{address}/days");
            }
            builder.UseSetting("Weather:EveryMinutes", "0.02");
        }
    }
}
