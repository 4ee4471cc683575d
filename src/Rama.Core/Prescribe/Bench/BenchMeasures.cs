using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Bench;

/// <summary>What a lead looks at while a tree is cut.</summary>
/// <param name="FloralBuds">Floral buds standing.</param>
/// <param name="Limbs">Limbs standing.</param>
/// <param name="TopShare">Share of the buds in the top third of the tree.</param>
/// <param name="MiddleShare">Share in the middle third.</param>
/// <param name="BottomShare">Share in the bottom third.</param>
/// <param name="ThickestRatio">Largest diameter of a limb ÷ its leader's there; null without limbs. One that leads on
/// at the end of a leader cut back is none.</param>
/// <param name="ThickestLimb">That limb.</param>
/// <param name="BigCuts">Big cuts made.</param>
/// <param name="WoodShare">Wood cut as a share of the canopy's.</param>
public sealed record BenchMeasures(
    int FloralBuds,
    int Limbs,
    double TopShare,
    double MiddleShare,
    double BottomShare,
    double? ThickestRatio,
    int? ThickestLimb,
    int BigCuts,
    double WoodShare
)
{
    private const double LeadsM = 0.05;

    /// <summary>Diameter of a limb ÷ its leader's where it leaves it.</summary>
    internal static double RatioOf(FruitTree tree, Branch limb) =>
        limb.DiameterMm / Math.Max(1, tree.Branches[limb.Parent!.Value].DiameterAt(limb.AtM));

    internal static BenchMeasures Of(RemainingTree tree, int bigCuts)
    {
        var (zones, grown) = (new int[3], tree.Tree);
        var top = 0.1;
        foreach (var branch in grown.Branches)
            if (branch.Kind is BranchKind.Leader or BranchKind.Limb)
                top = Math.Max(top, branch.Path[^1].HeightM);
        foreach (var id in grown.Index.Floral)
        {
            if (!tree.BudStands(id))
                continue;
            var bud = grown.Buds[id];
            zones[Math.Clamp((int)(grown.Branches[bud.Branch].PointAt(bud.AtM).HeightM / top * 3), 0, 2)] += bud.Count;
        }
        double Share(int zone) => tree.FloralBuds > 0 ? zones[zone] / (double)tree.FloralBuds : 0;
        var (ratio, thickest) = (0.0, -1);
        foreach (var limb in grown.Index.Limbs)
        {
            var wood = grown.Branches[limb];
            var leader = grown.Branches[wood.Parent!.Value];
            // A side shoot at the end of a leader cut back to it leads on itself.
            if (
                !tree.Stands(limb)
                || tree.LeftM(leader.Id) < leader.LengthM && wood.AtM > tree.LeftM(leader.Id) - LeadsM
            )
                continue;
            var mine = RatioOf(grown, wood);
            if (mine > ratio)
                (ratio, thickest) = (mine, limb);
        }
        return new(
            tree.FloralBuds,
            tree.Limbs,
            Share(2),
            Share(1),
            Share(0),
            thickest < 0 ? null : ratio,
            thickest < 0 ? null : thickest,
            bigCuts,
            tree.WoodCutShare
        );
    }
}
