using Rama.Core.Target.Sharing;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Working;

/// <summary>A pruner who brings each limb to the buds its thickness says, after the cuts of wood.</summary>
/// <param name="budsPerCm2">Buds for each cm² of limb.</param>
/// <param name="bigMm">Thickness beyond which a limb that stays counts as that thick.</param>
/// <param name="skill">How well they read and judge.</param>
/// <param name="draw">Draws of their errors.</param>
internal sealed class GaugePruner(double budsPerCm2, double bigMm, CrewSkill skill, TreeDraw draw)
{
    private readonly LimbGauge _gauge = new(budsPerCm2);

    /// <summary>By how much the pruner goes under or over the gauge, once corrected by a count.</summary>
    public double Correction { get; set; } = 1;

    /// <summary>Buds left on a tree.</summary>
    /// <param name="tree">The tree after the cuts of wood.</param>
    /// <remarks>From the lowest limb up; what one limb lacks of its number the next may keep, as the card
    /// says.</remarks>
    public double LeftOn(RemainingTree tree)
    {
        var (left, onLimbs, lacking) = (0.0, 0, 0.0);
        foreach (
            var limb in tree.Tree.Index.Limbs.Where(tree.Stands).OrderBy(l => tree.Tree.Branches[l].Path[0].HeightM)
        )
        {
            var misread = Math.Max(0.1, 1 + skill.ThicknessCv * draw.Normal());
            var read = Math.Min(bigMm, tree.Tree.Branches[limb].DiameterMm * misread);
            var number = Correction * _gauge.BudsOn(read)!.Value + lacking;
            var buds = tree.FloralOn(limb);
            // A limb judged to carry more than it does is cut below its number, and the other way round.
            var kept = Math.Min(buds, number / Math.Max(0.1, 1 + skill.JudgementCv * draw.Normal()));
            lacking = Math.Max(0, number - buds);
            onLimbs += buds;
            left += kept;
        }
        return left + tree.FloralBuds - onLimbs;
    }
}
