using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Issue;
using Rama.Data.Crew;
using Rama.Data.Database;
using Rama.Data.Exchange;

namespace Rama.Data.Prescribe;

/// <summary>
/// Decisions, choices of cutting, cards handed out and practice: goes out with an estate as JSON, and comes back in.
/// </summary>
internal sealed class PrescribeArchive(RamaContext database, EstateScope scope)
{
    private const string FileName = "cutting.json";

    private sealed record PlanPart(
        string Planting,
        int Season,
        DecisionKind? Held,
        string? HeldReason,
        CuttingEntry? Cutting,
        NotedDaysEntry? Days = null
    );

    private sealed record PrescriptionPart(
        string Planting,
        int Season,
        int Number,
        Guid Id,
        DateTimeOffset At,
        string? Person,
        IssuedPrescription? Content
    );

    // Basis: what archives told versions apart by before prescriptions were kept as data.
    private sealed record CardPart(
        string Planting,
        int Season,
        Guid Id,
        int Number,
        string? Basis,
        string Language,
        DateTimeOffset At,
        string? Person,
        PruningCard Card
    );

    private sealed record PracticePart(
        string Planting,
        int Season,
        Guid Id,
        string Pruner,
        DateTimeOffset At,
        string Tree,
        int Score,
        int BudsLeft,
        double Target,
        double Minutes,
        IReadOnlyList<Notice> Remarks
    );

    private sealed record ExercisePart(
        string Planting,
        int Season,
        Guid Id,
        string Class,
        IReadOnlyList<int> Numbers,
        string? Note,
        DateTimeOffset At,
        string? Person
    );

    private sealed record Parts(
        IReadOnlyList<PlanPart> Plans,
        IReadOnlyList<PrescriptionPart>? Prescriptions,
        IReadOnlyList<CardPart>? Cards,
        IReadOnlyList<PracticePart>? Practice,
        IReadOnlyList<ExercisePart>? Exercises = null
    );

    /// <summary>Writes it into a zip.</summary>
    public async Task WriteAsync(ZipArchive zip, CancellationToken cancel)
    {
        var codes = await database.Plantings.ToDictionaryAsync(p => p.Id, p => p.Code, cancel);
        var plans = await database
            .SeasonPlans.AsNoTracking()
            .Where(p => p.CuttingDetails != null || p.HeldDecision != null || p.NotedDays != null)
            .ToListAsync(cancel);
        var prescriptions = await database
            .IssuedPrescriptions.AsNoTracking()
            .OrderBy(p => p.At)
            .ThenBy(p => p.Id)
            .ToListAsync(cancel);
        var cards = await database
            .CardIssues.AsNoTracking()
            .Include(c => c.Prescription)
            .OrderBy(c => c.At)
            .ThenBy(c => c.Id)
            .ToListAsync(cancel);
        var runs = await database
            .PracticeRuns.AsNoTracking()
            .Include(r => r.Worker)
            .OrderBy(r => r.At)
            .ThenBy(r => r.Id)
            .ToListAsync(cancel);
        var exercises = await database
            .Exercises.AsNoTracking()
            .OrderBy(e => e.At)
            .ThenBy(e => e.Id)
            .ToListAsync(cancel);
        Parts parts = new(
            [
                .. plans
                    .Select(p => new PlanPart(
                        codes[p.PlantingId],
                        p.Season,
                        p.HeldDecision,
                        p.HeldReason,
                        p.CuttingDetails is null ? null : p.ToCutting(),
                        p.NotedDays is null ? null : p.ToDays()
                    ))
                    .OrderBy(p => p.Planting, StringComparer.Ordinal)
                    .ThenBy(p => p.Season),
            ],
            [
                .. prescriptions.Select(p => new PrescriptionPart(
                    codes[p.PlantingId],
                    p.Season,
                    p.Number,
                    p.Id,
                    p.At,
                    p.Person,
                    p.Content is { } content ? StoredJson.Read<IssuedPrescription>(content) : null
                )),
            ],
            [
                .. cards
                    .Select(c => (Card: c, Of: c.Prescription!))
                    .Select(c => new CardPart(
                        codes[c.Of.PlantingId],
                        c.Of.Season,
                        c.Card.Id,
                        c.Of.Number,
                        null,
                        c.Card.Language,
                        c.Card.At,
                        c.Card.Person,
                        StoredJson.Read<PruningCard>(c.Card.Card)
                    )),
            ],
            [
                .. runs.Select(r => new PracticePart(
                    codes[r.PlantingId],
                    r.Season,
                    r.Id,
                    r.Worker!.Name,
                    r.At,
                    r.Tree,
                    r.Score,
                    r.BudsLeft,
                    r.Target,
                    r.Minutes,
                    StoredJson.Read<IReadOnlyList<Notice>>(r.Remarks)
                )),
            ],
            [
                .. exercises.Select(e => new ExercisePart(
                    codes[e.PlantingId],
                    e.Season,
                    e.Id,
                    e.Class,
                    e.Numbers,
                    e.Note,
                    e.At,
                    e.Person
                )),
            ]
        );
        await using var entry = zip.CreateEntry(FileName).Open();
        await JsonSerializer.SerializeAsync(entry, parts, StoredJson.SparseFile, cancel);
    }

