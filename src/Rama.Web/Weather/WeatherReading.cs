using Rama.Core.Season;
using Rama.Data.Estate;
using Rama.Data.Weather;

namespace Rama.Web.Weather;

/// <summary>Reads the weather of the sites of the estate in scope from their sources.</summary>
internal sealed class WeatherReading(
    WeatherStore store,
    EstateStore estates,
    WeatherSources sources,
    TimeProvider clock,
    ILogger<WeatherReading> log
)
{
    // Heat is added up from midwinter on, so a new source is asked for that much.
    private const int FirstDays = 300,
        Again = 3;

    /// <summary>Reads every site that has a source and was not read within a time.</summary>
    /// <param name="every">How long a reading holds.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task ReadAsync(TimeSpan every, CancellationToken cancel)
    {
        foreach (var (site, _) in await store.SitesAsync(cancel))
            if (site.WeatherSource is not null)
                await ReadAsync(site, every, cancel);
    }

    /// <summary>Reads one site; false where it was read within that time, or has no source.</summary>
    public async Task<bool> ReadAsync(SiteRecord site, TimeSpan every, CancellationToken cancel)
    {
        if (site.WeatherSource is null || !await store.ClaimAsync(site, clock.GetUtcNow(), every, cancel))
            return false;
        try
        {
            var source = sources.Find(site.WeatherSource)
                ?? throw new WeatherSourceException("This server no longer knows a source of that name.");
            var place = site.ToPlace();
            var (today, now) = await NowAsync(place, cancel);
            var measured = (await store.DaysAsync([site.Id], today.AddDays(-FirstDays), cancel))[site.Id]
                .Where(d => !d.IsForecast && d.RainMm is not null && d.Date <= today)
                .Select(d => d.Date)
                .DefaultIfEmpty(today.AddDays(-FirstDays))
                .Max();
            var days = await source.ReadAsync(
                place,
                measured.AddDays(-Again),
                today.AddDays(PassOutlook.Days + Again),
                now,
                cancel
            );
            await store.TakeAsync(site, days, clock.GetUtcNow(), cancel);
        }
        catch (WeatherSourceException e)
        {
            log.LogWarning("Weather of a site was not read: {Problem}", e.Message);
            await store.FailAsync(site, clock.GetUtcNow(), e.Message, cancel);
        }
        return true;
    }

    // The demo sits in its own winter: its sources are asked for that.
    private async Task<(DateOnly Today, DateTimeOffset Now)> NowAsync(SitePlace place, CancellationToken cancel)
    {
        var estate = await estates.ReadAsync(cancel);
        var day = estate.TodayBy(clock, place.Zone);
        if (estate.Today is null)
            return (day, clock.GetUtcNow());
        var noon = day.ToDateTime(new TimeOnly(12, 0));
        return (day, new(noon, place.Zone.GetUtcOffset(noon)));
    }
}
