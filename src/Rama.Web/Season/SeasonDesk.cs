using System.Collections.Concurrent;
using Rama.Data.Database;
using Rama.Data.Season;
using Rama.Web.Hosting;

namespace Rama.Web.Season;

/// <summary>
/// Works season pages out: one at a time for an estate, for all who ask meanwhile. Those of large estates are worked
/// out after a save before anybody asks; who asks waits while little is to be done, else they are shown what is kept
/// (<see cref="KeptSeason"/>) and the work goes on.
/// </summary>
internal sealed class SeasonDesk(
    IServiceScopeFactory scopes,
    SaveSignal saves,
    IHostApplicationLifetime life,
    ILogger<SeasonDesk> log
) : IHostedService, IDisposable
{
    /// <summary>Most plantings whose page one always waits for.</summary>
    public const int Few = 60;

    // Seasons of one estate asked for at once, and pages worked out at once: each has a connection meanwhile.
    private const int MostSeasons = 4,
        MostAtOnce = 16;

    // What fails after a save is tried again, five times as late each time; then it waits for who asks.
    private const int MostTries = 4;

    private static readonly TimeSpan Patience = TimeSpan.FromMilliseconds(100),
        AfterSaves = TimeSpan.FromSeconds(2);

    private readonly Lock _lock = new();
    private readonly SemaphoreSlim _inside = new(MostAtOnce);
    private readonly Dictionary<(Guid Estate, int? Season), Slot> _slots = [];
    private readonly ConcurrentDictionary<Guid, bool> _saved = [];

    /// <summary>Listens for saves, though nobody has asked for a page yet.</summary>
    public Task StartAsync(CancellationToken cancellationToken)
    {
        saves.Saved += Saved;
        return Task.CompletedTask;
    }

    /// <summary>Listens no more.</summary>
    public Task StopAsync(CancellationToken cancellationToken)
    {
        saves.Saved -= Saved;
        return Task.CompletedTask;
    }

    /// <summary>The page, worked out after it was asked for.</summary>
    /// <param name="estate">The estate.</param>
    /// <param name="season">Season of the page; the one at hand when left out.</param>
    /// <param name="cancel">Stops waiting; the work goes on.</param>
    /// <exception cref="LineFullException">Too many seasons of the estate are asked for at once.</exception>
    public Task<SeasonView> WorkAsync(Guid estate, int? season, CancellationToken cancel) =>
        Join((estate, season)).Run.View.WaitAsync(cancel);

    /// <summary>The same; null where it takes longer than one may wait.</summary>
    /// <param name="estate">The estate.</param>
    /// <param name="season">Season of the page; the one at hand when left out.</param>
    /// <param name="cancel">Stops waiting; the work goes on.</param>
    public async Task<SeasonView?> ReadAsync(Guid estate, int? season, CancellationToken cancel)
    {
        var (run, before) = Join((estate, season));
        // One begun earlier may not have seen what was saved just now.
        if (before is not null)
        {
            if (!await before.IsSoonAsync(Patience, cancel))
                return null;
            await ((Task)before.View).WaitAsync(cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            cancel.ThrowIfCancellationRequested();
        }
        return await run.IsSoonAsync(Patience, cancel) ? await run.View.WaitAsync(cancel) : null;
    }

    /// <summary>Plantings of a page still to be worked out; null before that is known, or where none is.</summary>
    /// <param name="estate">The estate.</param>
    /// <param name="season">Season of the page.</param>
    public int? Left(Guid estate, int? season)
    {
        lock (_lock)
            return _slots.GetValueOrDefault((estate, season))?.Current.Progress.Left;
    }

    public void Dispose() => _inside.Dispose();

    private (SeasonRun Run, SeasonRun? Before) Join((Guid Estate, int? Season) key)
    {
        lock (_lock)
        {
            if (_slots.TryGetValue(key, out var slot))
                return (slot.Next ??= new(), slot.Current);
            if (_slots.Keys.Count(k => k.Estate == key.Estate) >= MostSeasons)
                throw new LineFullException();
            _slots[key] = slot = new();
            _ = WorkAsync(key, slot.Current);
            return (slot.Current, null);
        }
    }

    private async Task WorkAsync((Guid Estate, int? Season) key, SeasonRun run)
    {
        // Whoever asked goes on at once.
        await Task.Yield();
        // A server that is stopped answers those who wait before it ends.
        var stopped = life.ApplicationStopped;
        await _inside.WaitAsync();
        var isKept = true;
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var services = scope.ServiceProvider;
            var at = services.GetRequiredService<EstateScope>();
            (at.EstateId, at.IsQuiet) = (key.Estate, true);
            services.GetRequiredService<PlanCache>().Watch(run.Progress);
            var worked = await services.GetRequiredService<SeasonPage>().WorkAsync(key.Season, stopped);
            run.End(worked.View);
            // What nobody changed is kept already.
            if (
                worked is { View.IsPast: false, Versions.Count: > Few }
                && (run.AfterSaves > 0 || run.Progress.Found is { Result: > 0 })
            )
                isKept = await services.GetRequiredService<KeptSeason>().KeepAsync(worked, stopped);
        }
        catch (Exception e)
        {
            isKept = false;
            run.Fail(e);
            if (e is not OperationCanceledException)
                log.LogWarning(e, "A season page was not worked out");
        }
        // What was saved is to be kept, though nobody asks again.
        if (!isKept && run.AfterSaves > 0)
            Again(key.Estate, run.AfterSaves + 1);
        _inside.Release();
        lock (_lock)
            if (_slots[key].Next is { } next)
            {
                _slots[key] = new(next);
                _ = WorkAsync(key, next);
            }
            else
                _slots.Remove(key);
    }

    // Saves come in numbers: one run a while after the first tells of them all.
    private void Saved(Guid estate)
    {
        if (_saved.TryAdd(estate, true))
            _ = AheadAsync(estate, 1);
    }

    private void Again(Guid estate, int attempt)
    {
        if (attempt <= MostTries)
            _ = AheadAsync(estate, attempt);
    }

    private async Task AheadAsync(Guid estate, int attempt)
    {
        try
        {
            await Task.Delay(AfterSaves * Math.Pow(5, attempt - 1), life.ApplicationStopping);
            // Those that are tried again hold up no newer save.
            if (attempt == 1)
                _saved.TryRemove(estate, out _);
            await using var scope = scopes.CreateAsyncScope();
            scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = estate;
            if (
                await scope.ServiceProvider.GetRequiredService<SeasonStore>().CountAsync(life.ApplicationStopping) > Few
            )
                Join((estate, null)).Run.AfterSaves = attempt;
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogWarning(e, "A season page was not worked out after a save");
            Again(estate, attempt + 1);
        }
        catch (OperationCanceledException) { }
    }

    private sealed record Slot(SeasonRun Current)
    {
        public Slot()
            : this(new SeasonRun()) { }

        public SeasonRun? Next { get; set; }
    }
}
