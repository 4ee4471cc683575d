using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Core.Tests.Plan;

namespace Rama.Core.Tests.Prescribe;

/// <summary>What is told of a trunk class adds up, and is something a crew can do.</summary>
public sealed class ClassPrescriptionTests
{
    [Fact]
    public void The_share_a_step_takes_is_what_falls_of_what_stood() =>
        MadePlantings.Each(
            (_, plan) =>
            {
                foreach (var c in plan.Prescription!.Classes)
                {
                    var standing = c.Decision.Standing.Mean;
                    foreach (var cut in c.Cuts)
                    {
                        Assert.Equal(standing - cut.Drop, cut.BudsAfter, 6);
                        Assert.Equal(standing > 0 ? cut.Drop / standing : 0, cut.DropShare, 9);
                        standing = cut.BudsAfter;
                    }
                }
            }
        );

    // The walk to the tree, each cut as long as its step takes, and, where limbs are read, what that takes.
    [Fact]
    public void Minutes_are_the_sum_of_what_is_done() =>
        MadePlantings.Each(
            (_, plan) =>
            {
                var system = plan.Planting!.System;
                var seconds = system.Steps.ToDictionary(s => s.Id, s => s.SecondsEach);
                var prescription = plan.Prescription!;
                foreach (var c in prescription.Classes)
                {
                    var cutting = system.Labour.BaseSeconds + c.Cuts.Sum(x => x.CutsPerTree * seconds[x.StepId]);
                    Assert.Equal(cutting / 60, c.MinutesPerTree - c.ReadingMinutes, 9);
                }
                var told = prescription.Steps.Single(s => s.Code == "prescription.minutes");
                Assert.Equal(told.Inputs.Sum(i => i.Value) / 60, told.Result.Value, 6);
            }
        );

    // Common practice, no source: whoever reads limbs needs longer than who does not, a few seconds a limb.
    [Fact]
    public void Reading_limbs_takes_seconds_a_limb() =>
        MadePlantings.Each(
            (_, plan) =>
            {
                foreach (var c in plan.Prescription!.Classes.Where(c => c.ReadingMinutes != 0))
                    Assert.InRange(c.ReadingMinutes * 60 / c.LimbsLeft, -6, 12);
                if (plan.Prescription.Way is Core.Prescribe.Working.WayOfWorking.Gauge)
                    Assert.Contains(plan.Prescription.Classes, c => c.ReadingMinutes > 0);
            }
        );

    // Nobody rubs a third of a bud off each limb: what comes to less than one a limb is told for the tree.
    [Fact]
    public void Amounts_are_numbers_a_crew_can_count() =>
        MadePlantings.Each(
            (_, plan) =>
            {
                var prescription = plan.Prescription!;
                foreach (var cut in prescription.Cuts.Where(c => c.IsMade))
                {
                    var made = prescription
                        .Classes.SelectMany(c => c.Cuts.Where(x => x.StepId == cut.StepId && x.IsMade))
                        .ToList();
                    var (least, most) = (cut.Amount.Least, cut.Amount.Most);
                    Assert.True(least <= most, $"{cut.StepId}: {least} to {most}");
                    switch (cut.Amount.Kind)
                    {
                        case AmountKind.ALimb:
                            Assert.True(least >= 1, $"{cut.StepId}: {least} a limb");
                            break;
                        case AmountKind.OnTheTree:
                            Assert.Equal(
                                Math.Round(made.Min(m => m.CutsPerTree), MidpointRounding.AwayFromZero),
                                least
                            );
                            Assert.Equal(Math.Round(made.Max(m => m.CutsPerTree), MidpointRounding.AwayFromZero), most);
                            break;
                        case AmountKind.UpTo:
                            Assert.Equal(made.Min(m => (double)m.Most!), least);
                            Assert.Equal(made.Max(m => (double)m.Most!), most);
                            break;
                        case AmountKind.IfAbove:
                            Assert.InRange(least, 0.5, 8);
                            break;
                        case AmountKind.OnSomeTrees:
                            Assert.All(made, m => Assert.True(m.CutsPerTree < 1));
                            break;
                        case AmountKind.AsFound:
                            Assert.True(least >= 1 && most <= Math.Max(1, made.Max(m => m.CutsPerTree) + 0.5));
                            break;
                    }
                }
            }
        );

