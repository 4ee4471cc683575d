using Rama.Core.Explain;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Bench;

/// <summary>Why the measures of a tree on the bench are what they are after some cuts.</summary>
internal static class MeasureSteps
{
    private const string OnTree = "measured on the tree as drawn";

    public static IReadOnlyList<Step> Of(TreeBench bench, IReadOnlyList<BenchCut> made)
    {
        var (before, now) = (bench.Before, made.Count > 0 ? made[^1].After : bench.Before);
        var caps = bench.Rules.System.Caps;
        var standing = new RemainingTree(bench.Tree);
        foreach (var cut in made)
            _ = cut.Bud is { } bud ? standing.RubOff(bud) : standing.Cut(cut.Branch, cut.LeaveM);
        Figure left = new("buds left", now.FloralBuds, "bud");
        List<Step> steps =
        [
            new(
                "bench.left",
                "floral buds − all drops",
                left,
                [new("floral buds", before.FloralBuds, "bud"), .. DropsOf(made)],
                Sources.Definition
            ),
            new(
                "bench.limbs",
                "limbs before − limbs taken",
                new("limbs left", now.Limbs, "limb"),
                [new("limbs before", before.Limbs, "limb"), new("limbs taken", before.Limbs - now.Limbs, "limb")],
                Sources.Definition
            ),
            new(
                "bench.big-cuts",
                "cuts from the diameter on that makes a big cut",
                new("big cuts", now.BigCuts, "cut"),
                [new("a cut is big from", caps.BigCutMm, "mm"), new("at most", caps.BigCuts, "cut")],
                caps.Source
            ),
            new(
                "bench.wood",
                "wood cut ÷ wood of the tree without its trunk",
                new("wood cut, of the canopy's", now.WoodShare, "share"),
                [
                    new("wood cut", standing.WoodCutCm3, "cm³"),
                    new("wood of the tree without its trunk", bench.Tree.Index.WoodCm3, "cm³"),
                    new("at most", caps.ShareOfWood, "share"),
                ],
                OnTree
            ),
            new(
                "bench.zones",
                "buds standing in a third of the tree's height ÷ buds standing",
                new("buds in the top third", now.TopShare, "share"),
                [
                    left,
                    new("buds in the middle third", now.MiddleShare, "share"),
                    new("buds in the bottom third", now.BottomShare, "share"),
                ],
                OnTree
            ),
        ];
        if (now is { ThickestLimb: { } thickest, ThickestRatio: { } ratio })
        {
            var limb = bench.Tree.Branches[thickest];
            steps.Add(
                new(
                    "bench.thickest",
                    "diameter of the limb ÷ diameter of its leader there",
                    new("thickest limb to its leader", ratio, "1"),
                    [
                        new("limb diameter", limb.DiameterMm, "mm"),
                        new(
                            "leader diameter there",
                            bench.Tree.Branches[limb.Parent!.Value].DiameterAt(limb.AtM),
                            "mm"
                        ),
                    ],
                    OnTree
                )
            );
        }
        return steps;
    }

    private static IEnumerable<Figure> DropsOf(IReadOnlyList<BenchCut> made) =>
        made.GroupBy(c => c.StepId)
            .Select(g => (g.First().Step, Drop: g.Sum(c => c.Drop)))
            .Where(g => g.Drop > 0)
            .Select(g =>
                g.Step is { } step ? Figure.Named(step, g.Drop, "bud") : new("cuts no step asks for", g.Drop, "bud")
            );
}
