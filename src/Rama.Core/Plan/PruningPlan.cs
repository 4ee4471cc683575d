using Rama.Core.Count;
using Rama.Core.Count.Sample;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Working;
using Rama.Core.Systems;
using Rama.Core.Target;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Plan;

/// <summary>
/// The whole plan of one planting, as far as the entries reach: a part that lacks its entry is null, and a part whose
/// entry cannot be used is null with its problems told at their fields.
/// </summary>
/// <param name="Stage">Where the work stands.</param>
/// <param name="Start">How far the target is, and what it may start from.</param>
/// <param name="Planting">The planting.</param>
/// <param name="Density">Trees on the ground.</param>
/// <param name="Crop">Fruit per tree.</param>
/// <param name="Buds">Floral buds to leave.</param>
/// <param name="Survey">What the counted trees say.</param>
/// <param name="Stop">Whether to go on counting; null without a count or target.</param>
/// <param name="Decision">Whether and how hard to prune.</param>
/// <param name="Stakes">What it costs to be wrong; null without an interval or costs.</param>
/// <param name="Stock">The trees by trunk class, for making typical ones.</param>
/// <param name="Prescription">What to cut.</param>
/// <param name="Demonstration">What demonstration trees changed in it; null without any.</param>
/// <param name="Ledger">The running account of buds.</param>
/// <param name="LoadWarnings">What trunks and age say about the target.</param>
/// <param name="Problems">What cannot be used, field by field.</param>
public sealed record PruningPlan(
    Stage Stage,
    TargetStart Start,
    Planting? Planting,
    PlantingDensity? Density,
    CropTarget? Crop,
    BudTarget? Buds,
    SurveyEstimate? Survey,
    StopAdvice? Stop,
    PruningDecision? Decision,
    DecisionStakes? Stakes,
    TreeStock? Stock,
    Prescription? Prescription,
    DemonstrationEffect? Demonstration,
    BudLedger? Ledger,
    IReadOnlyList<Notice> LoadWarnings,
    IReadOnlyList<FieldProblem> Problems
)
{
    /// <summary>Shoots to be expected in the summer after its cuts; null before there is a prescription.</summary>
    public ShootsAhead? Shoots { get; init; }

    /// <summary>Works the plan out, stage by stage.</summary>
    /// <param name="entry">All that was typed.</param>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    public static PruningPlan Of(PlanEntry entry, Catalogue? catalogue = null)
    {
        var reading = PlanReading.Of(entry, catalogue);
        return Of(reading);
    }

    /// <summary>Works the plan out, stage by stage.</summary>
    /// <param name="reading">What was typed, read.</param>
    public static PruningPlan Of(PlanReading reading) => Of(reading, withCuts: true);

    /// <summary>The plan without its cuts, as far as counting needs it: their search is most of the work.</summary>
    /// <param name="reading">What was typed, read.</param>
    public static PruningPlan ToCount(PlanReading reading) => Of(reading, withCuts: false);

    private static PruningPlan Of(PlanReading reading, bool withCuts)
    {
        var (planting, density, target, settings) = (
            reading.Planting,
            reading.Density,
            reading.Target,
            reading.Settings
        );
        var survey = reading.Counted is null
            ? null
            : SurveyEstimate.Of(reading.Counted, density?.BearingTrees, reading.Measured, reading.Rows);
        var limbs = survey?.Means.Limbs ?? target?.LimbsPerTree;
        var crop =
            density is null || target is null
                ? null
                : CropTarget.Of(density, target.Crop, target.BudsPerFruit, limbs ?? planting!.System.Form.LimbsPerTree);
        if (planting is null || crop is null)
            return new(
                Stage.Target,
                reading.Start,
                planting,
                density,
                crop,
                null,
                survey,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                [],
                reading.Problems
            );

        var answer = SchoolAnswer.Of(target!.Insurance.School, crop.FruitPerTree, target.Insurance)!;
        // What trees done are short of, or have too many, the rest is left with more or fewer of.
        var buds = answer.BudsPerTree * (1 + reading.Cutting.Rest);
        // What the buds standing can set at best: none of what is still expected to be lost is there to fruit.
        var set =
            (target.Insurance.Set?.Mean ?? planting.Variety.SetShare.Value)
            * target.Insurance.Places
            * target.Insurance.Losses.Kept;
        var decision = survey is null
            ? null
            : PruningDecision.Of(
                new(survey.Buds.Mean, survey.Buds.Low, survey.Buds.High),
                buds,
                settings,
                crop.FruitPerTree,
                set,
                settings.Held
            );
        var stock = survey is null ? null : StockOf(reading, survey, limbs);
        var terms = reading.Cutting.Terms;
        Prescription? Prescribed(CuttingTerms by) =>
            !withCuts || decision is null || stock is null
                ? null
                : Prescription.Of(planting.System.RulesFor(reading.Cutting.Answers), stock, decision, settings, by);
        var prescription = Prescribed(terms);
        decision = prescription?.CarriedOut(decision!) ?? decision;
        if (reading.Cutting.Rest is var rest && rest != 0 && decision is not null)
            decision = decision with
            {
                Warnings =
                [
                    .. decision.Warnings,
                    new(
                        rest > 0 ? "decision.rest-more" : "decision.rest-fewer",
                        $"The rest is left with {Math.Abs(rest) * 100:0} % {(rest > 0 ? "more" : "fewer")} than the "
                            + "target asks, for the trees done.",
                        new Figure("of the rest", Math.Abs(rest), "share")
                    ),
                ],
            };
        var expected = terms.Observed.Count == 0 ? null : Prescribed(terms with { Observed = [] });
        // Per limb means per limb kept, so it waits for the prescription wherever there is one, unless it is what is
        // held.
        var limbsKept =
            target.Crop.Yield.Basis == YieldBasis.BudsPerLimb
                ? limbs ?? planting.System.Form.LimbsPerTree
                : prescription?.LimbsLeft ?? limbs ?? planting.System.Form.LimbsPerTree;
        return new(
            survey is null ? Stage.Count
                : decision!.Settled ? Stage.Prescribe
                : Stage.Decide,
            reading.Start,
            planting,
            density,
            crop,
            BudTarget.Of(answer, crop.FruitPerTree, limbsKept),
            survey,
            StopOf(survey, TermsOf(reading, buds)),
            decision,
            decision is null
                ? null
                : DecisionStakes.Of(
                    decision,
                    density!.BearingTrees,
                    set,
                    target.Insurance.CostOver,
                    target.Insurance.CostUnder
                ),
            stock,
            prescription,
            expected is null ? null : DemonstrationEffect.Of(expected, prescription!),
            BudLedger.Of(
                buds,
                crop.FruitPerTree,
                answer.Factor * (1 + reading.Cutting.Rest),
                settings,
                decision,
                prescription
            ),
            CropLoad.Check(planting, crop.FruitPerTree, survey?.Means.TcsaCm2),
            reading.Problems
        )
        {
            Shoots = prescription is null ? null : ShootsAhead.Of(reading, prescription.WoodShare),
        };
    }

    /// <summary>What cards, bench and versions handed out are made from; null before there is a prescription.</summary>
    /// <param name="reading">What was typed, read.</param>
    public PrescribedPlanting? ToPrune(PlanReading reading) =>
        this
            is {
                Planting: { } planting,
                Survey: { } survey,
                Crop: { } crop,
                Decision: { } decision,
                Stock: { } stock,
                Prescription: { } prescription
            }
        && reading.Counted is { } counted
            ? new(
                reading.Year,
                planting,
                counted,
                survey,
                crop.FruitPerTree,
                reading.Settings,
                decision,
                stock,
                prescription
            )
            : null;

    /// <summary>What trees of the planting that miss their number cost; null before there is a target.</summary>
    /// <param name="reading">What was typed, read.</param>
    public MissCosts? CostsOf(PlanReading reading)
    {
        if (
            reading is not { Target: { } target, Planting: { } planting }
            || Crop is not { } crop
            || Buds is not { } buds
        )
            return null;
        var terms = target.Insurance;
        var set = (terms.Set?.Mean ?? planting.Variety.SetShare.Value) * terms.Places * terms.Losses.Kept;
        // Trees differ by themselves here, so that how far pruning misses is not in the outcome once more.
        var outcome =
            terms.Places == 1 && terms.Losses.Kept == 1 && terms.Set is { } share
                ? SetOutcome.Of(share, 0, terms.Losses.Risk is { } risk ? [risk] : [])
                : null;
        return new(
            crop.FruitPerTree / buds.BudsPerTree,
            outcome,
            set,
            terms.CostOver,
            terms.CostUnder,
            reading.Counted?.Sample.WagePerHour ?? SampleSettings.UsualWagePerHour
        );
    }

    /// <summary>Height its rows carry right after pruning, metres.</summary>
    internal static double HeightLimitM(TrainingSystem system, PlantingForm ground, Canopy canopy) =>
        Math.Max(1, CanopyLimits.Of(system.Form.Canopy, ground, canopy, system.Form.Leaders).HeightM);

    /// <summary>The trees of a planting as its counts tell them; null before there are counts.</summary>
    public static TreeStock? StockOf(PlanReading reading, SurveyEstimate survey, double? limbs)
    {
        if (reading is not { Planting: { } planting, Target: { } target, Counted: { } counted })
            return null;
        return TreeStock.Of(
            planting,
            HeightLimitM(planting.System, planting.Form, target.Canopy),
            target.Canopy.HeightM,
            new(survey, counted, reading.Measured, limbs),
            target.Sharing
        );
    }

    /// <summary>What the stop rule weighs in a planting; null where its trees or counts are not known.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="budsToLeave">Floral buds to leave per tree.</param>
    public static StopTerms? TermsOf(PlanReading reading, double budsToLeave)
    {
        if (
            reading
            is not {
                Density: { } density,
                Target: { } target,
                Settings: { } settings,
                Counted.Sample: { } sample,
                Planting: { } planting
            }
        )
            return null;
        // A bud too many has its cluster thinned, a bud too few costs its fruit; either only if it sets.
        var set = (target.Insurance.Set?.Mean ?? planting.Variety.SetShare.Value) * target.Insurance.Places;
        return new(
            sample.Planned(density.BearingTrees),
            budsToLeave,
            settings.Tolerance,
            density.BearingTrees,
            set * Math.Max(target.Insurance.CostOver, target.Insurance.CostUnder),
            sample.MinutesPerTree / 60 * sample.WagePerHour
        );
    }

    private static StopAdvice? StopOf(SurveyEstimate? survey, StopTerms? terms) =>
        survey is null || terms is null ? null : StopRule.Of(survey.Buds.Count, survey.Used, terms);
}
