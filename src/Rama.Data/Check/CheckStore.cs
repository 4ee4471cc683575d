using Microsoft.EntityFrameworkCore;
using Rama.Core.Check;
using Rama.Core.Prescribe.Issue;
using Rama.Data.Database;
using Rama.Data.Field;

namespace Rama.Data.Check;

/// <summary>Checks of finished trees, and what was handed out that they are held against.</summary>
public sealed class CheckStore(RamaContext database, FieldInbox inbox, FieldHandlers handlers)
{
    /// <summary>What tells whether the checks and cards of plantings are still the same, by planting.</summary>
    /// <param name="season">The season.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<Guid, CheckStamp>> StampsAsync(int season, CancellationToken cancel)
    {
        var checks = await inbox.StampsAsync(FieldKind.Check, season, cancel);
        var cards = await database
            .IssuedPrescriptions.Where(p => p.Season == season)
            .GroupBy(p => p.PlantingId)
            .Select(g => new { Planting = g.Key, Cards = g.Count() })
            .ToDictionaryAsync(g => g.Planting, g => g.Cards, cancel);
        return checks.ToDictionary(c => c.Key, c => new CheckStamp(c.Value, cards.GetValueOrDefault(c.Key)));
    }

    /// <summary>The checks in force of some plantings in a season, by day, each in the order they were made.</summary>
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
        var entries = await database
            .FieldEntries.AsNoTracking()
            .Where(e =>
                e.Season == season
                && e.Kind == FieldKind.Check
                && (e.State == FieldState.InForce || e.State == FieldState.Superseded)
                && plantings.Contains(e.PlantingId)
            )
            .OrderBy(e => e.At)
            .ThenBy(e => e.Sequence)
            .ThenBy(e => e.Id)
            .ToListAsync(cancel);
        var byId = entries.ToDictionary(e => e.Id);
        // What was put right later was seen when it was first told: it is judged by the card of that time.
        DateTimeOffset FirstAt(FieldEntryRecord entry)
        {
            HashSet<Guid> passed = [];
            while (entry.Supersedes is { } id && passed.Add(id) && byId.TryGetValue(id, out var before))
                entry = before;
            return entry.At;
        }
        return entries
            .Where(e => e.State == FieldState.InForce)
            .Select(e => (e.PlantingId, Check: new KeptCheck(e.Id, FirstAt(e), e.Person, handler.BodyOf(e))))
            .OrderBy(c => c.Check.Entry.Day)
            .ThenBy(c => c.Check.At)
            .ToLookup(c => c.PlantingId, c => c.Check);
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
/// <param name="Checks">Its checks.</param>
/// <param name="Cards">Versions handed out.</param>
public sealed record CheckStamp(FieldStamp Checks, int Cards);

/// <summary>A check as it is kept.</summary>
/// <param name="Id">The entry, to be corrected or taken back through the field inbox.</param>
/// <param name="At">When it was first told, whatever was put right since.</param>
/// <param name="Person">Who made it.</param>
/// <param name="Entry">What was told.</param>
public sealed record KeptCheck(Guid Id, DateTimeOffset At, string? Person, TreeCheckEntry Entry);
