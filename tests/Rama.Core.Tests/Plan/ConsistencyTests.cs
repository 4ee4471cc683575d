using System.Globalization;
using System.Text.RegularExpressions;
using Rama.Core.Decide;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Issue;
using Rama.Core.Prescribe.Working;
using Rama.Core.Result.Forecast;
using Rama.Core.Season;
using Rama.Core.Systems;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Plan;

/// <summary>
/// One truth: over many made-up plantings, decision, cuts, card in both languages, gauge, bench and simulation tell
/// the same numbers. What they should be is worked out here from the target and the count alone. Whoever adds a
/// place where one of these numbers is shown adds it here, and to <c>Rama.Web.Tests/ConsistencyTests</c> for the demo.
/// </summary>
public sealed partial class ConsistencyTests
{
    [Fact]
    public void The_plantings_are_of_every_system_decision_and_aim()
    {
        Assert.Equal(
            TrainingSystem.Shipped.Count,
            MadePlantings.All.Select(m => m.Plan.Planting!.System.Id).Distinct().Count()
        );
        Assert.Equal(3, MadePlantings.All.Select(m => m.Plan.Decision!.Kind).Distinct().Count());
        Assert.Equal([false, true], MadePlantings.All.Select(m => m.Plan.Prescription!.IsLight).Distinct().Order());
        Assert.Equal(
            [null, WayOfWorking.Amounts, WayOfWorking.Gauge, WayOfWorking.Count],
            MadePlantings.All.Select(m => m.Plan.Prescription!.Way).Distinct().Order()
        );
        Assert.Equal([1, 3], MadePlantings.All.Select(m => m.Plan.Prescription!.Classes.Count).Distinct().Order());
    }

