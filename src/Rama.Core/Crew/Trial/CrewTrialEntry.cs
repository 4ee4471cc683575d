using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;

namespace Rama.Core.Crew.Trial;

/// <summary>A change of crews, platforms or work to try out, as typed.</summary>
public sealed record CrewTrialEntry
{
    private const int MostStructure = 1_000,
        DaysInWeek = 7;

    /// <summary>What it is called.</summary>
    public string? Name { get; init; }

    /// <summary>People hired; none when left out.</summary>
    public double? HirePeople { get; init; }

    /// <summary>First day they work; the first of the plan when left out.</summary>
    public DateOnly? HireFrom { get; init; }

    /// <summary>Weeks they work.</summary>
    public double? HireWeeks { get; init; }

    /// <summary>What an hour of one of them costs; the mean of the crews when left out.</summary>
    public double? HireWage { get; init; }

    /// <summary>Weeks no crew works; none when left out.</summary>
    public double? LostWeeks { get; init; }

    /// <summary>First day of them; the first of the plan when left out.</summary>
    public DateOnly? LostFrom { get; init; }

    /// <summary>Platforms more than there are; none when left out.</summary>
    public double? Platforms { get; init; }

    /// <summary>What the change itself costs, such as the rent of platforms; nothing when left out.</summary>
    public double? Cost { get; init; }

    /// <summary>Whether what is planned in two passes is done in one.</summary>
    public bool OnePass { get; init; }

    /// <summary>Plantings pruned as structure only.</summary>
    public IReadOnlyList<Guid> StructureOnly { get; init; } = [];

    /// <summary>Reads it.</summary>
    /// <param name="problem">The problem it changes.</param>
    /// <param name="ways">Other ways to do its tasks.</param>
    /// <param name="tasksOf">Tasks of a planting that can be done as structure only; none where it has none.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used, or there is no
    /// change.</exception>
    public CrewTrial Read(
        CrewProblem problem,
        IReadOnlyDictionary<string, WorkWays> ways,
        Func<Guid, IReadOnlyList<string>> tasksOf
    )
    {
        var reader = new EntryReader();
        var name = reader.Text("name", "Name", Name, 100);
        var people = reader.OptionalWhole("hirePeople", "People hired", HirePeople, "", 1, 200);
        var weeks = people is null ? null : Weeks(reader, "hireWeeks", HireWeeks);
        var wage = reader.Optional("hireWage", "Wage", HireWage, "money/h", 0, 10_000);
        var from = FirstDay(reader, "hireFrom", HireFrom, problem.Start);
        var lost = LostWeeks is null ? null : Weeks(reader, "lostWeeks", LostWeeks);
        var lostFrom = FirstDay(reader, "lostFrom", LostFrom, problem.Start);
        var platforms = reader.OptionalWhole("platforms", "Platforms", Platforms, "", 1, 50) ?? 0;
        var cost = reader.Optional("cost", "Cost of the change", Cost, "money", 0, 10_000_000) ?? 0;
        if (OnePass && ways.Values.All(w => w.OnePassWith is null))
            reader.Add("onePass", "no-two-passes", "One pass: no work at hand is planned in two passes.");
        HashSet<string> structure = [];
        if (StructureOnly.Count > MostStructure)
            reader.Add("structureOnly", "range", $"Structure only: expected at most {MostStructure} plantings.");
        foreach (var planting in StructureOnly.Take(MostStructure))
        {
            var tasks = tasksOf(planting);
            if (tasks.Count == 0)
                reader.Add(
                    "structureOnly",
                    "no-surplus",
                    "Structure only: one of them has no surplus to cut any more."
                );
            structure.UnionWith(tasks);
        }
        if (people is null && LostWeeks is null && platforms == 0 && !OnePass && StructureOnly.Count == 0)
            reader.Add("name", "no-change", "Name: nothing is changed. Say what to try.");
        reader.ThrowIfAny();
        return new(
            name,
            people is { } n
                ? new(
                    (int)n,
                    SpanOf(from, weeks!.Value),
                    wage ?? (problem.Crews.Count == 0 ? CrewSheet.UsualWage : problem.Crews.Average(c => c.WagePerHour))
                )
                : null,
            lost is { } w ? SpanOf(lostFrom, w) : null,
            (int)platforms,
            cost,
            OnePass,
            structure
        );
    }

    private static double? Weeks(EntryReader reader, string field, double? weeks) =>
        reader.RequiredWhole(field, "Weeks", weeks, "week", 1, 52);

    private static DateOnly FirstDay(EntryReader reader, string field, DateOnly? day, DateOnly start)
    {
        if (day is { } told && (told < start || told.DayNumber - start.DayNumber > CrewProblem.Days))
            reader.Add(field, "range", "First day: expected from today to a year ahead.");
        return day ?? start;
    }

    private static DaySpan SpanOf(DateOnly from, double weeks) => new(from, from.AddDays((int)weeks * DaysInWeek - 1));
}
