using Rama.Core.Decide;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe;

/// <summary>Trees of a class cut by its card, summed up.</summary>
internal sealed class ClassRun
{
    /// <summary>Cuts the trees.</summary>
    /// <param name="trees">Typical trees of the class.</param>
    /// <param name="decision">Its decision.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="values">Values of the settings.</param>
    /// <param name="limits">Most cuts of each step on one tree; null for the system's own.</param>
    public ClassRun(
        IReadOnlyList<PreparedTree> trees,
        PruningDecision decision,
        DecisionSettings settings,
        double[] values,
        IReadOnlyList<int?>? limits = null
    )
    {
        (Trees, Values) = (trees, values);
        Prunings =
        [
            .. trees.Select(t =>
                TreePruning.Of(t, CutAllowance.ByCard(decision, t.Tree.FloralBuds, settings), values, limits)
            ),
        ];
        Steps = new([.. Prunings.Select(p => (p.Left.Tree.FloralBuds, p.Steps))]);
        LimbsLeft = Prunings.Average(p => p.Left.Limbs);
        WoodShare = Prunings.Average(p => p.Left.WoodCutShare);
        ThickLeft = Prunings.Average(p => (double)p.FirstNextWinter.Count);
        BigCuts = Prunings.Average(p => (double)p.BigCuts);
        var big = trees[0].Rules.BigFromMm(values);
        GaugeCm2 = Prunings.Average(p =>
            p.Left.Tree.Index.Limbs.Where(p.Left.Stands)
                .Sum(l => LimbGauge.CrossSectionCm2(Math.Min(p.Left.Tree.Branches[l].DiameterMm, big)))
        );
    }

    /// <summary>The trees as they grew.</summary>
    public IReadOnlyList<PreparedTree> Trees { get; }

    /// <summary>What each step came to.</summary>
    public StepSums Steps { get; }

    /// <summary>Values of the settings they were cut by.</summary>
    public double[] Values { get; }

    /// <summary>The trees as they were cut.</summary>
    public IReadOnlyList<TreePruning> Prunings { get; }

    public double LimbsLeft { get; }

    /// <summary>
    /// Cross-section of the limbs a tree keeps, cm², by which they share its buds. A limb that is too thick and
    /// yet stays for this winter counts as the thickest the gauge has a number for.
    /// </summary>
    public double GaugeCm2 { get; }

    public double WoodShare { get; }

    public double BigCuts { get; }

    /// <summary>Limbs too thick for their place that stay on a tree.</summary>
    public double ThickLeft { get; }
}
