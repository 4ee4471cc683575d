using Microsoft.EntityFrameworkCore;
using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;
using Rama.Core.Season;
using Rama.Core.Training.Rework;
using Rama.Data.Database;

namespace Rama.Data.Estate;

/// <summary>Reads and saves the estate in scope as a whole, and the season it plans for.</summary>
public sealed class EstateStore(RamaContext database, EstateScope scope)
{
    /// <summary>The estate in scope.</summary>
    public Task<EstateRecord> ReadAsync(CancellationToken cancel) =>
        database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);

    /// <summary>Saves what is told of the estate as a whole.</summary>
    /// <param name="entry">What is told.</param>
    /// <param name="version">Version it was read at.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task SaveAsync(EstateEntry entry, uint version, CancellationToken cancel)
    {
        var estate = await ReadAsync(cancel);
        var (name, hours, currency) = entry.Read();
        if (estate.Version != version)
            throw Conflicts.ChangedMeanwhile("name");
        (estate.Name, estate.CrewHoursPerWeek, estate.Currency) = (name, hours, currency);
        estate.TakeOver(entry.BodyMarks);
        await SaveAsync("name", cancel);
    }

    /// <summary>Saves the colours of the ribbons on trees in rework.</summary>
    /// <param name="ribbons">The colours.</param>
    /// <param name="version">Version of the estate they were read at.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">Someone else saved first; nothing is saved.</exception>
    public async Task SaveAsync(Ribbons ribbons, uint version, CancellationToken cancel)
    {
        var estate = await ReadAsync(cancel);
        if (estate.Version != version)
            throw Conflicts.ChangedMeanwhile("ribbons");
        estate.TakeOver(ribbons);
        await SaveAsync("ribbons", cancel);
    }

    /// <summary>Saves what is the same for all work of the crew plan.</summary>
    /// <param name="settings">What is told.</param>
    /// <param name="version">Version of the estate it was read at.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">It cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task SaveAsync(CrewSettingsEntry settings, uint version, CancellationToken cancel)
    {
        var estate = await ReadAsync(cancel);
        settings.Read();
        if (estate.Version != version)
            throw Conflicts.ChangedMeanwhile("platforms");
        estate.TakeOver(settings);
        await SaveAsync("platforms", cancel);
    }

    /// <summary>
    /// Closes the season at hand and plans for another, the next or the one before; plans of the old one stay readable.
    /// </summary>
    /// <exception cref="UnusableEntryException">The season cannot be planned for.</exception>
    public async Task BeginSeasonAsync(double? season, CancellationToken cancel)
    {
        var estate = await ReadAsync(cancel);
        var reader = new EntryReader();
        var next = reader.RequiredWhole("season", "Season", season, "", estate.Season - 1, estate.Season + 1);
        reader.ThrowIfAny();
        estate.Season = (int)next;
        await SaveAsync("season", cancel);
    }

    private async Task SaveAsync(string field, CancellationToken cancel)
    {
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw Conflicts.ChangedMeanwhile(field);
        }
    }
}
