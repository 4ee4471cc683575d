using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Crew.Schedule;

/// <summary>A whole crew problem, as typed.</summary>
public sealed record CrewPlanEntry
{
    /// <summary>Most tasks planned at once.</summary>
    public const int MostTasks = 500;

    private const int MostCrews = 30,
        MostPlatforms = 200;

    /// <summary>First day.</summary>
    public DateOnly? Start { get; init; }

    /// <summary>Platforms the crews share; none when left out.</summary>
    public double? Platforms { get; init; }

    /// <summary>Hours from site to site; none when left out.</summary>
    public double? MoveHours { get; init; }

    /// <summary>Money for a half-day without work before the last; none when left out.</summary>
    public double? IdlePerHalfDay { get; init; }

    /// <summary>Seconds to look for a better plan than the first; none when left out.</summary>
    public double? Seconds { get; init; }

    /// <summary>The crews, each told apart by its name.</summary>
    public IReadOnlyList<CrewEntry> Crews { get; init; } = [];

    /// <summary>The work.</summary>
    public IReadOnlyList<CrewTaskEntry> Tasks { get; init; } = [];

    /// <summary>Reads it.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CrewProblem Read()
    {
        var reader = new EntryReader();
        if (Start is null)
            reader.Add("start", "missing", "First day: please fill this in.");
        var platforms = reader.OptionalWhole("platforms", "Platforms", Platforms, "", 0, MostPlatforms) ?? 0;
        var move = reader.Optional("moveHours", "Hours from site to site", MoveHours, "h", 0, 8) ?? 0;
        var idle = reader.Optional("idlePerHalfDay", "An idle half-day", IdlePerHalfDay, "money", 0, 10_000) ?? 0;
        reader.Optional("seconds", "Time", Seconds, "s", 0, 30);
        if (Crews.Count > MostCrews)
            reader.Add("crews", "range", $"Crews: expected at most {MostCrews}.");
        if (Tasks.Count > MostTasks)
            reader.Add("tasks", "range", $"Tasks: expected at most {MostTasks}.");
        List<WorkCrew> crews = [];
        foreach (var (i, entry) in Crews.Take(MostCrews).Index())
            if (reader.Under($"crews[{i}]", entry.Read) is { } sheet)
            {
                if (crews.Any(c => c.Id == sheet.Name))
                    reader.Add($"crews[{i}].name", "duplicate", "Name: another crew has it.");
                crews.Add(sheet.ToCrew(sheet.Name, []));
            }
        List<CrewTask> tasks = [];
        foreach (var (i, entry) in Tasks.Take(MostTasks).Index())
            if (reader.Under($"tasks[{i}]", () => entry.Read(Start ?? default)) is { } task)
            {
                if (tasks.Any(t => t.Id == task.Id))
                    reader.Add($"tasks[{i}].id", "duplicate", "Name: another task has it.");
                tasks.Add(task);
            }
        var ids = tasks.Select(t => t.Id).ToHashSet();
        foreach (var (i, task) in tasks.Index())
            if (task.Before.FirstOrDefault(b => !ids.Contains(b)) is { } unknown)
                reader.Add($"tasks[{i}].after", "unknown", $"After: there is no task {unknown}.");
        reader.ThrowIfAny();
        return new(Start!.Value, tasks, crews, (int)platforms, new(move, idle));
    }
}

/// <summary>A task of a crew problem, as typed.</summary>
public sealed record CrewTaskEntry
{
    private const int MostAfter = 10,
        MostDays = 400;

    /// <summary>Name, at most 100 characters.</summary>
    public string? Id { get; init; }

    /// <summary>Hours paid of all people together.</summary>
    public double? Hours { get; init; }

    /// <summary>First day it may be done; that of the plan when left out.</summary>
    public DateOnly? From { get; init; }

    /// <summary>Last day in time; never late when left out.</summary>
    public DateOnly? Due { get; init; }

    /// <summary>What a day late costs, money.</summary>
    public double? LatePerDay { get; init; }

    /// <summary>Whether it may not be late.</summary>
    public bool NeverLate { get; init; }

    /// <summary>Hands it needs; pruners when left out.</summary>
    public IReadOnlyList<Hands> Needs { get; init; } = [];

    /// <summary>Site.</summary>
    public string? Site { get; init; }

    /// <summary>Platforms it takes.</summary>
    public double? Platforms { get; init; }

    /// <summary>Tasks that run ahead of it by half a day.</summary>
    public IReadOnlyList<string> After { get; init; } = [];

    /// <summary>Share of the days it can be worked on; every day, without a break, when left out.</summary>
    public double? UsableShare { get; init; }

    /// <summary>Crew it is kept with.</summary>
    public string? OnlyCrew { get; init; }

    /// <summary>Day it is to begin on.</summary>
    public DateOnly? OnlyFrom { get; init; }

    internal CrewTask Read(DateOnly start)
    {
        var reader = new EntryReader();
        var id = reader.Text("id", "Name", Id, 100);
        var hours = reader.Required("hours", "Hours", Hours, "h", 0.01, 1_000_000);
        var perDay = reader.Optional("latePerDay", "A day late", LatePerDay, "money/day", 0, 1_000_000) ?? 0;
        var platforms = reader.OptionalWhole("platforms", "Platforms", Platforms, "", 0, 20) ?? 0;
        var share = reader.Optional("usableShare", "Usable days", UsableShare, "share", 0.01, 1);
        var site = reader.OptionalText("site", "Site", Site, 100) ?? "";
        if (After.Count > MostAfter || After.Any(a => a is null || a.Length > 100))
            reader.Add("after", "range", $"After: expected at most {MostAfter} names.");
        foreach (var (field, day) in new[] { ("from", From), ("due", Due), ("onlyFrom", OnlyFrom) })
            if (day is { } told && Math.Abs(told.DayNumber - start.DayNumber) > MostDays)
                reader.Add(field, "range", $"Day: expected within {MostDays} days of the first.");
        reader.ThrowIfAny();
        return new(
            id,
            hours,
            From > start ? From.Value : start,
            Due,
            new(perDay),
            Needs.Count == 0 ? [Hands.Pruner] : [.. Needs.Distinct()],
            site,
            (int)platforms,
            [.. After.Distinct()],
            share is { } usable ? new WorkWeather(usable) : null,
            NeverLate,
            OnlyCrew,
            OnlyFrom
        );
    }
}
