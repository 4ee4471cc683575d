using CsCheck;
using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Core.Tests.Trees;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe;

public sealed class TreePruningTests
{
    private static readonly DecisionSettings Usual = new();

    private static TreePruning Cut(
        string system,
        FruitTree tree,
        double toLeave,
        IReadOnlyDictionary<string, string>? answers = null,
        IReadOnlyDictionary<string, double>? settings = null,
        string? pass = null
    ) =>
        TreePruning.Of(
            TrainingSystem.Find(system)!.RulesFor(answers, pass),
            tree,
            CutAllowance.Counted(tree.FloralBuds, toLeave, Usual),
            settings
        );

    private static List<string> StepsOf(TreePruning pruning) => [.. pruning.Cuts.Select(c => c.StepId).Distinct()];

    private static Dictionary<string, string> Answers(string question, string answer) => new() { [question] = answer };

    /// <summary>
    /// A spindle of so many floral buds: 20 even limbs of 13 mm, every third forked, and two that are too thick.
    /// </summary>
    private static FruitTree Spindle(int buds)
    {
        var hand = new HandTree();
        var big = (int)Math.Round(buds * 0.09);
        hand.Limb(0.8, 27, big, azimuthDeg: 10);
        hand.Limb(1.2, 24, big, azimuthDeg: 190);
        var rest = buds - 2 * big;
        for (var i = 0; i < 20; i++)
        {
            var mine = rest * (i + 1) / 20 - rest * i / 20;
            var arm = i % 3 == 0 ? mine / 3 : 0;
            var limb = hand.Limb(
                0.7 + i * 0.11,
                13 - i * 0.3,
                mine - arm,
                azimuthDeg: i * 137.5,
                side: i % 2 == 0 ? BudSide.Under : BudSide.Upper
            );
            if (arm > 0)
                hand.Arm(limb, 0.35, 8, arm, 45);
        }
        return hand.Tree();
    }

    // Handbook 2.7, the four trees at 163 buds for 96 fruit.
    [Fact]
    public void Eighty_eight_buds_are_not_pruned() => Assert.Empty(Cut("tall-spindle", Spindle(88), 163.2).Cuts);

    [Fact]
    public void One_hundred_and_seventy_are_shaped_and_no_more()
    {
        var pruning = Cut("tall-spindle", Spindle(170), 163.2);
        Assert.DoesNotContain("spurs", StepsOf(pruning));
        Assert.InRange(170 - pruning.Left.FloralBuds, 0, 16.32);
    }

    [Fact]
    public void Two_hundred_and_thirty_one_end_in_the_band_of_the_number()
    {
        var pruning = Cut("tall-spindle", Spindle(231), 163.2);
        Assert.Equal("thick-limbs", pruning.Cuts[0].StepId);
        Assert.InRange(pruning.Left.FloralBuds, 163.2 * 0.9, 163.2 * 1.1);
    }

    [Fact]
    public void Two_hundred_and_ninety_are_cut_to_the_cap_and_eleven_left_to_thinning()
    {
        // 40 % of 290 is 116: 174 stay, 11 over 163. Bud by bud at most a fifth goes, 58, which ends it
        // three buds earlier here.
        var pruning = Cut("tall-spindle", Spindle(290), 163.2);
        Assert.Equal(177, pruning.Left.FloralBuds);
        Assert.Equal((StepEnd.RubCap, 58), (pruning.Ends["spurs"], pruning.Cuts.Count(c => c.Bud is not null)));
        Assert.InRange(Cut("tall-spindle", Spindle(290), 150).Left.FloralBuds, 174, 290);
    }

    // Handbook 2.7: 231 with one limb and the forks off, 81 on the ground, 150 left, 8 % under: stop there, a little
    // under is no fault.
    [Fact]
    public void A_little_under_the_number_with_a_limb_is_no_fault_and_nothing_more_is_rubbed()
    {
        var hand = new HandTree();
        hand.Limb(1, 26, 45);
        for (var i = 0; i < 12; i++)
        {
            var limb = hand.Limb(0.7 + i * 0.08, 12, i < 6 ? 10 : 15, azimuthDeg: i * 137.5);
            if (i < 6)
                hand.Arm(limb, 0.3, 9, 6, 50);
        }
        var pruning = Cut("tall-spindle", hand.Tree(), 163.2);
        Assert.Equal((231, 150), (hand.Tree().FloralBuds, pruning.Left.FloralBuds));
        Assert.Equal(StepEnd.Number, pruning.Ends["spurs"]);
    }

