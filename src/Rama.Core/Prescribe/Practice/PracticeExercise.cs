namespace Rama.Core.Prescribe.Practice;

/// <summary>Trees a lead gives the crew to practise on.</summary>
/// <param name="Planting">Planting they stand in.</param>
/// <param name="Season">Season they are given in.</param>
/// <param name="Class">Their trunk class.</param>
/// <param name="Numbers">Which of the class, the easiest first.</param>
/// <param name="Note">What to look at, in the lead's words; null for none.</param>
public sealed record PracticeExercise(Guid Planting, int Season, string Class, IReadOnlyList<int> Numbers, string? Note)
{
    /// <summary>How far each has come who cut one of its trees, those furthest behind first.</summary>
    /// <param name="latestFirst">Trees cut for practice, the latest first.</param>
    public IReadOnlyList<ExerciseResult> Results(IEnumerable<PractisedTree> latestFirst)
    {
        var names = Numbers.ToDictionary(n => PractisedTree.NameOf(Class, n));
        return
        [
            .. PractisedTree
                .CountedOnce(latestFirst)
                .Where(t => (t.Planting, t.Season) == (Planting, Season) && names.ContainsKey(t.Tree))
                .GroupBy(t => (t.Worker, t.Pruner))
                .Select(of => new ExerciseResult(
                    of.Key.Worker,
                    of.Key.Pruner,
                    of.Average(t => t.Score),
                    [.. of.Select(t => new ExerciseTree(names[t.Tree], t.Score)).OrderBy(t => t.Number)]
                ))
                .OrderBy(r => r.Trees.Count)
                .ThenBy(r => r.MeanScore)
                .ThenBy(r => r.Pruner, StringComparer.OrdinalIgnoreCase),
        ];
    }
}

/// <summary>What somebody made of an exercise.</summary>
/// <param name="Worker">The pruner.</param>
/// <param name="Pruner">Name or number the crew knows them by.</param>
/// <param name="MeanScore">Mean of the trees cut, 0 to 100.</param>
/// <param name="Trees">Trees cut.</param>
public sealed record ExerciseResult(Guid Worker, string Pruner, double MeanScore, IReadOnlyList<ExerciseTree> Trees);

/// <summary>A tree of an exercise that was cut.</summary>
/// <param name="Number">Which of the class it is.</param>
/// <param name="Score">0 to 100.</param>
public sealed record ExerciseTree(int Number, int Score);
