using Microsoft.EntityFrameworkCore;
using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Crew;

/// <summary>Crews of the estate in scope, what is said of their work, and the plan in force.</summary>
public sealed class CrewStore(
    RamaContext database,
    EstateStore estates,
    CatalogueStore catalogues,
    EstateScope scope,
    TimeProvider clock
)
{
    /// <summary>Most crews an estate keeps.</summary>
    internal const int Most = 30;

    /// <summary>The crews by name, each with those in it who have not left.</summary>
    public async Task<IReadOnlyList<KeptCrew>> AllAsync(CancellationToken cancel)
    {
        var crews = await database.Crews.AsNoTracking().ToListAsync(cancel);
        var workers = (await database.Workers.AsNoTracking().Where(w => !w.HasLeft).ToListAsync(cancel)).ToLookup(w =>
            w.CrewId
        );
        return
        [
            .. crews
                .OrderBy(c => c.Name, StringComparer.CurrentCultureIgnoreCase)
                .Select(c => new KeptCrew(
                    c,
                    c.ToEntry().Read(),
                    [.. workers[c.Id].OrderBy(w => w.Name, StringComparer.CurrentCultureIgnoreCase)]
                )),
        ];
    }

    /// <summary>Adds a crew, or changes what was said of it; the same sent twice is once.</summary>
    /// <param name="id">Given by whoever adds it.</param>
    /// <param name="entry">What was typed.</param>
    /// <param name="version">Version it was read at; 0 for a new one.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task SaveAsync(Guid id, CrewEntry entry, uint version, CancellationToken cancel)
    {
        var sheet = entry.Read();
        var sites = await database.Sites.Select(s => s.Name).ToListAsync(cancel);
        if (sheet.Sites.FirstOrDefault(s => !sites.Contains(s)) is { } unknown)
            throw Problem("sites", "unknown", $"Sites: there is no site {unknown}.");
        var record = await database.Crews.SingleOrDefaultAsync(c => c.Id == id, cancel);
        if (record is not null && record.Sheet == StoredJson.WritePart(entry))
            return;
        if ((record?.Version ?? 0) != version)
            throw Conflicts.ChangedMeanwhile("name");
        if (record is null)
        {
            if (await database.Crews.CountAsync(cancel) >= Most)
                throw Problem("name", "full", $"Crews: an estate keeps {Most}. Remove one first.");
            database.Add(record = new() { EstateId = scope.EstateId, Id = id });
        }
        record.TakeOver(entry);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.Breaks(CrewConfiguration.OneOfAName))
        {
            throw Problem("name", "taken", $"Name or number: there is a crew {sheet.Name} already.");
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw Conflicts.ChangedMeanwhile("name");
        }
    }

    /// <summary>
    /// Removes a crew nobody is in; work kept with it, also of winters gone by, is free. False when there is none of
    /// that id.
    /// </summary>
    /// <exception cref="UnusableEntryException">Somebody is in it, or work is kept with it at this moment.</exception>
    public async Task<bool> RemoveAsync(Guid id, CancellationToken cancel)
    {
        if (await database.Crews.SingleOrDefaultAsync(c => c.Id == id, cancel) is not { } record)
            return false;
        database.Remove(record);
        foreach (var task in await database.CrewTasks.Where(t => t.CrewId == id).ToListAsync(cancel))
        {
            task.TakeOver(task.ToChoice() with { Crew = null });
            if (task.ToChoice().IsEmpty)
                database.Remove(task);
        }
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.Breaks(CrewConfiguration.Members))
        {
            throw Problem("name", "kept", $"{record.Name}: somebody is in it. Put them in another crew first.");
        }
        catch (DbUpdateException e) when (e.Breaks(CrewConfiguration.Locked))
        {
            throw Problem("name", "kept", $"{record.Name}: work was kept with it just now. Free that first.");
        }
        return true;
    }

    /// <summary>What is said of passes in a season, by planting and pass.</summary>
    public async Task<IReadOnlyDictionary<(Guid Planting, string Pass), TaskChoiceRecord>> TasksAsync(
        int season,
        CancellationToken cancel
    ) =>
        await database
            .CrewTasks.AsNoTracking()
            .Where(t => t.Season == season)
            .ToDictionaryAsync(t => (t.PlantingId, t.Pass), cancel);

    /// <summary>
    /// Saves what is said of a pass, or takes it away where nothing is; false when there is no such planting or pass.
    /// </summary>
    /// <param name="planting">The planting.</param>
    /// <param name="pass">The pass.</param>
    /// <param name="version">Version it was read at; 0 for none.</param>
    /// <param name="entry">What is said.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<bool> SaveTaskAsync(
        Guid planting,
        string pass,
        uint version,
        TaskChoiceEntry entry,
        CancellationToken cancel
    )
    {
        var estate = await estates.ReadAsync(cancel);
        if (
            await database.Plantings.Where(p => p.Id == planting).Select(p => p.System).SingleOrDefaultAsync(cancel)
                is not { } system
            || (await catalogues.ReadAsync(cancel)).Catalogue.PassesOf(system).All(p => p.Id != pass)
        )
            return false;
        var choice = entry.Read(estate.Season);
        if (choice.Crew is { } crew && !await database.Crews.AnyAsync(c => c.Id == crew, cancel))
            throw Problem("crew", "unknown", "Crew: there is no such crew any more.");
        var record = await database.CrewTasks.SingleOrDefaultAsync(
            t => t.PlantingId == planting && t.Season == estate.Season && t.Pass == pass,
            cancel
        );
        try
        {
            await database.PutAsync(
                "task",
                (record, record?.Version ?? 0),
                version,
                choice.IsEmpty ? null : kept => kept.TakeOver(choice),
                () =>
                    new()
                    {
                        EstateId = estate.Id,
                        PlantingId = planting,
                        Season = estate.Season,
                        Pass = pass,
                    },
                cancel
            );
        }
        catch (DbUpdateException e) when (e.Breaks(CrewConfiguration.Locked))
        {
            throw Problem("crew", "unknown", "Crew: there is no such crew any more.");
        }
        return true;
    }

    /// <summary>The plan in force in a season; null before there is one.</summary>
    public Task<CrewPlanRecord?> PlanAsync(int season, CancellationToken cancel) =>
        database.CrewPlans.AsNoTracking().SingleOrDefaultAsync(p => p.Season == season, cancel);

    /// <summary>Puts a plan in force.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="version">Version of the plan it was made from; 0 for none.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">Someone else put one in force meanwhile; nothing is saved.</exception>
    public async Task SavePlanAsync(int season, StoredCrewPlan plan, uint version, CancellationToken cancel)
    {
        var record = await database.CrewPlans.SingleOrDefaultAsync(p => p.Season == season, cancel);
        await database.PutAsync(
            "plan",
            (record, record?.Version ?? 0),
            version,
            kept => kept.TakeOver(plan, clock.GetUtcNow()),
            () => new() { EstateId = scope.EstateId, Season = season },
            cancel
        );
    }

    private static UnusableEntryException Problem(string field, string code, string message) =>
        new([new(field, code, message)]);
}

/// <summary>A crew with those in it.</summary>
/// <param name="Record">As kept.</param>
/// <param name="Sheet">What is said of it.</param>
/// <param name="Members">Those in it by name.</param>
public sealed record KeptCrew(CrewRecord Record, CrewSheet Sheet, IReadOnlyList<WorkerRecord> Members)
{
    /// <summary>The crew as it is planned.</summary>
    /// <param name="speed">Its hours over those expected.</param>
    public WorkCrew ToCrew(double speed = 1) =>
        Sheet.ToCrew(
            Record.Id.ToString(),
            [.. Members.Select(m => (m.Skills.Count > 0 ? m.Skills : Sheet.Skills).ToHashSet())],
            speed
        );
}
