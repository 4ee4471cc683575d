using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Season;
using Rama.Core.Systems;
using Rama.Core.Training.Rework;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

public sealed class ProgrammeTests
{
    private static readonly DateOnly TipDay = new(2027, 3, 15);

    private static AnchorDays Days(string crop) => AnchorDays.Of(crop, new(TipDay, 3, GreenTipBasis.Planting));

    private static Planting PlantingOf(TrainingSystem system, int leaf = 9)
    {
        var crop = system.Crops[0];
        return (
            Entries.Planting with
            {
                Variety = Catalogue.Shipped.Varieties.First(v => v.Crop == crop).Name,
                Rootstock = Catalogue.Shipped.Rootstocks.First(r => r.IsFor(crop)).Name,
                System = system.Id,
                YearPlanted = 2027 - leaf + 1,
            }
        ).Read(2027);
    }

    private static ProgrammeTerms Terms(
        TrainingSystem system,
        IReadOnlyDictionary<string, string> answers,
        DecisionKind? decision = DecisionKind.Reduce,
        int leaf = 9
    ) => new(PlantingOf(system, leaf), 1_000, answers, Days(system.Crops[0]), decision);

    // Every answer to every question, one changed at a time from the system's own.
    public static TheoryData<string, string, string> Answers
    {
        get
        {
            TheoryData<string, string, string> all = [];
            foreach (var system in TrainingSystem.Shipped)
            foreach (var question in system.Questions)
            foreach (var option in question.Options)
                all.Add(system.Id, question.Id, option.Id);
            foreach (var system in TrainingSystem.Shipped.Where(s => s.Questions.Count == 0))
                all.Add(system.Id, "", "");
            return all;
        }
    }

    // Must show: no step of any system is lost between passes.
    [Theory]
    [MemberData(nameof(Answers))]
    public void No_step_is_lost_between_passes(string id, string question, string answer)
    {
        var system = TrainingSystem.Find(id)!;
        Dictionary<string, string> answers = new() { [question] = answer };
        var programme = Programme.Of(Terms(system, answers));
        var leftOut = system
            .Questions.Select(q => q.Answer(answers.GetValueOrDefault(q.Id)))
            .SelectMany(a => a.LeavesOut ?? []);
        var carried = programme.Passes.SelectMany(p => p.Cuts).Select(c => c.Id).ToList();
        Assert.Equal(
            system.Steps.Where(s => s.Under.Contains(DecisionKind.Reduce)).Select(s => s.Id).Except(leftOut).Order(),
            carried.Order()
        );
    }

    [Fact]
    public void The_top_of_a_cherry_after_harvest_is_a_pass_and_not_left_out()
    {
        var system = TrainingSystem.Find("cherry-spindle")!;
        var programme = Programme.Of(
            Terms(system, new Dictionary<string, string> { ["cherry-top"] = "after-harvest" })
        );
        var after = programme.Passes.Single(p => p.Id == "after-harvest");
        Assert.Equal(["top"], after.Cuts.Select(c => c.Id));
        Assert.Contains(DayCondition.Dry, after.On);
        Assert.True(after.Window.From > TipDay.AddDays(60));
        var dormant = Programme.Of(Terms(system, new Dictionary<string, string> { ["cherry-top"] = "dormant" }));
        Assert.DoesNotContain(dormant.Passes, p => p.Id == "after-harvest");
        Assert.Contains(dormant.Passes.Single(p => p.IsWinter).Cuts, c => c.Id == "top");
    }

