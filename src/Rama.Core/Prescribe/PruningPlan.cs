using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Count;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Target;

namespace Rama.Core.Prescribe;

/// <summary>
/// The whole plan of one planting, as far as the entries reach: a part that lacks its entry is null, and a part whose
/// entry cannot be used is null with its problems told at their fields.
/// </summary>
/// <param name="Stage">Where the work stands.</param>
/// <param name="Planting">The planting.</param>
/// <param name="Density">Trees on the ground.</param>
/// <param name="Crop">Fruit per tree.</param>
/// <param name="Buds">Floral buds to leave.</param>
/// <param name="Survey">What the counted trees say.</param>
/// <param name="Decision">Whether and how hard to prune.</param>
/// <param name="Prescription">What to cut.</param>
/// <param name="Ledger">The running account of buds.</param>
/// <param name="LoadWarnings">What trunks and age say about the target.</param>
/// <param name="Problems">What cannot be used, field by field.</param>
public sealed record PruningPlan(
    Stage Stage,
    Planting? Planting,
    PlantingDensity? Density,
    CropTarget? Crop,
    BudTarget? Buds,
    SurveyEstimate? Survey,
    PruningDecision? Decision,
    Prescription? Prescription,
    BudLedger? Ledger,
    IReadOnlyList<Notice> LoadWarnings,
    IReadOnlyList<FieldProblem> Problems)
{
    /// <summary>Works the plan out, stage by stage.</summary>
    /// <param name="entry">All that was typed.</param>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    public static PruningPlan Of(PlanEntry entry, Catalogue? catalogue = null)
    {
        var reader = new EntryReader();
        var planting = reader.Under("planting", () => entry.Planting.Read(entry.Season, catalogue));
        var rows = entry.Rows.Rows.Count == 0 ? null : reader.Under("rows", entry.Rows.Read);
        var target = entry.Target.IsUntouched ? null : reader.Under("target", entry.Target.Read);
        var counted = reader.Under("count", entry.Count.Read);
        var settings = reader.Under("settings", () => entry.Settings.ReadSettings(planting?.System.Caps.ShareOfBuds ?? DecisionSettings.DefaultCap));

        var density = planting is null ? null : PlantingDensity.Of(planting.Form, rows);
        var crop = density is null || target is null ? null : CropTarget.Of(density, target.Crop);
        var survey = counted is null ? null : SurveyEstimate.Of(counted, density?.BearingTrees);
        if (planting is null || crop is null || settings is null)
            return new(Stage.Target, planting, density, crop, null, survey, null, null, null, [], reader.Problems);

        var buds = BudTarget.Of(crop.FruitPerTree, target!.BudFactor);
        var decision = survey is null ? null : PruningDecision.Of(
            new(survey.Buds.Mean, survey.Buds.Low, survey.Buds.High), buds.BudsPerTree, settings, crop.FruitPerTree, planting.Variety.SetShare.Value);
        var limbs = survey?.MeanLimbs ?? target.LimbsPerTree;
        var prescription = decision is null ? null : Prescription.Of(planting.System, decision, limbs);
        // Per limb means per limb kept, so it waits for the prescription wherever there is one.
        var limbsKept = prescription?.LimbsLeft ?? limbs ?? planting.System.Form.LimbsPerTree;
        return new(
            survey is null ? Stage.Count : decision!.Settled ? Stage.Prescribe : Stage.Decide,
            planting, density, crop, BudTarget.Of(crop.FruitPerTree, target.BudFactor, limbsKept), survey, decision, prescription,
            BudLedger.Of(buds.BudsPerTree, crop.FruitPerTree, target.BudFactor, settings, decision, prescription),
            CropLoad.Check(planting, crop.FruitPerTree, survey?.MeanTcsaCm2), reader.Problems);
    }
}
