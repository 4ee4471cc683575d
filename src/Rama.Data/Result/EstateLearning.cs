using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Rama.Core.Estate;
using Rama.Core.Plan;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Data.Result;

/// <summary>
/// What the seasons of the plantings of an estate taught, and what their back-tests refuse. Plans rest on it, so it is
/// kept from request to request and worked out anew only for plantings that changed.
/// </summary>
/// <remarks>
/// It reads in a scope of its own: whoever asks may be about to save, and shall not track all plantings for it.
/// </remarks>
public sealed class EstateLearning(IServiceScopeFactory scopes)
{
    // Some five kilobytes each; estates longest unused go first.
    private const int MostPlantings = 20_000;

    private readonly Lock _lock = new();
    private readonly Dictionary<Guid, Kept> _kept = [];
    private long _asked;

    /// <summary>What the estate in scope learned.</summary>
    /// <param name="database">Where the caller reads.</param>
    /// <param name="estate">The estate.</param>
    /// <param name="catalogue">Its catalogue.</param>
    /// <param name="stamp">Another number for every other content of the catalogue.</param>
    /// <param name="cancel">Stops it.</param>
    internal async Task<LearnedOfEstate> ReadAsync(
        RamaContext database,
        Guid estate,
        Catalogue catalogue,
        int stamp,
        CancellationToken cancel
    )
    {
        var kept = KeptOf(estate);
        var now = (await VersionAsync(database, estate, cancel), stamp);
        if (kept.Told is { } known && known.Of == now)
            return known.Learned;
        // One works it out, the others wait for that.
        await kept.Gate.WaitAsync(cancel);
        try
        {
            if (kept.Told is { } meanwhile && meanwhile.Of == now)
                return meanwhile.Learned;
            await using var scope = scopes.CreateAsyncScope();
            scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = estate;
            var own = scope.ServiceProvider.GetRequiredService<RamaContext>();
            var version = (await VersionAsync(own, estate, cancel), stamp);
            var learned = await LearnAsync(own, kept, estate, catalogue, stamp, cancel);
            kept.Told = new(version, learned);
            return learned;
        }
        finally
        {
            kept.Gate.Release();
        }
    }

    private static async Task<LearnedOfEstate> LearnAsync(
        RamaContext database,
        Kept kept,
        Guid estate,
        Catalogue catalogue,
        int stamp,
        CancellationToken cancel
    )
    {
        // One that is being read in, and not yet saved, has learned nothing.
        if (await database.Estates.SingleOrDefaultAsync(e => e.Id == estate, cancel) is not { Season: var season })
            return LearnedOfEstate.None;
        // A winter that was counted tells of the bloom after a crop, so that plans are part of what was taught.
        var plans = (await database.SeasonPlans.Select(p => new { p.PlantingId, p.Version }).ToListAsync(cancel))
            .GroupBy(p => p.PlantingId)
            .ToDictionary(g => g.Key, g => g.Aggregate(0UL, (sum, p) => sum + p.Version));
        var versions = await database
            .Plantings.Select(p => new { p.Id, p.Version })
            .ToDictionaryAsync(p => p.Id, p => (p.Version, plans.GetValueOrDefault(p.Id)), cancel);
        Dictionary<Guid, Taught> plantings = kept
            .Plantings.Where(p =>
                versions.TryGetValue(p.Key, out var version) && p.Value.Of == (version, season, stamp)
            )
            .ToDictionary();
        List<Guid> fresh = [.. versions.Keys.Where(id => !plantings.ContainsKey(id))];
        if (fresh.Count > 0)
        {
            var ids = fresh.Count > versions.Count / 2 ? null : fresh;
            var read = await database.ReadPlantingsAsync(cancel, ids);
            // Counts tell of the bloom after a crop: without a season on record they tell nothing.
            List<Guid> bore = [.. read.Where(p => p.Results.Count > 0).Select(p => p.Id)];
            var counts = (bore.Count == 0 ? [] : await database.ReadPlansAsync(cancel, ids: bore))
                .Where(p => p.Season <= season && p.Trees.Count > 0)
                .ToLookup(p => p.PlantingId);
            foreach (
                var (id, taught) in read.AsParallel()
                    .WithCancellation(cancel)
                    .Select(p =>
                        (p.Id, TaughtBy(p, counts[p.Id], versions.GetValueOrDefault(p.Id), season, catalogue, stamp))
                    )
            )
                plantings[id] = taught;
        }
        kept.Plantings = plantings;
        return LearnedOfEstate.Of(plantings.ToDictionary(p => p.Key, p => p.Value.Planting));
    }

    private static Taught TaughtBy(
        PlantingRecord planting,
        IEnumerable<SeasonPlanRecord> counts,
        (uint, ulong) versions,
        int season,
        Catalogue catalogue,
        int stamp
    )
    {
        var of = (versions, season, stamp);
        if (planting.Results.Count == 0)
            return new(of, TaughtOfPlanting.Nothing);
        PlanEntry entry = new()
        {
            Season = season,
            Planting = planting.ToEntry(),
            Rows = planting.ToRows(),
            Records = planting.ToRecords(),
            Learning = planting.ToLearning(),
        };
        var reading = PlanReading.Of(entry, catalogue);
        var returns = PastReturns.Of(entry, counts.Select(p => (p.Season, p.ToCount())), catalogue);
        return new(of, TaughtOfPlanting.Of(reading, returns));
    }

    // Row versions of all plantings and plans in two numbers, whatever their order: seasons are part of them.
    private static async Task<(int Season, int Rows, ulong Versions)> VersionAsync(
        RamaContext database,
        Guid estate,
        CancellationToken cancel
    )
    {
        await using var held = await database.HoldAsync(cancel);
        var season = await database
            .Estates.Where(e => e.Id == estate)
            .Select(e => e.Season)
            .SingleOrDefaultAsync(cancel);
        var versions = await database
            .Plantings.Select(p => p.Version)
            .Concat(database.SeasonPlans.Select(p => p.Version))
            .ToListAsync(cancel);
        return (season, versions.Count, versions.Aggregate(0UL, (sum, version) => sum + version));
    }

    private Kept KeptOf(Guid estate)
    {
        lock (_lock)
        {
            if (!_kept.TryGetValue(estate, out var kept))
                _kept.Add(estate, kept = new());
            kept.Asked = ++_asked;
            var over = _kept.Values.Sum(k => k.Plantings.Count) - MostPlantings;
            foreach (var (id, old) in _kept.OrderBy(k => k.Value.Asked).ToList())
            {
                if (over <= 0 || id == estate)
                    break;
                over -= old.Plantings.Count;
                _kept.Remove(id);
            }
            return kept;
        }
    }

    private sealed record Taught(((uint, ulong) Planting, int Season, int Catalogue) Of, TaughtOfPlanting Planting);

    private sealed record Told(((int, int, ulong), int) Of, LearnedOfEstate Learned);

    private sealed class Kept
    {
        public SemaphoreSlim Gate { get; } = new(1);

        /// <summary>Read without the gate, and so one reference that is whole or not there.</summary>
        public Told? Told { get; set; }

        public IReadOnlyDictionary<Guid, Taught> Plantings { get; set; } = new Dictionary<Guid, Taught>();

        public long Asked { get; set; }
    }
}