    /// <summary>Reads it back in, after the plantings and their counts.</summary>
    /// <exception cref="UnreadableFileException">It cannot be read.</exception>
    public async Task ReadAsync(ArchiveFiles files, CancellationToken cancel)
    {
        if (files.Read(FileName) is not { } content)
            return;
        try
        {
            var parts = JsonSerializer.Deserialize<Parts>(content, StoredJson.SparseFile)!;
            var ids = await database.Plantings.ToDictionaryAsync(p => p.Code, p => p.Id, cancel);
            var plans = (await database.ReadPlansAsync(cancel)).ToDictionary(p => (p.PlantingId, p.Season));
            foreach (var part in parts.Plans)
            {
                if (!plans.TryGetValue((ids[part.Planting], part.Season), out var plan))
                    database.Add(
                        plan = new()
                        {
                            EstateId = scope.EstateId,
                            PlantingId = ids[part.Planting],
                            Season = part.Season,
                        }
                    );
                var settings = plan.ToSettings() with { Held = part.Held, HeldReason = part.HeldReason };
                settings.ReadSettings();
                plan.TakeOver(settings);
                if (part.Cutting is { } cutting)
                    plan.TakeOver(cutting);
                if (part.Days is { } days)
                {
                    days.Read();
                    plan.TakeOver(days);
                }
            }
            AddCards(parts, ids);
            var workerOf = await new CrewArchive(database, scope).FinderAsync(cancel);
            foreach (var r in parts.Practice ?? [])
                database.Add(
                    new PracticeRunRecord
                    {
                        EstateId = scope.EstateId,
                        Id = r.Id,
                        PlantingId = ids[r.Planting],
                        Season = r.Season,
                        WorkerId = workerOf(r.Pruner),
                        At = r.At,
                        Tree = r.Tree,
                        Score = r.Score,
                        BudsLeft = r.BudsLeft,
                        Target = r.Target,
                        Minutes = r.Minutes,
                        Remarks = StoredJson.Write(r.Remarks),
                    }
                );
            foreach (var e in parts.Exercises ?? [])
                database.Add(
                    new ExerciseRecord
                    {
                        EstateId = scope.EstateId,
                        Id = e.Id,
                        PlantingId = ids[e.Planting],
                        Season = e.Season,
                        Class = e.Class,
                        Numbers = [.. e.Numbers],
                        Note = e.Note,
                        At = e.At,
                        Person = e.Person,
                    }
                );
            await database.SaveChangesAsync(cancel);
            database.ChangeTracker.Clear();
        }
        catch (Exception e)
            when (e
                    is JsonException
                        or KeyNotFoundException
                        or ArgumentException
                        or DbUpdateException
                        or UnusableEntryException
            )
        {
            throw new UnreadableFileException("broken", $"{FileName} cannot be read: {e.Message}", e);
        }
    }

    private void AddCards(Parts parts, Dictionary<string, Guid> ids)
    {
        Dictionary<(string, int, int), Guid> versions = [];
        void Add(PrescriptionPart p)
        {
            versions.Add((p.Planting, p.Season, p.Number), p.Id);
            database.Add(
                new IssuedPrescriptionRecord
                {
                    EstateId = scope.EstateId,
                    Id = p.Id,
                    PlantingId = ids[p.Planting],
                    Season = p.Season,
                    Number = p.Number,
                    At = p.At,
                    Person = p.Person,
                    Content = p.Content is null ? null : StoredJson.Write(p.Content),
                }
            );
        }
        foreach (var prescription in parts.Prescriptions ?? [])
            Add(prescription);
        foreach (var c in parts.Cards ?? [])
        {
            // An archive from before prescriptions were kept has only their numbers, on the cards.
            if (!versions.ContainsKey((c.Planting, c.Season, c.Number)))
                Add(new(c.Planting, c.Season, c.Number, Guid.CreateVersion7(), c.At, c.Person, null));
            database.Add(
                new CardIssueRecord
                {
                    EstateId = scope.EstateId,
                    Id = c.Id,
                    PrescriptionId = versions[(c.Planting, c.Season, c.Number)],
                    Language = c.Language,
                    At = c.At,
                    Person = c.Person,
                    Card = StoredJson.Write(c.Card),
                }
            );
        }
    }
}
