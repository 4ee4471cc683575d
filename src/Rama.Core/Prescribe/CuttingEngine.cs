using Rama.Core.Decide;
using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>Carries out a system's cutting steps, in their order, on a mean tree.</summary>
internal static class CuttingEngine
{
    /// <summary>The steps with what they are expected to drop; stops at the number the decision allows.</summary>
    /// <param name="system">Rule pack.</param>
    /// <param name="decision">How many buds may go.</param>
    /// <param name="limbs">Limbs on the mean tree before pruning.</param>
    public static (IReadOnlyList<PrescribedCut> Cuts, MeanTree Left) Prescribe(
        TrainingSystem system, PruningDecision decision, double limbs)
    {
        var tree = new MeanTree(decision.Standing.Mean, limbs);
        var stopAt = tree.Buds - decision.RemoveBuds;
        List<PrescribedCut> cuts = [];
        foreach (var step in system.Steps.Where(s => s.Under.Contains(decision.Kind)))
        {
            var before = tree;
            var made = step.Drop is OneBud
                ? Math.Min(Available(step.Amount, tree), Math.Max(0, tree.Buds - stopAt))
                : WholeCuts(step, tree, stopAt);
            tree = tree.After(step, made);
            double? perLimb = step.Drop is OneBud && made / tree.Limbs >= FewPerLimb ? made / tree.Limbs : null;
            cuts.Add(new(
                cuts.Count + 1, step.Id, step.Amount is AsFound, made, step.Drop is OneBud, perLimb, before.Buds - tree.Buds, tree.Buds,
                made * step.SecondsEach, step.Name, step.LookFor, step.How, step.Why, step.Caution, step.Source));
        }
        return (cuts, tree);
    }

    /// <summary>The same cuts made on a tree with other buds: how far the count's uncertainty carries through.</summary>
    public static MeanTree Replay(TrainingSystem system, IReadOnlyList<PrescribedCut> cuts, MeanTree tree) =>
        cuts.Aggregate(tree, (standing, cut) => standing.After(system.Steps.First(s => s.Id == cut.StepId), cut.CutsPerTree));

    // A limb or an arm is cut or not; one that would take the tree below the number stays.
    private static int WholeCuts(CuttingStep step, MeanTree tree, double stopAt)
    {
        var most = (int)Math.Floor(Available(step.Amount, tree) + Slack);
        var made = 0;
        while (made < most && tree.After(step, 1) is var next && next.Buds >= stopAt - Slack && next.Limbs >= 1)
        {
            tree = next;
            made++;
        }
        return made;
    }

    private static double Available(CutAmount amount, MeanTree tree) => amount switch
    {
        UpTo upTo => upTo.PerTree,
        ShareOfLimbs share => share.Share * tree.Limbs,
        ToTheNumber number => number.MaxShareOfStanding * tree.Buds,
        _ => 0,
    };

    /// <summary>Below so many single buds a limb they are told for the whole tree.</summary>
    private const double FewPerLimb = 0.85;

    private const double Slack = 1e-9;
}
