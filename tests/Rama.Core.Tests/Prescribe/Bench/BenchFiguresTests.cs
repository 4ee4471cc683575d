using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Systems;
using Rama.Core.Tests.Trees;

namespace Rama.Core.Tests.Prescribe.Bench;

/// <summary>What is told of a cut and of the tree after it, worked out by hand on a straight tree.</summary>
public sealed class BenchFiguresTests
{
    private static TreeBench Bench(HandTree tree) =>
        new(TrainingSystem.Find("tall-spindle")!.RulesFor(), tree.Tree(), 100, new());

    private static double Figure(BenchCut cut, string name) => cut.Figures.Single(f => f.Name == name).Value;

    [Fact]
    public void Figures_of_a_limb_are_its_own()
    {
        // The leader tapers from 50 to 10 mm over 3 m: 38 mm at .9 m.
        var hand = new HandTree();
        var limb = hand.Limb(0.9, 27, 30, lengthM: 0.8, riseDeg: 10, age: 3);
        hand.Limb(1.5, 12, 30);
        var cut = Bench(hand).Made([new() { Branch = limb, LeaveM = 0.2 }])[0];
        Assert.Equal(0.9, Figure(cut, "height"), 6);
        Assert.Equal(27, Figure(cut, "diameter"), 6);
        Assert.Equal(27 / 38.0, Figure(cut, "ratio"), 3);
        Assert.Equal((10, 3), (Figure(cut, "rise"), Figure(cut, "age")));
        Assert.Equal(0.8, Figure(cut, "length"), 6);
        Assert.Equal(0.2, Figure(cut, "leave"), 6);
        Assert.Equal(0.9 + 0.2 * Math.Sin(10 * Math.PI / 180), Figure(cut, "at"), 6);
        Assert.Equal(cut.Figures.Single(f => f.Name == "at").Value, cut.At.HeightM, 6);
        // Buds stand at even distances: 30 on .8 m, those beyond .2 m fall.
        Assert.Equal(Enumerable.Range(1, 30).Count(i => 0.8 * i / 31 >= 0.2), Figure(cut, "drop"));
        Assert.Equal(CutKind.Shorten, cut.Kind);
    }

    [Fact]
    public void The_kind_of_a_cut_is_what_it_leaves()
    {
        var hand = new HandTree();
        var limbs = Enumerable.Range(0, 3).Select(i => hand.Limb(0.8 + i * 0.3, 14, 10)).ToList();
        var cuts = Bench(hand)
            .Made([
                new() { Branch = limbs[0] },
                new() { Branch = limbs[1], LeaveM = 0.015 },
                new() { Branch = limbs[2], LeaveM = 0.4 },
                new() { Branch = 0, LeaveM = 2.5 },
            ]);
        Assert.Equal([CutKind.Collar, CutKind.RenewalStub, CutKind.Shorten, CutKind.Head], cuts.Select(c => c.Kind));
        Assert.Equal(CutKind.RubOff, Bench(hand).Made([new() { Bud = 0 }])[0].Kind);
        // A leader is told by the height it is cut back to, and has none to be measured against.
        Assert.Equal((2.5, 2.5, 1), (Figure(cuts[3], "leave"), Figure(cuts[3], "height"), Figure(cuts[3], "ratio")));
    }

    [Fact]
    public void An_arm_is_told_by_the_height_of_its_limb()
    {
        var hand = new HandTree();
        var limb = hand.Limb(1.2, 20, 10, riseDeg: 60);
        var arm = hand.Arm(limb, 0.5, 9, 6, riseDeg: 20);
        var cut = Bench(hand).Made([new() { Branch = arm }])[0];
        Assert.Equal(1.2, Figure(cut, "height"), 6);
        Assert.Equal(1.2 + 0.5 * Math.Sin(60 * Math.PI / 180), Figure(cut, "at"), 6);
        Assert.Equal(1, Figure(cut, "ratio"));
    }

    [Fact]
    public void Measures_are_of_what_stands()
    {
        // The top of the tree is the leader's at 3 m, so that thirds end at 1 and 2 m.
        var hand = new HandTree();
        var low = hand.Limb(0.7, 22, 10, riseDeg: 0);
        var middle = hand.Limb(1.4, 12, 20, riseDeg: 0);
        var top = hand.Limb(2.4, 9, 30, riseDeg: 0);
        var bench = Bench(hand);
        var before = bench.Before;
        Assert.Equal((60, 3, 0), (before.FloralBuds, before.Limbs, before.BigCuts));
        Assert.Equal((30 / 60.0, 20 / 60.0, 10 / 60.0), (before.TopShare, before.MiddleShare, before.BottomShare));
        // 22 mm on a leader of 50 − 40 · .7 ÷ 3 mm there; 9 mm on one of 18 mm.
        Assert.Equal(low, before.ThickestLimb);
        Assert.Equal(22 / (50 - 40 * 0.7 / 3), before.ThickestRatio!.Value, 3);
        var after = bench.Made([new() { Branch = low }])[0].After;
        Assert.Equal((50, 2), (after.FloralBuds, after.Limbs));
        Assert.Equal(top, after.ThickestLimb);
        Assert.Equal(9 / 18.0, after.ThickestRatio!.Value, 3);
        // Headed just above the limb, the limb leads on and is none to be measured any more.
        var headed = bench.Made([new() { Branch = low }, new() { Branch = 0, LeaveM = 2.42 }])[^1].After;
        Assert.Equal(middle, headed.ThickestLimb);
        var bare = bench.Made([new() { Branch = low }, new() { Branch = middle }, new() { Branch = top }])[^1].After;
        Assert.Equal(
            (0, 0, 0.0, 0.0, 0.0),
            (bare.FloralBuds, bare.Limbs, bare.TopShare, bare.MiddleShare, bare.BottomShare)
        );
        Assert.Null(bare.ThickestLimb);
        Assert.Null(bare.ThickestRatio);
    }

    [Fact]
    public void A_tree_told_by_its_trunk_and_limbs_has_them()
    {
        var cut = new CutTreeEntry
        {
            System = "tall-spindle",
            FloralBuds = 180,
            BudsToLeave = 120,
            Trunk = new(62, "mm"),
            Limbs = [new(14, "mm"), new(1.8, "cm"), new(11, "mm")],
        }.Calculate();
        Assert.Equal(62, cut.Tree.TrunkMm, 6);
        Assert.Equal(180, cut.Tree.FloralBuds);
        Assert.Equal(
            [11, 14, 18],
            cut.Tree.Branches.Where(b => b.Kind == Core.Trees.BranchKind.Limb)
                .Select(b => Math.Round(b.DiameterMm, 6))
                .Order()
        );
        var entry = new CutTreeEntry
        {
            System = "tall-spindle",
            FloralBuds = 180,
            BudsToLeave = 120,
            Trunk = new(62, "mm"),
        };
        Assert.Equal(62, entry.Calculate().Tree.TrunkMm, 1);
        Assert.Equal(180, entry.Calculate().Tree.FloralBuds, 12.0);
        Assert.Equal(
            ["limbs", "limbs[0]", "trunk"],
            Entries
                .ProblemsOf(() =>
                    (
                        entry with
                        {
                            Trunk = new(2, "m"),
                            Limbs = [.. Enumerable.Repeat(new Core.Quantities.Amount(0, "mm"), 401)],
                        }
                    ).Calculate()
                )
                .Select(p => p.Field)
                .Distinct()
                .Where(f => f is "limbs" or "limbs[0]" or "trunk")
                .Order()
        );
    }
}
