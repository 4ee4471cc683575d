using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Practice;
using Rama.Core.Systems;
using Rama.Core.Tests.Trees;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe.Practice;

/// <summary>
/// Points of practice: work done earns them, misses cost with their size, slow work with its minutes, and a grave fault
/// holds the whole down.
/// </summary>
public sealed class PracticeScoreTests
{
    private static readonly TrainingSystem Spindle = TrainingSystem.Find("tall-spindle")!;

    private readonly int _dead,
        _dart,
        _second;
    private readonly List<int> _limbs;
    private readonly TreeBench _bench;

    public PracticeScoreTests()
    {
        var hand = new HandTree();
        _dead = hand.Limb(0.75, 10, 0, state: WoodState.Dead);
        _limbs = [.. Enumerable.Range(0, 12).Select(i => hand.Limb(0.8 + i * 0.12, 13, 18))];
        _dart = hand.Dart(_limbs[10], 0.4);
        _second = hand.Dart(_limbs[11], 0.4);
        _bench = new(Spindle.RulesFor(), hand.Tree(), 190, new());
    }

    private PracticeScore Of(params IReadOnlyList<HandCut> cuts) => PracticeScore.Of(_bench, _bench.Made(cuts));

    private static HandCut Whole(int branch) => new() { Branch = branch };

    private static double Figure(PracticeScore of, string code, string name) =>
        of.Remarks.Single(r => r.Code == code).Figures.Single(f => f.Name == name).Value;

    // What of limits, order and minutes is earned by the work done.
    private static double Earned(PracticeScore of) => of.Work.Points / of.Work.Of;

    [Fact]
    public void The_parts_are_the_score_unless_a_grave_fault_holds_it_down()
    {
        foreach (var of in new[] { Of(), Of(Whole(_dead)), Of([.. _limbs.Select(Whole)]), Card() })
        {
            PracticePart[] parts = [of.Number, of.Work, of.Limits, of.Order, of.Minutes];
            Assert.Equal(of.Score, Math.Min(of.Most, parts.Sum(p => p.Points)), 0.5);
            Assert.Equal(100, parts.Sum(p => p.Of));
            Assert.All(parts, p => Assert.InRange(p.Points, 0, p.Of));
        }
        Assert.Equal((100, 100), (Card().Score, Card().Most));
        Assert.True(Of([.. _limbs.Select(Whole)]).Most < 50);
    }

    [Fact]
    public void Nothing_is_earned_by_nothing_done()
    {
        var nothing = Of();
        Assert.Equal(0, nothing.Score);
        Assert.All(new[] { nothing.Number, nothing.Work, nothing.Limits, nothing.Order, nothing.Minutes }, p =>
            Assert.Equal(0, p.Points)
        );
    }

    [Fact]
    public void Darts_and_unsound_limbs_are_told_with_their_place()
    {
        Assert.Equal(1, Figure(Of(), "practice.unsound", "limbs"));
        Assert.Equal([_dead], Of().Places["practice.unsound"]);
        Assert.DoesNotContain(Of(Whole(_dead)).Remarks, r => r.Code == "practice.unsound");
        var two = Of(Whole(_dart), Whole(_second));
        Assert.Equal(2, Figure(two, "practice.dart", "darts"));
        Assert.Equal([_dart, _second], two.Places["practice.dart"]);
        // Each costs of the limits, told against the work done.
        double Limits(params HandCut[] more) =>
            PracticeScore.Of(_bench, _bench.Made([.. Prescribed(), .. more])) is var of
                ? of.Limits.Points / Earned(of)
                : 0;
        Assert.True(Limits(Whole(_second)) < Limits() && Limits(Whole(_second), Whole(_dart)) < Limits(Whole(_second)));
    }

