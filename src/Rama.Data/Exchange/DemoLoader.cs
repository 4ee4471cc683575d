using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Exchange;

/// <summary>Loads the demo estate from its open files through the importers everybody uses.</summary>
public sealed class DemoLoader(RamaContext database, EstateScope scope, EstateArchive archive)
{
    /// <summary>Loads the folder if there is no estate yet; says whether it did.</summary>
    public async Task<bool> LoadIfEmptyAsync(string folder, CancellationToken cancel)
    {
        if (await database.Estates.AnyAsync(cancel))
            return false;

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
        return true;
    }
}
