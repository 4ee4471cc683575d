using Microsoft.Extensions.Caching.Memory;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Season;

namespace Rama.Web.Season;

/// <summary>
/// What plans of the estate in scope come to. It is worked out once per version of what it rests on; the versions come
/// from the database each time, so that several copies of the application never show different things.
/// </summary>
internal sealed class PlanCache(
    SeasonStore store,
    CatalogueStore catalogues,
    IMemoryCache cache,
    PlanTurns turns,
    EstateScope scope
)
{
    /// <summary>Plans worked out while one waits, and without a look at others who may be at the same.</summary>
    public const int Few = 20;

    private static readonly TimeSpan KeptFor = TimeSpan.FromHours(6);

    private PlanProgress _progress = new();

    /// <summary>Tells how it goes on, and takes no more cores than this says.</summary>
    public void Watch(PlanProgress progress) => _progress = progress;

    /// <summary>What each planting comes to; one removed in between is left out.</summary>
    /// <param name="what">What is worked out, as one word.</param>
    /// <param name="season">Season of the plans.</param>
    /// <param name="current">The season at hand.</param>
    /// <param name="of">Works it out.</param>
    /// <param name="cancel">Stops it.</param>
    /// <param name="only">Plantings wanted; all when left out.</param>
    public async Task<IReadOnlyList<(PlantingVersion Version, T Told)>> ReadAsync<T>(
        string what,
        int season,
        int current,
        Func<StoredPlanting, T> of,
        CancellationToken cancel,
        IReadOnlySet<Guid>? only = null
    )
        where T : class
    {
        var versions = (await store.VersionsAsync(season, cancel))
            .Where(v => only is null || only.Contains(v.Id))
            .ToList();
        var catalogue = await catalogues.ReadAsync(cancel);
        (string, Guid, uint, uint, int, int) Key(PlantingVersion v) =>
            (what, v.Id, v.Planting, v.Plan, season, catalogue.Stamp);
        var known = versions.ToDictionary(v => v.Id, v => cache.Get<T>(Key(v)));
        Dictionary<Guid, PlantingVersion> Fresh() => versions.Where(v => known[v.Id] is null).ToDictionary(v => v.Id);
        var fresh = Fresh();
        _progress.Begin(fresh.Count);
        using var turn = fresh.Count > Few ? await turns.EnterAsync(scope.EstateId, cancel) : null;
        if (turn is not null)
        {
            // Whoever was before may have worked the same out.
            foreach (var version in fresh.Values)
                known[version.Id] = cache.Get<T>(Key(version));
            fresh = Fresh();
            _progress.Begin(fresh.Count);
        }
        // Past half, reading all is quicker than naming each.
        var ids = only is null && fresh.Count > versions.Count / 2 ? null : fresh.Keys.ToList();
        if (fresh.Count > 0)
        {
            var read = await store.ReadAsync(season, current, catalogue.Catalogue, ids, cancel);
            var plans = read.AsParallel()
                .WithCancellation(cancel)
                .WithDegreeOfParallelism(_progress.Cores)
                .WithMergeOptions(ParallelMergeOptions.NotBuffered)
                .Select(s => (s.Planting.Id, of(s)));
            foreach (var (id, told) in plans)
            {
                _progress.Done();
                known[id] = told;
                if (fresh.TryGetValue(id, out var version))
                    cache.Set(Key(version), told, KeptFor);
            }
        }
        return [.. versions.Where(v => known[v.Id] is not null).Select(v => (v, known[v.Id]!))];
    }
}
