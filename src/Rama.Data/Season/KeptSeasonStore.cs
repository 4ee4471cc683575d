using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;

namespace Rama.Data.Season;

/// <summary>A line of the season page, as JSON, with the versions it rests on.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="PlantingVersion">Its version.</param>
/// <param name="PlanVersion">Version of its plan; 0 without one.</param>
/// <param name="Told">The line.</param>
public sealed record KeptLine(Guid Planting, uint PlantingVersion, uint PlanVersion, string Told);

/// <summary>Keeps season pages as they were last worked out, for all copies of the application.</summary>
public sealed class KeptSeasonStore(RamaContext database, EstateScope scope)
{
    /// <summary>The page of a season without its lines, and these in the order of the work; null where none is
    /// kept.</summary>
    public async Task<(string Told, IReadOnlyList<KeptLine> Lines)?> ReadAsync(int season, CancellationToken cancel)
    {
        var page = await database
            .KeptSeasons.AsNoTracking()
            .Where(s => s.Season == season)
            .Select(s => s.Told)
            .SingleOrDefaultAsync(cancel);
        if (page is null)
            return null;
        var lines = await database
            .KeptLines.AsNoTracking()
            .Where(l => l.Season == season)
            .OrderBy(l => l.Turn)
            .Select(l => new KeptLine(l.PlantingId, (uint)l.PlantingVersion, (uint)l.PlanVersion, l.Told))
            .ToListAsync(cancel);
        return (page, lines);
    }

    /// <summary>
    /// Keeps a page; false where it could not be, as while another copy of the application keeps it.
    /// </summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="told">The page without its lines.</param>
    /// <param name="lines">Its lines in the order of the work.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<bool> KeepAsync(int season, string told, IReadOnlyList<KeptLine> lines, CancellationToken cancel)
    {
        var page = await database.KeptSeasons.SingleOrDefaultAsync(s => s.Season == season, cancel);
        if (page is null)
            database.Add(page = new() { EstateId = scope.EstateId, Season = season });
        page.Told = told;
        var known = await database
            .KeptLines.Where(l => l.Season == season)
            .ToDictionaryAsync(l => l.PlantingId, cancel);
        for (var i = 0; i < lines.Count; i++)
        {
            var line = lines[i];
            if (!known.Remove(line.Planting, out var kept))
                database.Add(
                    kept = new()
                    {
                        EstateId = scope.EstateId,
                        PlantingId = line.Planting,
                        Season = season,
                    }
                );
            (kept.PlantingVersion, kept.PlanVersion) = (line.PlantingVersion, line.PlanVersion);
            (kept.Turn, kept.Told) = (i, line.Told);
        }
        database.RemoveRange(known.Values);
        try
        {
            await database.SaveChangesAsync(cancel);
            return true;
        }
        catch (DbUpdateException)
        {
            // Kept by another copy, or of a planting removed since.
            database.ChangeTracker.Clear();
            return false;
        }
    }
}
