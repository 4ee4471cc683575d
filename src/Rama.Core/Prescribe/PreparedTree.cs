using Rama.Core.Systems;
using Rama.Core.Systems.Language;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>A tree made ready to be cut by a system's rules again and again.</summary>
internal sealed class PreparedTree(PruningRules rules, FruitTree tree)
{
    private readonly Dictionary<ReadyStep, int[]> _budOrders = [];

    public PruningRules Rules => rules;

    public FruitTree Tree => tree;

    /// <summary>Floral buds in the order a step takes them, as the tree grew.</summary>
    public int[] BudOrder(ReadyStep step)
    {
        if (_budOrders.TryGetValue(step, out var known))
            return known;
        var standing = new RemainingTree(tree);
        return _budOrders[step] = Ordered(step, [.. Vocabulary.Grown(tree, Subject.Buds)], id =>
            new(standing, id, 0, rules.Defaults)
        );
    }

    /// <summary>What was found, in the order of a step; what ties is taken in the order it grew.</summary>
    public static int[] Ordered(ReadyStep step, List<int> found, Func<int, RuleScope> scope)
    {
        var keys = new Key[found.Count];
        for (var i = 0; i < keys.Length; i++)
        {
            var at = scope(found[i]);
            double KeyAt(int k) => k < step.First.Count ? step.First[k].Key(at) * (step.First[k].Down ? -1 : 1) : 0;
            keys[i] = new(KeyAt(0), KeyAt(1), KeyAt(2), found[i]);
        }
        Array.Sort(keys);
        return Array.ConvertAll(keys, k => k.Id);
    }

    private readonly record struct Key(double First, double Second, double Third, int Id) : IComparable<Key>
    {
        public int CompareTo(Key other) =>
            First != other.First
                ? First < other.First
                    ? -1
                    : 1
                : Second != other.Second
                    ? Second < other.Second
                        ? -1
                        : 1
                    : Third != other.Third
                        ? Third < other.Third
                            ? -1
                            : 1
                        : Id.CompareTo(other.Id);
    }
}
