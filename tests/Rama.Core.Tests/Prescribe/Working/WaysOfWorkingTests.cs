using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Working;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Prescribe.Working;

public sealed class WaysOfWorkingTests
{
    private static readonly MissCosts Costs = new(
        110 / 192.5,
        SetOutcome.Of(BetaShare.Of(0.62, 0.08)!.Value),
        0.62,
        0.02,
        0.11,
        20
    );

    // Handbook 7.3 [derived; numerical integration]: 110 fruit at a set of .62 ± .08; 192.5 buds are short 2.67
    // fruit, 158 left 13.11, 130 left 29.40.
    [Theory]
    [InlineData(158, 13.11 - 2.67)]
    [InlineData(130, 29.40 - 2.67)]
    [InlineData(192.5, 0)]
    [InlineData(240, 0)]
    public void What_is_lost_for_missing_the_number_is_the_handbook_s(double left, double isShort) =>
        Assert.Equal(isShort, Costs.FruitShort(left, 192.5), 0.02);

    private static BlockSimulation Simulated(CrewSkill skill)
    {
        var reading = PlanReading.Of(Entries.Plan(300, 310, 290, 305, 295, 300));
        var plan = PruningPlan.Of(reading);
        return BlockSimulation.Of(
            plan.Planting!.System.RulesFor(reading.Cutting.Answers),
            plan.Stock!,
            plan.Prescription!,
            new(reading.Settings, 400, Costs: plan.CostsOf(reading), Skill: skill),
            cancel: TestContext.Current.CancellationToken
        );
    }

    [Fact]
    public void Each_way_is_told_and_the_cheapest_proposed()
    {
        var block = Simulated(new());
        Assert.Equal([WayOfWorking.Amounts, WayOfWorking.Gauge, WayOfWorking.Count], block.Ways.Select(w => w.Way));
        Assert.Equal(block.Ways.Min(w => w.CostPerTree), Assert.Single(block.Ways, w => w.IsProposed).CostPerTree);
        // By amounts is the simulation itself.
        Assert.Equal(block.Outcome.InBand, block.Ways[0].OnTarget, 9);
        Assert.Equal(block.Outcome.BudsLeft, block.Ways[0].BudsLeft, 9);
        Assert.Equal(block.Outcome.ClustersToThinning, block.Ways[0].ClustersOver, 9);
        Assert.True(block.Outcome.ClustersToThinning > 1, $"{block.Outcome.ClustersToThinning}");
        // Hours at 20, fruit short at .11 and clusters over that set, .62 of them unless the estate says
        // otherwise, at .02.
        var reading = PlanReading.Of(Entries.Plan(300, 310, 290));
        var set = PruningPlan.Of(reading).CostsOf(reading)!.SetMean;
        double Cost(WayResult of) => of.Minutes / 60 * 20 + of.FruitShort * 0.11 + of.ClustersOver * set * 0.02;
        Assert.All(block.Ways, w => Assert.Equal(Cost(w), w.CostPerTree, 9));
    }

    // Counting a tree in ten costs minutes and brings the mean nearer. Errors do not cancel out: buds go with the
    // square of a thickness, whose mean rises with its spread (Jensen), so that who misreads leaves more.
    [Fact]
    public void Counts_bring_trees_nearer_to_their_number_and_misreading_leaves_more()
    {
        var (usual, sure, clumsy) = (Simulated(new()), Simulated(new(0, 0)), Simulated(new(0.3, 0.4)));
        Assert.True(sure.Ways[1].BudsLeft < clumsy.Ways[1].BudsLeft);
        double Off(WayResult way) => Math.Abs(way.BudsLeft - usual.Classes[0].BudsToLeave);
        Assert.True(Off(usual.Ways[2]) < Off(usual.Ways[1]));
        // Four minutes on every tenth tree are .4 on each.
        Assert.Equal(0.4, usual.Ways[2].Minutes - Simulated(new(MinutesPerCount: 0)).Ways[2].Minutes, 0.01);
    }
}
