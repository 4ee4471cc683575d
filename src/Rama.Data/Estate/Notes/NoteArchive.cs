using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Exchange;

namespace Rama.Data.Estate.Notes;

/// <summary>Notes at plantings: they go out with an estate as JSON, and come back in.</summary>
internal sealed class NoteArchive(RamaContext database, EstateScope scope)
{
    private const string FileName = "notes.json";

    private sealed record NotePart(
        string Planting,
        Guid Id,
        string Text,
        DateOnly? ComeBack,
        bool InRow,
        DateOnly? Done,
        DateTimeOffset At,
        string? Person
    );

    /// <summary>Writes them into a zip.</summary>
    public async Task WriteAsync(ZipArchive zip, CancellationToken cancel)
    {
        var notes = await database.PlantingNotes.AsNoTracking().Include(n => n.Planting).ToListAsync(cancel);
        await using var entry = zip.CreateEntry(FileName).Open();
        await JsonSerializer.SerializeAsync(
            entry,
            notes
                .Select(n => new NotePart(n.Planting!.Code, n.Id, n.Text, n.ComeBack, n.InRow, n.Done, n.At, n.Person))
                .OrderBy(n => n.Planting, StringComparer.Ordinal)
                .ThenBy(n => n.At)
                .ThenBy(n => n.Id),
            StoredJson.File,
            cancel
        );
    }

    /// <summary>Reads them back in, after the plantings.</summary>
    /// <exception cref="UnreadableFileException">They cannot be read.</exception>
    public async Task ReadAsync(ArchiveFiles files, CancellationToken cancel)
    {
        if (files.Read(FileName) is not { } content)
            return;
        try
        {
            var plantings = await database.Plantings.ToDictionaryAsync(p => p.Code, p => p.Id, cancel);
            var parts = JsonSerializer.Deserialize<List<NotePart>>(content, StoredJson.File)!;
            if (parts.GroupBy(p => p.Planting).Any(g => g.Count() > NoteStore.Most))
                throw new UnreadableFileException(
                    "size",
                    $"{FileName} holds more than {NoteStore.Most} notes of a planting."
                );
            foreach (var part in parts)
            {
                PlantingNoteRecord record = new()
                {
                    EstateId = scope.EstateId,
                    Id = part.Id,
                    PlantingId = plantings[part.Planting],
                    Done = part.Done,
                };
                record.TakeOver(
                    new PlantingNoteEntry
                    {
                        Text = part.Text,
                        ComeBack = part.ComeBack,
                        InRow = part.InRow,
                    }.Read(part.ComeBack ?? DateOnly.MinValue)
                );
                record.MadeBefore(part.At.ToUniversalTime(), part.Person);
                database.Add(record);
            }
            await database.SaveChangesAsync(cancel);
        }
        catch (Exception e)
            when (e is JsonException or KeyNotFoundException or DbUpdateException or UnusableEntryException)
        {
            throw new UnreadableFileException("broken", $"{FileName} cannot be read: {e.Message}", e);
        }
    }
}
