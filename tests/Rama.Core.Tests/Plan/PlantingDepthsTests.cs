using Rama.Core.Crew.Depth;
using Rama.Core.Decide;
using Rama.Core.Plan;

namespace Rama.Core.Tests.Plan;

public sealed class PlantingDepthsTests
{
    private static readonly double[] TooMany = [300, 310, 290, 305, 295, 300];

    [Fact]
    public void Less_deep_takes_fewer_hours_and_gives_more_up()
    {
        var depths = PlantingDepths.Of(PlanReading.Of(Entries.Plan(TooMany)))!;
        var (full, structure, hazard) = (
            depths.At(CutDepth.Full),
            depths.At(CutDepth.Structure),
            depths.At(CutDepth.Hazard)
        );

        Assert.Equal(0, full.MarginLost);
        Assert.True(full.Hours > structure.Hours && structure.Hours > hazard.Hours);
        Assert.True(0 < structure.MarginLost && structure.MarginLost < hazard.MarginLost);
        // Hazards alone leave every bud: 300 less what full depth leaves, each a cluster to thin off where it sets.
        var plan = PruningPlan.Of(Entries.Plan(TooMany));
        var over = plan.Decision!.RemoveBuds;
        var costs = plan.CostsOf(PlanReading.Of(Entries.Plan(TooMany)))!;
        Assert.Equal(
            over * costs.SetMean * costs.CostOver * plan.Density!.BearingTrees,
            hazard.MarginLost,
            hazard.MarginLost * 1e-9
        );
    }

    [Fact]
    public void Taken_it_is_what_the_planting_is_planned_by()
    {
        var entry = Entries.Plan(TooMany);
        var depths = PlantingDepths.Of(PlanReading.Of(entry))!;
        var taken = PlanReading.Of(
            entry with
            {
                Settings = new() { Held = PlantingDepths.HeldAt(CutDepth.Structure), HeldReason = "short of hours" },
            }
        );
        var plan = PruningPlan.Of(taken);

        Assert.Equal(DecisionKind.StructureOnly, plan.Decision!.Kind);
        var hours = Rama
            .Core.Season.Programme.Of(ProgrammeEntry.TermsOf(taken, plan))
            .Passes.Where(p => p.IsWinter)
            .Sum(p => p.Hours!.Paid);
        Assert.Equal(depths.At(CutDepth.Structure).Hours, hours, 9);
        // Decided is decided: it is in no trade any more.
        Assert.Null(PlantingDepths.Of(taken));
    }

    [Fact]
    public void Where_there_is_nothing_to_cut_there_is_nothing_to_trade()
    {
        Assert.Null(PlantingDepths.Of(PlanReading.Of(Entries.Plan())));
        Assert.Null(PlantingDepths.Of(PlanReading.Of(Entries.Plan(100, 105, 98, 102, 101, 99))));
    }
}
