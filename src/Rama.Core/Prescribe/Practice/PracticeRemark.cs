using Rama.Core.Explain;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Practice;

/// <summary>What an experienced pruner says of a tree cut for practice.</summary>
/// <param name="Said">The remark.</param>
/// <param name="Faults">Faults it counts for.</param>
/// <param name="Most">Points the tree can have at most with it, 100 for a slip: whoever tops a leader has not pruned
/// well, however right the number came out.</param>
/// <param name="Branches">Wood it speaks of.</param>
internal sealed record PracticeRemark(Notice Said, double Faults, double Most, IReadOnlyList<int> Branches)
{
    private const double All = 100;

    // What a grave fault leaves of the points, and what each further one takes: a convention of Rama's own.
    private const double WithGrave = 40,
        WithKept = 88,
        PerKept = 16,
        WithMissed = 76,
        PerMissed = 14,
        Least = 20;

    // A part of the tree is bare where less than this of what the card leaves there stands, if that is worth speaking
    // of.
    private const double Bare = 0.4,
        WorthSpeaking = 0.1;

    // A limb that bore so many buds and bears none is blind.
    private const int BoreBuds = 4;

    /// <summary>The remarks on a tree, the gravest first.</summary>
    public static IReadOnlyList<PracticeRemark> Of(TreeBench bench, IReadOnlyList<BenchCut> cuts, PracticeWork work) =>
        [.. Wood(bench, cuts, work).Concat(Caps(bench, cuts)).Concat(Shape(bench, cuts, work)).OrderBy(r => r.Most)];

    private static PracticeRemark Slip(Notice said, double faults, IEnumerable<int> branches) =>
        new(said, faults, All, [.. branches]);

    private static PracticeRemark Grave(Notice said, double faults, double most, IEnumerable<int> branches) =>
        new(said, faults, Math.Max(Least, most), [.. branches]);

    private static IEnumerable<PracticeRemark> Wood(TreeBench bench, IReadOnlyList<BenchCut> cuts, PracticeWork work)
    {
        var wood = bench.Tree.Branches;
        var topped = work.Kept.Where(k => wood[k.Cut.Branch].Kind is BranchKind.Leader or BranchKind.Trunk).ToList();
        if (topped.Count > 0)
            yield return Grave(
                new(
                    "practice.leader",
                    $"Leaders cut where the card keeps them, or far below it: {topped.Count}. What grows back there is "
                        + "a broom of uprights.",
                    new Figure("leaders", topped.Count, "1")
                ),
                3 * topped.Count,
                WithGrave - 10,
                topped.Select(k => k.Cut.Branch)
            );
        var kept = work.Kept.Except(topped).ToList();
        var weight = kept.Sum(k => k.Weight);
        if (kept.Count > 0)
            yield return Grave(
                new(
                    "practice.kept",
                    $"Wood cut that the card keeps, or cut otherwise than it asks: {kept.Count} times.",
                    new Figure("cuts", kept.Count, "1")
                ),
                weight,
                WithKept - PerKept * Math.Max(0, weight - 1),
                kept.Select(k => k.Cut.Branch)
            );
        if (cuts.Where(c => c.Bud is null && wood[c.Branch].Kind == BranchKind.Dart).ToList() is { Count: > 0 } darts)
            yield return Slip(
                new(
                    "practice.dart",
                    $"Short shoots cut that end in a fat bud: {darts.Count}. They are no forks, they bear.",
                    new Figure("darts", darts.Count, "1")
                ),
                darts.Count,
                darts.Select(d => d.Branch)
            );
        if (cuts.Where(c => c.Fit == CutFit.TooShort).ToList() is { Count: > 0 } stubs)
            yield return Slip(
                new(
                    "practice.stub-short",
                    $"Stubs cut too short to shoot again: {stubs.Count}.",
                    new Figure("stubs", stubs.Count, "1")
                ),
                stubs.Count,
                stubs.Select(c => c.Branch)
            );
        if (cuts.Where(c => c.Fit == CutFit.TooLong).ToList() is { Count: > 0 } pegs)
            yield return Slip(
                new(
                    "practice.peg",
                    $"Pegs left where the cut belongs closer: {pegs.Count}. They dry back or shoot again.",
                    new Figure("pegs", pegs.Count, "1")
                ),
                pegs.Count,
                pegs.Select(c => c.Branch)
            );
        var unsound = wood.Where(b => b.Kind == BranchKind.Limb && b.State != WoodState.Sound && work.Left.Stands(b.Id))
            .Select(b => b.Id)
            .ToList();
        if (unsound.Count > 0)
            yield return Grave(
                new(
                    "practice.unsound",
                    $"Dead, broken or diseased limbs still standing: {unsound.Count}. They come out of every tree.",
                    new Figure("limbs", unsound.Count, "1")
                ),
                unsound.Count,
                WithKept - PerMissed * (unsound.Count - 1),
                unsound
            );
        var big = work
            .Missed.Where(c => c.DiameterMm >= bench.Rules.System.Caps.BigCutMm && !unsound.Contains(c.Branch))
            .ToList();
        if (big.Count > 0)
            yield return Grave(
                new(
                    "practice.big-left",
                    $"Limbs too big for their place still standing: {big.Count}. They come before the small cuts.",
                    new Figure("limbs", big.Count, "1")
                ),
                big.Count,
                WithMissed - PerMissed * (big.Count - 1),
                big.Select(c => c.Branch)
            );
    }

