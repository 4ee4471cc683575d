namespace Rama.Core.Prescribe.Practice;

/// <summary>Which trees a pruner cuts one after the other.</summary>
public static class PracticeCourse
{
    /// <summary>Trees of a first day.</summary>
    public const int Trees = 5;

    /// <summary>
    /// Trees of rising difficulty, from the easiest to the hardest, of as many kinds as there are.
    /// </summary>
    /// <param name="from">Trees to choose from.</param>
    /// <param name="difficulty">How hard each is.</param>
    /// <param name="kind">What it is a tree of, such as its system.</param>
    /// <param name="trees">How many; five as on a first day when left out.</param>
    /// <returns>As many, or all where there are fewer.</returns>
    public static IReadOnlyList<T> Rising<T, TKind>(
        IEnumerable<T> from,
        Func<T, double> difficulty,
        Func<T, TKind> kind,
        int trees = Trees
    )
    {
        T[] sorted = [.. from.OrderBy(difficulty)];
        var many = Math.Min(trees, sorted.Length);
        List<T> chosen = [];
        HashSet<TKind> kinds = [];
        for (var (i, last) = (0, -1); i < many; i++)
        {
            var wanted = many == 1 ? 0 : i * (sorted.Length - 1.0) / (many - 1);
            // Those after it have to find a place as well.
            last = Enumerable
                .Range(last + 1, sorted.Length - (many - 1 - i) - (last + 1))
                .MinBy(n => Math.Abs(n - wanted) + (kinds.Contains(kind(sorted[n])) ? sorted.Length : 0));
            chosen.Add(sorted[last]);
            kinds.Add(kind(sorted[last]));
        }
        return chosen;
    }

    /// <summary>The next tree of a class: one that trains what went worst on the last.</summary>
    /// <param name="offered">Trees of the class.</param>
    /// <param name="seen">Numbers of those cut already, the last one last.</param>
    /// <param name="said">What was said of the last, the gravest first.</param>
    /// <returns>The tree and what it trains; null where none is left.</returns>
    public static (PracticeAsk Tree, Trains Trains)? Next(
        IReadOnlyList<PracticeAsk> offered,
        IReadOnlyCollection<int> seen,
        IReadOnlyList<string> said
    )
    {
        PracticeAsk[] left = [.. offered.Where(a => !seen.Contains(a.Number)).OrderBy(a => a.Difficulty)];
        if (left.Length == 0)
            return null;
        var last = offered.FirstOrDefault(a => seen.Count > 0 && a.Number == seen.Last());
        var lesson = said.Select(PracticeLesson.Of).FirstOrDefault(l => l is not null);
        var harder = left.FirstOrDefault(a => a.Difficulty > last?.Difficulty) ?? left[^1];
        if (lesson is null)
            return (harder, Trains.Harder);
        var best = left.MaxBy(a => Plenty(a, lesson.Trains))!;
        return Plenty(best, lesson.Trains) > 0 ? (best, lesson.Trains) : (harder, Trains.Harder);
    }

    private static int Plenty(PracticeAsk tree, Trains of) =>
        of switch
        {
            Trains.BigLimbs => tree.BigCuts,
            Trains.Unsound => tree.Unsound,
            Trains.Stubs => tree.Stubs,
            Trains.Leaders => tree.Leaders,
            Trains.Number => tree.Buds,
            Trains.Order => tree.Steps,
            _ => 0,
        };
}
