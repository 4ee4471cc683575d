using Rama.Core.Trees;

namespace Rama.Core.Systems.Language;

/// <summary>A word of the selector language.</summary>
/// <param name="Name">How it is written.</param>
/// <param name="Dimension">What it measures.</param>
/// <param name="Means">What it means.</param>
public sealed record RuleWord(string Name, Dimension Dimension, string Means)
{
    internal Rule Read { get; init; } = static (in RuleScope _) => 0;
}

/// <summary>The words a rule may use, by what it looks for. Words of the tree may be used everywhere.</summary>
public static class Vocabulary
{
    private const double UprightFromDeg = 60,
        PendantBelowDeg = -25,
        TierM = 0.4,
        OverDeg = 40,
        BelowTipM = 0.3;

    private static readonly Dictionary<Subject, Dictionary<string, RuleWord>> Words = new()
    {
        [Subject.Tree] = Listed(
            new("floral-buds", Dimension.Number, "floral buds standing on the tree")
            {
                Read = static (in RuleScope s) => s.Tree.FloralBuds,
            },
            new("target", Dimension.Number, "floral buds to leave on the tree")
            {
                Read = static (in RuleScope s) => s.Target,
            },
            new("surplus", Dimension.Number, "floral buds standing less floral buds to leave")
            {
                Read = static (in RuleScope s) => s.Tree.FloralBuds - s.Target,
            },
            new("limbs", Dimension.Number, "limbs standing on the tree")
            {
                Read = static (in RuleScope s) => s.Tree.Limbs,
            },
            new("leaders", Dimension.Number, "leaders the tree grew")
            {
                Read = static (in RuleScope s) => s.Tree.Tree.Index.Leaders.Length,
            },
            new("trunk", Dimension.Length, "trunk diameter")
            {
                Read = static (in RuleScope s) => s.Tree.Tree.TrunkMm / 1000,
            },
            new("tree-height", Dimension.Length, "height of the highest leader left")
            {
                Read = static (in RuleScope s) => s.Tree.HeightM,
            },
            new("height-limit", Dimension.Length, "height allowed right after pruning")
            {
                Read = static (in RuleScope s) => s.Tree.Tree.Place.HeightLimitM,
            },
            new("row-spacing", Dimension.Length, "distance of the rows")
            {
                Read = static (in RuleScope s) => s.Tree.Tree.Place.RowSpacingM,
            },
            new("tree-spacing", Dimension.Length, "distance of the trees in the row")
            {
                Read = static (in RuleScope s) => s.Tree.Tree.Place.TreeSpacingM,
            },
            new("leaf", Dimension.Years, "growing season since planting")
            {
                Read = static (in RuleScope s) => s.Tree.Tree.Place.Leaf,
            }
        ),
        [Subject.Leaders] = Listed([
            .. OfBranch,
            new("inner", Dimension.YesNo, "between other leaders of its plane")
            {
                Read = static (in RuleScope s) => Yes(Inner(s)),
            },
            new("outer-density", Dimension.Number, "floral buds for each cm² of the outer leaders of the tree")
            {
                Read = static (in RuleScope s) => OuterDensity(s),
            },
            new("side", Dimension.Number, "1 or -1: the side of the row its tip is on; 0 in the row")
            {
                Read = static (in RuleScope s) => Side(s),
            },
        ]),
        [Subject.Limbs] = Listed([
            .. OfBranch,
            new("leader", Dimension.Length, "diameter of the leader where the limb leaves it")
            {
                Read = static (in RuleScope s) => LeaderThereMm(s.Tree.Tree, s.Id) / 1000,
            },
            new("ratio", Dimension.Number, "diameter ÷ diameter of the leader there")
            {
                Read = static (in RuleScope s) => Wood(s).DiameterMm / LeaderThereMm(s.Tree.Tree, s.Id),
            },
            new("forked", Dimension.YesNo, "both arms of a fork stand")
            {
                Read = static (in RuleScope s) => Yes(Forked(s)),
            },
            new("pendant", Dimension.YesNo, $"its end hangs more than {-PendantBelowDeg:0} deg below the horizontal")
            {
                Read = static (in RuleScope s) =>
                    Yes(s.Tree.LeftM(s.Id) >= Wood(s).LengthM && Wood(s).TipRiseDeg < PendantBelowDeg),
            },
            new("inward", Dimension.YesNo, "grows into the V, against the side its leader leans to")
            {
                Read = static (in RuleScope s) => Yes(Inward(s)),
            },
            new("covers", Dimension.YesNo, $"lies over another limb at most {TierM * 100:0} cm below it")
            {
                Read = static (in RuleScope s) => Yes(Covers(s)),
            },
            new(
                "rival",
                Dimension.YesNo,
                $"its tip reaches within {BelowTipM * 100:0} cm of its leader's, or it is as thick as the leader there"
            )
            {
                Read = static (in RuleScope s) => Yes(Rival(s)),
            },
        ]),
        [Subject.Forks] = Listed([
            .. OfBranch,
            new("limb", Dimension.Length, "diameter of the limb at its base")
            {
                Read = static (in RuleScope s) =>
                    s.Tree.Tree.Branches[s.Tree.Tree.Index.LimbOf[s.Id]].DiameterMm / 1000,
            },
            new("limb-height", Dimension.Length, "height at which the limb leaves its leader")
            {
                Read = static (in RuleScope s) => s.Tree.Tree.Branches[s.Tree.Tree.Index.LimbOf[s.Id]].Path[0].HeightM,
            },
        ]),
        [Subject.Shoots] = Listed([
            .. OfBranch,
            new("water-shoot", Dimension.YesNo, "rises from the back of a limb, not from its end")
            {
                Read = static (in RuleScope s) =>
                    Yes(Wood(s) is var w && w.AtM < s.Tree.Tree.Branches[w.Parent!.Value].LengthM * 0.98),
            },
            new("inward", Dimension.YesNo, "stands in the V or in the middle of the crown")
            {
                Read = static (in RuleScope s) => Yes(Inward(s)),
            },
        ]),
        [Subject.Wood] = Listed(OfBranch),
        [Subject.Buds] = Listed(
            new("fat", Dimension.YesNo, "strong") { Read = static (in RuleScope s) => Yes(Bud(s).Fat) },
            new("thin", Dimension.YesNo, "weak; bears small fruit")
            {
                Read = static (in RuleScope s) => Yes(!Bud(s).Fat),
            },
            new("under", Dimension.YesNo, "underneath the wood")
            {
                Read = static (in RuleScope s) => Yes(Bud(s).Side == BudSide.Under),
            },
            new("upper", Dimension.YesNo, "on top of the wood")
            {
                Read = static (in RuleScope s) => Yes(Bud(s).Side == BudSide.Upper),
            },
            new("terminal", Dimension.YesNo, "at the end of a shoot or dart")
            {
                Read = static (in RuleScope s) => Yes(Bud(s).Kind == SiteKind.Terminal),
            },
            new("basal", Dimension.YesNo, "at the base of one-year wood")
            {
                Read = static (in RuleScope s) => Yes(Bud(s).Kind == SiteKind.Basal),
            },
            new("out", Dimension.Number, "place along its wood, 0 at the base to 1 at the tip")
            {
                Read = static (in RuleScope s) =>
                    Bud(s) is var b && s.Tree.Tree.Branches[b.Branch].LengthM is > 0 and var l ? b.AtM / l : 0,
            },
            new("along", Dimension.Number, "height as a share of the tree's")
            {
                Read = static (in RuleScope s) =>
                    Bud(s) is var b ? s.Tree.Tree.Branches[b.Branch].Path[0].HeightM / s.Tree.HeightM : 0,
            }
        ),
    };

