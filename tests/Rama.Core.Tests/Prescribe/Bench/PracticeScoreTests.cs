using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Systems;
using Rama.Core.Tests.Trees;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe.Bench;

/// <summary>
/// Points of practice: each fault costs the same, misses cost with their size, slow work costs with its minutes.
/// </summary>
public sealed class PracticeScoreTests
{
    private const double PerFault = 6;

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

    [Fact]
    public void The_parts_are_the_score_and_none_is_more_than_there_is_to_be_had()
    {
        foreach (var of in new[] { Of(), Of(Whole(_dead)), Of([.. _limbs.Select(Whole)]) })
        {
            PracticePart[] parts = [of.Number, of.Limits, of.Order, of.Minutes];
            Assert.Equal(of.Score, parts.Sum(p => p.Points), 0.5);
            Assert.Equal(100, parts.Sum(p => p.Of));
            Assert.All(parts, p => Assert.InRange(p.Points, 0, p.Of));
        }
    }

    [Fact]
    public void Each_dart_and_each_unsound_limb_is_a_fault()
    {
        var (nothing, sound) = (Of().Limits.Points, Of(Whole(_dead)).Limits.Points);
        Assert.Equal(PerFault, sound - nothing);
        // It bears, and no step asks for it.
        Assert.Equal(2 * PerFault, sound - Of(Whole(_dead), Whole(_dart)).Limits.Points);
        Assert.Equal(4 * PerFault, sound - Of(Whole(_dead), Whole(_dart), Whole(_second)).Limits.Points);
        Assert.Equal(1, Figure(Of(), "practice.unsound", "limbs"));
        Assert.Equal(2, Figure(Of(Whole(_dart), Whole(_second)), "practice.dart", "darts"));
    }

    [Fact]
    public void Cuts_nobody_asks_for_are_told_by_number()
    {
        Assert.Equal(1, Figure(Of(Whole(_dart)), "practice.unasked", "cuts"));
        Assert.Equal(2, Figure(Of(Whole(_dart), Whole(_second)), "practice.unasked", "cuts"));
        // Too thick a limb is asked for.
        Assert.DoesNotContain(Of(Whole(_limbs[11])).Remarks, r => r.Code == "practice.unasked");
    }

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
        // Bud by bud, so that nothing else changes but the number.
        HandCut[] Buds(int count) => [.. Enumerable.Range(0, count).Select(b => new HandCut { Bud = b })];
        var stood = _bench.Before.FloralBuds;
        double Points(int left) => Of(Buds(stood - left)).Number.Points;
        Assert.Equal(40, Points(190));
        // ±10 % is the tolerance.
        Assert.Equal((40, 40), (Points(209), Points(171)));
        Assert.True(Points(170) < 40);
        Assert.True(Points(150) < Points(160) && Points(120) < Points(150));
        // 35 % of the number beyond the band, nothing is left.
        Assert.Equal(0, Points((int)(190 * 0.9 - 0.36 * 190)));
        Assert.Equal(190 * 0.2 / (190 * 0.35), 1 - Points((int)(190 * 0.7)) / 40, 0.02);
        var few = Of(Buds(stood - 120));
        Assert.Equal(190 - 120, Figure(few, "practice.too-few", "off"));
        Assert.Equal((120, 190), (Figure(few, "practice.too-few", "left"), Figure(few, "practice.too-few", "wanted")));
        Assert.Equal(stood - 190, Figure(Of(), "practice.too-many", "off"));
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
        Assert.Equal(15, of.Minutes.Points);
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
            Assert.Equal(15 * (1 - Math.Clamp(times - 1.2, 0, 1)), slow.Minutes.Points, 9);
            Assert.Equal(times > 1.2, slow.Remarks.Any(r => r.Code == "practice.slow"));
            reached.Add(slow.Minutes.Points);
        }
        Assert.Contains(reached, p => p == 15);
        Assert.Contains(reached, p => p is > 0 and < 15);
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
        Assert.Equal(15 * (1 - wrong / (double)pairs), of.Order.Points, 9);
        Assert.Contains(of.Remarks, r => r.Code == "practice.order");
        Assert.Equal(15, PracticeScore.Of(bench, forth).Order.Points);
        // One cut alone is in order.
        Assert.Equal(15, Of(Whole(_dead)).Order.Points);
    }

    private static FruitTree Grown()
    {
        var stock = TreeStock.Usual(Spindle, new(320, null, null), null);
        return new TreeGenerator(stock.Shape, stock.Place).Make(stock.Classes[0].Counts, 3);
    }
}
