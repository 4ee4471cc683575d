namespace Rama.Data.Database;

internal static class Transactions
{
    /// <summary>Does all of it or nothing: in a transaction of its own, or in the one at work already.</summary>
    public static async Task InTransactionAsync(this RamaContext database, Func<Task> work, CancellationToken cancel)
    {
        if (database.Database.CurrentTransaction is not null)
        {
            await work();
            return;
        }
        await using var transaction = await database.Database.BeginTransactionAsync(cancel);
        await work();
        await transaction.CommitAsync(cancel);
    }
}
