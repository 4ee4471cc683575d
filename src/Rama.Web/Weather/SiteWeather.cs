using System.Collections.Concurrent;
using Microsoft.Extensions.Caching.Memory;
using Rama.Core.Season;
using Rama.Core.Weather;
using Rama.Data.Estate;
using Rama.Data.Weather;

namespace Rama.Web.Weather;

/// <summary>
/// Sites of the estate in scope with their days. Days are read once per version of them; what tells the version comes
/// from the database each time.
/// </summary>
internal sealed class SiteWeather(WeatherStore store, IMemoryCache cache)
{
    private const int MostYears = 10;

    /// <summary>All sites of the estate.</summary>
    /// <param name="today">The day taken as today.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<Guid, KnownSite>> ReadAsync(DateOnly today, CancellationToken cancel)
    {
        var stamps = await store.StampsAsync(cancel);
        Dictionary<Guid, KnownSite> sites = [];
        foreach (var (site, read) in await store.SitesAsync(cancel))
        {
            // One version a site is kept: days come every half hour.
            var (key, stamp) = (("site", site.Id), (site.Version, today, stamps.GetValueOrDefault(site.Id)));
            var (of, known) = cache.Get<((uint, DateOnly, (int, DateTimeOffset)) Stamp, KnownSite? Site)>(key);
            if (known is null || of != stamp)
            {
                var days = stamps.ContainsKey(site.Id)
                    ? await store.DaysAsync(site.Id, today.AddYears(-MostYears), cancel)
                    : [];
                known = new(site, days, today);
                cache.Set(
                    key,
                    (stamp, (KnownSite?)known),
                    new MemoryCacheEntryOptions { SlidingExpiration = TimeSpan.FromMinutes(30) }
                );
            }
            sites.Add(site.Id, known with { Read = read });
        }
        return sites;
    }
}

/// <summary>A site with its days.</summary>
/// <param name="Site">The site.</param>
/// <param name="Days">Days measured and forecast, in their order; a forecast of days gone by is none.</param>
/// <param name="Place">Where it lies.</param>
/// <param name="Read">How its source was read last; null for files alone.</param>
internal sealed record KnownSite(
    SiteRecord Site,
    IReadOnlyList<WeatherDay> Days,
    SitePlace Place,
    WeatherReadRecord? Read = null
)
{
    private readonly ConcurrentDictionary<string, GreenTip?> _tips = [];
    private readonly DayJudge _hardy = new(Days, isTender: false);

    public KnownSite(SiteRecord site, IReadOnlyList<WeatherDay> days, DateOnly today)
        : this(site, [.. days.Where(d => !d.IsForecast || d.Date >= today)], site.ToPlace()) { }

    /// <summary>The judge of its days for a crop.</summary>
    public DayJudge Judge(string crop) => _hardy.For(crop is "cherry" or "peach" or "apricot" or "plum");

    /// <summary>Green tip by the heat of the season; null without an estimate.</summary>
    /// <param name="crop">The crop.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="today">The day taken as today.</param>
    /// <param name="noted">Days of green tip noted in past seasons.</param>
    public GreenTip? ByHeat(string crop, int season, DateOnly today, IReadOnlyList<SeasonDay> noted) =>
        Days.Count == 0
            ? null
            : _tips.GetOrAdd(
                $"{crop} {season} {today:yyyyMMdd} {string.Join(' ', noted.Select(n => n.Day.DayNumber))}",
                _ =>
                    HeatAhead.GreenTip(
                        Days,
                        season,
                        today,
                        [.. FrostTables.Shipped.Heat.Where(h => h.Crop == crop)],
                        Place.Year.IsSouth,
                        [.. noted.Select(n => n.Day)]
                    )
            );
}