    // A tree with a fifth of its buds gone looks lighter, one with a third looks bare: a crew that is told the wrong
    // one of them cuts on. From when on is an assumption.
    [Fact]
    public void How_the_right_tree_looks_goes_with_what_is_gone()
    {
        List<(string Crop, string Look, int Third)> told = [];
        foreach (var (_, reading, plan) in MadePlantings.All.Where(m => m.Plan.Decision!.Kind == DecisionKind.Reduce))
        {
            var gone = 1 - plan.Prescription!.BudsLeft / plan.Decision!.Standing.Mean;
            var third =
                gone < 0.2 ? 0
                : gone < 0.35 ? 1
                : 2;
            told.Add((plan.Planting!.Variety.Crop, MadePlantings.CardOf(reading, plan).Look, third));
        }
        Assert.Equal([0, 1, 2], told.Select(t => t.Third).Distinct().Order());
        // One look for each, and none for two of them.
        Assert.All(told.GroupBy(t => (t.Crop, t.Look)), g => Assert.Single(g.Select(t => t.Third).Distinct()));
        Assert.All(told.GroupBy(t => (t.Crop, t.Third)), g => Assert.Single(g.Select(t => t.Look).Distinct()));
    }

    // Handbook 3.8: one way of working for the planting. A class may differ by a step of a number, with the trunk.
    [Fact]
    public void Classes_work_alike_and_numbers_go_with_the_trunk() =>
        MadePlantings.Each(
            (_, plan) =>
            {
                var (system, classes) = (plan.Planting!.System, plan.Prescription!.Classes);
                if (classes.Any(c => c.Decision.Kind != DecisionKind.Reduce))
                    return;
                foreach (var setting in system.Settings.Where(s => s.Tries.Count > 0 && !s.Reserve))
                {
                    var values = classes
                        .Where(c => c.Settings.ContainsKey(setting.Id))
                        .Select(c => c.Settings[setting.Id])
                        .ToList();
                    // What is solved for each class is no try.
                    if (values.Count < 2 || values.Any(v => !setting.Tries.Contains(v)))
                        continue;
                    var places = values.ConvertAll(v => setting.Tries.Order().ToList().IndexOf(v));
                    if (setting.IsLength || setting.Tries.Order().SequenceEqual([0, 1]))
                        Assert.Single(places.Distinct());
                    // One step up in one class and one down in another, from the same in the middle.
                    Assert.InRange(places.Max() - places.Min(), 0, 2);
                    Assert.True(
                        places.SequenceEqual(places.Order()) || places.SequenceEqual(places.OrderDescending()),
                        $"{setting.Id}: {string.Join(", ", values)}"
                    );
                }
            }
        );

    [Fact]
    public void A_count_without_spread_carries_no_interval_through()
    {
        var spindle = TrainingSystem.Find("tall-spindle")!;
        var decision = PruningDecision.Of(new(231, 231, 231), 163.2, new());
        var of = Prescription.Of(spindle.RulesFor(), TreeStock.Usual(spindle, decision.Standing, 22), decision, new());
        Assert.Equal(of.BudsLeft, of.BudsLeftLow!.Value, 6);
        Assert.Equal(of.BudsLeft, of.BudsLeftHigh!.Value, 6);
        // Steps that take a share take as large a one of fewer buds; single buds are a number.
        var less = PruningDecision.Of(new(231, 200, 231), 163.2, new());
        var low = Prescription
            .Of(spindle.RulesFor(), TreeStock.Usual(spindle, less.Standing, 22), less, new())
            .Cuts.Aggregate(200.0, (b, c) => c.SingleBuds ? b - c.Drop : b * c.BudsAfter / (c.BudsAfter + c.Drop));
        Assert.Equal(
            low,
            Prescription
                .Of(spindle.RulesFor(), TreeStock.Usual(spindle, less.Standing, 22), less, new())
                .BudsLeftLow!.Value,
            6
        );
    }

    // Whoever sets the numbers by hand finds nothing that brings the planting clearly nearer to its number.
    [Theory]
    [InlineData("tall-spindle", 260)]
    [InlineData("tall-spindle", 340)]
    [InlineData("multi-leader-wall", 560)]
    [InlineData("open-v", 430)]
    [InlineData("pedestrian-peach", 130)]
    public void Nothing_set_by_hand_comes_clearly_nearer(string id, double standing)
    {
        var system = TrainingSystem.Find(id)!;
        var decision = PruningDecision.Of(new(standing, null, null), standing * 0.68, new());
        Prescription With(Dictionary<string, double> held) =>
            Prescription.Of(
                system.RulesFor(),
                TreeStock.Usual(system, decision.Standing, null),
                decision,
                new(),
                new(held, [])
            );
        double Off(Prescription of) => Math.Abs(of.BudsLeft - decision.BudsToLeave) / decision.BudsToLeave;
        var found = Off(With([]));
        Assert.InRange(found, 0, 0.2);
        foreach (var setting in system.Settings.Where(s => s.Tries.Count > 0))
        foreach (var value in setting.Tries)
            Assert.True(
                found <= Off(With(new() { [setting.Id] = value })) + 0.06,
                $"{setting.Id} held at {value} comes nearer than what was found: {found:0.000}"
            );
    }
}
