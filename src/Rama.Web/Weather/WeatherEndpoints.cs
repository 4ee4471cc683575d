using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Season;
using Rama.Core.Weather;
using Rama.Data.Estate;
using Rama.Data.Weather;
using Rama.Web.Accounts;
using Rama.Web.Passes;

namespace Rama.Web.Weather;

/// <summary>Weather of the estate.</summary>
/// <param name="Today">The day taken as today.</param>
/// <param name="Sources">Names of the sources of weather a site can have.</param>
/// <param name="Sites">Its sites.</param>
/// <param name="Warnings">Weather that holds passes up.</param>
/// <param name="Heat">Heat of the season by site and crop.</param>
public sealed record WeatherView(
    DateOnly Today,
    IReadOnlyCollection<string> Sources,
    IReadOnlyList<SiteView> Sites,
    IReadOnlyList<SiteWarning> Warnings,
    IReadOnlyList<SiteHeat> Heat
);

/// <summary>A site with its weather.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Version">Version, to be sent back when saving.</param>
/// <param name="Name">Its name.</param>
/// <param name="Site">What is told of it.</param>
/// <param name="Days">The last two weeks and what is forecast, in their order; days nobody knows are left out.</param>
/// <param name="Measured">Days measured in all.</param>
/// <param name="ReadAt">When its source was read last with success; null for never.</param>
/// <param name="Problem">What went wrong at the last reading; null where nothing did.</param>
public sealed record SiteView(
    Guid Id,
    uint Version,
    string Name,
    SiteEntry Site,
    IReadOnlyList<WeatherDay> Days,
    int Measured,
    DateTimeOffset? ReadAt,
    string? Problem
)
{
    private const int DaysBack = 13;

    internal static SiteView Of(KnownSite known, DateOnly today) =>
        new(
            known.Site.Id,
            known.Site.Version,
            known.Site.Name,
            known.Site.ToEntry(),
            [.. known.Days.Where(d => d.Date >= today.AddDays(-DaysBack) && (d.IsForecast || d.Date <= today))],
            known.Days.Count(d => !d.IsForecast),
            known.Read?.ReadAt,
            known.Site.WeatherSource is null ? null : known.Read?.Problem
        );
}

/// <summary>What is told of a site to save, with the version it was read at.</summary>
public sealed record SaveSite(uint Version, SiteEntry Site);

internal static class WeatherEndpoints
{
    // Nobody makes the server hammer a station.
    private static readonly TimeSpan LeastPause = TimeSpan.FromSeconds(10);

    private static readonly TimeSpan LongestAnswer = TimeSpan.FromSeconds(20);

    public static IServiceCollection AddWeather(this IServiceCollection services, bool polls)
    {
        services
            .AddHttpClient(nameof(HttpWeatherSource), client =>
            {
                client.Timeout = LongestAnswer;
                client.MaxResponseContentBufferSize = HttpWeatherSource.MostBytes;
            })
            // Where a source is, who runs the server says, and nobody else sends Rama on from there.
            .ConfigurePrimaryHttpMessageHandler(() => new SocketsHttpHandler { AllowAutoRedirect = false });
        if (polls)
            services.AddHostedService<WeatherPolling>();
        return services.AddSingleton<WeatherSources>().AddScoped<SiteWeather>().AddScoped<WeatherReading>();
    }

    public static RouteGroupBuilder MapWeather(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Weather").For(Act.Read);
        group.MapGet("/weather", All).WithSummary("Sites with their weather, and the warnings that hold passes up");
        group
            .MapPut("/sites/{id:guid}", Save)
            .For(Act.Plan)
            .WithSummary("Say where a site lies, what its year is like, and where its weather is read");
        group
            .MapPost("/sites/{id:guid}/weather", Read)
            .For(Act.Settings)
            .WithSummary("Read the source of weather of a site now");
        return api;
    }

    private static async Task<Ok<WeatherView>> All(
        PlantingYears years,
        WeatherSources sources,
        CatalogueStore catalogues,
        CancellationToken cancel
    )
    {
        var year = await years.ReadAsync(cancel);
        return TypedResults.Ok(
            new WeatherView(
                year.Today,
                sources.Names,
                [
                    .. year
                        .Sites.Values.OrderBy(s => s.Site.Name, StringComparer.Ordinal)
                        .Select(s => SiteView.Of(s, year.Today)),
                ],
                SiteWarnings.Of(year),
                SiteHeat.Of(year, (await catalogues.ReadAsync(cancel)).Catalogue)
            )
        );
    }

    private static async Task<Results<NoContent, NotFound>> Save(
        Guid id,
        SaveSite body,
        WeatherStore store,
        WeatherSources sources,
        CancellationToken cancel
    ) =>
        await store.SaveAsync(id, body.Version, body.Site, sources.Names, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> Read(
        Guid id,
        WeatherStore store,
        WeatherReading reading,
        CancellationToken cancel
    )
    {
        var site = (await store.SitesAsync(cancel)).FirstOrDefault(s => s.Site.Id == id).Site;
        if (site is null)
            return TypedResults.NotFound();
        await reading.ReadAsync(site, LeastPause, cancel);
        return TypedResults.NoContent();
    }
}
