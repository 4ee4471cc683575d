using Rama.Core.Explain;

namespace Rama.Core.Passes;

/// <summary>One pass through one planting, as typed.</summary>
public sealed record PassHoursEntry
{
    private const int MostLogs = 1_000;

    /// <summary>Trees.</summary>
    public double? Trees { get; init; }

    /// <summary>Minutes expected a tree, walking and looking in them.</summary>
    public double? MinutesPerTree { get; init; }

    /// <summary>log(actual ÷ expected) of row sets done in the planting; none where nobody knows.</summary>
    public IReadOnlyList<double> Logs { get; init; } = [];

    /// <summary>How often the planting is gone through; once when left out.</summary>
    public double? Visits { get; init; }

    /// <summary>Checks logs of actual over expected time.</summary>
    internal static void CheckLogs(EntryReader reader, IReadOnlyList<double> logs)
    {
        if (logs.Count > MostLogs)
            reader.Add("logs", "range", $"Logs: expected at most {MostLogs}.");
        foreach (var (i, log) in logs.Take(MostLogs).Index())
            reader.Required($"logs[{i}]", "Log of actual over expected", log, "1", -3, 3);
    }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PassHours Calculate()
    {
        var reader = new EntryReader();
        var trees = reader.Required("trees", "Trees", Trees, "tree", 1, 10_000_000);
        var minutes = reader.Required("minutesPerTree", "Minutes per tree", MinutesPerTree, "min/tree", 0.01, 600);
        var visits = reader.OptionalWhole("visits", "Visits", Visits, "", 1, 100) ?? 1;
        CheckLogs(reader, Logs);
        reader.ThrowIfAny();
        return PassHours.Of(trees, minutes * 60, 0, PassHours.FactorOf(Logs), visits: (int)visits);
    }
}
