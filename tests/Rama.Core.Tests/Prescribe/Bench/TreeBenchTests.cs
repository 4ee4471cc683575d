using CsCheck;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Practice;
using Rama.Core.Systems;
using Rama.Core.Tests.Trees;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe.Bench;

public sealed class TreeBenchTests
{
    private static TreeBench Bench(FruitTree tree, double toLeave, string system = "tall-spindle") =>
        new(TrainingSystem.Find(system)!.RulesFor(), tree, toLeave, new());

    private static FruitTree Grown(int seed, double buds = 300)
    {
        var stock = TreeStock.Usual(TrainingSystem.Find("tall-spindle")!, new(buds, null, null), null);
        return new TreeGenerator(stock.Shape, stock.Place).Make(stock.Classes[0].Counts, seed);
    }

    [Fact]
    public void The_system_s_own_cuts_made_by_hand_take_the_same()
    {
        var bench = Bench(Grown(3), 200);
        var prescribed = bench.Prescribed();
        var made = bench.Made([.. prescribed.Select(ToHand)]);
        Assert.Equal(
            prescribed.Select(c => (c.Branch, c.Bud, c.Drop, c.After.FloralBuds, c.After.Limbs)),
            made.Select(c => (c.Branch, c.Bud, c.Drop, c.After.FloralBuds, c.After.Limbs))
        );
        Assert.Equal(bench.Pruning.Left.FloralBuds, made[^1].After.FloralBuds);
    }

    // What a lead is told when asking why has to come out as the number beside it.
    [Fact]
    public void The_arithmetic_told_of_a_measure_gives_the_measure()
    {
        var hand = new HandTree();
        var big = hand.Limb(0.9, 27, 30);
        for (var i = 0; i < 8; i++)
            hand.Limb(0.7 + i * 0.2, 12 + i, 20);
        var bench = Bench(hand.Tree(), 100);
        var made = bench.Made([new() { Branch = big, LeaveM = 0.015 }, new() { Bud = 31 }]);
        var steps = bench.Explain(made).ToDictionary(s => s.Code);
        double In(string step, string name) => steps[step].Inputs.Single(f => f.Name == name).Value;
        Assert.Equal(
            In("bench.left", "floral buds") - steps["bench.left"].Inputs.Skip(1).Sum(f => f.Value),
            steps["bench.left"].Result.Value
        );
        Assert.Equal(159, steps["bench.left"].Result.Value);
        Assert.Equal(
            In("bench.limbs", "limbs before") - In("bench.limbs", "limbs taken"),
            steps["bench.limbs"].Result.Value
        );
        Assert.Equal((8, 1), (steps["bench.limbs"].Result.Value, steps["bench.big-cuts"].Result.Value));
        Assert.Equal(
            In("bench.wood", "wood cut") / In("bench.wood", "wood of the tree without its trunk"),
            steps["bench.wood"].Result.Value,
            9
        );
        Assert.Equal(
            In("bench.thickest", "limb diameter") / In("bench.thickest", "leader diameter there"),
            steps["bench.thickest"].Result.Value,
            9
        );
        // The leader tapers and limbs grow thicker upwards here, so the top one is nearest to it: 19 mm.
        Assert.Equal(19, In("bench.thickest", "limb diameter"));
        Assert.Equal(
            1,
            steps["bench.zones"].Result.Value
                + In("bench.zones", "buds in the middle third")
                + In("bench.zones", "buds in the bottom third"),
            9
        );
    }

    // The bench keeps the list of cuts and tells them anew: whatever is undone and redone, sixty cuts are the same
    // sixty cuts.
    [Fact]
    public void Sixty_cuts_undone_and_redone_do_not_drift() =>
        Gen.Select(Gen.Int[1, 500], Gen.Int[0, 60])
            .Sample(
                (seed, undone) =>
                {
                    var tree = Grown(seed, 420);
                    var bench = Bench(tree, 200);
                    List<HandCut> cuts =
                    [
                        .. Enumerable
                            .Range(0, 60)
                            .Select(i =>
                                i % 3 == 0 && 1 + i / 3 < tree.Branches.Length
                                    ? new HandCut { Branch = 1 + i / 3, LeaveM = 0.2 }
                                    : new HandCut { Bud = i * tree.Buds.Length / 60 }
                            ),
                    ];
                    var all = bench.Made(cuts);
                    var before = bench.Made([.. cuts.Take(60 - undone)]);
                    var again = bench.Made([.. cuts.Take(60 - undone), .. cuts.Skip(60 - undone)]);
                    var (fallen, standing) = (all.SelectMany(c => c.Buds).ToList(), new RemainingTree(tree));
                    return again.Select(c => c.After).SequenceEqual(all.Select(c => c.After))
                        && before.Select(c => c.After).SequenceEqual(all.Take(before.Count).Select(c => c.After))
                        && fallen.Distinct().Count() == fallen.Count
                        && standing.FloralBuds - all.Sum(c => c.Drop) == all[^1].After.FloralBuds;
                },
                iter: 40
            );

