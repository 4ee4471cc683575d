using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Passes;

/// <summary>Reads and saves what people decided and reported of passes, in the estate in scope.</summary>
public sealed class PassStore(RamaContext database, EstateStore estates, CatalogueStore catalogues)
{
    /// <summary>Choices of a season by planting.</summary>
    public async Task<ILookup<Guid, PassChoiceRecord>> ReadAsync(int season, CancellationToken cancel) =>
        (await database.PassChoices.AsNoTracking().Where(c => c.Season == season).ToListAsync(cancel)).ToLookup(c =>
            c.PlantingId
        );

    /// <summary>Passes of a planting reported done, in any season, the first day first.</summary>
    public async Task<IReadOnlyList<PassChoiceRecord>> DoneAsync(Guid planting, CancellationToken cancel) =>
        await database
            .PassChoices.AsNoTracking()
            .Where(c => c.PlantingId == planting && c.Done != null)
            .OrderBy(c => c.Done)
            .ToListAsync(cancel);

    /// <summary>Saves a manager's decision on a pass; false when there is no such planting.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="pass">The pass.</param>
    /// <param name="version">Version the choice was read at; 0 for none.</param>
    /// <param name="entry">The decision.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public Task<bool> SaveAsync(
        Guid planting,
        string pass,
        uint version,
        PassChoiceEntry entry,
        CancellationToken cancel
    ) =>
        ChangeAsync(
            planting,
            pass,
            version,
            (known, season, passes) => entry.Read(pass, season, known.Done, passes),
            cancel
        );

    /// <summary>Saves what was reported of a pass; false when there is no such planting.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="pass">The pass.</param>
    /// <param name="version">Version the choice was read at; 0 for none.</param>
    /// <param name="entry">The report.</param>
    /// <param name="today">The day taken as today.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public Task<bool> ReportAsync(
        Guid planting,
        string pass,
        uint version,
        PassReportEntry entry,
        DateOnly today,
        CancellationToken cancel
    ) =>
        ChangeAsync(
            planting,
            pass,
            version,
            (known, season, passes) => entry.Read(known, season, today, passes),
            cancel
        );

    private async Task<bool> ChangeAsync(
        Guid planting,
        string pass,
        uint version,
        Func<PassChoice, int, IReadOnlyList<PassDefinition>, PassChoice> read,
        CancellationToken cancel
    )
    {
        var estate = await estates.ReadAsync(cancel);
        if (
            await database.Plantings.Where(p => p.Id == planting).Select(p => p.System).SingleOrDefaultAsync(cancel)
            is not { } system
        )
            return false;
        var passes = (await catalogues.ReadAsync(cancel)).Catalogue.PassesOf(system);
        var record = await database.PassChoices.SingleOrDefaultAsync(
            c => c.PlantingId == planting && c.Season == estate.Season && c.Pass == pass,
            cancel
        );
        var choice = read(record?.ToChoice() ?? new(pass), estate.Season, passes);
        if ((record?.Version ?? 0) != version)
            throw Conflicts.ChangedMeanwhile("pass");
        if (choice == new PassChoice(pass))
        {
            if (record is not null)
                database.Remove(record);
        }
        else
        {
            if (record is null)
                database.Add(
                    record = new()
                    {
                        EstateId = estate.Id,
                        PlantingId = planting,
                        Season = estate.Season,
                        Pass = pass,
                    }
                );
            record.TakeOver(choice);
        }
        await database.SaveOrRefuseAsync("pass", cancel);
        return true;
    }
}
