using Rama.Core.Count.Estimate;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Count;

/// <summary>A count of trees in one planting, as typed.</summary>
public sealed record SurveyEntry
{
    /// <summary>The counted trees.</summary>
    public IReadOnlyList<CountedTreeEntry> Trees { get; init; } = [];

    /// <summary>Buds cut to see which are floral.</summary>
    public IReadOnlyList<BudCutEntry> BudCuts { get; init; } = [];

    /// <summary>Share of buds that are floral, where all buds were counted and none of the kind cut.</summary>
    public Amount? FloralShare { get; init; }

    /// <summary>Which trees are to be counted.</summary>
    public SampleSettingsEntry Sample { get; init; } = new();

    /// <summary>How the mean is to be estimated; what fits best when left out.</summary>
    public EstimateMethod? Method { get; init; }

    /// <summary>Most trees one survey may hold; a scanner file goes another way.</summary>
    public const int MostTrees = 2_000;

    /// <summary>Most limbs listed on one tree.</summary>
    public const int MostLimbs = 300;

    /// <summary>Reads the entry into SI. An empty survey is read as no trees: nothing has been counted yet.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Survey Read()
    {
        var reader = new EntryReader();
        if (Trees.Count > MostTrees)
            reader.Add("trees", "range", $"Trees: expected at most {MostTrees} counted trees.");
        if (BudCuts.Count > MostTrees)
            reader.Add("budCuts", "range", $"Buds cut: expected at most {MostTrees} lines.");
        reader.ThrowIfAny();

        var share = reader.Optional("floralShare", "Floral share", FloralShare, Units.Share, 0, 1);
        var cuts = BudCuts.Select((entry, i) => entry.Read(reader, $"budCuts[{i}]")).OfType<BudCut>().ToList();
        var shares = SharesOf(reader, cuts);
        var sample = reader.Under("sample", Sample.Read);
        var places = new Dictionary<(double, double), int>();
        TreeReading read = new(reader, share, shares);
        var trees = Trees.Select((entry, i) => read.Tree(entry, i, places)).ToList();
        reader.ThrowIfAny();
        return new(trees, share, [.. shares.Values], sample!, Method);
    }

    private static Dictionary<string, FloralShare> SharesOf(EntryReader reader, List<BudCut> cuts)
    {
        var kinds = cuts.GroupBy(c => c.Kind).ToList();
        if (kinds.Count > BudKind.Most)
            reader.Add("budCuts", "range", $"Buds cut: expected at most {BudKind.Most} kinds.");
        var shares = kinds.ToDictionary(k => k.Key, k => Floral.FloralShare.Of(k.Key, [.. k]));
        // Buds whose kind was not told are of all those cut.
        if (cuts.Count > 0)
            shares.TryAdd(BudKind.Any, Floral.FloralShare.Of(BudKind.Any, cuts));
        return shares;
    }

    /// <summary>Limbs told older than the trees are.</summary>
    /// <param name="leaf">Leaf of the planting: no limb is older.</param>
    public IEnumerable<FieldProblem> OlderThan(int leaf) =>
        from tree in Trees.Index()
        from limb in tree.Item.LimbSizes.Index()
        where limb.Item.Age > leaf
        select new FieldProblem(
            $"trees[{tree.Index}].limbSizes[{limb.Index}].age",
            "range",
            $"Age of the limb: expected up to {leaf} years, as old as the trees are; got {limb.Item.Age:0}.",
            1,
            leaf,
            "year"
        );

    private sealed class TreeReading(EntryReader reader, double? typed, Dictionary<string, FloralShare> shares)
    {
        public CountedTree Tree(CountedTreeEntry entry, int index, Dictionary<(double, double), int> places)
        {
            var path = $"trees[{index}]";
            var row = reader.RequiredWhole($"{path}.row", "Row", entry.Row, "", 1, 9_999);
            var tree = reader.RequiredWhole($"{path}.tree", "Tree", entry.Tree, "", 1, 9_999);
            if (!double.IsNaN(row + tree) && !places.TryAdd((row, tree), index))
                reader.Add(
                    $"{path}.tree",
                    "duplicate",
                    $"Tree {tree:0} of row {row:0} is already on line {places[(row, tree)] + 1}."
                );

            var girth = reader.Optional($"{path}.girth", "Girth", entry.Girth, Units.Length, 0.01, 3);
            var limbs = reader.OptionalWhole($"{path}.limbs", "Limbs", entry.Limbs, "", 0, MostLimbs);
            var sizes = Limbs(entry, path);
            reader.OptionalText($"{path}.note", "Note", entry.Note, 500);
            var (kinds, floral) = Buds(entry, path);
            return new(row, tree, girth * 100, limbs ?? (sizes.Count > 0 ? sizes.Count : null), floral, kinds, sizes);
        }

