using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Quantities;
using Rama.Data.Prescribe;

namespace Rama.Data;

/// <summary>Cards handed out and trees cut for practice.</summary>
public sealed class PrescribeStore(RamaContext database, EstateScope scope, TimeProvider clock)
{
    /// <summary>Most practice trees kept of a planting.</summary>
    public const int MostRuns = 2_000;

    /// <summary>How cards and remarks are kept.</summary>
    internal static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
    };

    // The English metric card is what tells versions apart, so that a card for other readers is the same version.
    private static readonly CardReader Told = new("en", UnitSystem.Metric);

    /// <summary>What a prescription says, as a short text: two that say the same are one version. Its drawing and a crew's own measures say nothing more.</summary>
    public static string? BasisOf(IReadOnlyDictionary<CardReader, PruningCard> cards)
    {
        if (!cards.TryGetValue(Told, out var card)) return null;
        var says = card with { Version = null, Drawing = null, Measures = [.. card.Measures!.Select(m => m with { Body = "" })] };
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(JsonSerializer.Serialize(says, Json))))[..32];
    }

    /// <summary>Cards handed out for a planting and season, the latest first, without what is printed on them.</summary>
    public async Task<IReadOnlyList<IssuedCard>> CardsAsync(StoredPlanting stored, CancellationToken cancel)
    {
        var basis = BasisOf(stored.ToCards(BodyMarks.None, Told));
        return await database.CardIssues.AsNoTracking().Where(c => c.PlantingId == stored.Planting.Id && c.Season == stored.Plan.Season).OrderByDescending(c => c.At)
            .Select(c => new IssuedCard(c.Id, c.Number, c.Language, c.At, c.Person, c.Basis != basis)).ToListAsync(cancel);
    }

    /// <summary>Hands a card out. The number is that of the last version where the prescription still says the same, else the next.</summary>
    /// <param name="stored">The planting with its plan.</param>
    /// <param name="version">Version of the plan the card was looked at with.</param>
    /// <param name="reader">Language and units of the card.</param>
    /// <param name="marks">The crew's own measures.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="EditConflictException">The plan changed since; nothing is handed out.</exception>
    /// <returns>The card; null before there is a prescription.</returns>
    public async Task<IssuedCard?> IssueAsync(StoredPlanting stored, uint version, CardReader reader, BodyMarks marks,
        CancellationToken cancel)
    {
        if (stored.Plan.Version != version) throw new EditConflictException(stored);
        var cards = stored.ToCards(marks, Told, reader);
        if (BasisOf(cards) is not { } says) return null;
        var last = await database.CardIssues.AsNoTracking().Where(c => c.PlantingId == stored.Planting.Id && c.Season == stored.Plan.Season)
            .OrderByDescending(c => c.Number).Select(c => new { c.Number, c.Basis }).FirstOrDefaultAsync(cancel);
        var number = last is null ? 1 : last.Basis == says ? last.Number : last.Number + 1;
        var issue = new CardIssueRecord
        {
            EstateId = scope.EstateId, Id = Guid.CreateVersion7(), PlantingId = stored.Planting.Id,
            Season = stored.Plan.Season, Number = number, Basis = says, Language = reader.Language,
            At = clock.GetUtcNow(), Person = scope.Author?.Name,
            Card = JsonSerializer.Serialize(cards[reader] with { Version = number }, Json),
        };
        database.Add(issue);
        await database.SaveChangesAsync(cancel);
        return new(issue.Id, issue.Number, issue.Language, issue.At, issue.Person, false);
    }

    /// <summary>A card as it was handed out; null when there is none of that id.</summary>
    public async Task<PruningCard?> CardAsync(Guid planting, Guid id, CancellationToken cancel) =>
        await database.CardIssues.AsNoTracking().SingleOrDefaultAsync(c => c.PlantingId == planting && c.Id == id, cancel) is { } issue
            ? JsonSerializer.Deserialize<PruningCard>(issue.Card, Json) : null;

    /// <summary>Practice trees of a planting, the latest first.</summary>
    public async Task<IReadOnlyList<PracticeRunRecord>> RunsAsync(Guid planting, CancellationToken cancel) =>
        await database.PracticeRuns.AsNoTracking().Where(r => r.PlantingId == planting).OrderByDescending(r => r.At).Take(200).ToListAsync(cancel);

    /// <summary>What the practice trees of the season at hand show of each pruner, over all plantings.</summary>
    public async Task<IReadOnlyList<PrunerPractice>> PrunersAsync(int season, CancellationToken cancel)
    {
        var runs = await database.PracticeRuns.AsNoTracking().Where(r => r.Season == season).OrderByDescending(r => r.At)
            .Select(r => new { r.Pruner, r.Score, r.Remarks }).Take(MostRuns).ToListAsync(cancel);
        return PrunerPractice.Of(runs.Select(r => (r.Pruner, r.Score, JsonSerializer.Deserialize<IReadOnlyList<Notice>>(r.Remarks, Json)!)));
    }

    /// <summary>Keeps a practice tree; one sent twice is one. False when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">It cannot be kept.</exception>
    public async Task<bool> KeepRunAsync(Guid planting, int season, Guid id, string? pruner, string tree, TreeBench bench, PracticeScore score, int budsLeft, CancellationToken cancel)
    {
        var reader = new EntryReader();
        var name = reader.Text("pruner", "Name", pruner, 60);
        reader.ThrowIfAny();
        if (!await database.Plantings.AnyAsync(p => p.Id == planting, cancel)) return false;
        if (await database.PracticeRuns.AnyAsync(r => r.Id == id, cancel)) return true;
        if (await database.PracticeRuns.CountAsync(r => r.PlantingId == planting, cancel) >= MostRuns)
            throw new UnusableEntryException([new("pruner", "range", $"Practice: {MostRuns} trees are kept of one planting.")]);
        database.Add(new PracticeRunRecord
        {
            EstateId = scope.EstateId, Id = id, PlantingId = planting, Season = season, Pruner = name, At = clock.GetUtcNow(), Tree = tree, Score = score.Score, BudsLeft = budsLeft,
            Target = bench.ToLeave, Minutes = score.MinutesTaken, Remarks = JsonSerializer.Serialize(score.Remarks, Json),
        });
        await database.SaveChangesAsync(cancel);
        return true;
    }
}
