namespace Rama.Web.Season;

/// <summary>
/// Many plans are worked out by one at a time: who waits finds what the one before worked out, and the memory of one
/// such work is all it takes.
/// </summary>
internal sealed class PlanTurns : IDisposable
{
    private readonly SemaphoreSlim _turn = new(1);

    /// <summary>Waits for its turn; it ends when the answer is disposed of.</summary>
    public async Task<IDisposable> EnterAsync(CancellationToken cancel)
    {
        await _turn.WaitAsync(cancel);
        return new Turn(_turn);
    }

    public void Dispose() => _turn.Dispose();

    private sealed class Turn(SemaphoreSlim turn) : IDisposable
    {
        public void Dispose() => turn.Release();
    }
}
