using Rama.Core.Prescribe.Bench;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe.Practice;

/// <summary>Ways to cut a tree on the bench, bad ones and sensible ones, for any system.</summary>
internal static class WaysToCut
{
    /// <summary>Ways no lead would let pass (common practice, no source).</summary>
    public static IReadOnlyList<(string Name, Func<TreeBench, List<HandCut>> Cut)> Bad { get; } =
    [
        ("nothing", _ => []),
        ("leader at half its height", b => [.. Leaders(b).Select(l => Beyond(l, l.LengthM * .5))]),
        ("leader at two thirds", b => [.. Leaders(b).Select(l => Beyond(l, l.LengthM * .66))]),
        ("leader at a quarter", b => [.. Leaders(b).Select(l => Beyond(l, l.LengthM * .25))]),
        ("leader at the ground", b => [.. Leaders(b).Select(l => Beyond(l, 0.02))]),
        ("the card, then the leader topped", b => [.. Card(b), .. Leaders(b).Select(l => Beyond(l, l.LengthM * .5))]),
        ("four lowest limbs", b => [.. Limbs(b).OrderBy(l => l.Path[0].HeightM).Take(4).Select(Whole)]),
        ("half the limbs, the lowest", b =>
            [.. Limbs(b).OrderBy(l => l.Path[0].HeightM).Take(Count(b, .5)).Select(Whole)]
        ),
        ("half the limbs, the highest", b =>
            [.. Limbs(b).OrderBy(l => -l.Path[0].HeightM).Take(Count(b, .5)).Select(Whole)]
        ),
        ("all limbs of one side", b => [.. Limbs(b).Where(l => l.Path[^1].AlongM > l.Path[0].AlongM).Select(Whole)]),
        ("all limbs", b => [.. Limbs(b).Select(Whole)]),
        ("every second limb", b => [.. Limbs(b).Where((_, i) => i % 2 == 0).Select(Whole)]),
        ("thin limbs first, to the number", b => ToNumber(b, Limbs(b).OrderBy(l => l.DiameterMm).Select(Whole))),
        ("every limb to a peg of 10 cm", b => [.. Limbs(b).Select(l => Beyond(l, 0.1))]),
        ("every limb to a third", b => [.. Limbs(b).Select(l => Beyond(l, l.LengthM / 3))]),
        ("a hedge at 30 cm", b => [.. Limbs(b).Where(l => l.LengthM > .3).Select(l => Beyond(l, .3))]),
        ("a flat top at half the height", b => FlatTop(b)),
        ("buds as they come, to the number", b => ToNumber(b, Buds(b))),
        ("buds of the top first, to the number", b => ToNumber(b, Buds(b, s => -HeightOf(b, s)))),
        ("buds of the bottom first, to the number", b => ToNumber(b, Buds(b, s => HeightOf(b, s)))),
        ("all buds", b => [.. Buds(b)]),
        ("buds to half the number", b => ToNumber(b, Buds(b), .5)),
        ("half of the limbs blind", b => [.. Limbs(b).Where((_, i) => i % 2 == 0).SelectMany(l => BudsOf(b, l))]),
        ("all fat buds", b => [.. b.Tree.Buds.Where(s => s is { Floral: true, Fat: true }).Select(Rubbed)]),
        ("all darts and short shoots", b => [.. Wood(b, BranchKind.Dart, BranchKind.Shoot).Select(Whole)]),
        ("the first cut of the card alone", b => [.. Card(b).Take(1)]),
        ("the small cuts of the card alone", b => [.. SmallAlone(b)]),
        ("the card and half as many buds again", b => [.. Card(b), .. More(b)]),
        ("the card and every second limb left", b =>
            [.. Card(b), .. LimbsLeft(b).Where((_, i) => i % 2 == 0).Select(Whole)]
        ),
        ("the card and six limbs it keeps", b => [.. Card(b), .. LimbsLeft(b).Take(6).Select(Whole)]),
        ("random limbs, to the number", b => ToNumber(b, Limbs(b).OrderBy(l => (l.Id * 7919) % 101).Select(Whole))),
    ];