    // Handbook 2.7 and 2.8, worked out anew: a class wants its share of the target by trunk, and may lose no
    // more than the cap.
    [Fact]
    public void The_number_of_a_class_is_its_target_or_what_the_cap_leaves() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var (prescription, decision) = (plan.Prescription!, plan.Decision!);
                var mean = prescription.Classes.Sum(c => c.Class.Share * c.Class.MeanTcsaCm2);
                foreach (var c in prescription.Classes)
                {
                    var target = decision.BudsToLeave * c.Class.MeanTcsaCm2 / mean;
                    Assert.Equal(target, c.Decision.BudsToLeave, 6);
                    if (c.StopAt is not { } stop)
                        continue;
                    Assert.Equal(c.BudsLeft, stop, 9);
                    var number = Math.Max(target, (1 - reading.Settings.Cap) * c.Decision.Standing.Mean);
                    // Where cuts run out before the number, what stays goes to thinning; no class is cut below its
                    // number.
                    var sound =
                        c.Decision.Standing.Mean - c.Cuts.Where(x => x.StepId == "unsound-wood").Sum(x => x.Drop);
                    Assert.True(stop >= Math.Min(number, sound) - 0.5, $"{stop} below {number}");
                    if (c.Cuts.Any(x => x.StepId is "spurs" or "shoots") && stop > number + 0.5)
                        Assert.True(
                            c.ClustersToThinning >= stop - target - 1,
                            $"{stop} over {number}, {c.ClustersToThinning} to thinning"
                        );
                }
            }
        );

    [Fact]
    public void Drops_add_up_to_what_goes_in_every_class_and_over_them() =>
        MadePlantings.Each(
            (_, plan) =>
            {
                var prescription = plan.Prescription!;
                foreach (var c in prescription.Classes)
                    Assert.Equal(c.Decision.Standing.Mean - c.Cuts.Sum(x => x.Drop), c.BudsLeft, 6);
                Assert.Equal(prescription.Classes.Sum(c => c.Class.Share * c.BudsLeft), prescription.BudsLeft, 6);
                Assert.Equal(
                    plan.Decision!.Standing.Mean - prescription.Cuts.Sum(c => c.Drop),
                    prescription.BudsLeft,
                    6
                );
                Assert.Equal(prescription.BudsLeft, plan.Ledger!.Left!.Mean, 9);
                // What the ledger does not draw is less than half a bud a step.
                Assert.InRange(
                    plan.Ledger.Standing!.Mean - plan.Ledger.Drops.Sum(d => d.Drop) - plan.Ledger.Left.Mean,
                    -1e-6,
                    0.5 * prescription.Cuts.Count
                );
                Assert.All(plan.Ledger.Drops, d => Assert.True(d.Number > 0));
            }
        );

    [Fact]
    public void The_decision_tells_what_its_cuts_do() =>
        MadePlantings.Each(
            (_, plan) =>
            {
                var (prescription, decision) = (plan.Prescription!, plan.Decision!);
                Assert.Equal(prescription.ClustersToThinning, decision.ClustersToThinning, 9);
                if (
                    prescription
                        .Classes.Select(c => c.Decision.Kind)
                        .Append(decision.Kind)
                        .All(k => k == DecisionKind.Reduce)
                )
                    Assert.Equal(decision.Standing.Mean - prescription.BudsLeft, decision.RemoveBuds, 6);
                Assert.Equal(
                    decision.RemoveBuds,
                    decision.Steps.Single(s => s.Code == "decision.remove").Result.Value,
                    9
                );
                Assert.Equal(decision.RemoveBuds / decision.Standing.Mean, decision.RemoveShare, 9);
                foreach (var c in prescription.Classes)
                    Assert.Equal(c.ClustersToThinning, c.Decision.ClustersToThinning, 9);
                Assert.Equal(
                    prescription.ClustersToThinning,
                    prescription.Classes.Sum(c => c.Class.Share * c.ClustersToThinning),
                    6
                );
                if (prescription.IsLight && decision.Kind == DecisionKind.Reduce)
                    Assert.Equal("decision.reduce-light", decision.Reason.Code);
            }
        );

    // Whoever asks why so many go can do the sum again, and is told it only where it is the sum that was done.
    [Fact]
    public void What_goes_is_the_sum_that_is_told() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var (prescription, decision) = (plan.Prescription!, plan.Decision!);
                var told = decision.Steps.Single(s => s.Code == "decision.remove");
                double[] of = [.. told.Inputs.Select(i => i.Value)];
                var reduces = decision.Kind == DecisionKind.Reduce;
                var planned = Math.Min(decision.Surplus, reading.Settings.Cap * decision.Standing.Mean);
                Assert.Equal(prescription.Classes.Count > 1, told.Formula.StartsWith('Σ'));
                switch (told.Formula)
                {
                    case "Σ share of the trees × what goes from the trunk class":
                        Assert.Equal(of.Chunk(2).Sum(c => c[0] * c[1]), told.Result.Value, 6);
                        break;
                    case "the smaller of the surplus and floral buds × cap":
                        Assert.True(reduces && !prescription.IsLight);
                        Assert.Equal(Math.Min(of[0], of[1] * of[2]), told.Result.Value, 0.05);
                        break;
                    case "the smaller of the tolerance and surplus + tolerance":
                        Assert.Equal(DecisionKind.StructureOnly, decision.Kind);
                        Assert.Equal(Math.Min(of[1], of[0] + of[1]), told.Result.Value, 0.05);
                        break;
                    case "what the system's cuts take, whatever the number":
                        Assert.True(reduces && prescription.IsLight);
                        break;
                    case "what all cuts of the system together take":
                        Assert.False(reduces && prescription.IsLight);
                        Assert.False(reduces && Math.Abs(planned - told.Result.Value) < 0.01);
                        break;
                    default:
                        Assert.Equal((DecisionKind.NoPrune, 0), (decision.Kind, told.Result.Value));
                        break;
                }
            }
        );

    [Fact]
    public void The_card_says_the_numbers_of_the_prescription_in_every_language() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var prescription = plan.Prescription!;
                foreach (var language in new[] { "en", "es" })
                {
                    var card =
                        language == "en"
                            ? MadePlantings.CardOf(reading, plan)
                            : PruningCard.Of(plan.ToPrune(reading)!, new(language));
                    // The stop box has the number of each class and no other.
                    var stops = prescription
                        .Classes.Select(c => c.StopAt)
                        .Concat(prescription.Classes.Select(c => c.AtMostDown))
                        .OfType<double>()
                        .Select(n => Written(n));
                    Assert.Equal(stops, NumbersOf(card.Stop));
                    if (prescription.IsLight && prescription.Classes.All(c => c.Decision.Kind == DecisionKind.Reduce))
                    {
                        Assert.Empty(NumbersOf(card.Stop + card.Headline + card.PerLimb));
                        Assert.Empty(card.Gauge);
                    }
                    foreach (var (c, told) in prescription.Classes.Zip(card.Classes))
                    {
                        if (c.StopAt is not { } stop)
                            continue;
                        Assert.Equal(Written(stop), double.Parse(told.Leave, CultureInfo.InvariantCulture));
                        // One number a limb times the limbs is within 3 %, or the number lies between the two told.
                        var each = NumbersOf(told.PerLimb);
                        if (each.Count == 1)
                            Assert.InRange(each[0] * Written(c.LimbsLeft), stop * 0.97 - 1e-9, stop * 1.03 + 1e-9);
                        else
                            Assert.InRange(stop / c.LimbsLeft, each[0], each[1]);
                    }
                    Assert.Equal(
                        Written(prescription.BudsLeft),
                        double.Parse(card.Numbers[1].Value, CultureInfo.InvariantCulture)
                    );
                    if (prescription.ClustersToThinning >= 0.5)
                        Assert.Contains(card.Notes, n =>
                            NumbersOf(n).Contains(Written(prescription.ClustersToThinning))
                        );
                    // 1 to n of what is made; the list, the table by trunk and the drawing speak of the same cuts.
                    var made = card.Cuts.Where(c => c.Made).ToList();
                    Assert.Equal(Enumerable.Range(1, made.Count), made.Select(c => c.Number));
                    foreach (var (cut, i) in card.Cuts.Select((c, i) => (c, i)))
                        Assert.True(
                            cut.Made || card.Classes.All(k => k.Cuts[i] == ""),
                            $"{cut.Name} is not made and stands in the table"
                        );
                    Assert.All(card.Drawing!.Cuts.Where(c => c.Number is not null), c =>
                        Assert.Contains(made, m => m.Number == c.Number)
                    );
                }
            }
        );

    // What the crew gets in hand: the short card of each pass tells the cuts, headline and stop of the whole card, and
    // two passes share its cuts between them.
    [Fact]
    public void Cards_of_passes_tell_what_the_card_tells() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var (of, system) = (plan.ToPrune(reading)!, plan.Planting!.System);
                var programme = Programme.Of(ProgrammeEntry.TermsOf(reading, plan));
                foreach (var language in new[] { "en", "es" })
                {
                    var card = PruningCard.Of(of, new(language));
                    var passes = programme.Passes.Where(p => p.IsWinter).ToList();
                    var cards = passes.ConvertAll(p => PassCard.Of(p, plan.Planting, of, new(language)));
                    Assert.Equal(
                        card.Cuts.Where(c => c.Made).Select(c => (c.StepId, c.HowMany, c.Falls)),
                        cards.SelectMany(c => c.Cuts).OrderBy(c => c.Number).Select(c => (c.StepId, c.HowMany, c.Falls))
                    );
                    Assert.Equal((card.Headline, card.Stop), (cards[^1].Headline, cards[^1].Stop));
                    if (!system.InTwoPasses(of.Prescription.Answers))
                        continue;
                    Assert.Equal(["major", "detail"], passes.Select(p => p.Id));
                    Assert.Equal("", cards[0].Headline);
                    var detail = PruningCard.Of(of, new(language, Pass: PassIds.Detail));
                    Assert.Equal(
                        cards[1].Cuts.Select(c => c.StepId),
                        detail.Cuts.Where(c => c.Made).Select(c => c.StepId)
                    );
                }
            }
        );

    // Hand thinning: year, card in both languages and the crop told ahead speak of one load.
    [Fact]
    public void Card_and_hours_of_thinning_tell_the_load() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var crop = CropReading.PlannedOf(reading, CropReading.TermsOf(reading, plan))!;
                var programme = Programme.Of(ProgrammeEntry.TermsOf(reading, plan, crop));
                var pass = programme.Passes.FirstOrDefault(p => PassIds.IsThinning(p.Id));
                Assert.Equal(crop.Thinning is not null, pass is not null);
                Assert.Equal(plan.Crop!.FruitPerTree, crop.FruitWanted, 9);
                if (crop.Thinning is not { } load || pass is null)
                    return;
                // A crop thinned to its number is never told ahead above it.
                Assert.True(crop.Now.Fruit <= plan.Crop.FruitPerTree + 1e-9);
                // With the buds of the target, the desk tells the same clusters, and the same fruitlets over.
                var school = SchoolAnswer.Of(
                    reading.Target!.Insurance.School,
                    plan.Crop.FruitPerTree,
                    reading.Target.Insurance
                )!;
                var asWanted = CropOnTrees
                    .Of(CropReading.TermsOf(reading, plan)! with { BudsLeft = school.BudsPerTree }, CropFound.Nothing)
                    .Thinning!;
                Assert.Equal(school.ClustersToVisit!.Value, asWanted.Clusters, 6);
                Assert.Equal(Math.Max(0, school.FruitletsToThin!.Value), asWanted.ToTakeOff, 6);
                // What hangs is what goes and what stays.
                Assert.Equal(load.Fruitlets, load.ToTakeOff + Math.Min(load.Fruitlets, load.FruitWanted), 6);
                var trees = plan.Density!.BearingTrees;
                Assert.Equal(
                    load.IsWorthIt ? load.HoursPerHa / plan.Density.BearingTreesPerHa * trees : 0,
                    pass.Hours!.Working,
                    6
                );
                var of = plan.ToPrune(reading)!;
                foreach (var language in new[] { "en", "es" })
                {
                    var card = PassCard.Of(pass, plan.Planting!, of, new(language), thinning: load);
                    Assert.Contains(Written(load.Fruitlets), NumbersOf(card.Lines[0]));
                    if (!load.IsWorthIt)
                        continue;
                    var classes = of.Prescription.Classes;
                    var fruit =
                        classes.Count == 1
                            ? [load.FruitWanted]
                            : card.Lines.Skip(1).Take(classes.Count).Select(l => NumbersOf(l)[^1]).ToList();
                    Assert.Equal(
                        load.FruitWanted,
                        classes.Count == 1 ? fruit[0] : classes.Zip(fruit, (c, f) => c.Class.Share * f).Sum(),
                        0.51
                    );
                    double[] ends = [Written(fruit.Min()), Written(fruit.Max())];
                    Assert.Equal(ends.Distinct(), NumbersOf(card.Headline).Distinct());
                }
            }
        );

    // Every line of the card and every cell of its table is of the cut it stands beside, rounded to whole ones.
    [Fact]
    public void Lines_and_cells_of_the_card_are_of_their_own_cut() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var prescription = plan.Prescription!;
                var card = MadePlantings.CardOf(reading, plan);
                Assert.Equal(prescription.Cuts.Select(c => c.StepId), card.Cuts.Select(c => c.StepId));
                foreach (var (cut, line) in prescription.Cuts.Zip(card.Cuts))
                {
                    if (line.Falls != "")
                        Assert.Equal([Written(cut.Drop)], NumbersOf(line.Falls));
                    else if (cut.IsMade && cut.Drop >= 1)
                        Assert.True(cut.Amount.Kind is AmountKind.OnTheTree or AmountKind.ToTheNumber);
                }
                foreach (var (c, told) in prescription.Classes.Zip(card.Classes))
                foreach (var (line, cell) in card.Cuts.Zip(told.Cuts))
                {
                    var mine = c.Cuts.SingleOrDefault(x => x.StepId == line.StepId);
                    var kind = prescription.Cuts.Single(x => x.StepId == line.StepId).Amount.Kind;
                    // Of what a class does not make nothing is told; the tape says itself where it ends.
                    if (mine is not { IsMade: true } && kind != AmountKind.ToTheGauge)
                        Assert.Equal("", cell);
                    else if (NumbersOf(cell) is [var number])
                        Assert.Equal(mine!.Most ?? Written(mine.CutsPerTree), number);
                }
            }
        );

    [Fact]
    public void What_is_handed_out_as_data_is_what_the_card_says() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var (prescription, asks) = (plan.Prescription!, IssuedPrescription.Of(plan.ToPrune(reading)!));
                Assert.Equal(prescription.Way, asks.Way);
                var card = MadePlantings.CardOf(reading, plan);
                var numbers = asks.Classes.Select(c => c.Number).Concat(asks.Classes.Select(c => c.AtMostDown));
                Assert.Equal(numbers.OfType<int>().Select(n => (double)n), NumbersOf(card.Stop));
                foreach (var (c, i) in asks.Classes.Select((c, i) => (c, i)))
                {
                    if (c.Number is { } number)
                    {
                        Assert.InRange(number, c.Least!.Value, c.Most!.Value);
                        if (card.Classes.Count > 0)
                            Assert.Equal($"{number}", card.Classes[i].Leave);
                    }
                    // Every cut with a number in the class's line of the table is asked for, up to that number.
                    if (card.Classes.Count == 0)
                        continue;
                    foreach (var (cut, cell) in card.Cuts.Zip(card.Classes[i].Cuts).Where(x => x.Second != ""))
                    {
                        var step = Assert.Single(c.Steps, s => s.StepId == cut.StepId);
                        Assert.Equal(cut.Number, step.Order);
                        if (step is { Most: { } most, Amount: AmountKind.UpTo })
                            Assert.Equal($"{most}", cell);
                    }
                }
            }
        );

    [Fact]
    public void A_gauge_and_its_tape_stand_on_the_card_where_limbs_are_read() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var (prescription, card) = (plan.Prescription!, MadePlantings.CardOf(reading, plan));
                var reads = prescription.Way is WayOfWorking.Gauge or WayOfWorking.Count;
                Assert.Equal(reads, card.Gauge.Count > 0);
                if (!reads)
                    Assert.Null(card.Tape);
                if (card.Tape is not { } tape)
                    return;
                var numbered = prescription.Classes.Where(c => c.StopAt is not null).ToList();
                Assert.Equal(numbered.Count, tape.Strips.Count);
                foreach (var (c, strip) in numbered.Zip(tape.Strips))
                {
                    // The strip ends, black, where the table of the card says that a limb comes out.
                    Assert.Equal(Math.PI * prescription.InForce["big-from"], strip.Cells[^1].ToMm, 6);
                    Assert.All(strip.Cells, cell =>
                    {
                        var middle = (cell.FromMm + cell.ToMm) / 2 / Math.PI;
                        var buds = c.BudsPerCm2!.Value * Math.PI * middle * middle / 400;
                        var told = double.Parse(cell.Buds, CultureInfo.InvariantCulture);
                        Assert.InRange(told, buds * 0.87 - 1, buds * 1.13 + 1);
                    });
                }
            }
        );

    // Numbers as written, with a comma for a point or a point for a comma.
    /// <summary>As card and pages write a whole number: halves up.</summary>
    private static double Written(double number) => Math.Round(number, MidpointRounding.AwayFromZero);

    private static List<double> NumbersOf(string text) =>
        [.. Numbers().Matches(text).Select(m => double.Parse(m.Value.Replace(',', '.'), CultureInfo.InvariantCulture))];

    [GeneratedRegex(@"\d+(?:[.,]\d+)?")]
    private static partial Regex Numbers();
}