    [Fact]
    public void Cuts_nobody_asks_for_hold_the_score_down_the_more_they_are()
    {
        var kept = _limbs
            .Where(l => _bench.Pruning.Left.LeftM(l) >= _bench.Tree.Branches[l].LengthM)
            .Select(Whole)
            .ToList();
        var scores = Enumerable
            .Range(0, Math.Min(4, kept.Count))
            .Select(n => PracticeScore.Of(_bench, _bench.Made([.. Prescribed(), .. kept.Take(n)])))
            .ToList();
        Assert.True(scores.Count >= 3);
        Assert.All(scores.Zip(scores.Skip(1)), p => Assert.True(p.Second.Score <= p.First.Score));
        Assert.True(scores[0].Score > 95 && scores[1].Score < 90 && scores[^1].Score < 50);
        Assert.Contains(scores[^1].Remarks, r => r.Code is "practice.kept" or "practice.too-few");
        // Too thick a limb is asked for.
        Assert.DoesNotContain(Of(Whole(_limbs[11])).Remarks, r => r.Code == "practice.kept");
    }

    [Fact]
    public void A_leader_topped_is_no_height_cut()
    {
        var leader = _bench.Tree.Branches.First(b => b.Kind == BranchKind.Leader);
        var topped = PracticeScore.Of(
            _bench,
            _bench.Made([.. Prescribed(), new() { Branch = leader.Id, LeaveM = leader.LengthM / 2 }])
        );
        Assert.Contains(topped.Remarks, r => r.Code == "practice.leader");
        Assert.True(topped.Most <= 30);
        Assert.Equal([leader.Id], topped.Places["practice.leader"]);
    }

    private List<HandCut> Prescribed() => WaysToCut.Card(_bench);

    private PracticeScore Card() => Of([.. Prescribed()]);

    [Fact]
    public void Each_big_cut_over_the_limit_is_a_fault()
    {
        var hand = new HandTree(trunkMm: 90);
        var caps = Spindle.Caps;
        var limbs = Enumerable.Range(0, 9).Select(i => hand.Limb(0.8 + i * 0.15, caps.BigCutMm, 20)).ToList();
        TreeBench bench = new(Spindle.RulesFor(), hand.Tree(), 10, new() { Cap = 1 });
        PracticeScore Cut(int cuts) =>
            PracticeScore.Of(bench, bench.Made([.. limbs.Take(cuts).Select(l => new HandCut { Branch = l })]));
        // A limb exactly as thick as a big one is a big one.
        Assert.Equal(2, bench.Made([.. limbs.Take(2).Select(l => new HandCut { Branch = l })])[^1].After.BigCuts);
        Assert.DoesNotContain(Cut(caps.BigCuts).Remarks, r => r.Code == "practice.big-cuts");
        var over = Cut(caps.BigCuts + 2);
        Assert.Equal(caps.BigCuts + 2, Figure(over, "practice.big-cuts", "big cuts"));
        Assert.Equal(caps.BigCuts, Figure(over, "practice.big-cuts", "most"));
    }

    [Fact]
    public void Points_for_the_number_fall_with_what_is_missed_on_both_sides()
    {
        // The card's wood, then bud by bud, so that nothing else changes but the number.
        var wood = Prescribed().Where(c => c.Bud is null).ToList();
        var after = _bench.Made(wood)[^1].After.FloralBuds;
        var standing = new RemainingTree(_bench.Tree);
        foreach (var cut in wood)
            standing.Cut(cut.Branch!.Value, cut.LeaveM ?? 0);
        var buds = _bench.Tree.Buds.Where(b => b.Floral && standing.BudStands(b.Id)).ToList();
        PracticeScore Left(int left) =>
            Of([.. wood, .. buds.Take(after - left).Select(b => new HandCut { Bud = b.Id })]);
        double Points(int left) => Left(left).Number.Points;
        var full = Points(190);
        Assert.True(full > 0);
        // ±10 % is the tolerance.
        Assert.Equal((full, full), (Points(209), Points(171)));
        Assert.True(Points(165) < full);
        Assert.True(Points(150) < Points(160) && Points(130) < Points(150));
        // 35 % of the number beyond the band, nothing is left.
        Assert.Equal(0, Points((int)(190 * 0.9 - 0.36 * 190)));
        Assert.Equal(
            (120, 190, 70),
            (
                Figure(Left(120), "practice.too-few", "left"),
                Figure(Left(120), "practice.too-few", "wanted"),
                Figure(Left(120), "practice.too-few", "off")
            )
        );
        Assert.True(Left(130).Most <= 45 && Left(60).Most <= 20);
        Assert.Equal(_bench.Before.FloralBuds - 190, Figure(Of(), "practice.too-many", "off"));
    }