    // Words every piece of wood answers to.
    private static RuleWord[] OfBranch =>
        [
            new("diameter", Dimension.Length, "diameter at the base")
            {
                Read = static (in RuleScope s) => Wood(s).DiameterMm / 1000,
            },
            new("length", Dimension.Length, "length left standing")
            {
                Read = static (in RuleScope s) => s.Tree.LeftM(s.Id),
            },
            new("height", Dimension.Length, "height of its base above the ground")
            {
                Read = static (in RuleScope s) => Wood(s).Path[0].HeightM,
            },
            new("tip-height", Dimension.Length, "height of its end")
            {
                Read = static (in RuleScope s) => Tip(s).HeightM,
            },
            new("along", Dimension.Number, "height of its base as a share of the tree's")
            {
                Read = static (in RuleScope s) => Wood(s).Path[0].HeightM / s.Tree.HeightM,
            },
            new("rise", Dimension.Angle, "angle above the horizontal at its base")
            {
                Read = static (in RuleScope s) => Wood(s).RiseDeg,
            },
            new("upright", Dimension.YesNo, $"rises more than {UprightFromDeg:0} deg")
            {
                Read = static (in RuleScope s) => Yes(Wood(s).RiseDeg > UprightFromDeg),
            },
            new("reach-along", Dimension.Length, "how far its end is from the trunk along the row")
            {
                Read = static (in RuleScope s) => Math.Abs(Tip(s).AlongM),
            },
            new("reach-across", Dimension.Length, "how far its end is from the row")
            {
                Read = static (in RuleScope s) => Math.Abs(Tip(s).AcrossM),
            },
            new("age", Dimension.Years, "winters it has stood; 1 is last year's wood")
            {
                Read = static (in RuleScope s) => Wood(s).AgeYears,
            },
            new("buds", Dimension.Number, "floral buds on it")
            {
                Read = static (in RuleScope s) => s.Tree.FloralOn(s.Id),
            },
            new("density", Dimension.Number, "floral buds on it for each cm² of its cross-section")
            {
                Read = static (in RuleScope s) => s.Tree.FloralOn(s.Id) / Wood(s).CrossSectionCm2,
            },
            new("unsound", Dimension.YesNo, "dead, broken or diseased")
            {
                Read = static (in RuleScope s) => Yes(Wood(s).State != WoodState.Sound),
            },
        ];