    // 3.2: over half the leader up to half height, a third at three quarters; memory, extension guides.
    [Theory]
    [InlineData(0.8, 21, true)] // leader there 39.3 mm: .53
    [InlineData(0.8, 19, false)] // .48
    [InlineData(2.4, 8.0, true)] // leader there 18 mm: .44
    [InlineData(2.4, 5.5, false)] // .31
    public void A_limb_too_big_for_its_place_goes(double heightM, double mm, bool goes)
    {
        var hand = new HandTree();
        hand.Limb(heightM, mm, 20);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.7 + i * 0.1, 12, 20);
        Assert.Equal(goes, StepsOf(Cut("tall-spindle", hand.Tree(), 170)).Contains("thick-limbs"));
    }

    [Fact]
    public void At_most_one_big_limb_goes_in_the_top()
    {
        var hand = new HandTree();
        foreach (var height in new[] { 2.4, 2.5, 2.6 })
            hand.Limb(height, 9, 10);
        for (var i = 0; i < 15; i++)
            hand.Limb(0.7 + i * 0.1, 5, 12);
        Assert.Single(Cut("tall-spindle", hand.Tree(), 150).Cuts, c => c.StepId == "thick-limbs");
    }

    // 3.2: a side limb level with the leader's tip, or as thick as the leader, comes out.
    [Fact]
    public void A_rival_of_the_leader_comes_out()
    {
        var hand = new HandTree();
        var rival = hand.Limb(2.2, 14, 10, lengthM: 0.9, riseDeg: 75);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.7 + i * 0.1, 12, 20);
        Assert.Equal(rival, Cut("tall-spindle", hand.Tree(), 150).Cuts.Single(c => c.StepId == "rivals").Branch);
    }

    // 3.3: before final height the leader runs on uncut; above it, back to a weak side shoot, never a strong upright.
    [Theory]
    [InlineData(3.1, false)]
    [InlineData(2.6, true)]
    public void Height_is_cut_only_above_the_limit(double limitM, bool cut)
    {
        var hand = new HandTree();
        hand.Limb(2.45, 6, 4);
        hand.Limb(2.55, 9, 4, riseDeg: 80, lengthM: 0.4);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.7 + i * 0.1, 5, 20);
        var pruning = Cut("tall-spindle", hand.Tree(limitM), 150);
        Assert.Equal(cut, StepsOf(pruning).Contains("height"));
        if (cut)
            Near.Printed(2.47, pruning.Cuts.First(c => c.StepId == "height").LeaveM, 2);
    }

    // The whole tree is held under its height, not its leader alone: an upright limb is cut back where it passes
    // the limit.
    [Fact]
    public void A_limb_that_stands_above_the_height_is_cut_back_to_it()
    {
        var hand = new HandTree(heightM: 2.4);
        var upright = hand.Limb(1.6, 8, 10, riseDeg: 90, lengthM: 1.2);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.7 + i * 0.1, 5, 20);
        var cut = Cut("cherry-spindle", hand.Tree(2.5), 150).Cuts.Single(c => c.StepId == "height");
        Assert.Equal((upright, 0.9), (cut.Branch, Math.Round(cut.LeaveM, 6)));
    }

    // A hanging end goes before any single bud: back to where it stands above the grass.
    [Fact]
    public void Low_wood_is_raised_before_buds_are_rubbed()
    {
        var hand = new HandTree();
        var low = hand.Limb(0.9, 9, 20, riseDeg: -60, lengthM: 0.8);
        for (var i = 0; i < 10; i++)
            hand.Limb(1 + i * 0.1, 9, 20);
        var cuts = Cut("tall-spindle", hand.Tree(), 180).Cuts;
        var raised = cuts.Single(c => c.StepId == "low-limbs");
        // 0.3 m down to 0.6 m at 60 degrees: 0.3 ÷ sin 60.
        Assert.Equal((low, 0.346), (raised.Branch, Math.Round(raised.LeaveM, 3)));
        Assert.All(cuts.Where(c => c.Bud is not null), c => Assert.True(c.Number > raised.Number));
    }

    // The thickest would cost too many buds: it is shortened and named for next winter, and no thinner one goes
    // in its place.
    [Fact]
    public void A_limb_too_dear_to_take_is_shortened_and_goes_first_next_winter()
    {
        var hand = new HandTree();
        var dear = hand.Limb(0.8, 30, 70, lengthM: 1);
        var thinner = hand.Limb(1, 26, 10);
        for (var i = 0; i < 10; i++)
            hand.Limb(1.1 + i * 0.1, 8, 10);
        var pruning = Cut("tall-spindle", hand.Tree(), 150);
        var cut = pruning.Cuts.Single(c => c.StepId == "thick-limbs");
        Assert.Equal((dear, CutKind.Shorten), (cut.Branch, cut.Kind));
        Assert.Equal(
            [(dear, StepEnd.Number, true), (thinner, StepEnd.Number, false)],
            pruning.FirstNextWinter.Select(t => (t.Branch, t.Reason, t.Shortened))
        );
    }

    // 3.2: an upright yields when buds are short, and goes when they are not.
    [Theory]
    [InlineData(120, true)]
    [InlineData(256, false)]
    public void Uprights_with_buds_stay_when_buds_are_short(double toLeave, bool gone)
    {
        var hand = new HandTree();
        var limb = hand.Limb(1, 12, 20);
        hand.Shoot(limb, 0.3, 10, 12, 80, age: 2);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.7 + i * 0.1, 5, 20);
        Assert.Equal(gone, StepsOf(Cut("tall-spindle", hand.Tree(), toLeave)).Contains("uprights"));
        if (gone)
            Assert.DoesNotContain(
                "uprights",
                StepsOf(Cut("tall-spindle", hand.Tree(), toLeave, Answers("uprights", "one-crop")))
            );
    }

    [Fact]
    public void The_steeper_arm_of_a_fork_goes_and_a_dart_is_no_fork()
    {
        var hand = new HandTree();
        var flat = hand.Limb(1, 12, 20);
        var steepArm = hand.Arm(flat, 0.3, 8, 5, 45);
        var steep = hand.Limb(1.4, 12, 20, riseDeg: 40);
        hand.Arm(steep, 0.3, 8, 5, 5);
        hand.Dart(hand.Limb(1.8, 12, 20), 0.4);
        for (var i = 0; i < 6; i++)
            hand.Limb(0.7 + i * 0.1, 5, 20);
        var forks = Cut("tall-spindle", hand.Tree(), 120).Cuts.Where(c => c.StepId == "forks").ToList();
        // The steep limb is cut just beyond the fork, so that its flat arm takes over.
        Assert.Equal([(steepArm, 0.0), (steep, 0.32)], forks.Select(c => (c.Branch, Math.Round(c.LeaveM, 2))));
    }

    [Fact]
    public void Buds_underneath_fall_first_then_thin_ones()
    {
        var hand = new HandTree();
        hand.Limb(1, 6, 10, side: BudSide.Upper, fat: false);
        hand.Limb(1.4, 6, 40, side: BudSide.Upper);
        hand.Limb(1.8, 6, 10, side: BudSide.Under);
        var tree = hand.Tree();
        var fallen = Cut("tall-spindle", tree, 48.2)
            .Cuts.Where(c => c.StepId == "spurs")
            .Select(c => tree.Buds[c.Bud!.Value])
            .ToList();
        Assert.Equal(11, fallen.Count);
        Assert.All(fallen.Take(10), b => Assert.Equal(BudSide.Under, b.Side));
        Assert.False(fallen[10].Fat);
    }

    // 3.3: about two big renewals a tree, whatever lies over a lower scaffold or is stronger than the leader.
    [Fact]
    public void Long_pruning_renews_two_limbs_and_never_stops_on_the_number()
    {
        var hand = new HandTree();
        foreach (var (height, azimuth) in new[] { (1.0, 0), (1.2, 5), (1.5, 120), (1.7, 125), (2.0, 240), (2.2, 245) })
            hand.Limb(height, height is 1.7 ? 18 : 16, 20, azimuthDeg: azimuth);
        for (var i = 0; i < 4; i++)
            hand.Limb(0.8 + i * 0.1, 9, 20, azimuthDeg: 60 * i, lengthM: 0.4);
        var pruning = Cut("long-pruned-spindle", hand.Tree(), 175);
        Assert.Equal(2, pruning.Cuts.Count(c => c.StepId == "renewals"));
        Assert.True(pruning.Left.FloralBuds < 175);
        // Near its number a tree is shaped within its allowance, however it is pruned: handbook 2.7.
        Assert.InRange(200 - Cut("long-pruned-spindle", hand.Tree(), 195).Left.FloralBuds, 0, 19.5);
        // The strongest of those that lie over another, not the topmost.
        Assert.Equal(
            1.7,
            hand.Tree().Branches[pruning.Cuts.First(c => c.StepId == "renewals").Branch].Path[0].HeightM,
            6
        );
    }

    // 3.3: last year's shoots lose a third of their length.
    [Fact]
    public void Cherry_shoots_are_tipped_by_a_third()
    {
        var hand = new HandTree();
        for (var i = 0; i < 10; i++)
            hand.Shoot(hand.Limb(0.7 + i * 0.15, 12, 60, azimuthDeg: i * 137), 0.8, 5, 0, 15, lengthM: 0.6);
        var tips = Cut("cherry-spindle", hand.Tree(), 500).Cuts.Where(c => c.StepId == "tips").ToList();
        Assert.Equal(10, tips.Count);
        Assert.All(tips, c => Near.Printed(0.40, c.LeaveM, 2));
        Assert.DoesNotContain(
            Cut(
                "cherry-spindle",
                hand.Tree(),
                500,
                settings: new Dictionary<string, double> { ["tip-shoots"] = 0 }
            ).Cuts,
            c => c.StepId == "tips"
        );
    }

    [Theory]
    [InlineData("after-harvest", false)]
    [InlineData("dormant", true)]
    public void The_top_of_a_cherry_is_cut_when_the_school_says_so(string answer, bool cut)
    {
        var hand = new HandTree();
        hand.Limb(2.6, 12, 20, riseDeg: 65, lengthM: 0.3);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.7 + i * 0.1, 12, 40);
        Assert.Equal(
            cut,
            StepsOf(Cut("cherry-spindle", hand.Tree(), 300, Answers("cherry-top", answer))).Contains("top")
        );
    }

    // 3.3: all scaffolds on the side in turn at 75–90 cm, from about the third season.
    [Theory]
    [InlineData("left", 8, 2)]
    [InlineData("rest", 8, 0)]
    [InlineData("left", 2, 0)]
    public void Pedestrian_peach_renews_one_side_at_eighty_centimetres(string side, int leaf, int scaffolds)
    {
        var hand = HandTree.Bare();
        foreach (var across in new[] { 0.8, 0.7, -0.8, -0.7 })
            hand.Limb(1.2, 14, 20, leader: hand.Leader(0, 2.2, 50, acrossM: across));
        var cuts = Cut("pedestrian-peach", hand.Tree(leaf: leaf), 60, Answers("sides", side), pass: "after-harvest")
            .Cuts.Where(c => c.StepId == "side")
            .ToList();
        Assert.Equal(scaffolds, cuts.Count);
        Assert.All(cuts, c => Near.Printed(0.8, hand.Tree().Branches[c.Branch].PointAt(c.LeaveM).HeightM, 2));
    }

    // 3.3: an inner leader whose buds for its size fall below 60 % of the outer ones' is taken out.
    [Theory]
    [InlineData(20, true)]
    [InlineData(45, false)]
    public void A_runaway_inner_leader_is_taken_out(int buds, bool goes)
    {
        var hand = HandTree.Bare();
        foreach (var (along, mine) in new[] { (-1.0, 50), (0.0, buds), (1.0, 50) })
            hand.Limb(1.2, 10, mine, leader: hand.Leader(along, 3, 30));
        var pruning = Cut("multi-leader-wall", hand.Tree(), 95);
        Assert.Equal(goes, StepsOf(pruning).Contains("inner-leader"));
        if (goes)
            Assert.Equal(
                hand.Tree().Branches.Single(b => b.Kind == BranchKind.Leader && b.Path[0].AlongM == 0).Id,
                pruning.Cuts[0].Branch
            );
    }

    // From memory, extension guides: the strongest 20–25 % of the uprights each year.
    [Fact]
    public void A_cherry_bush_loses_its_strongest_uprights()
    {
        var hand = HandTree.Bare();
        var scaffold = hand.Leader(0, 0.8, 50);
        for (var i = 0; i < 20; i++)
            hand.Limb(0.5, 10 + i, 30, lengthM: 1.8, riseDeg: 80, leader: scaffold);
        var cuts = Cut("cherry-multi-leader-bush", hand.Tree(), 420).Cuts.Where(c => c.StepId == "strongest").ToList();
        Assert.InRange(cuts.Count, 4, 5);
        Assert.Equal(29, hand.Tree().Branches[cuts[0].Branch].DiameterMm);
    }

    [Fact]
    public void A_slender_axe_keeps_the_base_buds_of_every_lateral()
    {
        var hand = new HandTree();
        for (var i = 0; i < 30; i++)
            hand.Limb(0.6 + i * 0.07, 8, 6, lengthM: 0.6, age: 1, azimuthDeg: i * 137);
        var pruning = Cut("cherry-slender-axe", hand.Tree(), 150);
        Assert.All(hand.Tree().Branches.Where(b => b.Kind == BranchKind.Limb && pruning.Left.Stands(b.Id)), l =>
            Near.Printed(0.15, pruning.Left.LeftM(l.Id), 2)
        );
    }

    // A quarter of the canopy at most: common practice, no source. Carried by data alone.
    [Fact]
    public void A_broad_canopy_loses_one_scaffold_and_never_more_than_a_quarter()
    {
        var system = TrainingSystem.Find("broad-canopy")!;
        var stock = TreeStock.Usual(system, new(900, null, null), null);
        Assert.All(new TreeGenerator(stock.Shape, stock.Place).Make(stock.Classes[0].Counts, 50, 4), tree =>
        {
            var pruning = TreePruning.Of(
                system.RulesFor(),
                tree,
                CutAllowance.Counted(tree.FloralBuds, tree.FloralBuds * 0.7 + 1, Usual)
            );
            Assert.True(pruning.Cuts.Count(c => c.StepId == "scaffold") <= 1);
            // Unsound wood comes out beside it, whatever the share.
            Assert.InRange(
                pruning.Cuts.Where(c => c.StepId != "unsound-wood").Sum(c => c.WoodCm3) / tree.WoodCm3,
                0,
                0.25 + 1e-9
            );
        });
    }

    [Fact]
    public void Where_to_start_is_the_school_s_choice()
    {
        var hand = new HandTree();
        var (low, high) = (hand.Limb(0.8, 25, 15), hand.Limb(1.4, 23, 15));
        for (var i = 0; i < 12; i++)
            hand.Limb(0.7 + i * 0.08, 12, 20);
        int First(string answer) =>
            Cut("tall-spindle", hand.Tree(), 200, Answers("order", answer))
                .Cuts.First(c => c.StepId == "thick-limbs")
                .Branch;
        Assert.Equal((low, high), (First("biggest-first"), First("top-down")));
    }

    private static readonly Gen<(string System, int Seed, double Share, int Buds)> AnyTree = Gen.Select(
        Gen.Int[0, TrainingSystem.Shipped.Count - 1].Select(i => TrainingSystem.Shipped[i].Id),
        Gen.Int[1, 100_000],
        Gen.Double[0.3, 1.3],
        Gen.Int[20, 900]
    );

    private static FruitTree Grown(string system, int seed, int buds)
    {
        var stock = TreeStock.Usual(TrainingSystem.Find(system)!, new(buds, null, null), null);
        return new TreeGenerator(stock.Shape, stock.Place).Make(stock.Classes[0].Counts, seed);
    }

    [Fact]
    public void Buds_never_rise_caps_are_never_broken_and_the_stop_rule_holds() =>
        AnyTree.Sample(
            x =>
            {
                var tree = Grown(x.System, x.Seed, x.Buds);
                if (tree.FloralBuds == 0)
                    return true;
                var system = TrainingSystem.Find(x.System)!;
                var rules = system.RulesFor();
                var allowance = CutAllowance.Counted(
                    tree.FloralBuds,
                    tree.FloralBuds * x.Share,
                    new(0.1, system.Caps.ShareOfBuds)
                );
                var pruning = TreePruning.Of(rules, tree, allowance);
                var stops = system.Steps.ToDictionary(s => s.Id, s => s.Stop);
                var (standing, big, wood) = (tree.FloralBuds, 0, 0.0);
                foreach (var cut in pruning.Cuts)
                {
                    if (cut.Drop < 0 || cut.BudsAfter != standing - cut.Drop)
                        return false;
                    standing = cut.BudsAfter;
                    wood += cut.WoodCm3;
                    if (cut.DiameterMm >= system.Caps.BigCutMm)
                        big++;
                    if (stops[cut.StepId] == StepStop.Never)
                        continue;
                    if (cut.DiameterMm >= system.Caps.BigCutMm && big > system.Caps.BigCuts)
                        return false;
                    if (cut.WoodCm3 > 0 && wood > tree.WoodCm3 * system.Caps.ShareOfWood + 1e-6)
                        return false;
                    if (cut.Drop == 0)
                        continue;
                    if (cut.BudsAfter < allowance.CapLow - 1e-6)
                        return false;
                    if (
                        rules.Aim == SystemAim.Number
                        && cut.BudsAfter
                            < (stops[cut.StepId] == StepStop.Number ? allowance.NumberLow : allowance.BandLow) - 1e-6
                    )
                        return false;
                }
                return standing == pruning.Left.FloralBuds;
            },
            iter: 400
        );

    [Fact]
    public void No_dart_is_cut_as_a_fork() =>
        AnyTree.Sample(
            x =>
            {
                var tree = Grown(x.System, x.Seed, x.Buds);
                return TreePruning
                    .Of(
                        TrainingSystem.Find(x.System)!.RulesFor(),
                        tree,
                        CutAllowance.Counted(tree.FloralBuds, Math.Max(1, tree.FloralBuds * x.Share), Usual)
                    )
                    .Cuts.All(c => tree.Branches[c.Branch].Kind != BranchKind.Dart || c.Bud is not null);
            },
            iter: 200
        );

    [Fact]
    public void The_same_tree_is_cut_alike_every_time() =>
        AnyTree.Sample(
            x =>
            {
                TreePruning Once() =>
                    TreePruning.Of(
                        TrainingSystem.Find(x.System)!.RulesFor(),
                        Grown(x.System, x.Seed, x.Buds),
                        CutAllowance.Counted(x.Buds, Math.Max(1, x.Buds * x.Share), Usual)
                    );
                return Once().Cuts.SequenceEqual(Once().Cuts);
            },
            iter: 100
        );

    // Limbs of a hand-made tree do not touch each other; in whatever order they are listed, the same ones go.
    [Fact]
    public void The_order_limbs_are_listed_in_does_not_matter() =>
        Gen.Shuffle(Enumerable.Range(0, 16).ToArray())
            .Sample(order =>
            {
                var hand = new HandTree();
                foreach (var i in order)
                    hand.Limb(0.7 + i * 0.13, 8 + i * 1.1, 12, azimuthDeg: i * 137.5, lengthM: 0.5);
                var tree = hand.Tree();
                var pruning = Cut("tall-spindle", tree, 130);
                return pruning
                    .Cuts.Where(c => c.Bud is null)
                    .Select(c => c.DiameterMm)
                    .Order()
                    .SequenceEqual(
                        Cut("tall-spindle", Plain(), 130)
                            .Cuts.Where(c => c.Bud is null)
                            .Select(c => c.DiameterMm)
                            .Order()
                    );

                static FruitTree Plain()
                {
                    var plain = new HandTree();
                    for (var i = 0; i < 16; i++)
                        plain.Limb(0.7 + i * 0.13, 8 + i * 1.1, 12, azimuthDeg: i * 137.5, lengthM: 0.5);
                    return plain.Tree();
                }
            });

    [Fact]
    public void A_tree_all_of_whose_limbs_are_too_thick_keeps_most_of_them()
    {
        var hand = new HandTree();
        for (var i = 0; i < 8; i++)
            hand.Limb(0.7 + i * 0.2, 40, 25, azimuthDeg: i * 137.5);
        var pruning = Cut("tall-spindle", hand.Tree(), 100);
        Assert.True(pruning.Left.Limbs >= 5);
        Assert.InRange(pruning.Cuts.Count(c => c.DiameterMm >= 20), 1, 3);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    public void Trees_without_limbs_or_with_one_are_carried(int limbs)
    {
        var hand = new HandTree();
        for (var i = 0; i < limbs; i++)
            hand.Limb(1, 30, 40);
        Assert.All(TrainingSystem.Shipped, system => Cut(system.Id, hand.Tree(), 20));
    }

    [Fact]
    public void A_target_above_what_stands_cuts_unsound_wood_only()
    {
        var hand = new HandTree();
        hand.Limb(1, 30, 40);
        var dead = hand.Limb(1.5, 12, 0, state: WoodState.Dead);
        Assert.Equal([dead], Cut("tall-spindle", hand.Tree(), 400).Cuts.Select(c => c.Branch));
    }
}
