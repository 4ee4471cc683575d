using Microsoft.EntityFrameworkCore;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Issue;
using Rama.Data.Database;
using Rama.Data.Plan;

namespace Rama.Data.Prescribe;

/// <summary>Cards handed out.</summary>
public sealed class PrescribeStore(RamaContext database, EstateScope scope, TimeProvider clock)
{
    // Two who hand out at once meet at the number; the second then hangs on what the first handed out.
    private const int MostTries = 3;

    /// <summary>
    /// Cards handed out for a planting and season, the latest first, without what is printed on them.
    /// </summary>
    public async Task<IReadOnlyList<IssuedCard>> CardsAsync(StoredPlanting stored, CancellationToken cancel)
    {
        var versions = await database
            .IssuedPrescriptions.AsNoTracking()
            .Where(p => p.PlantingId == stored.Planting.Id && p.Season == stored.Plan.Season)
            .ToDictionaryAsync(p => p.Id, cancel);
        if (versions.Count == 0)
            return [];
        // Without what is printed on them: a drawing is a hundred kilobytes.
        var cards = await database
            .CardIssues.AsNoTracking()
            .Where(c => c.Prescription!.PlantingId == stored.Planting.Id && c.Prescription.Season == stored.Plan.Season)
            .OrderByDescending(c => c.At)
            .Select(c => new
            {
                c.Id,
                c.PrescriptionId,
                c.Language,
                c.At,
                c.Person,
            })
            .ToListAsync(cancel);
        var now = stored.ToPrune() is { } toPrune ? IssuedPrescription.Of(toPrune) : null;
        var current = versions
            .Values.Where(v => now?.AsksTheSame(Kept(v.Content)) == true)
            .Select(v => v.Id)
            .ToHashSet();
        return
        [
            .. cards.Select(c => new IssuedCard(
                c.Id,
                versions[c.PrescriptionId].Number,
                c.Language,
                c.At,
                c.Person,
                !current.Contains(c.PrescriptionId)
            )),
        ];
    }

    /// <summary>
    /// Hands a card out, in each language it is asked for. They hang on the last version of the prescription where that
    /// still asks the same, else on a new one.
    /// </summary>
    /// <param name="stored">The planting with its plan.</param>
    /// <param name="version">Version of the plan the card was looked at with.</param>
    /// <param name="readers">Who the cards are written for.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="EditConflictException">The plan changed since; nothing is handed out.</exception>
    /// <returns>The cards; none before there is a prescription.</returns>
    public async Task<IReadOnlyList<HandedOut>> IssueAsync(
        StoredPlanting stored,
        uint version,
        IReadOnlyList<CardReader> readers,
        CancellationToken cancel
    )
    {
        if (stored.Plan.Version != version)
            throw new EditConflictException(stored);
        if (stored.ToPrune() is not { } toPrune)
            return [];
        var (asks, cards) = (IssuedPrescription.Of(toPrune), readers.Select(r => PruningCard.Of(toPrune, r)).ToList());
        for (var attempt = 1; ; attempt++)
        {
            var prescription = await VersionOfAsync(stored, asks, cancel);
            var handedOut = cards.ConvertAll(card => Handed(card with { Version = prescription.Number }, prescription));
            try
            {
                await database.SaveChangesAsync(cancel);
                // Of many handed out one after the other none needs those before.
                database.ChangeTracker.Clear();
                return handedOut;
            }
            catch (DbUpdateException e) when (attempt < MostTries && e.IsTakenKey())
            {
                database.ChangeTracker.Clear();
            }
        }
    }

    private HandedOut Handed(PruningCard card, IssuedPrescriptionRecord prescription)
    {
        var issue = new CardIssueRecord
        {
            EstateId = scope.EstateId,
            Id = Guid.CreateVersion7(),
            PrescriptionId = prescription.Id,
            Language = card.Language,
            At = clock.GetUtcNow(),
            Person = scope.Author?.Name,
            Card = StoredJson.Write(card),
        };
        database.Add(issue);
        return new(new(issue.Id, prescription.Number, issue.Language, issue.At, issue.Person, false), card);
    }

    private async Task<IssuedPrescriptionRecord> VersionOfAsync(
        StoredPlanting stored,
        IssuedPrescription asks,
        CancellationToken cancel
    )
    {
        var last = await database
            .IssuedPrescriptions.AsNoTracking()
            .Where(p => p.PlantingId == stored.Planting.Id && p.Season == stored.Plan.Season)
            .OrderByDescending(p => p.Number)
            .FirstOrDefaultAsync(cancel);
        if (last is not null && asks.AsksTheSame(Kept(last.Content)))
            return last;
        var next = new IssuedPrescriptionRecord
        {
            EstateId = scope.EstateId,
            Id = Guid.CreateVersion7(),
            PlantingId = stored.Planting.Id,
            Season = stored.Plan.Season,
            Number = (last?.Number ?? 0) + 1,
            Content = StoredJson.Write(asks),
            At = clock.GetUtcNow(),
            Person = scope.Author?.Name,
        };
        database.Add(next);
        return next;
    }

    private static IssuedPrescription? Kept(string? content) =>
        content is null ? null : StoredJson.Read<IssuedPrescription>(content);

    /// <summary>
    /// A version of the prescription as it was handed out; null where there is none of that number, or it was not
    /// kept as data yet.
    /// </summary>
    public async Task<IssuedPrescription?> PrescriptionAsync(
        Guid planting,
        int season,
        int number,
        CancellationToken cancel
    ) =>
        Kept(
            (
                await database
                    .IssuedPrescriptions.AsNoTracking()
                    .SingleOrDefaultAsync(
                        p => p.PlantingId == planting && p.Season == season && p.Number == number,
                        cancel
                    )
            )?.Content
        );

    /// <summary>A card as it was handed out; null when there is none of that id.</summary>
    public async Task<PruningCard?> CardAsync(Guid planting, Guid id, CancellationToken cancel) =>
        await database
            .CardIssues.AsNoTracking()
            .SingleOrDefaultAsync(c => c.Prescription!.PlantingId == planting && c.Id == id, cancel)
            is { } issue
            ? StoredJson.Read<PruningCard>(issue.Card)
            : null;
}
