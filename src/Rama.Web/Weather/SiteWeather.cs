using System.Collections.Concurrent;
using Microsoft.Extensions.Caching.Memory;
using Rama.Core.Passes;
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
        var all = (await store.SitesAsync(cancel))
            .Select(s => (s.Site, s.Read, Stamp: (s.Site.Version, today, stamps.GetValueOrDefault(s.Site.Id))))
            .Select(s => (s.Site, s.Read, s.Stamp, Known: Kept(s.Site.Id, s.Stamp)))
            .ToList();
        var fresh = all.Where(s => s.Known is null && stamps.ContainsKey(s.Site.Id)).Select(s => s.Site.Id).ToList();
        var days = fresh.Count == 0 ? null : await store.DaysAsync(fresh, today.AddYears(-MostYears), cancel);
        Dictionary<Guid, KnownSite> sites = [];
        foreach (var (site, read, stamp, kept) in all)
        {
            var known = kept ?? new KnownSite(site, [.. days?[site.Id] ?? []], today);
            // One version a site is kept: days come every half hour.
            if (kept is null)
                cache.Set(
                    ("site", site.Id),
                    (stamp, known),
                    new MemoryCacheEntryOptions { SlidingExpiration = TimeSpan.FromMinutes(30) }
                );
            sites.Add(site.Id, known with { Read = read });
        }
        return sites;
    }

    private KnownSite? Kept(Guid site, (uint, DateOnly, (int, DateTimeOffset)) stamp) =>
        cache.TryGetValue(("site", site), out ((uint, DateOnly, (int, DateTimeOffset)) Stamp, KnownSite Site) kept)
        && kept.Stamp == stamp
            ? kept.Site
            : null;
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
    public DayJudge Judge(string crop) => _hardy.For(isTender: CropKinds.IsStone(crop));

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
