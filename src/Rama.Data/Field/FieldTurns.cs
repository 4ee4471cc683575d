using Rama.Data.Database;

namespace Rama.Data.Field;

/// <summary>More devices send to one planting than can be served; nothing was taken, and they send again.</summary>
public sealed class FieldBusyException() : Exception("Too many send at this moment.");

/// <summary>
/// One after the other for each planting, before a connection is taken: many phones that have signal again at the same
/// moment would otherwise each read what the others are about to change.
/// </summary>
public sealed class FieldTurns : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);

    private readonly KeyedTurns _turns = new();

    /// <summary>Does the work when the planting's turn comes.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="work">The work.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <exception cref="FieldBusyException">The turn does not come in time.</exception>
    public async Task<T> InTurnAsync<T>(Guid planting, Func<Task<T>> work, CancellationToken cancel)
    {
        using var turn = await _turns.EnterAsync(planting, Patience, cancel) ?? throw new FieldBusyException();
        return await work();
    }

    /// <inheritdoc />
    public void Dispose() => _turns.Dispose();
}
