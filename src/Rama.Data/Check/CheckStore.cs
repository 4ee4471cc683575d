using Microsoft.EntityFrameworkCore;
using Rama.Core.Check;
using Rama.Core.Prescribe.Issue;
using Rama.Data.Database;
using Rama.Data.Field;

namespace Rama.Data.Check;

/// <summary>Checks of finished trees, and what was handed out that they are held against.</summary>
public sealed class CheckStore(RamaContext database, FieldHandlers handlers)
{
    /// <summary>What tells whether the checks and cards of plantings are still the same, by planting.</summary>
    /// <param name="season">The season.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<Guid, CheckStamp>> StampsAsync(int season, CancellationToken cancel)
    {
        var checks = await database
            .FieldEntries.Where(e => e.Season == season && e.Kind == FieldKind.Check)
            .GroupBy(e => e.PlantingId)
            .Select(g => new
            {
                Planting = g.Key,
                InForce = g.Count(e => e.State == FieldState.InForce),
                Last = g.Max(e => e.ReceivedAt),
            })
            .ToListAsync(cancel);
        var cards = await database
            .IssuedPrescriptions.Where(p => p.Season == season)
            .GroupBy(p => p.PlantingId)
            .Select(g => new { Planting = g.Key, Cards = g.Count() })
            .ToDictionaryAsync(g => g.Planting, g => g.Cards, cancel);
        return checks.ToDictionary(
            c => c.Planting,
            c => new CheckStamp(c.InForce, c.Last, cards.GetValueOrDefault(c.Planting))
        );
    }

    /// <summary>The checks in force of some plantings in a season, each in the order they were made.</summary>
    /// <param name="season">The season.</param>
    /// <param name="plantings">The plantings.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<ILookup<Guid, KeptCheck>> ChecksAsync(
        int season,
        IReadOnlyCollection<Guid> plantings,
        CancellationToken cancel
    )
    {
        var handler = handlers.Of<CheckFromField>();
        return (
            await database
                .FieldEntries.AsNoTracking()
                .Where(e =>
                    e.Season == season
                    && e.Kind == FieldKind.Check
                    && e.State == FieldState.InForce
                    && plantings.Contains(e.PlantingId)
                )
                .OrderBy(e => e.At)
                .ThenBy(e => e.Sequence)
                .ThenBy(e => e.Id)
                .ToListAsync(cancel)
        ).ToLookup(e => e.PlantingId, e => new KeptCheck(e.Id, e.At, e.Person, handler.BodyOf(e)));
    }

    /// <summary>What was handed out for some plantings in a season as data, the earliest first.</summary>
    /// <param name="season">The season.</param>
    /// <param name="plantings">The plantings.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<ILookup<Guid, (DateTimeOffset At, IssuedPrescription Card)>> CardsAsync(
        int season,
        IReadOnlyCollection<Guid> plantings,
        CancellationToken cancel
    ) =>
        (
            await database
                .IssuedPrescriptions.AsNoTracking()
                .Where(p => p.Season == season && p.Content != null && plantings.Contains(p.PlantingId))
                .OrderBy(p => p.At)
                .ThenBy(p => p.Number)
                .ToListAsync(cancel)
        ).ToLookup(p => p.PlantingId, p => (p.At, StoredJson.Read<IssuedPrescription>(p.Content!)));
}

/// <summary>What tells whether the checks of a planting are still the same.</summary>
/// <param name="InForce">Checks in force.</param>
/// <param name="Last">When the last one came.</param>
/// <param name="Cards">Versions handed out.</param>
public sealed record CheckStamp(int InForce, DateTimeOffset Last, int Cards);

/// <summary>A check as it is kept.</summary>
/// <param name="Id">The entry, to be corrected or taken back through the field inbox.</param>
/// <param name="At">When it was made.</param>
/// <param name="Person">Who made it.</param>
/// <param name="Entry">What was told.</param>
public sealed record KeptCheck(Guid Id, DateTimeOffset At, string? Person, TreeCheckEntry Entry);