        private (IReadOnlyList<KindCount> Kinds, double Floral) Buds(CountedTreeEntry entry, string path)
        {
            var floral = reader.OptionalWhole($"{path}.floralBuds", "Floral buds", entry.FloralBuds, "", 0, 20_000);
            var all = reader.OptionalWhole($"{path}.buds", "Buds", entry.Buds, "", 0, 40_000);
            var told = (floral is null ? 0 : 1) + (all is null ? 0 : 1) + (entry.Kinds.Count == 0 ? 0 : 1);
            if (told == 0)
                reader.Add(
                    $"{path}.floralBuds",
                    "missing",
                    "Floral buds: please enter the floral buds, or all buds and the floral share."
                );
            if (told > 1)
                reader.Add(
                    $"{path}.buds",
                    "conflict",
                    "Buds: expected either floral buds, all buds, or buds by kind for one tree, not several of these."
                );
            if (floral is { } direct)
                return ([], direct);
            List<KindCount> kinds = all is { } any ? [new(BudKind.Any, any)] : Kinds(entry, path);
            // A kind of which there are none needs no share.
            return (kinds, kinds.Where(k => k.Buds != 0).Sum(k => k.Buds * ShareOf(k.Kind)));
        }

        private List<KindCount> Kinds(CountedTreeEntry entry, string path)
        {
            if (entry.Kinds.Count > BudKind.Most)
                reader.Add($"{path}.kinds", "range", $"Kinds of bud: expected at most {BudKind.Most}.");
            List<KindCount> kinds = [];
            foreach (var (i, kind) in entry.Kinds.Take(BudKind.Most).Index())
            {
                var name = BudKind.Read(reader, $"{path}.kinds[{i}].kind", kind.Kind);
                var buds = reader.RequiredWhole($"{path}.kinds[{i}].buds", "Buds", kind.Buds, "", 0, 40_000);
                if (kinds.Any(k => k.Kind == name))
                    reader.Add($"{path}.kinds[{i}].kind", "duplicate", $"Kind of bud: “{name}” is there twice.");
                kinds.Add(new(name, buds));
            }
            return kinds;
        }

        // Cuts of the kind itself, else what was typed, else what all buds cut say.
        private double ShareOf(string kind)
        {
            if (kind != BudKind.Any && shares.TryGetValue(kind, out var cut))
                return cut.Share;
            if (typed is { } share)
                return share;
            if (shares.TryGetValue(BudKind.Any, out var all))
                return all.Share;
            AddOnce(
                "floralShare",
                "Floral share: please fill this in or cut buds, since more than floral buds were counted on at "
                    + "least one tree."
            );
            return double.NaN;
        }

        private void AddOnce(string field, string message)
        {
            if (!reader.Problems.Any(p => p.Field == field))
                reader.Add(field, "missing", message);
        }

        // Against the age of the planting it is held where that is known: in the ledger of renewal.
        private const int MostLimbAge = 60;

        private List<LimbSize> Limbs(CountedTreeEntry entry, string path)
        {
            if (entry.LimbSizes.Count > MostLimbs)
                reader.Add($"{path}.limbSizes", "range", $"Limbs: expected at most {MostLimbs}.");
            return
            [
                .. entry
                    .LimbSizes.Take(MostLimbs)
                    .Select(
                        (limb, i) =>
                            new LimbSize(
                                reader.Optional(
                                    $"{path}.limbSizes[{i}].diameter",
                                    "Limb diameter",
                                    limb.Diameter,
                                    Units.Length,
                                    0.002,
                                    0.5
                                ) * 1000,
                                limb.Forked,
                                reader.OptionalWhole(
                                    $"{path}.limbSizes[{i}].buds",
                                    "Buds on the limb",
                                    limb.Buds,
                                    "",
                                    0,
                                    5_000
                                ),
                                (int?)
                                    reader.OptionalWhole(
                                        $"{path}.limbSizes[{i}].age",
                                        "Age of the limb",
                                        limb.Age,
                                        "year",
                                        1,
                                        MostLimbAge
                                    )
                            )
                    ),
            ];
        }
    }
}
