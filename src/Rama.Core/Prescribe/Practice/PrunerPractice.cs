namespace Rama.Core.Prescribe.Practice;

/// <summary>What the practice trees of one pruner show the lead.</summary>
/// <param name="Worker">The pruner.</param>
/// <param name="Pruner">Name or number the crew knows them by.</param>
/// <param name="Trees">Trees practised.</param>
/// <param name="MeanScore">Mean of their scores, 0 to 100.</param>
/// <param name="LastScore">Score of the latest.</param>
/// <param name="Faults">What was said of them most often, by code, with the trees it was said of.</param>
public sealed record PrunerPractice(
    Guid Worker,
    string Pruner,
    int Trees,
    double MeanScore,
    int LastScore,
    IReadOnlyList<PracticeFault> Faults
)
{
    private const int MostFaults = 2;

    /// <summary>Sums practice trees of a season up by pruner, those with most to learn first.</summary>
    /// <param name="latestFirst">The trees, the latest first.</param>
    public static IReadOnlyList<PrunerPractice> Of(IEnumerable<PractisedTree> latestFirst) =>
        [
            .. PractisedTree
                .CountedOnce(latestFirst)
                .GroupBy(r => (r.Worker, r.Pruner))
                .Select(runs => new PrunerPractice(
                    runs.Key.Worker,
                    runs.Key.Pruner,
                    runs.Count(),
                    runs.Average(r => r.Score),
                    runs.First().Score,
                    [
                        .. runs.SelectMany(r => r.Remarks.Select(n => n.Code).Distinct())
                            .Where(c => !PracticeScore.Praise.Contains(c))
                            .GroupBy(c => c)
                            .Select(c => new PracticeFault(c.Key, c.Count()))
                            .OrderByDescending(f => f.Trees)
                            .ThenBy(f => f.Code, StringComparer.Ordinal)
                            .Take(MostFaults),
                    ]
                ))
                .OrderBy(p => p.LastScore)
                .ThenBy(p => p.Pruner, StringComparer.OrdinalIgnoreCase),
        ];
}

/// <summary>A fault seen in practice.</summary>
/// <param name="Code">Code of the remark.</param>
/// <param name="Trees">Trees it was said of.</param>
public sealed record PracticeFault(string Code, int Trees);
