using CsCheck;
using Rama.Core.Decide;
using Rama.Core.Prescribe;

namespace Rama.Core.Tests.Decide;

public sealed class PruningDecisionTests
{
    private static PruningDecision Of(
        double present,
        double toLeave = 163.2,
        double? low = null,
        double? high = null
    ) => PruningDecision.Of(new(present, low, high), toLeave, new(), fruitWanted: 96, setShare: 0.62);

    // Handbook 2.7 [derived]: target 163 (96 fruit × 1.7 = 163.2).
    [Fact]
    public void Eighty_eight_buds_are_not_pruned()
    {
        var decision = Of(88);
        Assert.Equal(DecisionKind.NoPrune, decision.Kind);
        Assert.Equal(0, decision.RemoveBuds);
        Near.Printed(54.6, decision.FruitAtBest, 1); // 88 × .62
        Near.Printed(41.4, decision.FruitShort, 1); // 96 − 54.56
    }

    // What a manager decides holds in both calculators: nothing is to go, and nothing but unsound wood is cut.
    [Fact]
    public void A_decision_held_holds_in_the_calculators()
    {
        DecisionEntry entry = new()
        {
            BudsToLeave = 163,
            FloralBuds = 290,
            Held = DecisionKind.NoPrune,
            HeldReason = "frost to come",
        };
        var decision = entry.Calculate();
        Assert.Equal(
            (DecisionKind.NoPrune, DecisionKind.NoPrune, 0),
            (decision.Kind, decision.Held, decision.RemoveBuds)
        );
        var prescription = new PrescriptionEntry
        {
            System = "tall-spindle",
            LimbsPerTree = 22,
            Decision = entry,
        }.Calculate();
        Assert.All(prescription.Cuts, c => Assert.Equal(c.StepId == "unsound-wood", c.Drop > 0));
    }

    [Fact]
    public void One_hundred_seventy_buds_are_shaped_only()
    {
        var decision = Of(170);
        Assert.Equal(DecisionKind.StructureOnly, decision.Kind);
        Near.Printed(16.3, decision.RemoveBuds, 1);
    }

    [Fact]
    public void Of_231_buds_68_go()
    {
        var decision = Of(231);
        Assert.Equal(DecisionKind.Reduce, decision.Kind);
        Near.Printed(68, decision.RemoveBuds, 0);
        Near.Printed(0.29, decision.RemoveShare, 2);
        Assert.Equal(PruningWeight.Standard, decision.Weight);
        Assert.Equal(0, decision.ClustersToThinning);
    }

    [Fact]
    public void Of_290_buds_116_go_and_11_are_left_to_thinning()
    {
        var decision = Of(290);
        Near.Printed(127, decision.Surplus, 0);
        Near.Printed(0.44, decision.Surplus / 290, 2);
        Near.Printed(116, decision.RemoveBuds, 0);
        Near.Printed(11, decision.ClustersToThinning, 0);
        Assert.Equal(PruningWeight.Heavy, decision.Weight);
    }

    // Handbook 2.7 [derived]: 231 with 81 on the ground leaves 150, 13 (8 %) under 163, still 1.56 buds a fruit: within
    // tolerance.
    [Fact]
    public void Slightly_under_the_target_is_near_enough()
    {
        var decision = Of(231 - 81);
        Assert.Equal(DecisionKind.StructureOnly, decision.Kind);
        Near.Printed(-13, decision.Surplus, 0);
        // Shape may take it to the edge of the band, 146.9, and no further.
        Near.Printed(3.1, decision.RemoveBuds, 1);
        Near.Printed(146.9, decision.BandLow, 1);
        Near.Printed(179.5, decision.BandHigh, 1);
    }

    [Theory]
    [InlineData(115, PruningWeight.Light)] // 15 of 115 is 13 %
    [InlineData(140, PruningWeight.Standard)] // 40 of 140 is 29 %
    [InlineData(160, PruningWeight.Heavy)] // 60 of 160 is 37.5 %
    public void The_label_follows_the_share_removed(double present, PruningWeight weight) =>
        Assert.Equal(weight, Of(present, toLeave: 100).Weight);

    [Theory]
    [InlineData(220, 242, true)]
    [InlineData(170, 292, false)]
    public void Settled_means_both_ends_decide_alike(double low, double high, bool settled) =>
        Assert.Equal(settled, Of(231, low: low, high: high).Settled);

    [Fact]
    public void Without_an_interval_nothing_is_settled() => Assert.False(Of(231).Settled);

    [Fact]
    public void Pruning_never_takes_a_tree_below_the_band_nor_past_the_cap() =>
        Gen.Select(Gen.Double[0, 2_000], Gen.Double[0.1, 2_000], Gen.Double[0.01, 0.5], Gen.Double[0.05, 0.9])
            .Sample(
                (present, toLeave, tolerance, cap) =>
                {
                    var decision = PruningDecision.Of(new(present, null, null), toLeave, new(tolerance, cap));
                    var left = present - decision.RemoveBuds;
                    return decision.RemoveBuds >= 0
                        && decision.RemoveBuds <= cap * present + 1e-9
                        && (decision.RemoveBuds == 0 || left >= decision.BandLow - 1e-9)
                        && (
                            decision.Kind != DecisionKind.Reduce
                            || Math.Abs(left - decision.ClustersToThinning - toLeave) < 1e-6
                        );
                }
            );

    [Theory]
    [InlineData(0.0, "tolerance")]
    [InlineData(90.0, "tolerance")]
    public void A_tolerance_that_cannot_be_is_told_at_its_field(double percent, string field) =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new DecisionSettingsEntry { Tolerance = new(percent, "%") }.ReadSettings()),
            field,
            "range"
        );

    [Fact]
    public void A_mean_outside_its_interval_is_refused() =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                new DecisionEntry
                {
                    BudsToLeave = 100,
                    FloralBuds = 90,
                    FloralBudsLow = 95,
                    FloralBudsHigh = 99,
                }.Calculate()
            ),
            "floralBuds",
            "conflict"
        );

    // By hand: 300 ± 20 on 1 000 trees, 220 to leave, so 220/300 of what is wrong stays: 14.67 buds × .6 fruit × .11 or
    // .02 × 1 000 trees.
    [Fact]
    public void What_a_misled_count_costs_is_told_for_either_end()
    {
        var stakes = DecisionStakes.Of(PruningDecision.Of(new(300, 280, 320), 220, new()), 1_000, 0.6, 0.02, 0.11)!;
        Near.Printed(968.00, stakes.IfFewer, 2);
        Near.Printed(176.00, stakes.IfMore, 2);
        Assert.Null(DecisionStakes.Of(PruningDecision.Of(new(300, null, null), 220, new()), 1_000, 0.6, 0.02, 0.11));
    }
}
