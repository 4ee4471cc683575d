using Rama.Core.Explain;

namespace Rama.Core.Crew.Progress;

/// <summary>How far a pass of a planting is, from what was reported of it.</summary>
/// <param name="TreesDone">Trees done, each row once.</param>
/// <param name="Trees">Trees of the planting.</param>
/// <param name="RowsDone">Rows done whole.</param>
/// <param name="PaidHours">Hours reported, of all together.</param>
/// <param name="First">Day of the first report; null without one.</param>
/// <param name="Last">Day of the last.</param>
/// <param name="LoggedTrees">Trees of those reports that tell their hours.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What does not fit: rows done twice, rows and trees there are not, days to come.</param>
public sealed record WorkProgress(
    double TreesDone,
    double Trees,
    IReadOnlyList<int> RowsDone,
    double PaidHours,
    DateOnly? First,
    DateOnly? Last,
    double LoggedTrees,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Trees > 0 ? Math.Min(1, TreesDone / Trees) : 0, "share", Steps, Warnings)
{
    // Rows listed that hold nearly all trees are taken for all of them.
    private const double AllListed = 0.9;

    // What is missing of a pass that is called done: trees by spacing and by list are never quite the same.
    private const double DoneFrom = 0.999;

    /// <summary>Whether all of it is done.</summary>
    public bool IsDone => Value >= DoneFrom;

    /// <summary>Trees that count for each report of a pass: those of a row for whoever told it first.</summary>
    /// <param name="reports">The reports, in the order of the days.</param>
    /// <param name="rows">Trees by row.</param>
    public static IReadOnlyList<double> TreesOf(
        IReadOnlyList<WorkReport> reports,
        IReadOnlyDictionary<int, double> rows
    )
    {
        HashSet<int> done = [];
        return
        [
            .. reports.Select(r =>
                r.Trees + r.Rows.Where(row => rows.ContainsKey(row) && done.Add(row)).Sum(row => rows[row])
            ),
        ];
    }

    /// <summary>Works it out.</summary>
    /// <param name="reports">What was reported of the pass, in the order of the days.</param>
    /// <param name="rows">Trees by row; empty where rows are not listed.</param>
    /// <param name="trees">Trees of the planting by its spacing; those listed count where they are nearly all.</param>
    /// <param name="today">The day taken as today.</param>
    /// <remarks>A row reported twice counts once; its hours count both times. Source: derived.</remarks>
    public static WorkProgress Of(
        IReadOnlyList<WorkReport> reports,
        IReadOnlyDictionary<int, double> rows,
        double trees,
        DateOnly today
    )
    {
        if (rows.Values.Sum() is var listed && listed >= AllListed * trees)
            trees = listed;
        List<Notice> warnings = [];
        HashSet<int> done = [];
        SortedSet<int> twice = [],
            unknown = [];
        foreach (var row in reports.SelectMany(r => r.Rows))
            if (!rows.ContainsKey(row))
                unknown.Add(row);
            else if (!done.Add(row))
                twice.Add(row);
        var counting = TreesOf(reports, rows);
        var told = counting.Sum();
        var logged = reports.Zip(counting).Where(r => r.First.PaidHours > 0).Sum(r => r.Second);
        if (twice.Count > 0)
            warnings.Add(
                new(
                    "progress.twice",
                    $"Reported done twice: row {twice.Min}{(twice.Count > 1 ? " and others" : "")}. "
                        + "It counts once; see who was there.",
                    new("first row", twice.Min, "1"),
                    new("rows", twice.Count, "1")
                )
            );
        if (unknown.Count > 0)
            warnings.Add(
                new(
                    "progress.no-row",
                    $"There is no row {unknown.Min} in this planting. Was it another one?",
                    new("first row", unknown.Min, "1"),
                    new("rows", unknown.Count, "1")
                )
            );
        if (told > trees * 1.001)
            warnings.Add(
                new(
                    "progress.over",
                    $"{told:0} trees are reported done of {trees:0}. Something is told twice, or of another planting.",
                    new("trees told", told, "tree"),
                    new("trees", trees, "tree")
                )
            );
        if (reports.Any(r => r.Day > today))
            warnings.Add(
                new("progress.to-come", "A report is of a day still to come. The clock of the phone may be wrong.")
            );
        var counted = Math.Min(told, trees);
        return new(
            counted,
            trees,
            [.. done.Order()],
            reports.Sum(r => r.PaidHours ?? 0),
            reports.Count == 0 ? null : reports.Min(r => r.Day),
            reports.Count == 0 ? null : reports.Max(r => r.Day),
            Math.Min(logged, trees),
            [
                new(
                    "progress.share",
                    "trees done ÷ trees",
                    new("share done", trees > 0 ? counted / trees : 0, "share"),
                    [new("trees done", counted, "tree"), new("trees", trees, "tree")],
                    Sources.Definition
                ),
            ],
            warnings
        );
    }
}
