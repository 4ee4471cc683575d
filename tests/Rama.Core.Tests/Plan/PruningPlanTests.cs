using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Working;

namespace Rama.Core.Tests.Plan;

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
        // What the ledger does not draw is less than half a bud a step.
        Assert.InRange(
            plan.Ledger.Standing!.Mean - plan.Ledger.Drops.Sum(d => d.Drop) - plan.Ledger.Left.Mean,
            -1e-9,
            0.5 * plan.Prescription.Cuts.Count
        );
    }

    // Ten buds for each cm² of trunk, counted on trunks smaller than the planting's: whoever tells when to stop
    // speaks of the mean that is shown, and not of that of the trees counted.
    [Fact]
    public void The_stop_rule_speaks_of_the_mean_that_is_shown()
    {
        double[] girths = [14, 15, 16, 17, 18, 19, 20, 21];
        double[] buds = [158, 176, 206, 228, 260, 285, 321, 349];
        var plan = PruningPlan.Of(
            Entries.Plan() with
            {
                Count = new()
                {
                    Method = EstimateMethod.RegressionOnTrunk,
                    Trees =
                    [
                        .. girths.Select(
                            (girth, i) =>
                                new CountedTreeEntry
                                {
                                    Row = 1 + i,
                                    Tree = 10,
                                    Girth = new(girth, "cm"),
                                    FloralBuds = buds[i],
                                }
                        ),
                    ],
                },
                Measured = new(2_000, 40, []),
            }
        );
        Assert.True(plan.Survey!.Value > buds.Average() * 1.2, $"{plan.Survey.Value}");
        Assert.Equal(plan.Survey.Value, (plan.Stop!.Low!.Value + plan.Stop.High!.Value) / 2, 6);
    }

    // Handbook 2.7: 10 % about 163 are 146.7 and 179.3.
    [Fact]
    public void The_band_drawn_is_the_tolerance_about_the_number()
    {
        var held = Entries.Plan(Even) with { Target = Entries.Target with { Yield = new(163, "bud/tree") } };
        var ledger = PruningPlan.Of(held).Ledger!;
        Near.Printed(146.7, ledger.BandLow, 1);
        Near.Printed(179.3, ledger.BandHigh, 1);
        Assert.Equal((163, 1.8, 0.1), (ledger.Wanted, ledger.BudFactor, ledger.Tolerance));
    }

    [Fact]
    public void What_demonstration_trees_changed_stands_beside_what_was_expected()
    {
        var expected = PruningPlan.Of(Entries.Plan(Even));
        Assert.Null(expected.Demonstration);
        var step = expected.Prescription!.Cuts.First(c => c is { Drop: > 0, SingleBuds: false });
        // Half of what stood fell: far more than any step is expected to take.
        var shown = PruningPlan.Of(
            Entries.Plan(Even) with
            {
                Cutting = new()
                {
                    Demonstration =
                    [
                        new()
                        {
                            Before = 200,
                            Fell = new Dictionary<string, double?> { [step.StepId] = 100 },
                        },
                    ],
                },
            }
        );
        var effect = shown.Demonstration!.Steps.Single(s => s.StepId == step.StepId);
        Assert.Equal((1, 1, step.Drop), (shown.Demonstration.Trees, effect.Trees, effect.DropExpected));
        // (4 · expected + observed) ÷ 5, handbook 5.3.
        Assert.Equal((4 * step.Drop + 0.5 * (step.Drop + step.BudsAfter)) / 5, effect.Drop, 6);
        Assert.All(shown.Demonstration.Steps, s =>
            Assert.Equal(shown.Prescription!.Cuts.Single(c => c.StepId == s.StepId).Drop, s.Drop)
        );
    }

    // Handbook 2.7: within the tolerance, what the shape needs and at most the tolerance in buds.
    [Fact]
    public void Demonstration_trees_that_dropped_much_do_not_take_structure_past_its_allowance()
    {
        var entry = Entries.Plan(222, 226, 220, 224, 218) with
        {
            Cutting = new()
            {
                Demonstration =
                [
                    .. Enumerable
                        .Range(0, 8)
                        .Select(_ => new DemonstrationTreeEntry
                        {
                            Before = 300,
                            Fell = new Dictionary<string, double?> { ["thick-limbs"] = 150 },
                        }),
                ],
            },
        };
        var plan = PruningPlan.Of(entry);
        Assert.Equal(DecisionKind.StructureOnly, plan.Decision!.Kind);
        Assert.InRange(plan.Prescription!.BudsDropped, 1, plan.Decision.RemoveBuds + 1e-9);
    }

    [Fact]
    public void An_untouched_target_is_not_called_wrong() =>
        Assert.Empty(PruningPlan.Of(Entries.Plan(Even) with { Target = new() }).Problems);

    [Fact]
    public void Problems_of_every_part_come_back_together()
    {
        var plan = PruningPlan.Of(
            Entries.Plan(200, -1) with
            {
                Planting = Entries.Planting with { RowSpacing = new(0, "m") },
                Target = Entries.Target with { PackOut = new(120, "%") },
                Settings = new() { Cap = new(95, "%") },
            }
        );
        Assert.Equal(
            ["planting.rowSpacing", "target.packOut", "count.trees[1].floralBuds", "settings.cap"],
            plan.Problems.Select(p => p.Field)
        );
        Assert.Equal(Stage.Target, plan.Stage);
    }

    private static PruningCard? Card(PlanEntry entry, string language = "en", BodyMarks? marks = null)
    {
        var reading = PlanReading.Of(entry);
        return PruningPlan.Of(reading).ToPrune(reading) is { } toPrune
            ? PruningCard.Of(toPrune, new(language, Marks: marks))
            : null;
    }

    // Cherries are not thinned by hand; the fruitlets of a peach are: common practice, no source.
    [Theory]
    [InlineData("Jonagold", "M.9", "tall-spindle", "hand thinning takes them")]
    [InlineData("Kordia", "Weiroot 158", "cherry-spindle", "not thinned by hand")]
    [InlineData("Redhaven", "GF 677", "pedestrian-peach", "thin fruitlets harder")]
    public void What_stays_over_the_number_is_told_as_the_crop_is_grown(
        string variety,
        string rootstock,
        string system,
        string said
    )
    {
        var planting = Entries.Planting with { Variety = variety, Rootstock = rootstock, System = system };
        var target = Entries.Target with { Yield = new(60, "fruit/tree") };
        var card = Card(
            new()
            {
                Season = 2027,
                Planting = planting,
                Target = target,
                Count = Entries.Counted(900, 940, 880, 910, 895),
            }
        )!;
        Assert.Contains(card.Notes, n => n.Contains(said, StringComparison.Ordinal));
        Assert.Equal(1, card.Notes.Count(n => n.Contains("thin", StringComparison.Ordinal)));
    }

    [Fact]
    public void Leaf_buds_stand_between_the_floral_ones_where_their_share_is_known()
    {
        var counted = Entries.Counted(Even);
        TreeBench On(SurveyEntry count)
        {
            var reading = PlanReading.Of(Entries.Plan(Even) with { Count = count });
            return new BenchChoice().Put(PruningPlan.Of(reading).ToPrune(reading)!).Bench;
        }
        var (plain, both) = (On(counted), On(counted with { FloralShare = new(40, "%") }));
        Assert.All(plain.Tree.Buds, b => Assert.True(b.Floral));
        Assert.Equal(plain.Tree.FloralBuds, both.Tree.FloralBuds);
        Assert.InRange(both.Tree.Buds.Count(b => b.Floral) / (double)both.Tree.Buds.Length, 0.38, 0.42);
        // Only what flowers is counted and rubbed off.
        Assert.All(both.Prescribed().Where(c => c.Bud is not null), c =>
            Assert.True(both.Tree.Buds[c.Bud!.Value].Floral)
        );
        Assert.Equal(both.Tree.FloralBuds - both.Prescribed().Sum(c => c.Drop), both.Pruning.Left.FloralBuds);
        Assert.All(
            Card(Entries.Plan(Even) with { Count = counted with { FloralShare = new(40, "%") } })!.Drawing!.Tree.Buds,
            b => Assert.True(b.Floral)
        );
    }

    [Fact]
    public void The_drawing_of_a_card_shows_the_cuts_the_card_names()
    {
        var card = Card(Entries.Plan(Even))!;
        Assert.All(card.Drawing!.Cuts, c =>
            Assert.True(c.Number is null || card.Cuts.Any(k => k.Made && k.Number == c.Number))
        );
        Assert.All(card.Drawing.Cuts.GroupBy(c => c.Number).Where(g => g.Key is not null), g =>
            Assert.InRange(g.Count(), 1, 3)
        );
        Assert.All(card.Drawing.Tree.Buds, b => Assert.True(b.Floral));
        Assert.NotEmpty(card.Drawing.Cuts);
    }

    // By hand: 3.15 m are 124 in, 10 ft 4; 22 mm are 0.866 in, seven eighths; 1.5 cm are five eighths (NIST SP
    // 811: 1 in = 2.54 cm).
    [Fact]
    public void A_card_for_who_measures_in_feet_has_no_metre_on_it()
    {
        var reading = PlanReading.Of(
            Entries.Plan(300, 310, 290, 305, 295, 300) with
            {
                Cutting = new() { Way = WayOfWorking.Gauge },
            }
        );
        var card = PruningCard.Of(PruningPlan.Of(reading).ToPrune(reading)!, new("en", UnitSystem.Us));
        Assert.Contains(card.Measures!, m => m.Value == "10 ft 4 in");
        Assert.Equal(["3/8 in", "1/2 in", "5/8 in", "3/4 in", "7/8 in"], card.Gauge.Select(g => g.Limb));
        Assert.DoesNotMatch(
            @"\d (mm|cm|m)\b",
            string.Join(
                " ",
                card.Measures!.Select(m => m.Value)
                    .Concat(card.Gauge.Select(g => g.Limb))
                    .Concat(card.Cuts.Select(c => c.HowMany))
                    .Append(card.GaugeNote)
            )
        );
        Assert.DoesNotMatch(@"\d ?(mm|cm|m)\b", string.Join(" ", card.Tape!.How.Append(card.Tape.Check)));
        Assert.Equal("1/8", LengthTold.Inches(0.02));
        Assert.Equal("2 1/4", LengthTold.Inches(2.26));
    }

    [Fact]
    public void Lengths_are_told_as_held_and_by_the_crew_s_own_measures()
    {
        var entry = Entries.Plan(Even) with
        {
            Cutting = new()
            {
                Way = WayOfWorking.Gauge,
                Settings = new Dictionary<string, double?>
                {
                    ["big-from"] = 18,
                    ["stub"] = 4,
                    ["big-limbs"] = 2,
                },
            },
        };
        var marks = new BodyMarksEntry
        {
            Finger = new(18, "mm"),
            Shoulder = new(1.45, "m"),
            Reach = new(2.2, "m"),
        }.Read();
        var english = Card(entry, "en", marks)!;
        // 0.9 × 3.5 m of row is 3.15 m: nobody reaches it, so no mark tells it.
        Assert.Equal(
            [
                ("height after pruning", "3.2 m", ""),
                ("a limb is big from", "18 mm", "a finger wide"),
                ("length of a renewal stub", "4 cm", "2 fingers wide"),
                ("picking and mowing height", "0.6 m", ""),
            ],
            english.Measures!.Select(m => (m.Name, m.Value, m.Body))
        );
        // So do the words of the step, also in inches: 18 mm is 0.709 in, five to six eighths.
        Assert.Contains(
            "or over 18 mm (3/4 in)",
            english.Cuts.Single(c => c.StepId == "thick-limbs").LookFor,
            StringComparison.Ordinal
        );
        Assert.Equal("2 dedos de ancho", Card(entry, "es", marks)!.Measures!.Single(m => m.Value == "4 cm").Body);
        // The gauge follows the limit held.
        Assert.Equal("out", english.Gauge.Single(m => m.Limb == "20 mm").Buds);
        Assert.NotEqual("out", english.Gauge.Single(m => m.Limb == "18 mm").Buds);
    }

    [Fact]
    public void A_variety_slow_to_grow_out_again_gets_longer_stubs()
    {
        string How(string variety) =>
            Card(Entries.Plan(Even) with { Planting = Entries.Planting with { Variety = variety } })!
                .Cuts.Single(c => c.StepId == "thick-limbs")
                .How;
        Assert.Contains("stub of 5 cm (2 in)", How("Idared"), StringComparison.Ordinal);
        Assert.Contains("stub of 1.5 cm (5/8 in)", How("Jonagold"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(0.022, BodyPart.Thumb, 1)]
    [InlineData(0.06, BodyPart.Finger, 3)]
    [InlineData(0.17, BodyPart.Hand, 2)]
    [InlineData(0.8, BodyPart.Thigh, 1)]
    [InlineData(2.1, BodyPart.Reach, 1)]
    public void A_length_is_told_by_the_part_that_comes_nearest(double metres, BodyPart part, int times)
    {
        var marks = new BodyMarksEntry
        {
            Finger = new(2, "cm"),
            Thumb = new(23, "mm"),
            Hand = new(8.5, "cm"),
            Thigh = new(78, "cm"),
            Reach = new(2.2, "m"),
        }.Read();
        Assert.Equal(new BodyMark(part, times), marks.Tell(metres));
    }

    [Fact]
    public void A_length_that_no_part_comes_near_is_not_told() =>
        Assert.Null(
            new BodyMarksEntry { Shoulder = new(1.45, "m") }
                .Read()
                .Tell(0.9)
        );

    // From a child's to a giant's: common practice, no source.
    [Theory]
    [InlineData("finger", 8, 40)]
    [InlineData("thumb", 10, 50)]
    [InlineData("hand", 50, 200)]
    [InlineData("knee", 300, 800)]
    [InlineData("thigh", 500, 1_200)]
    [InlineData("shoulder", 1_000, 1_900)]
    [InlineData("reach", 1_500, 3_000)]
    public void Bodies_measure_between_limits(string part, double leastMm, double mostMm)
    {
        BodyMarksEntry Of(double mm) =>
            part switch
            {
                "finger" => new() { Finger = new(mm, "mm") },
                "thumb" => new() { Thumb = new(mm, "mm") },
                "hand" => new() { Hand = new(mm, "mm") },
                "knee" => new() { Knee = new(mm, "mm") },
                "thigh" => new() { Thigh = new(mm, "mm") },
                "shoulder" => new() { Shoulder = new(mm, "mm") },
                _ => new() { Reach = new(mm, "mm") },
            };
        Assert.Equal(leastMm, Of(leastMm).Read().LengthsM.Values.Single() * 1000, 9);
        Assert.Equal(mostMm, Of(mostMm).Read().LengthsM.Values.Single() * 1000, 9);
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(leastMm * 0.99).Read()), part, "range");
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(mostMm * 1.01).Read()), part, "range");
    }

    [Fact]
    public void A_measure_no_body_has_is_told_at_its_field() =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new BodyMarksEntry { Thumb = new(22, "cm") }.Read()),
            "thumb",
            "range"
        );

    [Fact]
    public void The_card_carries_the_plan_s_numbers_in_both_languages()
    {
        var english = Card(Entries.Plan(Even))!;
        var spanish = Card(Entries.Plan(Even), "es")!;
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
        var card = Card(Entries.Plan(100, 105, 95, 102, 98))!;
        Assert.Equal(DecisionKind.NoPrune, card.Kind);
        Assert.Contains("dense", card.Look, StringComparison.Ordinal);
        Assert.Single(card.Cuts);
    }

    [Fact]
    public void A_cut_that_is_not_needed_is_told_so_and_not_drawn()
    {
        // 300 at 221: with no big limb to take, the step is told as none.
        var entry = Entries.Plan(Even) with
        {
            Cutting = new() { Settings = new Dictionary<string, double?> { ["big-limbs"] = 0 } },
        };
        var card = Card(entry)!;
        Assert.Equal(
            ("none this winter", false),
            card.Cuts.Where(c => c.StepId == "thick-limbs").Select(c => (c.HowMany, c.Made)).Single()
        );
    }

    [Fact]
    public void There_is_no_card_before_a_count() => Assert.Null(Card(Entries.Plan()));

    // A pruner is never told a fraction of a bud.
    [Fact]
    public void Buds_to_rub_are_told_in_whole_buds() => Assert.All([230.0, 240, 260, 280, 300, 320, 340], standing =>
        {
            var entry = Entries.Plan(standing - 2, standing + 2, standing, standing - 1, standing + 1) with
            {
                Cutting = new()
                {
                    Settings = new Dictionary<string, double?> { ["big-limbs"] = 0, ["single-forks"] = 0 },
                },
            };
            foreach (var spurs in Card(entry)!.Cuts.Where(c => c.StepId == "spurs"))
                Assert.Matches(
                    @"^(none this winter|a few, to the number|\d+ on the tree|\d+(–\d+)? a limb)$",
                    spurs.HowMany
                );
        });

    [Fact]
    public void The_rest_of_a_planting_may_be_left_with_more_than_the_target_asks()
    {
        var entry = Entries.Plan(300, 310, 290, 305, 295, 300);
        var (plain, rest) = (PruningPlan.Of(entry), PruningPlan.Of(entry with { Cutting = new() { Rest = 0.05 } }));
        // The target stays; what is cut to is more, and everything that tells it tells so.
        Assert.Equal(plain.Buds!.BudsPerTree, rest.Buds!.BudsPerTree, 1e-9);
        Assert.Equal(1.05 * plain.Decision!.BudsToLeave, rest.Decision!.BudsToLeave, 1e-9);
        Assert.Equal(rest.Decision.BudsToLeave, rest.Ledger!.Wanted, 1e-9);
        Assert.Equal(rest.Ledger.Wanted, rest.Ledger.FruitWanted * rest.Ledger.BudFactor, 1e-6);
        Assert.True(rest.Prescription!.BudsLeft > plain.Prescription!.BudsLeft);
        Assert.Contains(rest.Decision.Warnings, w => w.Code == "decision.rest-more");
        Assert.DoesNotContain(plain.Decision.Warnings, w =>
            w.Code.StartsWith("decision.rest", StringComparison.Ordinal)
        );
        Entries.AssertProblem(
            PruningPlan.Of(entry with { Cutting = new() { Rest = 2 } }).Problems,
            "cutting.rest",
            "range"
        );
    }
}