    [Fact]
    public void A_cut_made_by_hand_is_told_with_the_step_that_asks_for_it()
    {
        var hand = new HandTree();
        var big = hand.Limb(0.9, 27, 30);
        var thin = hand.Limb(1.3, 12, 10, side: BudSide.Upper);
        var dart = hand.Dart(thin, 0.4);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.7 + i * 0.1, 12, 20);
        var made = Bench(hand.Tree(), 180)
            .Made([
                new() { Branch = big, LeaveM = 0.015 },
                new() { Branch = dart },
                new() { Branch = big, LeaveM = 0.5 },
            ]);
        Assert.Equal(["thick-limbs", null], made.Select(c => c.StepId));
        Assert.Equal((30, CutKind.RenewalStub), (made[0].Drop, made[0].Kind));
        Assert.Equal(27, made[0].Figures.Single(f => f.Name == "diameter").Value);
    }

    [Fact]
    public void A_cut_the_tree_has_not_is_told_at_its_place()
    {
        var bench = Bench(Grown(1), 200);
        var problems = Entries.ProblemsOf(() =>
            bench.Made([
                new() { Bud = 0 },
                new() { Bud = 99_999 },
                new() { Branch = -1 },
                new(),
                new() { Branch = 1, LeaveM = double.NaN },
            ])
        );
        Assert.Equal(["cuts[1].bud", "cuts[2].branch", "cuts[3]", "cuts[4].leaveM"], problems.Select(p => p.Field));
    }

    [Fact]
    public void Cutting_to_the_card_scores_full_and_cutting_nothing_scores_little()
    {
        var bench = Bench(Grown(3), 200);
        Assert.InRange(PracticeScore.Of(bench, bench.Prescribed()).Score, 95, 100);
        Assert.Equal(0, PracticeScore.Of(bench, []).Score);
    }

    [Fact]
    public void Each_fault_of_practice_is_told()
    {
        var hand = new HandTree();
        var dead = hand.Limb(0.75, 10, 0, state: WoodState.Dead);
        var limbs = Enumerable.Range(0, 8).Select(i => hand.Limb(0.8 + i * 0.1, 24, 30)).ToList();
        var dart = hand.Dart(limbs[7], 0.4);
        var bench = Bench(hand.Tree(), 170);
        List<string> Said(params IReadOnlyList<HandCut> cuts) =>
            [.. PracticeScore.Of(bench, bench.Made(cuts)).Remarks.Select(r => r.Code)];
        Assert.Contains("practice.unsound", Said());
        Assert.Contains("practice.too-many", Said());
        Assert.Contains("practice.big-left", Said());
        Assert.DoesNotContain("practice.unsound", Said(new HandCut { Branch = dead }));
        Assert.Contains("practice.dart", Said(new HandCut { Branch = dart }));
        var four = limbs.Take(5).Select(l => new HandCut { Branch = l, LeaveM = 0.015 }).ToList();
        Assert.Contains("practice.big-cuts", Said(four));
        Assert.Contains("practice.wood", Said(four));
        Assert.Contains("practice.too-few", Said(four));
        Assert.Contains("practice.bud-cap", Said(four));
    }

    [Fact]
    public void Small_cuts_before_big_ones_cost_points_for_order()
    {
        var bench = Bench(Grown(3), 200);
        var forth = bench.Prescribed().Select(ToHand).ToList();
        Assert.True(
            PracticeScore.Of(bench, bench.Made([.. forth.AsEnumerable().Reverse()])).Order.Points
                < PracticeScore.Of(bench, bench.Made(forth)).Order.Points
        );
    }

    [Fact]
    public void Zones_add_up_to_the_whole_tree() => Assert.All(TrainingSystem.Shipped, system =>
        {
            var stock = TreeStock.Usual(system, new(system.Form.Typical.Buds, null, null), null);
            var tree = new TreeGenerator(stock.Shape, stock.Place).Make(stock.Classes[0].Counts, 8);
            var before = Bench(tree, 100, system.Id).Before;
            Assert.Equal(1, before.TopShare + before.MiddleShare + before.BottomShare, 9);
        });

    private static HandCut ToHand(BenchCut cut) =>
        cut.Bud is { } bud ? new() { Bud = bud } : new() { Branch = cut.Branch, LeaveM = cut.LeaveM };
}