    private static IEnumerable<PracticeRemark> Caps(TreeBench bench, IReadOnlyList<BenchCut> cuts)
    {
        var caps = bench.Rules.System.Caps;
        var after = cuts.Count == 0 ? bench.Before : cuts[^1].After;
        var most = Math.Max(caps.BigCuts, bench.Pruning.BigCuts);
        if (after.BigCuts > most)
            yield return Grave(
                new(
                    "practice.big-cuts",
                    $"Big cuts made: {after.BigCuts}, at most {most} a tree. Expect a forest of strong shoots.",
                    new Figure("big cuts", after.BigCuts, "1"),
                    new Figure("most", most, "1")
                ),
                after.BigCuts - most,
                WithMissed - PerMissed * (after.BigCuts - most),
                []
            );
        var wood = Math.Max(caps.ShareOfWood, bench.Pruning.Left.WoodCutShare) + 0.02;
        if (after.WoodShare > wood)
            yield return Grave(
                new(
                    "practice.wood",
                    $"{after.WoodShare * 100:0} % of the wood is gone, at most {caps.ShareOfWood * 100:0} % in "
                        + "one winter.",
                    new Figure("wood", after.WoodShare, "share"),
                    new Figure("most", caps.ShareOfWood, "share")
                ),
                1,
                WithGrave,
                []
            );
        var left = bench.Pruning.Left.FloralBuds;
        if (after.FloralBuds < Math.Min(bench.Allowance.CapLow, left) - 1)
            yield return Grave(
                new(
                    "practice.bud-cap",
                    $"More than {bench.Settings.Cap * 100:0} % of the buds are gone in one winter.",
                    new Figure("most", bench.Settings.Cap, "share")
                ),
                1,
                WithGrave,
                []
            );
        var rubbed = cuts.Where(c => c.Bud is not null).Sum(c => c.Drop);
        var asked = bench.Pruning.Cuts.Where(c => c.Bud is not null).Sum(c => c.Drop);
        if (rubbed > Math.Max(asked, caps.ShareRubbed * bench.Before.FloralBuds) + 1)
            yield return Grave(
                new(
                    "practice.rubbed",
                    $"Buds rubbed off one by one: {rubbed}. That is a day's work on a few trees; wood comes first.",
                    new Figure("buds", rubbed, "bud")
                ),
                2,
                WithGrave,
                []
            );
    }

    private static IEnumerable<PracticeRemark> Shape(TreeBench bench, IReadOnlyList<BenchCut> cuts, PracticeWork work)
    {
        var (tree, card) = (bench.Tree, bench.Pruning.Left);
        var before = new RemainingTree(tree);
        var blind = tree
            .Branches.Where(b =>
                b.Kind == BranchKind.Limb
                && work.Left.Stands(b.Id)
                && before.FloralOn(b.Id) >= BoreBuds
                && work.Left.FloralOn(b.Id) == 0
                && card.FloralOn(b.Id) > 0
            )
            .Select(b => b.Id)
            .ToList();
        if (blind.Count > 0)
            yield return Grave(
                new(
                    "practice.blind",
                    $"Limbs left without a single floral bud: {blind.Count}. Blind wood only shades.",
                    new Figure("limbs", blind.Count, "1")
                ),
                blind.Count,
                WithMissed - PerMissed * (blind.Count - 1),
                blind
            );
        if (cuts.Count > 0 && BarePart(tree, card, work.Left) is { } part)
            yield return Grave(
                new(
                    $"practice.bare-{part.Name}",
                    part.Name == "side"
                        ? $"One side of the tree is bare: {part.Left} buds where the card leaves {part.Card}."
                        : $"One storey of the tree is bare: {part.Left} buds where the card leaves {part.Card}.",
                    new Figure("left", part.Left, "bud"),
                    new Figure("by the card", part.Card, "bud")
                ),
                2,
                WithGrave + 8,
                []
            );
    }

    // Four sides around each leader and thirds of the height.
    private static (string Name, int Left, int Card)? BarePart(FruitTree tree, RemainingTree card, RemainingTree left)
    {
        var top = Math.Max(0.1, tree.Branches.Max(b => b.Path[^1].HeightM));
        Dictionary<(string Name, int Part), (int Left, int Card)> parts = [];
        foreach (var id in tree.Index.Floral)
        {
            var bud = tree.Buds[id];
            var at = tree.Branches[bud.Branch].PointAt(bud.AtM);
            var leader = tree.Branches[tree.Index.LeaderOf[bud.Branch]];
            var foot = leader.PointAt(leader.MetresToHeight(at.HeightM));
            var (along, across) = (at.AlongM - foot.AlongM, at.AcrossM - foot.AcrossM);
            Add(("storey", Math.Clamp((int)(at.HeightM / top * 3), 0, 2)), bud);
            // What sits on the leader itself is on no side.
            if (Math.Max(Math.Abs(along), Math.Abs(across)) > 0.05)
                Add(("side", Math.Abs(along) >= Math.Abs(across) ? (along > 0 ? 0 : 1) : (across > 0 ? 2 : 3)), bud);
        }
        return parts
            .Where(p => p.Value.Card >= WorthSpeaking * Math.Max(1, card.FloralBuds))
            .Where(p => p.Value.Left < Bare * p.Value.Card)
            .OrderBy(p => p.Value.Left / (double)p.Value.Card)
            .Select(p => ((string, int, int)?)(p.Key.Name, p.Value.Left, p.Value.Card))
            .FirstOrDefault();

        void Add((string, int) part, BudSite bud)
        {
            var (stands, stays) = parts.GetValueOrDefault(part);
            parts[part] = (
                stands + (left.BudStands(bud.Id) ? bud.Count : 0),
                stays + (card.BudStands(bud.Id) ? bud.Count : 0)
            );
        }
    }
}
