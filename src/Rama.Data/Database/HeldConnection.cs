using Microsoft.EntityFrameworkCore;

namespace Rama.Data.Database;

/// <summary>
/// A connection kept over several queries, which would else each take one from the pool and tell it its estate: half of
/// what small queries take.
/// </summary>
public static class HeldConnection
{
    /// <summary>Keeps it until what is given back is disposed of. The scope has its estate already.</summary>
    public static async Task<IAsyncDisposable> HoldAsync(this RamaContext database, CancellationToken cancel)
    {
        await database.Database.OpenConnectionAsync(cancel);
        return new Held(database);
    }

    private sealed class Held(RamaContext database) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync() => await database.Database.CloseConnectionAsync();
    }
}