    /// <summary>Ways a good pruner may differ from the card.</summary>
    public static IReadOnlyList<(string Name, Func<TreeBench, List<HandCut>> Cut)> Sensible { get; } =
    [
        ("the card itself", Card),
        ("the card, stubs a little longer", b =>
            [.. Card(b).Select(c => c.LeaveM is > 0 and < .1 ? c with { LeaveM = c.LeaveM * 1.3 } : c)]
        ),
        ("the card, collars not quite flush", b =>
            [.. Card(b).Select(c => c is { Branch: not null, LeaveM: 0 or null } ? c with { LeaveM = .01 } : c)]
        ),
        ("the card without its last twentieth", b => WithoutLast(b)),
        ("the card, each step from its end", b => [.. Steps(b).SelectMany(s => s.Reverse())]),
        ("the card, other buds of the same kind", b => OtherBuds(b)),
    ];

    public static List<HandCut> Card(TreeBench bench) => [.. bench.Prescribed().Select(Hand)];

    // A twentieth of its cuts, and no more than a twentieth of what falls with them.
    private static List<HandCut> WithoutLast(TreeBench bench)
    {
        var cuts = bench.Prescribed();
        var (skipped, fallen) = (0, 0.0);
        while (skipped < cuts.Count / 20 && (fallen += cuts[^(skipped + 1)].Drop) <= cuts.Sum(c => c.Drop) / 20.0)
            skipped++;
        return [.. cuts.SkipLast(skipped).Select(Hand)];
    }

    private static IEnumerable<IEnumerable<HandCut>> Steps(TreeBench bench) =>
        bench.Prescribed().GroupBy(c => c.StepId).Select(g => g.Select(Hand));

    private static HandCut Hand(BenchCut c) =>
        c.Bud is { } bud ? new() { Bud = bud } : new() { Branch = c.Branch, LeaveM = c.LeaveM };

    private static HandCut Whole(Branch branch) => new() { Branch = branch.Id };

    private static HandCut Beyond(Branch branch, double leaveM) => new() { Branch = branch.Id, LeaveM = leaveM };

    private static HandCut Rubbed(BudSite bud) => new() { Bud = bud.Id };

    private static IEnumerable<Branch> Wood(TreeBench bench, params BranchKind[] kinds) =>
        bench.Tree.Branches.Where(b => kinds.Contains(b.Kind));

    private static IEnumerable<Branch> Leaders(TreeBench bench) => Wood(bench, BranchKind.Leader);

    private static IEnumerable<Branch> Limbs(TreeBench bench) => Wood(bench, BranchKind.Limb);

    // Limbs the card leaves whole, the strongest first.
    private static IEnumerable<Branch> LimbsLeft(TreeBench bench) =>
        Limbs(bench)
            .Where(l => l.State == WoodState.Sound && bench.Pruning.Left.LeftM(l.Id) >= l.LengthM)
            .OrderBy(l => -l.DiameterMm);

    private static int Count(TreeBench bench, double share) => (int)(Limbs(bench).Count() * share);

    private static double HeightOf(TreeBench bench, BudSite bud) =>
        bench.Tree.Branches[bud.Branch].PointAt(bud.AtM).HeightM;

    private static IEnumerable<HandCut> Buds(TreeBench bench, Func<BudSite, double>? by = null) =>
        bench.Tree.Buds.Where(s => s.Floral).OrderBy(by ?? (s => s.Id)).Select(Rubbed);

    private static IEnumerable<HandCut> BudsOf(TreeBench bench, Branch limb) =>
        bench.Tree.Buds.Where(s => s.Floral && IsOn(bench.Tree, s.Branch, limb.Id)).Select(Rubbed);