    /// <summary>Words a rule about a subject may use, those of the tree included.</summary>
    public static IReadOnlyList<RuleWord> For(Subject subject) =>
        subject == Subject.Tree
            ? [.. Words[Subject.Tree].Values]
            : [.. Words[subject].Values, .. Words[Subject.Tree].Values];

    /// <summary>The word of that name, or null.</summary>
    internal static RuleWord? Find(Subject subject, string name) =>
        Words[subject].GetValueOrDefault(name) ?? Words[Subject.Tree].GetValueOrDefault(name);

    /// <summary>Numbers of all a subject could find on a tree.</summary>
    internal static int[] Grown(FruitTree tree, Subject subject) =>
        subject switch
        {
            Subject.Leaders => tree.Index.Leaders,
            Subject.Limbs => tree.Index.Limbs,
            Subject.Forks => tree.Index.Arms,
            Subject.Shoots => tree.Index.Shoots,
            Subject.Wood => tree.Index.Wood,
            _ => tree.Index.Floral,
        };

    /// <summary>Whether one of them still stands; a fork only while both its arms do.</summary>
    internal static bool Stands(RemainingTree tree, Subject subject, int id) =>
        subject switch
        {
            Subject.Buds => tree.BudStands(id),
            Subject.Leaders or Subject.Limbs => tree.Stands(id),
            Subject.Wood => tree.LeftM(id) > 0,
            Subject.Forks => tree.LeftM(id) > 0
                && tree.Tree.Branches[id] is var arm
                && tree.LeftM(arm.Parent!.Value) > arm.AtM,
            _ => tree.LeftM(id) > 0,
        };

    private static Dictionary<string, RuleWord> Listed(params RuleWord[] words) => words.ToDictionary(w => w.Name);

    private static double Yes(bool is_) => is_ ? 1 : 0;

    private static Branch Wood(in RuleScope scope) => scope.Tree.Tree.Branches[scope.Id];

