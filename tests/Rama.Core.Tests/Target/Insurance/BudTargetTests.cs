using Rama.Core.Plan;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Target.Insurance;

public sealed class BudTargetTests
{
    // Issue text and handbook 2.3: 122.7 fruit × 1.8; 60 000 ÷ (0.190 × 0.88 × 2 925.4) = 122.67 exactly, × 1.8 =
    // 220.8.
    [Fact]
    public void The_chain_ends_at_220_8_buds()
    {
        var plan = PruningPlan.Of(Entries.Plan());
        Near.Printed(122.7, plan.Crop!.FruitPerTree, 1);
        Near.Printed(220.8, plan.Buds!.BudsPerTree, 1);
    }

    // Buds that are held come back as buds: 180 at 1.8 with a tenth lost are 180 × .9 ÷ 1.8 = 90 fruit; by definition.
    [Fact]
    public void Buds_that_are_held_bear_what_losses_leave_of_them()
    {
        var target = Entries.Target with
        {
            Yield = new(180, "bud/tree"),
            Insurance = new() { Losses = new() { WinterKill = new(10, "%") } },
        };
        var plan = PruningPlan.Of(Entries.Plan() with { Target = target });
        Near.Printed(90, plan.Crop!.FruitPerTree, 6);
        Near.Printed(180, plan.Buds!.BudsPerTree, 6);
    }

    // By definition: 9 buds on each of 24 limbs at 1.8 are 120 fruit.
    [Fact]
    public void Limbs_that_were_typed_bear_the_buds_held_on_a_limb()
    {
        var target = Entries.Target with { Yield = new(9, "bud/limb"), LimbsPerTree = 24 };
        Near.Printed(120, PruningPlan.Of(Entries.Plan() with { Target = target }).Crop!.FruitPerTree, 6);
    }

    // Handbook 2.4 [derived].
    [Theory]
    [InlineData(22, 7.4, 4.4)]
    [InlineData(18, 9.1, 5.3)]
    public void Ninety_six_fruit_at_1_7(double limbs, double budsPerLimb, double fruitPerLimb)
    {
        var target = Of(96, 1.7, limbs);
        Near.Printed(163.2, target.BudsPerTree, 1);
        Near.Printed(budsPerLimb, target.BudsPerLimb, 1);
        Near.Printed(fruitPerLimb, target.FruitPerLimb, 1);
    }

    // Handbook 2.4 [practice]: usual range 1.5 to 2.0.
    [Theory]
    [InlineData(1.4, "bud-factor.low")]
    [InlineData(2.3, "bud-factor.high")]
    [InlineData(3.2, "bud-factor.extreme")]
    [InlineData(1.8, null)]
    public void An_unusual_factor_is_warned_of(double factor, string? code) =>
        Assert.Equal(code, Of(96, factor).Warnings.SingleOrDefault()?.Code);

    private static BudTarget Of(double fruit, double factor, double? limbs = null) =>
        new BudFactorEntry
        {
            FruitPerTree = fruit,
            BudFactor = factor,
            LimbsPerTree = limbs,
        }
            .Calculate()
            .Buds;

    [Theory]
    [InlineData(0.9)]
    [InlineData(0.0)]
    [InlineData(7.0)]
    public void A_factor_that_cannot_be_is_told_at_its_field(double factor) =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new BudFactorEntry { FruitPerTree = 96, BudFactor = factor }.Calculate()),
            "budFactor",
            "range"
        );
}
