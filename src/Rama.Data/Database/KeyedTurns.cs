namespace Rama.Data.Database;

/// <summary>One after the other for each key, before a connection is taken.</summary>
public sealed class KeyedTurns : IDisposable
{
    // Two keys that share a turn wait for one another a moment, which costs less than a lock for each for ever.
    private readonly SemaphoreSlim[] _turns = [.. Enumerable.Range(0, 64).Select(_ => new SemaphoreSlim(1))];

    /// <summary>Waits for a turn, which ends when it is disposed of; null where it does not come in time.</summary>
    /// <param name="key">What takes turns.</param>
    /// <param name="patience">How long it waits; <see cref="Timeout.InfiniteTimeSpan"/> for as long as it takes.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<IDisposable?> EnterAsync(Guid key, TimeSpan patience, CancellationToken cancel)
    {
        var turn = _turns[(uint)key.GetHashCode() % _turns.Length];
        return await turn.WaitAsync(patience, cancel) ? new Turn(turn) : null;
    }

    /// <inheritdoc />
    public void Dispose()
    {
        foreach (var turn in _turns)
            turn.Dispose();
    }

    private sealed class Turn(SemaphoreSlim turn) : IDisposable
    {
        public void Dispose() => turn.Release();
    }
}
