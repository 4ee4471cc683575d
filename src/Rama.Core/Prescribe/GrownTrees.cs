using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>
/// Typical trees of trunk classes, kept while somebody tries targets and cuts on them: they follow from the counts
/// alone, and growing them is the greater part of a plan. Those of a few plantings are kept, the last asked for, and
/// only what was asked for before: where many plantings are planned one after the other, keeping costs more than it
/// saves.
/// </summary>
internal static class GrownTrees
{
    // Some 50 bytes each; the 45 trees of a planting have 10 000 to 70 000.
    private const int MostParts = 600_000,
        PartsOfWood = 7,
        PartsAsked = 20;

    private static readonly Lock Turn = new();
    private static readonly Dictionary<Asked, LinkedListNode<Kept>> Known = [];
    private static readonly LinkedList<Kept> LastAsked = [];
    private static int _parts;

    /// <summary>Trees of a class.</summary>
    /// <param name="stock">Trees of the planting.</param>
    /// <param name="counts">What the class is made from.</param>
    /// <param name="trees">How many.</param>
    /// <param name="seed">Seed.</param>
    public static IReadOnlyList<FruitTree> Of(TreeStock stock, TreeCounts counts, int trees, int seed)
    {
        Asked asked = new(stock.Shape, stock.Place, counts, trees, seed);
        bool again;
        IReadOnlyList<FruitTree>? known;
        lock (Turn)
            (again, known) = Ask(asked);
        if (known is not null)
            return known;
        var grown = new TreeGenerator(stock.Shape, stock.Place).Make(counts, trees, seed);
        if (again)
            lock (Turn)
                Keep(new(asked, grown, grown.Sum(t => PartsOfWood * t.Branches.Length + t.Buds.Length)));
        return grown;
    }

    private static (bool Again, IReadOnlyList<FruitTree>? Trees) Ask(Asked asked)
    {
        if (!Known.TryGetValue(asked, out var known))
        {
            Keep(new(asked, null, PartsAsked));
            return (false, null);
        }
        LastAsked.Remove(known);
        LastAsked.AddLast(known);
        return (true, known.Value.Trees);
    }

    private static void Keep(Kept kept)
    {
        if (Known.Remove(kept.Asked, out var before))
            Leave(before);
        Known.Add(kept.Asked, LastAsked.AddLast(kept));
        _parts += kept.Parts;
        while (_parts > MostParts && LastAsked.First is { } oldest && oldest.Value != kept)
        {
            Known.Remove(oldest.Value.Asked);
            Leave(oldest);
        }

        static void Leave(LinkedListNode<Kept> node)
        {
            LastAsked.Remove(node);
            _parts -= node.Value.Parts;
        }
    }

    private sealed record Asked(TypicalTree Shape, TreePlace Place, TreeCounts Counts, int Trees, int Seed);

    private sealed record Kept(Asked Asked, IReadOnlyList<FruitTree>? Trees, int Parts);
}
