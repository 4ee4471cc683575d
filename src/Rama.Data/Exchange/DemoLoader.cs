using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Exchange;

/// <summary>Loads a demo estate from its open files through the importers everybody uses.</summary>
public sealed class DemoLoader(RamaContext database, EstateScope scope, EstateArchive archive)
{
    /// <summary>Whether there is no estate yet.</summary>
    public async Task<bool> IsEmptyAsync(CancellationToken cancel) => !await database.Estates.AnyAsync(cancel);

    /// <summary>Loads a folder as an estate of its own.</summary>
    public async Task LoadAsync(string folder, CancellationToken cancel)
    {
        var files = ArchiveFiles.OfFolder(folder);
        var facts = EstateArchive.Facts(files);
        var estate = new EstateRecord
        {
            Name = facts.Name,
            Season = facts.Season,
            Today = facts.Today,
        };
        scope.EstateId = estate.Id;
        await database.InTransactionAsync(
            async () =>
            {
                database.Add(estate);
                await database.SaveChangesAsync(cancel);
                await archive.ReadAsync(files, null, cancel);
            },
            cancel
        );
    }
}
