namespace Rama.Web.Season;

/// <summary>
/// Many plans of an estate are worked out by one at a time: who waits finds what the one before worked out.
/// </summary>
internal sealed class PlanTurns : IDisposable
{
    // Two estates that share a turn wait for one another a while, which costs less than a lock for each for ever.
    private readonly SemaphoreSlim[] _turns = [.. Enumerable.Range(0, 64).Select(_ => new SemaphoreSlim(1))];

    /// <summary>Waits for the turn of an estate; it ends when the answer is disposed of.</summary>
    public async Task<IDisposable> EnterAsync(Guid estate, CancellationToken cancel)
    {
        var turn = _turns[(uint)estate.GetHashCode() % _turns.Length];
        await turn.WaitAsync(cancel);
        return new Turn(turn);
    }

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
