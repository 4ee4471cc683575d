using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>What to cut on each tree, in order, and what is expected to stand afterwards.</summary>
/// <param name="BudsLeft">Floral buds left per tree.</param>
/// <param name="BudsLeftLow">The same cuts made at the lower end of the count's interval.</param>
/// <param name="BudsLeftHigh">The same cuts made at the upper end of the count's interval.</param>
/// <param name="LimbsLeft">Limbs left per tree.</param>
/// <param name="BudsPerLimb">Floral buds left per limb.</param>
/// <param name="ClustersToThinning">Flower clusters per tree over the target, left to hand thinning.</param>
/// <param name="MinutesPerTree">Working minutes per tree.</param>
/// <param name="Cuts">The cuts in order.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record Prescription(
    double BudsLeft,
    double? BudsLeftLow,
    double? BudsLeftHigh,
    double LimbsLeft,
    double BudsPerLimb,
    double ClustersToThinning,
    double MinutesPerTree,
    IReadOnlyList<PrescribedCut> Cuts,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings)
    : Calculated(BudsLeft, "bud/tree", Steps, Warnings)
{
    /// <summary>Floral buds all cuts together are expected to drop on a mean tree.</summary>
    public double BudsDropped => Cuts.Sum(c => c.Drop);

    /// <summary>Seconds of cutting on a mean tree, without the walk to it.</summary>
    public double CuttingSeconds => Cuts.Sum(c => c.Seconds);

    /// <summary>Carries out the system's rule pack under a decision on a mean tree.</summary>
    /// <param name="system">Rule pack.</param>
    /// <param name="decision">What to do and how many buds may go.</param>
    /// <param name="limbsPerTree">Limbs on a mean tree, where counted; the system's usual number otherwise.</param>
    public static Prescription Of(TrainingSystem system, PruningDecision decision, double? limbsPerTree = null)
    {
        var limbs = limbsPerTree is > 0 and var counted ? counted : system.Form.LimbsPerTree;
        var (cuts, left) = CuttingEngine.Prescribe(system, decision, limbs);
        double? LeftFrom(double? standing) => standing is { } buds
            ? CuttingEngine.Replay(system, cuts, new(Math.Max(0, buds), limbs)).Buds
            : null;

        var toThinning = decision.Kind == DecisionKind.Reduce ? Math.Max(0, left.Buds - decision.BudsToLeave) : 0;
        var perLimb = left.Buds / left.Limbs;
        Figure standing = new("floral buds", decision.Standing.Mean, "bud/tree"), leftFigure = new("buds left", left.Buds, "bud/tree");
        var seconds = system.Labour.BaseSeconds + cuts.Sum(c => c.Seconds);
        Step[] steps =
        [
            .. cuts.Where(c => c.Drop > 0).Select(c => new Step(
                $"prescription.{c.StepId}", "cuts × buds each is expected to drop", new(c.Name.En, c.Drop, "bud/tree"),
                [new("cuts", c.CutsPerTree, "cut/tree")], c.Source)),
            new("prescription.limbs-left", "limbs − limbs taken out", new("limbs left", left.Limbs, "limb/tree"),
                [new("limbs", limbs, "limb/tree"), new("limbs taken out", limbs - left.Limbs, "limb/tree")], Sources.Definition),
            new("prescription.buds-per-limb", "buds left ÷ limbs left", new("buds per limb", perLimb, "bud/limb"),
                [leftFigure, new("limbs left", left.Limbs, "limb/tree")], Sources.Definition),
            new("prescription.minutes", "base + Σ cuts × seconds per cut", new("time per tree", seconds / 60, "min/tree"),
                [new("base", system.Labour.BaseSeconds, "s"), new("cutting", seconds - system.Labour.BaseSeconds, "s")], system.Labour.Source),
            new("prescription.buds-left", "floral buds − all drops", leftFigure,
                [standing, .. cuts.Where(c => c.Drop > 0).Select(c => new Figure(c.Name.En, c.Drop, "bud/tree"))], Sources.Definition),
        ];
        return new(
            left.Buds, LeftFrom(decision.Standing.Low), LeftFrom(decision.Standing.High), left.Limbs, perLimb, toThinning, seconds / 60,
            cuts, steps, Warn(system, decision, limbsPerTree, cuts, toThinning));
    }

    private static List<Notice> Warn(
        TrainingSystem system, PruningDecision decision, double? limbsPerTree, IReadOnlyList<PrescribedCut> cuts, double toThinning)
    {
        List<Notice> warnings = [];
        if (limbsPerTree is not > 0)
            warnings.Add(new("prescription.limbs-assumed",
                $"Limbs were not counted: {system.Form.LimbsPerTree:0} are assumed, as usual for this system. Count them on the sample trees.",
                new Figure("limbs assumed", system.Form.LimbsPerTree, "limb/tree")));
        if (toThinning >= 0.5)
            warnings.Add(new("prescription.thinning",
                $"{toThinning:0} clusters a tree are over the target after pruning. Plan hand thinning for them.",
                new Figure("clusters left to thinning", toThinning, "cluster/tree")));
        if (decision.Weight == PruningWeight.Heavy || cuts.Any(c => AtMost(system, c)))
            warnings.Add(new("prescription.vigour",
                "This takes a good deal of wood. Expect strong shoots near the big cuts; tear them out soft in summer."));
        return warnings;
    }

    private static bool AtMost(TrainingSystem system, PrescribedCut cut) =>
        system.Steps.First(s => s.Id == cut.StepId) is { TakesLimb: true, Amount: UpTo most } && cut.CutsPerTree >= most.PerTree;
}
