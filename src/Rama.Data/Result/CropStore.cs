using Microsoft.EntityFrameworkCore;
using Rama.Core.Result.Counts;
using Rama.Data.Database;
using Rama.Data.Field;

namespace Rama.Data.Result;

/// <summary>What was counted on trees in the course of a season.</summary>
public sealed class CropStore(RamaContext database, FieldHandlers handlers)
{
    /// <summary>The counts in force of some plantings, each in the order they were made.</summary>
    /// <param name="season">The season.</param>
    /// <param name="plantings">The plantings.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<ILookup<Guid, KeptCropCount>> CountsAsync(
        int season,
        IReadOnlyCollection<Guid> plantings,
        CancellationToken cancel
    )
    {
        var handler = handlers.Of<CropFromField>();
        var entries = await database
            .FieldEntries.AsNoTracking()
            .Where(e =>
                e.Season == season
                && e.Kind == FieldKind.Crop
                && e.State == FieldState.InForce
                && plantings.Contains(e.PlantingId)
            )
            .OrderBy(e => e.At)
            .ThenBy(e => e.Sequence)
            .ThenBy(e => e.Id)
            .ToListAsync(cancel);
        return entries.ToLookup(e => e.PlantingId, e => new KeptCropCount(e.Id, e.At, e.Person, handler.BodyOf(e)));
    }
}

/// <summary>A count as it is kept.</summary>
/// <param name="Id">The entry, to be corrected or taken back through the field inbox.</param>
/// <param name="At">When it was made.</param>
/// <param name="Person">Who sent it.</param>
/// <param name="Entry">What was told.</param>
public sealed record KeptCropCount(Guid Id, DateTimeOffset At, string? Person, CropCountEntry Entry);
