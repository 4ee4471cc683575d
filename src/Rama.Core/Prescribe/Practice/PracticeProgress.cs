namespace Rama.Core.Prescribe.Practice;

/// <summary>How somebody's practice went over the years, system by system.</summary>
/// <param name="Worker">The pruner.</param>
/// <param name="Pruner">Name or number the crew knows them by.</param>
/// <param name="Systems">The systems, the one practised most first.</param>
public sealed record PracticeProgress(Guid Worker, string Pruner, IReadOnlyList<SystemPractice> Systems)
{
    /// <summary>Sorts trees by pruner and system.</summary>
    /// <param name="latestFirst">Trees of all seasons, the latest first.</param>
    public static IReadOnlyList<PracticeProgress> Of(IEnumerable<PractisedTree> latestFirst) =>
        [
            .. PractisedTree
                .CountedOnce(latestFirst)
                .GroupBy(t => (t.Worker, t.Pruner))
                .Select(of => new PracticeProgress(
                    of.Key.Worker,
                    of.Key.Pruner,
                    [
                        .. of.GroupBy(t => t.System)
                            .Select(SystemPractice.Of)
                            .OrderByDescending(s => s.Trees)
                            .ThenBy(s => s.System, StringComparer.Ordinal),
                    ]
                ))
                .OrderBy(p => p.Pruner, StringComparer.OrdinalIgnoreCase),
        ];
}

/// <summary>Somebody's practice on one training system.</summary>
/// <param name="System">The system.</param>
/// <param name="Trees">Trees that count.</param>
/// <param name="MeanScore">Mean of their scores, 0 to 100.</param>
/// <param name="Days">Day by day, the latest <see cref="MostDays"/>, the first day first.</param>
public sealed record SystemPractice(string System, int Trees, double MeanScore, IReadOnlyList<PracticeDay> Days)
{
    /// <summary>Days told at most.</summary>
    public const int MostDays = 40;

    internal static SystemPractice Of(IGrouping<string, PractisedTree> trees) =>
        new(
            trees.Key,
            trees.Count(),
            trees.Average(t => t.Score),
            [
                .. trees
                    .GroupBy(t => t.On)
                    .OrderBy(d => d.Key)
                    .Select(d => new PracticeDay(d.Key, d.Count(), d.Average(t => t.Score)))
                    .TakeLast(MostDays),
            ]
        );
}

/// <summary>A day of practice.</summary>
/// <param name="On">The day.</param>
/// <param name="Trees">Trees cut.</param>
/// <param name="MeanScore">Mean of their scores, 0 to 100.</param>
public sealed record PracticeDay(DateOnly On, int Trees, double MeanScore);
