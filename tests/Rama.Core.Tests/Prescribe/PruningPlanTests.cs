using Rama.Core.Decide;
using Rama.Core.Prescribe;

namespace Rama.Core.Tests.Prescribe;

public sealed class PruningPlanTests
{
    private static readonly double[] Even = [300, 310, 290, 305, 295, 300];

    [Fact]
    public void The_stage_is_the_first_thing_still_to_do()
    {
        Assert.Equal(Stage.Target, PruningPlan.Of(Entries.Plan(Even) with { Target = new() }).Stage);
        Assert.Equal(Stage.Count, PruningPlan.Of(Entries.Plan()).Stage);
        Assert.Equal(Stage.Decide, PruningPlan.Of(Entries.Plan(100, 400)).Stage);
        Assert.Equal(Stage.Prescribe, PruningPlan.Of(Entries.Plan(Even)).Stage);
    }

    [Fact]
    public void Every_page_shows_the_same_numbers()
    {
        var plan = PruningPlan.Of(Entries.Plan(Even));
        Assert.Equal(plan.Prescription!.BudsPerLimb, plan.Prescription.BudsLeft / plan.Prescription.LimbsLeft, 9);
        Assert.Equal(plan.Buds!.BudsPerLimb!.Value, plan.Prescription.BudsPerLimb, 9);
        Assert.Equal(plan.Buds.BudsPerTree, plan.Ledger!.Wanted);
        Assert.Equal(plan.Prescription.BudsLeft, plan.Ledger.Left!.Mean);
        Assert.Equal(plan.Ledger.Standing!.Mean - plan.Ledger.Drops.Sum(d => d.Drop), plan.Ledger.Left.Mean, 9);
    }

    [Fact]
    public void An_untouched_target_is_not_called_wrong() =>
        Assert.Empty(PruningPlan.Of(Entries.Plan(Even) with { Target = new() }).Problems);

    [Fact]
    public void Problems_of_every_part_come_back_together()
    {
        var plan = PruningPlan.Of(Entries.Plan(200, -1) with
        {
            Planting = Entries.Planting with { RowSpacing = new(0, "m") },
            Target = Entries.Target with { PackOut = new(120, "%") },
            Settings = new() { Cap = new(95, "%") },
        });
        Assert.Equal(
            ["planting.rowSpacing", "target.packOut", "count.trees[1].floralBuds", "settings.cap"],
            plan.Problems.Select(p => p.Field));
        Assert.Equal(Stage.Target, plan.Stage);
    }

    [Fact]
    public void The_card_carries_the_plan_s_numbers_in_both_languages()
    {
        var plan = PruningPlan.Of(Entries.Plan(Even));
        var english = PruningCard.Of(plan, 2027, "en")!;
        var spanish = PruningCard.Of(plan, 2027, "es")!;
        Assert.Equal("Leave 221 floral buds on each tree", english.Headline);
        Assert.Equal("Dejar 221 yemas de flor en cada árbol", spanish.Headline);
        Assert.Equal(["300", "221", "123"], english.Numbers.Select(n => n.Value));
        Assert.Equal(english.Cuts.Select(c => c.Number), spanish.Cuts.Select(c => c.Number));
        Assert.All(english.Cuts.Zip(spanish.Cuts), pair => Assert.NotEqual(pair.First.LookFor, pair.Second.LookFor));
        // Eye protection is on every card, whatever the decision: handbook 5.5.
        Assert.Contains("Eye protection", english.Safety, StringComparison.Ordinal);
    }

    [Fact]
    public void A_card_for_no_prune_says_that_dense_is_right()
    {
        var card = PruningCard.Of(PruningPlan.Of(Entries.Plan(100, 105, 95, 102, 98)), 2027, "en")!;
        Assert.Equal(DecisionKind.NoPrune, card.Kind);
        Assert.Contains("dense", card.Look, StringComparison.Ordinal);
        Assert.Single(card.Cuts);
    }

    [Fact]
    public void A_cut_that_is_not_needed_is_told_so_and_not_drawn()
    {
        // 225 buds on 22 limbs, 221 wanted: one thick limb is 18 of the 22 allowed, a fork's 4.4 more would be too many.
        var card = PruningCard.Of(PruningPlan.Of(Entries.Plan(225, 224, 226, 225, 225)), 2027, "en")!;
        Assert.Equal([("thick-limbs", true), ("forks", false)], card.Cuts.Skip(1).Select(c => (c.StepId, c.Made)));
        Assert.Equal("none this winter", card.Cuts[^1].HowMany);
    }

    [Fact]
    public void There_is_no_card_before_a_count() => Assert.Null(PruningCard.Of(PruningPlan.Of(Entries.Plan()), 2027, "en"));

    // A pruner is never told a fraction of a bud. By hand: 330 × (1 − 1.8/22) × (1 − 1.8/21) × (1 − .45/20)⁸ = 230.9, 10 over 220.8;
    // 350 likewise 244.9, 24 over on 20 limbs.
    [Theory]
    [InlineData(330, "10 on the tree")]
    [InlineData(350, "1 or 2 a limb")]
    public void Buds_to_rub_are_told_in_whole_buds(double standing, string told)
    {
        var card = PruningCard.Of(PruningPlan.Of(Entries.Plan(standing - 2, standing + 2, standing, standing - 1, standing + 1)), 2027, "en")!;
        Assert.Equal(told, card.Cuts.Single(c => c.StepId == "spurs").HowMany);
    }
}
