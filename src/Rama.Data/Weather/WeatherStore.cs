using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Season;
using Rama.Core.Weather;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Weather;

/// <summary>Sites of the estate in scope with their weather.</summary>
public sealed class WeatherStore(RamaContext database)
{
    private const int LongestProblem = 300;

    /// <summary>All sites by name, with how the last reading went.</summary>
    public async Task<IReadOnlyList<(SiteRecord Site, WeatherReadRecord? Read)>> SitesAsync(CancellationToken cancel)
    {
        var reads = await database.WeatherReads.AsNoTracking().ToDictionaryAsync(r => r.SiteId, cancel);
        return
        [
            .. (await database.Sites.AsNoTracking().OrderBy(s => s.Name).ToListAsync(cancel)).Select(s =>
                (s, reads.GetValueOrDefault(s.Id))
            ),
        ];
    }

    /// <summary>Estates whose weather is read from a source, whichever is in scope.</summary>
    public async Task<IReadOnlyList<Guid>> EstatesAsync(CancellationToken cancel) =>
        await database.WeatherEstates.Select(e => e.EstateId).ToListAsync(cancel);

    /// <summary>Saves what is told of a site; false when there is none of that id.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<bool> SaveAsync(
        Guid id,
        uint version,
        SiteEntry entry,
        IReadOnlyCollection<string> sources,
        CancellationToken cancel
    )
    {
        if (await database.Sites.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } site)
            return false;
        var place = entry.Read(sources);
        if (site.Version != version)
            throw Conflicts.ChangedMeanwhile("latitude");
        site.TakeOver(place);
        await database.SaveOrRefuseAsync("latitude", cancel);
        return true;
    }

    /// <summary>
    /// How many days each site has and when the last of them came: what tells that something changed.
    /// </summary>
    public async Task<IReadOnlyDictionary<Guid, (int Days, DateTimeOffset Last)>> StampsAsync(
        CancellationToken cancel
    ) =>
        await database
            .WeatherDays.GroupBy(d => d.SiteId)
            .Select(g => new
            {
                g.Key,
                Days = g.Count(),
                Last = g.Max(d => d.TakenAt),
            })
            .ToDictionaryAsync(g => g.Key, g => (g.Days, g.Last), cancel);

    /// <summary>Days of sites in their order.</summary>
    public async Task<ILookup<Guid, WeatherDay>> DaysAsync(
        IReadOnlyCollection<Guid> sites,
        DateOnly from,
        CancellationToken cancel
    ) =>
        (
            await database
                .WeatherDays.AsNoTracking()
                .Where(d => sites.Contains(d.SiteId) && d.Date >= from)
                .OrderBy(d => d.Date)
                .ToListAsync(cancel)
        ).ToLookup(d => d.SiteId, d => d.ToDay());

    /// <summary>
    /// Claims the reading of a site: of several copies of the server that want to, one gets it.
    /// </summary>
    /// <param name="site">The site.</param>
    /// <param name="now">The time.</param>
    /// <param name="every">How long a reading holds.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<bool> ClaimAsync(SiteRecord site, DateTimeOffset now, TimeSpan every, CancellationToken cancel)
    {
        var read = await database.WeatherReads.SingleOrDefaultAsync(r => r.SiteId == site.Id, cancel);
        if (read is not null && now - read.TriedAt < every)
            return false;
        if (read is null)
            database.Add(read = new() { EstateId = site.EstateId, SiteId = site.Id });
        read.TriedAt = now;
        try
        {
            await database.SaveChangesAsync(cancel);
            return true;
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            database.ChangeTracker.Clear();
            return false;
        }
    }

    /// <summary>
    /// Takes days a source told over those of a site. What was measured is never replaced by a forecast, and a forecast
    /// that is no longer told goes.
    /// </summary>
    public async Task TakeAsync(
        SiteRecord site,
        IReadOnlyList<WeatherDay> days,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var told = days.GroupBy(d => d.Date).ToDictionary(g => g.Key, g => g.Last());
        var dates = told.Keys.ToList();
        var known = await database
            .WeatherDays.Where(d => d.SiteId == site.Id && (d.IsForecast || dates.Contains(d.Date)))
            .ToDictionaryAsync(d => d.Date, cancel);
        foreach (var day in told.Values)
            if (!known.TryGetValue(day.Date, out var record))
                database.Add(WeatherDayRecord.Of(site, day, now));
            else if (record.IsForecast || !day.IsForecast)
                record.TakeOver(day, now);
        database.RemoveRange(known.Values.Where(d => d.IsForecast && !told.ContainsKey(d.Date)));
        await EndAsync(site, now, null, cancel);
    }

    /// <summary>Keeps that a reading failed.</summary>
    public Task FailAsync(SiteRecord site, DateTimeOffset now, string problem, CancellationToken cancel) =>
        EndAsync(site, now, problem[..Math.Min(problem.Length, LongestProblem)], cancel);

    private async Task EndAsync(SiteRecord site, DateTimeOffset now, string? problem, CancellationToken cancel)
    {
        if (await database.WeatherReads.SingleOrDefaultAsync(r => r.SiteId == site.Id, cancel) is { } read)
            (read.Problem, read.ReadAt) = (problem, problem is null ? now : read.ReadAt);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        // Another reading began after this one and tells what it finds, or a file brought the same days.
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            database.ChangeTracker.Clear();
        }
    }
}
