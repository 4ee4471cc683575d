using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Rama.Data.Database;

/// <summary>Says of which estate something was saved, once it stands in the database.</summary>
public sealed class SaveSignal
{
    /// <summary>Something of this estate was saved.</summary>
    public event Action<Guid>? Saved;

    internal void Raise(EstateScope scope)
    {
        if (scope is { EstateId: var estate, IsQuiet: false } && estate != Guid.Empty)
            Saved?.Invoke(estate);
    }
}

/// <summary>
/// Tells of saves of a unit of work: those of their own, and those in a transaction when it ends well.
/// </summary>
internal sealed class SignalledSave(EstateScope scope, SaveSignal signal) : SaveChangesInterceptor
{
    public override ValueTask<int> SavedChangesAsync(
        SaveChangesCompletedEventData eventData,
        int result,
        CancellationToken cancellationToken = default
    )
    {
        if (result > 0 && eventData.Context?.Database.CurrentTransaction is null)
            signal.Raise(scope);
        return new(result);
    }
}

/// <inheritdoc cref="SignalledSave" />
internal sealed class SignalledTransaction(EstateScope scope, SaveSignal signal) : DbTransactionInterceptor
{
    public override Task TransactionCommittedAsync(
        DbTransaction transaction,
        TransactionEndEventData eventData,
        CancellationToken cancellationToken = default
    )
    {
        signal.Raise(scope);
        return Task.CompletedTask;
    }
}