    private static bool IsOn(FruitTree tree, int? branch, int limb) =>
        branch is { } on && (on == limb || IsOn(tree, tree.Branches[on].Parent, limb));

    private static List<HandCut> FlatTop(TreeBench bench)
    {
        var height = bench.Tree.Branches.Max(b => b.Path[^1].HeightM) / 2;
        return
        [
            .. Wood(bench, BranchKind.Leader, BranchKind.Limb, BranchKind.Arm, BranchKind.Shoot)
                .Select(b => Beyond(b, b.MetresToHeight(height)))
                .Where(c => c.LeaveM < bench.Tree.Branches[c.Branch!.Value].LengthM),
        ];
    }

    private static IEnumerable<HandCut> SmallAlone(TreeBench bench)
    {
        var big = bench
            .Pruning.Cuts.Where(c => c.Bud is null)
            .OrderByDescending(c => c.DiameterMm)
            .Take((bench.Pruning.Cuts.Count(c => c.Bud is null) + 1) / 2)
            .Select(c => c.Branch)
            .ToHashSet();
        return Card(bench).Where(c => c.Branch is not { } branch || !big.Contains(branch));
    }

    private static IEnumerable<HandCut> More(TreeBench bench)
    {
        var left = bench.Pruning.Left;
        var more = left.FloralBuds / 2.0;
        foreach (var bud in bench.Tree.Buds.Where(s => s.Floral && left.BudStands(s.Id)))
        {
            if ((more -= bud.Count) < 0)
                yield break;
            yield return Rubbed(bud);
        }
    }

    // Buds at random of those the same steps would take.
    private static List<HandCut> OtherBuds(TreeBench bench)
    {
        var cuts = Card(bench);
        var wood = cuts.Where(c => c.Bud is null).ToList();
        var rubbed = bench.Prescribed().Where(c => c.Bud is not null).ToList();
        var after = new RemainingTree(bench.Tree);
        foreach (var cut in wood)
            after.Cut(cut.Branch!.Value, cut.LeaveM ?? 0);
        var all = bench
            .Made([.. wood, .. bench.Tree.Buds.Where(s => s.Floral && after.BudStands(s.Id)).Select(Rubbed)])
            .Where(c => c.Bud is not null)
            .ToLookup(c => c.StepId);
        // One bud in four is another one of its step, on a limb that keeps some.
        var left = bench.Pruning.Left;
        bool IsRich(int branch) =>
            bench.Tree.Buds.Count(s => s.Floral && s.Branch == branch && left.BudStands(s.Id)) > 4;
        var swapped = rubbed.Where((_, i) => i % 4 == 0).ToList();
        var taken = rubbed.Select(c => c.Bud).ToHashSet();
        List<HandCut> other = [.. rubbed.Except(swapped).Select(c => new HandCut { Bud = c.Bud })];
        var onBranch = new Dictionary<int, int>();
        foreach (var cut in swapped)
        {
            var instead = all[cut.StepId]
                .FirstOrDefault(c =>
                    c.Drop == cut.Drop
                    && IsRich(c.Branch)
                    && onBranch.GetValueOrDefault(c.Branch) == 0
                    && taken.Add(c.Bud)
                );
            if (instead is not null)
                onBranch[instead.Branch] = 1;
            other.Add(new() { Bud = instead?.Bud ?? cut.Bud });
        }
        return [.. wood, .. other];
    }

    private static List<HandCut> ToNumber(TreeBench bench, IEnumerable<HandCut> cuts, double share = 1)
    {
        var standing = new RemainingTree(bench.Tree);
        List<HandCut> made = [];
        foreach (var cut in cuts)
        {
            if (standing.FloralBuds <= bench.Pruning.Left.FloralBuds * share)
                break;
            if (cut.Bud is { } bud)
                standing.RubOff(bud);
            else
                standing.Cut(cut.Branch!.Value, cut.LeaveM ?? 0);
            made.Add(cut);
        }
        return made;
    }
}