    [Fact]
    public void Minutes_are_those_of_the_steps_and_slow_is_a_fifth_more_than_the_card()
    {
        var seconds = Spindle.Steps.ToDictionary(s => s.Id, s => s.SecondsEach);
        var prescribed = _bench.Prescribed();
        var of = PracticeScore.Of(_bench, prescribed);
        var card = (Spindle.Labour.BaseSeconds + prescribed.Sum(c => seconds[c.StepId!])) / 60;
        Assert.Equal(card, of.MinutesTaken, 9);
        Assert.Equal(card, of.MinutesOfCard, 9);
        Assert.Equal(of.Minutes.Of, of.Minutes.Points);
        // Bud by bud takes longer and longer; from a fifth more on it costs points, all of them at 2.2 times the card.
        List<double> reached = [];
        for (var count = 5; count <= 60; count += 5)
        {
            var buds = Enumerable.Range(0, count).Select(b => new HandCut { Bud = b }).ToList();
            var slow = Of(buds);
            var taken =
                (Spindle.Labour.BaseSeconds + _bench.Made(buds).Sum(c => c.StepId is { } s ? seconds[s] : 8)) / 60;
            Assert.Equal(taken, slow.MinutesTaken, 9);
            var times = slow.MinutesTaken / slow.MinutesOfCard;
            Assert.Equal(10 * Earned(slow) * (1 - Math.Clamp(times - 1.2, 0, 1)), slow.Minutes.Points, 9);
            Assert.Equal(times > 1.2, slow.Remarks.Any(r => r.Code == "practice.slow"));
            reached.Add(Math.Clamp(times - 1.2, 0, 1));
        }
        Assert.Contains(reached, p => p == 0);
        Assert.Contains(reached, p => p is > 0 and < 1);
    }

    [Fact]
    public void Order_is_the_share_of_pairs_in_the_order_of_the_steps()
    {
        TreeBench bench = new(Spindle.RulesFor(), Grown(), 200, new());
        var forth = bench.Prescribed();
        HandCut Hand(BenchCut c) =>
            c.Bud is { } bud ? new() { Bud = bud } : new() { Branch = c.Branch, LeaveM = c.LeaveM };
        var steps = bench.Made([.. forth.Select(Hand).Reverse()]).Where(c => c.StepId is not null).ToList();
        var places = Spindle.Steps.Select((s, i) => (s.Id, i)).ToDictionary(x => x.Id, x => x.i);
        var (pairs, wrong) = (0, 0);
        foreach (var (i, first) in steps.Index())
        foreach (var second in steps.Skip(i + 1).Where(s => s.StepId != first.StepId))
        {
            pairs++;
            wrong += places[first.StepId!] > places[second.StepId!] ? 1 : 0;
        }
        Assert.True(wrong > 0.5 * pairs);
        var of = PracticeScore.Of(bench, bench.Made([.. forth.Select(Hand).Reverse()]));
        Assert.Equal(10 * Earned(of) * (1 - wrong / (double)pairs), of.Order.Points, 9);
        Assert.Contains(of.Remarks, r => r.Code == "practice.order");
        Assert.Equal(10, PracticeScore.Of(bench, forth).Order.Points);
        // One cut alone is in order.
        Assert.Equal(10 * Earned(Of(Whole(_dead))), Of(Whole(_dead)).Order.Points, 9);
    }

    private static FruitTree Grown()
    {
        var stock = TreeStock.Usual(Spindle, new(320, null, null), null);
        return new TreeGenerator(stock.Shape, stock.Place).Make(stock.Classes[0].Counts, 3);
    }
}
