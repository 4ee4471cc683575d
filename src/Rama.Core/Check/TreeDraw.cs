namespace Rama.Core.Check;

/// <summary>Trees drawn to be checked in a row, so that nobody picks the best ones.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Trees">Trees in the order they are to be checked.</param>
/// <param name="Due">How many of them at least.</param>
public sealed record TreeDraw(int Row, IReadOnlyList<int> Trees, int Due)
{
    /// <summary>One tree in so many is checked.</summary>
    public const int OneIn = 40;

    /// <summary>Trees checked a day of each pruner at least.</summary>
    public const int LeastADay = 3;

    // Drawn beyond those due, for pruners with too few and for trees that turn out to be gone.
    private const int Spare = 6;

    /// <summary>Draws the trees of rows.</summary>
    /// <param name="rows">Trees to prune by row.</param>
    /// <param name="seed">Seed of the planting and pass: the same trees for every phone.</param>
    /// <remarks>
    /// Over all rows one tree in 40 is due: rows shorter than that have one in their turn. Splitmix64 (Steele, Lea and
    /// Flood 2014) makes the draw the same on every machine.
    /// </remarks>
    public static IReadOnlyList<TreeDraw> Of(IReadOnlyList<(int Row, IReadOnlyList<int> Trees)> rows, ulong seed)
    {
        List<TreeDraw> draws = [];
        // Where in the first forty the first one falls is drawn as well.
        var counted = Next(ref seed) % OneIn;
        foreach (var (row, trees) in rows)
        {
            var due = (int)((counted + (ulong)trees.Count) / OneIn);
            counted = (counted + (ulong)trees.Count) % OneIn;
            var state = seed ^ ((ulong)row * 0x9E3779B97F4A7C15);
            List<int> shuffled = [.. trees];
            var drawn = Math.Min(due + Spare, shuffled.Count);
            for (var i = 0; i < drawn; i++)
            {
                var j = i + (int)(Next(ref state) % (ulong)(shuffled.Count - i));
                (shuffled[i], shuffled[j]) = (shuffled[j], shuffled[i]);
            }
            draws.Add(new(row, shuffled[..drawn], due));
        }
        return draws;
    }

    private static ulong Next(ref ulong state)
    {
        var z = state += 0x9E3779B97F4A7C15;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }
}
