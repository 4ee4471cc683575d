namespace Rama.Data.Field;

/// <summary>More devices send to one planting than can be served; nothing was taken, and they send again.</summary>
public sealed class FieldBusyException() : Exception("Too many send at this moment.");

/// <summary>
/// One after the other for each planting, before a connection is taken: many phones that have signal again at the same
/// moment would otherwise each read what the others are about to change.
/// </summary>
public sealed class FieldTurns
{
    // Two plantings that share a turn wait for one another a moment, which costs less than a lock for each for ever.
    private readonly SemaphoreSlim[] _turns = [.. Enumerable.Range(0, 64).Select(_ => new SemaphoreSlim(1))];

    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);

    /// <summary>Does the work when the planting's turn comes.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="work">The work.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <exception cref="FieldBusyException">The turn does not come in time.</exception>
    public async Task<T> InTurnAsync<T>(Guid planting, Func<Task<T>> work, CancellationToken cancel)
    {
        var turn = _turns[(uint)planting.GetHashCode() % _turns.Length];
        if (!await turn.WaitAsync(Patience, cancel))
            throw new FieldBusyException();
        try
        {
            return await work();
        }
        finally
        {
            turn.Release();
        }
    }
}