    private static BudSite Bud(in RuleScope scope) => scope.Tree.Tree.Buds[scope.Id];

    private static Point Tip(in RuleScope scope) => Wood(scope).PointAt(scope.Tree.LeftM(scope.Id));

    private static double LeaderThereMm(FruitTree tree, int limb)
    {
        var branch = tree.Branches[limb];
        return Math.Max(1, tree.Branches[branch.Parent!.Value].DiameterAt(branch.AtM));
    }

    private static bool Forked(in RuleScope scope)
    {
        foreach (var child in scope.Tree.Tree.Index.Children[scope.Id])
            if (
                scope.Tree.Tree.Branches[child] is { Kind: BranchKind.Arm } arm
                && scope.Tree.LeftM(child) > 0
                && scope.Tree.LeftM(scope.Id) > arm.AtM
            )
                return true;
        return false;
    }

    private static bool Inner(in RuleScope scope)
    {
        var (mine, side) = (Foot(scope.Tree.Tree, scope.Id), Side(scope));
        var (left, right) = (false, false);
        foreach (var other in scope.Tree.Tree.Index.Leaders)
        {
            if (other == scope.Id || !scope.Tree.Stands(other) || Side(scope with { Id = other }) != side)
                continue;
            if (Foot(scope.Tree.Tree, other) < mine)
                left = true;
            else
                right = true;
        }
        return left && right;
    }

    private static double Foot(FruitTree tree, int leader) => tree.Branches[leader].Path[^1].AlongM;

    private static double Side(in RuleScope scope) =>
        Wood(scope).Path[^1].AcrossM switch
        {
            > 0.1 => 1,
            < -0.1 => -1,
            _ => 0,
        };

    private static double OuterDensity(in RuleScope scope)
    {
        var (buds, area) = (0.0, 0.0);
        foreach (var leader in scope.Tree.Tree.Index.Leaders)
        {
            if (!scope.Tree.Stands(leader) || Inner(scope with { Id = leader }))
                continue;
            buds += scope.Tree.FloralOn(leader);
            area += scope.Tree.Tree.Branches[leader].CrossSectionCm2;
        }
        return area > 0 ? buds / area : 0;
    }

    private static bool Inward(in RuleScope scope)
    {
        var tree = scope.Tree.Tree;
        var leader = tree.Branches[tree.Index.LeaderOf[scope.Id]].Path[^1];
        var tip = Tip(scope);
        if (Math.Abs(leader.AcrossM) < 0.1)
            return false;
        return Math.Abs(tip.AcrossM) < Math.Abs(Wood(scope).Path[0].AcrossM)
            || Math.Sign(tip.AcrossM) != Math.Sign(leader.AcrossM);
    }

    private static bool Covers(in RuleScope scope)
    {
        var me = Wood(scope);
        foreach (var id in scope.Tree.Tree.Index.Limbs)
        {
            if (id == scope.Id || !scope.Tree.Stands(id))
                continue;
            var other = scope.Tree.Tree.Branches[id];
            var below = me.Path[0].HeightM - other.Path[0].HeightM;
            if (
                other.Parent == me.Parent
                && below is > 0 and < TierM
                && Apart(me.AzimuthDeg, other.AzimuthDeg) < OverDeg
                && scope.Tree.LeftM(scope.Id) > scope.Tree.LeftM(id) * 0.6
            )
                return true;
        }
        return false;
    }

    private static bool Rival(in RuleScope scope)
    {
        var me = Wood(scope);
        var leader = scope.Tree.Tree.Branches[me.Parent!.Value];
        return me.DiameterMm >= LeaderThereMm(scope.Tree.Tree, scope.Id)
            || me.RiseDeg > UprightFromDeg
                && Tip(scope).HeightM > leader.PointAt(scope.Tree.LeftM(leader.Id)).HeightM - BelowTipM;
    }

    private static double Apart(double a, double b) => Math.Abs(((a - b) % 360 + 540) % 360 - 180);
}
