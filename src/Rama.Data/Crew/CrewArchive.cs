using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Data.Database;
using Rama.Data.Exchange;

namespace Rama.Data.Crew;

/// <summary>Crews, who works in the rows, and the plan of the crews: goes out with an estate as JSON, and comes back
/// in.</summary>
internal sealed class CrewArchive(RamaContext database, EstateScope scope)
{
    private const string FileName = "crew.json",
        CrewsName = "crews.json";

    private sealed record CrewPart(Guid Id, CrewEntry Crew);

    // Known by its identifier in what was reported and checked; an archive from before that has none.
    private sealed record WorkerPart(
        Guid? Id,
        string? Name,
        string? Language,
        bool Left,
        Guid? Crew,
        IReadOnlyList<Hands>? Skills
    )
    {
        public static WorkerPart Of(WorkerRecord record)
        {
            var worker = record.ToWorker();
            return new(record.Id, worker.Name, worker.Language, worker.Left, worker.Crew, worker.Skills);
        }

        public Worker Read() =>
            new WorkerEntry
            {
                Name = Name,
                Language = Language,
                Left = Left,
                Crew = Crew,
                Skills = Skills ?? [],
            }.Read();
    }

    private sealed record TaskPart(string Planting, int Season, string Pass, TaskChoiceEntry Task);

    private sealed record TurnPart(
        string Planting,
        string Part,
        Guid Crew,
        bool Overtime,
        IReadOnlyList<IReadOnlyList<int>> Spans
    );

    private sealed record PlanPart(
        int Season,
        DateTimeOffset MadeAt,
        DateOnly Start,
        string Stamp,
        IReadOnlyList<TurnPart> Tasks
    );

    private sealed record Parts(
        IReadOnlyList<CrewPart> Crews,
        CrewSettingsEntry? Settings = null,
        IReadOnlyList<TaskPart>? Tasks = null,
        IReadOnlyList<PlanPart>? Plans = null
    );

    /// <summary>Writes it into a zip.</summary>
    public async Task WriteAsync(ZipArchive zip, CancellationToken cancel)
    {
        await WriteCrewsAsync(zip, cancel);
        var workers = await database.Workers.AsNoTracking().ToListAsync(cancel);
        await using var entry = zip.CreateEntry(FileName).Open();
        await JsonSerializer.SerializeAsync(
            entry,
            workers.Select(WorkerPart.Of).OrderBy(w => w.Name, StringComparer.Ordinal),
            StoredJson.SparseFile,
            cancel
        );
    }

    /// <summary>Reads it back in, before what they did.</summary>
    /// <exception cref="UnreadableFileException">It cannot be read.</exception>
    public async Task ReadAsync(ArchiveFiles files, CancellationToken cancel)
    {
        await ReadCrewsAsync(files, cancel);
        if (files.Read(FileName) is not { } content)
            return;
        try
        {
            var entries = JsonSerializer.Deserialize<List<WorkerPart>>(content, StoredJson.SparseFile)!;
            if (entries.Count > WorkerStore.Most)
                throw new UnreadableFileException("size", $"{FileName} names more than {WorkerStore.Most} people.");
            foreach (var entry in entries)
                Add(entry.Read(), entry.Id);
            await database.SaveChangesAsync(cancel);
        }
        catch (Exception e) when (e is JsonException or DbUpdateException or UnusableEntryException)
        {
            throw new UnreadableFileException("broken", $"{FileName} cannot be read: {e.Message}", e);
        }
    }