    // Handbook 5.1: each tool against vigour has its effect; a brush pass has none that lasts.
    [Fact]
    public void What_was_done_against_vigour_last_year_is_told_this_year()
    {
        var terms = Terms(TrainingSystem.Find("tall-spindle")!, new Dictionary<string, string>());
        Assert.Empty(Programme.Of(terms).LastYear);
        var felt = Programme
            .Of(
                terms with
                {
                    DoneBefore = new Dictionary<string, DateOnly>
                    {
                        ["girdling"] = TipDay.AddDays(-300),
                        ["root-pruning"] = TipDay.AddDays(-370),
                        ["brush"] = TipDay.AddDays(-360),
                    },
                }
            )
            .LastYear;
        Assert.Equal(["root-pruning", "girdling"], felt.Select(f => f.Id));
        Assert.Contains("the other side this year", felt[0].Effect.En, StringComparison.Ordinal);
        // Each of the tools that are chosen against vigour tells of the year after.
        Assert.All(PassDefinition.All.Where(p => p.For.Contains("chosen")), p =>
            Assert.True(p.NextYear is not null, p.Id)
        );
    }

    [Fact]
    public void Trees_in_rework_are_a_pass_of_their_own_hours()
    {
        var terms = Terms(TrainingSystem.Find("tall-spindle")!, new Dictionary<string, string>());
        Assert.DoesNotContain(Programme.Of(terms).Passes, p => p.Id == PassIds.Rework);
        var rework = ReworkPlan.Of(new(2027, false, 100, [], [new(1, [1, 2])], 2027, []));
        var pass = Programme.Of(terms with { Rework = rework }).Passes.Single(p => p.Id == PassIds.Rework);
        Assert.Equal(rework.Hours!.Paid, pass.Hours!.Paid);
        Assert.Contains("felling only by trained people", pass.Caution!.En, StringComparison.Ordinal);
    }

    [Fact]
    public void A_side_of_a_peach_is_renewed_after_harvest()
    {
        var system = TrainingSystem.Find("pedestrian-peach")!;
        var left = Programme.Of(Terms(system, new Dictionary<string, string> { ["sides"] = "left" }));
        Assert.Equal(["side"], left.Passes.Single(p => p.Id == "after-harvest").Cuts.Select(c => c.Id));
        var rest = Programme.Of(Terms(system, new Dictionary<string, string> { ["sides"] = "rest" }));
        Assert.DoesNotContain(rest.Passes, p => p.Id == "after-harvest");
    }

    [Fact]
    public void Two_passes_part_the_winter_and_the_walk_counts_in_both()
    {
        var system = TrainingSystem.Find("tall-spindle")!;
        var one = Programme.Of(Terms(system, new Dictionary<string, string> { ["passes"] = "one" }));
        var two = Programme.Of(Terms(system, new Dictionary<string, string> { ["passes"] = "two" }));
        Assert.Equal(["winter"], one.Passes.Where(p => p.IsWinter).Select(p => p.Id));
        Assert.Equal(["detail", "major"], two.Passes.Where(p => p.IsWinter).Select(p => p.Id).Order());
        Assert.Contains(two.Passes.Single(p => p.Id == "major").Cuts, c => c.Id == "thick-limbs");
        Assert.Contains(two.Passes.Single(p => p.Id == "detail").Cuts, c => c.Id == "spurs");
        double Winter(Programme p) => p.Passes.Where(x => x.IsWinter).Sum(x => x.Hours!.Working);
        // 1 000 trees, once more to each of them.
        Assert.Equal(1_000 * system.Labour.BaseSeconds / 3_600, Winter(two) - Winter(one), 6);
        // The brush goes with what was cut last.
        Assert.True(two.Passes.Single(p => p.Id == "brush").Window.To <= TipDay);
    }

    [Fact]
    public void What_is_not_pruned_has_its_hazards_cut_and_nothing_else()
    {
        var programme = Programme.Of(
            Terms(TrainingSystem.Find("tall-spindle")!, new Dictionary<string, string>(), DecisionKind.NoPrune)
        );
        var winter = Assert.Single(programme.Passes, p => p.IsWinter);
        Assert.Equal(("hazard", "unsound-wood"), (winter.Id, Assert.Single(winter.Cuts).Id));
        Assert.DoesNotContain(programme.Passes, p => p.Id is "brush" or "after-harvest");
    }

