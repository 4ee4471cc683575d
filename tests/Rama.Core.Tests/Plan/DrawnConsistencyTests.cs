using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Plan;

/// <summary>
/// One truth, on trees that are drawn and cut: bench, gauge and simulation do what the prescription says.
/// </summary>
public sealed class DrawnConsistencyTests
{
    [Fact]
    public void No_class_is_drawn_with_more_cuts_than_its_card_allows() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                foreach (var c in plan.Prescription!.Classes)
                {
                    var (bench, of) = new BenchChoice(c.Class.Name).Put(plan.ToPrune(reading)!);
                    Assert.Equal(c.StopAt ?? c.Decision.BudsToLeave, bench.ToLeave, 9);
                    foreach (
                        var cut in of.Cuts.Where(x =>
                            x.Most is not null
                            && bench.Rules.System.Steps.Any(s => s.Id == x.StepId && s.Per == CutsPer.Tree)
                        )
                    )
                        Assert.InRange(bench.Pruning.Cuts.Count(x => x.StepId == cut.StepId), 0, cut.Most!.Value);
                    if (c.AtMostDown is { } down)
                        Assert.InRange(
                            bench.Pruning.Cuts.Where(x => x.StepId != "unsound-wood").Sum(x => x.Drop),
                            0,
                            down + 1e-9
                        );
                }
            }
        );

    // The gauge over the limbs that the drawn tree of each class keeps makes its number: on one tree roughly, on
    // all of them in the mean. Limbs thicker than the gauge goes are read as its last.
    [Fact]
    public void The_gauge_makes_the_number_on_the_trees_drawn()
    {
        List<double> shares = [];
        MadePlantings.Each(
            (reading, plan) =>
            {
                var big = plan.Prescription!.InForce.GetValueOrDefault("big-from", double.PositiveInfinity);
                foreach (var c in plan.Prescription.Classes.Where(c => c.StopAt is not null))
                {
                    var left = new BenchChoice(c.Class.Name).Put(plan.ToPrune(reading)!).Bench.Pruning.Left;
                    var limbs = left
                        .Tree.Branches.Where(b => b.Kind == BranchKind.Limb && left.Stands(b.Id))
                        .Select(b => Math.Min(b.DiameterMm, big));
                    shares.Add(limbs.Sum(mm => c.BudsPerCm2!.Value * Math.PI * mm * mm / 400) / c.StopAt!.Value);
                }
            }
        );
        Assert.True(shares.Count > 100, $"{shares.Count}");
        // As many trees know their mean to about 1 %.
        Assert.InRange(shares.Average(), 0.98, 1.02);
        Assert.All(shares, s => Assert.InRange(s, 0.5, 2));
    }

    // The simulation is the card carried out as its crew works, however many trunk classes there are; where the cap
    // binds too.
    [Fact]
    public void The_way_on_the_card_tells_what_the_simulation_tells()
    {
        var numbered = MadePlantings
            .All.Where(m =>
                m.Plan.Prescription!.Way is not null && m.Plan.Prescription.Classes.All(c => c.StopAt is not null)
            )
            .ToList();
        Assert.Contains(numbered, m => m.Plan.Prescription!.Classes.Any(c => c.StopAt > c.Decision.BudsToLeave + 1));
        Assert.Equal(3, numbered.Select(m => m.Plan.Prescription!.Way).Distinct().Count());
        foreach (
            var (name, reading, plan) in numbered.DistinctBy(m =>
                (m.Plan.Planting!.System.Id, m.Plan.Prescription!.Way, m.Plan.Prescription!.Classes.Count)
            )
        )
        {
            var rules = plan.Planting!.System.RulesFor(reading.Cutting.Answers);
            var block = BlockSimulation.Of(
                rules,
                plan.Stock!,
                plan.Prescription!,
                new(reading.Settings, 200, Costs: plan.CostsOf(reading)),
                cancel: TestContext.Current.CancellationToken
            );
            var way = Assert.Single(block.Ways, w => w.Way == plan.Prescription!.Way);
            double[] told =
            [
                block.Outcome.InBand,
                block.Outcome.BudsLeft,
                block.Outcome.BudsLeftSd,
                block.Outcome.Minutes,
            ];
            Assert.Equal(told, [way.OnTarget, way.BudsLeft, way.BudsLeftSd, way.Minutes], (a, b) =>
                Math.Abs(a - b) < 1e-9
            );
            // Nor does it take another time than the card says, as far as few trees can tell.
            Assert.True(
                Math.Abs(block.Outcome.Minutes / plan.Prescription!.MinutesPerTree - 1) < 0.15,
                $"{name}: {block.Outcome.Minutes:0.0} and {plan.Prescription.MinutesPerTree:0.0} min"
            );
        }
    }

    [Fact]
    public void The_thinning_told_is_that_of_trees_cut_by_the_card()
    {
        // 300 plantings of many trees would take minutes; every system once in each way of working.
        foreach (
            var (name, reading, plan) in MadePlantings
                .All.Where(m => m.Plan.Decision!.Kind == DecisionKind.Reduce)
                .DistinctBy(m => (m.Plan.Planting!.System.Id, m.Plan.Prescription!.Way))
        )
        {
            var rules = plan.Planting!.System.RulesFor(reading.Cutting.Answers);
            var block = BlockSimulation.Of(
                rules,
                plan.Stock!,
                plan.Prescription!,
                new(reading.Settings, 300, 3),
                cancel: TestContext.Current.CancellationToken
            );
            // Both are means over typical trees, thirty for the plan: three standard errors of such a mean are allowed
            // for, and 8 % of the number, by which trees cut by whole cuts end off it in the mean.
            var near = Math.Max(3 * block.Outcome.BudsLeftSd / Math.Sqrt(30), 0.08 * plan.Decision!.BudsToLeave);
            Assert.True(
                Math.Abs(block.Outcome.ClustersToThinning - plan.Prescription!.ClustersToThinning) <= near,
                $"{name}: {block.Outcome.ClustersToThinning:0.0} and {plan.Prescription.ClustersToThinning:0.0}"
            );
        }
    }
}
