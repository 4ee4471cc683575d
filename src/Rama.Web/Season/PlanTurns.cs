using Rama.Data.Database;

namespace Rama.Web.Season;

/// <summary>
/// Many plans of an estate are worked out by one at a time: who waits finds what the one before worked out.
/// </summary>
internal sealed class PlanTurns : IDisposable
{
    private readonly KeyedTurns _turns = new();

    /// <summary>Waits for the turn of an estate; it ends when the answer is disposed of.</summary>
    public async Task<IDisposable> EnterAsync(Guid estate, CancellationToken cancel) =>
        (await _turns.EnterAsync(estate, Timeout.InfiniteTimeSpan, cancel))!;

    public void Dispose() => _turns.Dispose();
}
