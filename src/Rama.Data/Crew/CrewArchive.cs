using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Crew;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Exchange;

namespace Rama.Data.Crew;

/// <summary>Who works in the rows: goes out with an estate as JSON, and comes back in.</summary>
internal sealed class CrewArchive(RamaContext database, EstateScope scope)
{
    private const string FileName = "crew.json";

    /// <summary>Writes it into a zip.</summary>
    public async Task WriteAsync(ZipArchive zip, CancellationToken cancel)
    {
        var workers = await database.Workers.AsNoTracking().ToListAsync(cancel);
        await using var entry = zip.CreateEntry(FileName).Open();
        await JsonSerializer.SerializeAsync(
            entry,
            workers.Select(w => w.ToWorker()).OrderBy(w => w.Name, StringComparer.Ordinal),
            StoredJson.SparseFile,
            cancel
        );
    }

    /// <summary>Reads it back in, before what they did.</summary>
    /// <exception cref="UnreadableFileException">It cannot be read.</exception>
    public async Task ReadAsync(ArchiveFiles files, CancellationToken cancel)
    {
        if (files.Read(FileName) is not { } content)
            return;
        try
        {
            var entries = JsonSerializer.Deserialize<List<WorkerEntry>>(content, StoredJson.SparseFile)!;
            if (entries.Count > WorkerStore.Most)
                throw new UnreadableFileException("size", $"{FileName} names more than {WorkerStore.Most} people.");
            foreach (var entry in entries)
                Add(entry.Read());
            await database.SaveChangesAsync(cancel);
        }
        catch (Exception e) when (e is JsonException or DbUpdateException or UnusableEntryException)
        {
            throw new UnreadableFileException("broken", $"{FileName} cannot be read: {e.Message}", e);
        }
    }

    /// <summary>Finds people by name; one an archive from before there was a list of them names is added.</summary>
    public async Task<Func<string, Guid>> FinderAsync(CancellationToken cancel)
    {
        var ids = await database.Workers.ToDictionaryAsync(w => w.Name, w => w.Id, Worker.Names, cancel);
        return name =>
        {
            var worker = new WorkerEntry { Name = name, Language = LocalText.Languages[0] }.Read();
            if (!ids.TryGetValue(worker.Name, out var id))
                ids.Add(worker.Name, id = Add(worker));
            return id;
        };
    }

    private Guid Add(Worker worker)
    {
        WorkerRecord record = new() { EstateId = scope.EstateId, Id = Guid.CreateVersion7() };
        record.TakeOver(worker);
        database.Add(record);
        return record.Id;
    }
}