    private async Task WriteCrewsAsync(ZipArchive zip, CancellationToken cancel)
    {
        var codes = await database.Plantings.ToDictionaryAsync(p => p.Id, p => p.Code, cancel);
        var crews = await database.Crews.AsNoTracking().ToListAsync(cancel);
        var tasks = await database.CrewTasks.AsNoTracking().ToListAsync(cancel);
        var plans = await database.CrewPlans.AsNoTracking().ToListAsync(cancel);
        var estate = await database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);
        await using var entry = zip.CreateEntry(CrewsName).Open();
        await JsonSerializer.SerializeAsync(
            entry,
            new Parts(
                [.. crews.OrderBy(c => c.Name, StringComparer.Ordinal).Select(c => new CrewPart(c.Id, c.ToEntry()))],
                estate.ToCrewSettings(),
                [
                    .. tasks
                        .Select(t => new TaskPart(codes[t.PlantingId], t.Season, t.Pass, t.ToEntry()))
                        .OrderBy(t => t.Planting, StringComparer.Ordinal)
                        .ThenBy(t => t.Season)
                        .ThenBy(t => t.Pass, StringComparer.Ordinal),
                ],
                [
                    .. plans
                        .OrderBy(p => p.Season)
                        .Select(p => (p.Season, p.MadeAt, Plan: p.ToPlan()))
                        .Select(p => new PlanPart(
                            p.Season,
                            p.MadeAt,
                            p.Plan.Start,
                            p.Plan.Stamp,
                            [
                                .. (p.Plan.Tasks ?? [])
                                    .Where(t => codes.ContainsKey(t.Planting))
                                    .Select(t => new TurnPart(codes[t.Planting], t.Part, t.Crew, t.Overtime, t.Spans)),
                            ]
                        )),
                ]
            ),
            StoredJson.File,
            cancel
        );
    }

    private async Task ReadCrewsAsync(ArchiveFiles files, CancellationToken cancel)
    {
        if (files.Read(CrewsName) is not { } content)
            return;
        try
        {
            var parts = JsonSerializer.Deserialize<Parts>(content, StoredJson.File)!;
            if (parts.Crews.Count > CrewStore.Most)
                throw new UnreadableFileException("size", $"{CrewsName} names more than {CrewStore.Most} crews.");
            foreach (var (id, crew) in parts.Crews)
            {
                CrewRecord record = new() { EstateId = scope.EstateId, Id = id };
                record.TakeOver(crew);
                database.Add(record);
            }
            await database.SaveChangesAsync(cancel);
            var plantings = await database.Plantings.ToDictionaryAsync(p => p.Code, p => p.Id, cancel);
            Guid PlantingOf(string code) =>
                plantings.TryGetValue(code, out var id)
                    ? id
                    : throw new UnreadableFileException("broken", $"{CrewsName} names {code}, which is no planting.");
            var estate = await database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);
            if (parts.Settings is { } settings)
            {
                settings.Read();
                estate.TakeOver(settings);
            }
            foreach (var task in parts.Tasks ?? [])
            {
                TaskChoiceRecord record = new()
                {
                    EstateId = scope.EstateId,
                    PlantingId = PlantingOf(task.Planting),
                    Season = task.Season,
                    Pass = task.Pass,
                };
                record.TakeOver(task.Task.Read(task.Season));
                database.Add(record);
            }
            foreach (var plan in parts.Plans ?? [])
            {
                CrewPlanRecord record = new() { EstateId = scope.EstateId, Season = plan.Season };
                record.TakeOver(
                    new(
                        plan.Start,
                        plan.Stamp,
                        [
                            .. plan.Tasks.Select(t => new StoredTurn(
                                PlantingOf(t.Planting),
                                t.Part,
                                t.Crew,
                                t.Overtime,
                                t.Spans
                            )),
                        ]
                    ),
                    plan.MadeAt
                );
                database.Add(record);
            }
            await database.SaveChangesAsync(cancel);
        }
        catch (Exception e) when (e is JsonException or DbUpdateException or UnusableEntryException)
        {
            throw new UnreadableFileException("broken", $"{CrewsName} cannot be read: {e.Message}", e);
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

    private Guid Add(Worker worker, Guid? id = null)
    {
        WorkerRecord record = new() { EstateId = scope.EstateId, Id = id ?? Guid.CreateVersion7() };
        record.TakeOver(worker);
        database.Add(record);
        return record.Id;
    }
}
