namespace Rama.Core.Crew.Schedule;

/// <summary>A lock that cannot hold, or two that cannot both.</summary>
/// <param name="Task">The task.</param>
/// <param name="Other">The other of two; null where the one cannot hold by itself.</param>
/// <param name="Why">What they do not have room for.</param>
public sealed record LockConflict(string Task, string? Other, LockClash Why)
{
    /// <summary>Those of a problem, by task.</summary>
    /// <param name="problem">The problem.</param>
    public static IReadOnlyList<LockConflict> AllOf(CrewProblem problem)
    {
        WorkableHalves workable = new(problem);
        List<LockConflict> found = [];
        List<Locked> held = [];
        foreach (var task in problem.Tasks.Where(t => t.OnlyCrew is not null || t.OnlyFrom is not null))
        {
            var crews = problem.Crews.Where(c => problem.PeopleOn(task, c) > 0).ToList();
            if (task.OnlyCrew is not null && crews.Count == 0)
                found.Add(new(task.Id, null, ClashOf(problem, task)));
            else if (task.OnlyFrom is { } day)
            {
                if (day < task.From)
                    found.Add(new(task.Id, null, LockClash.Window));
                else if (crews.All(c => !c.Calendar.Works(day)))
                    found.Add(new(task.Id, null, LockClash.Day));
                else if (task.Weather?.IsUsable(day, problem.Start) == false)
                    found.Add(new(task.Id, null, LockClash.Weather));
                else if (crews is [var crew] && problem.HalvesFor(task, crew) is { } halves)
                    held.Add(new(task, crew.Id, [.. workable.Of(task, crew).Take(halves)]));
            }
        }
        foreach (var (i, one) in held.Index())
        foreach (var other in held.Skip(i + 1))
            if (Clash(problem, one, other) is { } clash)
                found.Add(new(one.Task.Id, other.Task.Id, clash));
        return found;
    }

    private static LockClash? Clash(CrewProblem problem, Locked one, Locked other)
    {
        var both = one.Halves.Intersect(other.Halves).Any();
        return one.Task.Before.Contains(other.Task.Id) && one.Halves[0] <= other.Halves[0]
            || other.Task.Before.Contains(one.Task.Id) && other.Halves[0] <= one.Halves[0]
                ? LockClash.Order
            // What may be interrupted gives way, but for its first half-day.
            : one.Crew == other.Crew && both && (IsFixed(one, other) || IsFixed(other, one)) ? LockClash.CrewAndDay
            : both
            && one.Task.Platforms + other.Task.Platforms > problem.Platforms
            && one.Task.Platforms > 0
            && other.Task.Platforms > 0
                ? LockClash.Platform
            : null;
    }

    private static bool IsFixed(Locked one, Locked other) =>
        one.Task.Weather is null
            ? other.Task.Weather is null || one.Halves.Contains(other.Halves[0])
            : one.Halves[0] == other.Halves[0];

    private static LockClash ClashOf(CrewProblem problem, CrewTask task)
    {
        var crew = problem.Crews.FirstOrDefault(c => c.Id == task.OnlyCrew);
        return crew is null ? LockClash.Crew
            : crew.PeopleFor(task.Needs) == 0 ? LockClash.Skill
            : !crew.WorksOn(task.Site) ? LockClash.Site
            : LockClash.Platform;
    }

    private sealed record Locked(CrewTask Task, string Crew, IReadOnlyList<int> Halves);
}

/// <summary>What locks do not have room for.</summary>
public enum LockClash
{
    /// <summary>There is no such crew.</summary>
    Crew,

    /// <summary>Nobody in the crew has the skill.</summary>
    Skill,

    /// <summary>The crew does not work on the site.</summary>
    Site,

    /// <summary>There are not as many platforms.</summary>
    Platform,

    /// <summary>The window is not open on the day.</summary>
    Window,

    /// <summary>Nobody who could do it works on the day.</summary>
    Day,

    /// <summary>The day is not such as the work needs.</summary>
    Weather,

    /// <summary>One crew cannot be at both on those days.</summary>
    CrewAndDay,

    /// <summary>One must run ahead of the other.</summary>
    Order,
}