    [Fact]
    public void A_young_planting_is_tied_and_not_thinned()
    {
        var programme = Programme.Of(
            Terms(TrainingSystem.Find("tall-spindle")!, new Dictionary<string, string>(), null, leaf: 1)
        );
        Assert.Contains(programme.Passes, p => p.Id == "tie-leader");
        Assert.Contains(programme.Passes, p => p.Id == "branch-making");
        // What all systems share stands back for the tasks of the system.
        Assert.DoesNotContain(programme.Passes, p => p.Id is "tying" or "bud-removal");
        Assert.DoesNotContain(programme.Passes, p => p.Id is "thinning" or "winter" or "summer-light");
    }

    // A prescription's own minutes are the hours of its winter pass: one truth with card and season page.
    [Fact]
    public void Hours_of_one_winter_pass_are_those_of_the_card()
    {
        var entry = Entries.Plan(300, 310, 290, 305, 295, 300);
        var reading = PlanReading.Of(entry);
        var plan = PruningPlan.Of(reading);
        var programme = Programme.Of(
            new(
                plan.Planting!,
                plan.Density!.BearingTrees,
                plan.Prescription!.Answers,
                Days("apple"),
                plan.Decision!.Kind,
                CutTimes.Of(plan.Prescription, plan.Planting!.System.Labour.BaseSeconds)
            )
        );
        var winter = programme.Passes.Single(p => p.Id == "winter");
        Assert.Equal(plan.Density.BearingTrees * plan.Prescription.MinutesPerTree / 60, winter.Hours!.Working, 6);
        Assert.False(winter.Hours.Assumed);
        Assert.Equal(
            plan.Prescription.Cuts.Where(c => c.IsMade).Select(c => c.StepId).Order(),
            winter.Cuts.Select(c => c.Id).Order()
        );
        Assert.Equal(programme.PaidHours, programme.Months.Sum(m => m.Hours), 6);
    }

    // Handbook 6.3 [derived]: 6 400 trees, 2.6 min, four logs → factor 1.2684, 351.8 working and 413.8 paid hours.
    [Fact]
    public void Hours_of_the_handbook()
    {
        var factor = PassHours.FactorOf([0.21, 0.34, 0.08, 0.27]);
        Assert.Equal(1.2684, factor, 4);
        var hours = PassHours.Of(6_400, 2.6 * 60, 0, factor);
        Assert.Equal((351.8, 413.8), (Math.Round(hours.Working, 1), Math.Round(hours.Paid, 1)));
        Assert.Equal(1, PassHours.FactorOf([]));
    }

    // Handbook 6.2 [assumption]: 2 % at green tip rising linearly to 15 % at pink, constant after.
    [Fact]
    public void A_late_pass_knocks_buds_off_and_must_leave_more()
    {
        DateOnly bloom = TipDay.AddDays(30);
        double Share(int days) => LateCost.Of(TipDay.AddDays(days), TipDay, bloom).Share;
        Assert.Equal(0, Share(-1));
        Assert.Equal(0.02, Share(0), 9);
        Assert.Equal(0.085, Share(12), 9); // half the way to pink, 24 days
        Assert.Equal(0.15, Share(24), 9);
        Assert.Equal(0.15, Share(60), 9);
        Assert.Equal(1 / 0.85, LateCost.Of(TipDay.AddDays(40), TipDay, bloom).LeaveTimes, 9);
        Assert.Empty(LateCost.Of(TipDay.AddDays(-1), TipDay, bloom).Warnings);
        // Handbook 6.2 has it of apple and pear; peach and cherry are pruned up to bloom on purpose.
        Assert.NotNull(LateCost.Of(TipDay, "pear", Days("pear")));
        Assert.Null(LateCost.Of(TipDay.AddDays(10), "peach", Days("peach")));
        Assert.Null(LateCost.Of(TipDay.AddDays(10), "cherry", Days("cherry")));
    }
}
