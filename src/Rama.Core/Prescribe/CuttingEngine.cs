using Rama.Core.Decide;
using Rama.Core.Systems;
using Rama.Core.Systems.Language;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>
/// Carries out a system's steps on one tree, in their order. It draws nothing by chance: the same tree is cut alike
/// every time.
/// </summary>
/// <param name="prepared">The tree with the rules.</param>
/// <param name="tree">What is left of it.</param>
/// <param name="allowance">How far it may be cut.</param>
/// <param name="settings">Values of the settings.</param>
/// <param name="limits">Most cuts of each step on this tree, in the order of the steps, where a card says so; null
/// for none.</param>
internal sealed class CuttingEngine(
    PreparedTree prepared,
    RemainingTree tree,
    CutAllowance allowance,
    double[] settings,
    IReadOnlyList<int?>? limits = null
)
{
    private const double Slack = 1e-9,
        SideShootM = 0.02;

    private readonly PruningRules _rules = prepared.Rules;
    private readonly List<TreeCut> _cuts = [];
    private readonly List<int> _found = [];
    private readonly List<ThickLimb> _thick = [];
    private readonly Dictionary<int, StepEnd> _heldBack = [];
    private readonly StepTally[] _steps = new StepTally[prepared.Rules.Steps.Count];
    private bool _tells = true;
    private double _seconds;
    private int _made,
        _bigCuts,
        _rubbed;

    /// <summary>The cuts in order; none where only what they come to is wanted.</summary>
    public IReadOnlyList<TreeCut> Cuts => _cuts;

    /// <summary>What each step came to, in their order.</summary>
    public IReadOnlyList<StepTally> Steps => _steps;

    /// <summary>Big cuts by the system's measure.</summary>
    public int BigCuts => _bigCuts;

    /// <summary>Seconds the tree takes.</summary>
    public double Seconds => _rules.System.Labour.BaseSeconds + _seconds;

    /// <summary>What the cuts come to.</summary>
    public TriedTree Tried => new(tree.FloralBuds, tree.Limbs, Seconds, _bigCuts);

    /// <summary>One that tells what its cuts come to and not each of them.</summary>
    public static CuttingEngine Summing(PreparedTree prepared, CutAllowance allowance, double[] settings) =>
        new(prepared, new(prepared.Tree), allowance, settings) { _tells = false };

    /// <summary>
    /// The same as the tree now stands, to be cut on by other settings. It sums up the whole; what the steps before came
    /// to stays with this one.
    /// </summary>
    public CuttingEngine Apart(double[] others) =>
        new(prepared, tree.Copy(), allowance, others, limits)
        {
            _tells = false,
            _seconds = _seconds,
            _bigCuts = _bigCuts,
            _rubbed = _rubbed,
        };

    /// <summary>Limbs that stay over the rule for their size, with the reason.</summary>
    public IReadOnlyList<ThickLimb> ThickLeft => _thick;

    /// <summary>Carries out the step at a place in the order; null where the decision asks for none of it.</summary>
    public StepEnd? Carry(int place)
    {
        var step = _rules.Steps[place];
        if (!step.Step.Under.Contains(allowance.Kind))
            return null;
        _heldBack.Clear();
        var (made, buds) = (_made, tree.FloralBuds);
        var end = Carry(step, limits?[place] ?? int.MaxValue);
        _steps[place] = new(_made - made, buds - tree.FloralBuds);
        if (_tells && step.Step.TooMuch == TooMuch.ShortenAndEnd)
            ListThick(step, end);
        return end;
    }

    private void ListThick(ReadyStep step, StepEnd end)
    {
        if (_rules.TooBig is not { } tooBig)
            return;
        foreach (var id in tree.Tree.Index.Limbs)
        {
            var scope = Scope(id);
            if (!tree.Stands(id) || tooBig(scope) == 0 || !step.Find.Takes(scope))
                continue;
            var wood = tree.Tree.Branches[id];
            var leader = tree.Tree.Branches[wood.Parent!.Value].DiameterAt(wood.AtM);
            _thick.Add(
                new(
                    id,
                    wood.DiameterMm,
                    wood.Path[0].HeightM,
                    leader > 0 ? wood.DiameterMm / leader : null,
                    _heldBack.GetValueOrDefault(id, end),
                    _cuts.Any(c => c.Branch == id && c.StepId == step.Step.Id && c.Kind == CutKind.Shorten)
                )
            );
        }
        _thick.Sort((a, b) => b.DiameterMm.CompareTo(a.DiameterMm));
    }

    private StepEnd Carry(ReadyStep step, int ofTree)
    {
        var most = step.Most is { } rule ? rule(Scope(0)) : double.PositiveInfinity;
        if (most <= Slack || ofTree == 0)
            return StepEnd.StepLimit;
        int made = 0;
        int[] limited = step.Limits.Count == 0 ? [] : new int[step.Limits.Count],
            per = step.Step.Per == CutsPer.Tree ? [] : new int[tree.Tree.Branches.Length];
        var end = StepEnd.AllFound;
        foreach (var id in Found(step))
        {
            if (made == ofTree)
                return StepEnd.StepLimit;
            var unit = Unit(step, id);
            if ((step.Step.Per == CutsPer.Tree ? made : per[unit]) + 1 > Allowed(step.Step.Per, most, unit) + Slack)
            {
                end = StepEnd.StepLimit;
                // With a number for the tree the rest is too many as well; another limb may still have its own.
                if (step.Step.Per == CutsPer.Tree)
                    break;
                continue;
            }
            // An earlier cut may have taken it, or the reason to take it.
            var scope = Scope(id);
            if (!Vocabulary.Stands(tree, step.Find.Subject, id) || !step.Find.Takes(scope))
                continue;
            if (ReachesLimit(step, limited, scope))
            {
                end = StepEnd.StepLimit;
                _heldBack[id] = StepEnd.PlaceLimit;
                continue;
            }
            if (Stopped(step, id, scope) is { } stopped)
            {
                // A smaller one further on may still fit; single buds are all alike.
                end = stopped;
                _heldBack[id] = stopped;
                if (step.Find.Subject == Subject.Buds)
                    break;
                if (step.Step.TooMuch != TooMuch.Skip && Shorten(step, id))
                    Count(scope);
                if (step.Step.TooMuch == TooMuch.ShortenAndEnd)
                    break;
                continue;
            }
            if (Make(step, id, scope))
                Count(scope);

            // A limb shortened in place of being taken is one of the step's cuts like any other.
            void Count(in RuleScope of)
            {
                made++;
                if (per.Length > 0)
                    per[unit]++;
                for (var i = 0; i < limited.Length; i++)
                    if (step.Limits[i].Where(of) != 0)
                        limited[i]++;
            }
        }
        return end;
    }

    private RuleScope Scope(int id) => new(tree, id, allowance.Target, settings);

    private int[] Found(ReadyStep step)
    {
        // Where buds stand in the order does not change with what is cut around them.
        if (step.Find.Subject == Subject.Buds)
            return prepared.BudOrder(step);
        _found.Clear();
        foreach (var id in Vocabulary.Grown(tree.Tree, step.Find.Subject))
            if (Vocabulary.Stands(tree, step.Find.Subject, id) && step.Find.Takes(Scope(id)))
                _found.Add(id);
        return _found.Count < 2 ? [.. _found] : PreparedTree.Ordered(step, _found, Scope);
    }

    private int Unit(ReadyStep step, int id)
    {
        if (step.Step.Per == CutsPer.Tree)
            return 0;
        var branch = step.Find.Subject == Subject.Buds ? tree.Tree.Buds[id].Branch : id;
        return step.Step.Per == CutsPer.Limb ? tree.Tree.Index.LimbOf[branch] : tree.Tree.Index.LeaderOf[branch];
    }

    private static bool ReachesLimit(ReadyStep step, int[] limited, in RuleScope scope)
    {
        for (var i = 0; i < limited.Length; i++)
            if (limited[i] + 1 > step.Limits[i].Most(scope) + Slack && step.Limits[i].Where(scope) != 0)
                return true;
        return false;
    }

    /// <summary>
    /// How many one limb or leader may lose: a rate of one and a half is one on every second and two on the others.
    /// </summary>
    internal double Allowed(CutsPer per, double most, int unit)
    {
        if (per == CutsPer.Tree || most == Math.Floor(most))
            return most;
        var place = Array.IndexOf(per == CutsPer.Limb ? tree.Tree.Index.Limbs : tree.Tree.Index.Leaders, unit);
        return Math.Floor((place + 1) * most) - Math.Floor(place * most);
    }

    private StepEnd? Stopped(ReadyStep step, int id, in RuleScope scope)
    {
        if (step.Find.Subject == Subject.Buds)
        {
            var count = tree.Tree.Buds[id].Count;
            var most = _rules.System.Caps.ShareRubbed * tree.Tree.FloralBuds;
            var tooMany = allowance.CountsBuds && _rubbed + count > most + Slack;
            return OnBuds(step, count) ?? (tooMany ? StepEnd.RubCap : null);
        }
        var (branch, leave) = Place(step, id, scope);
        return branch < 0 ? null : OnWood(step, branch, leave);
    }

    private StepEnd? OnWood(ReadyStep step, int branch, double leave)
    {
        var wood = tree.Tree.Branches[branch];
        var drop = wood.Kind == BranchKind.Trunk ? tree.FloralBuds : tree.FloralOn(branch, leave + Slack);
        if (OnBuds(step, drop) is { } number)
            return number;
        if (step.Step.Stop == StepStop.Never)
            return null;
        if (wood.DiameterAt(leave) >= _rules.System.Caps.BigCutMm && _bigCuts + 1 > _rules.System.Caps.BigCuts)
            return StepEnd.BigCutCap;
        var wooded = tree.Tree.Index.WoodCm3;
        return
            wooded > 0
            && (tree.WoodCutCm3 + tree.WoodBeyondCm3(branch, leave)) / wooded > _rules.System.Caps.ShareOfWood + Slack
            ? StepEnd.WoodCap
            : null;
    }

    // Back to a weak side shoot, as far in as may be: the outer part of the buds goes, the limb itself another winter.
    private bool Shorten(ReadyStep step, int branch)
    {
        var length = tree.LeftM(branch);
        foreach (var share in (ReadOnlySpan<double>)[0.35, 0.5, 0.65, 0.8])
        {
            if (share * length < RemainingTree.StubM || OnWood(step, branch, share * length) is not null)
                continue;
            Record(step, CutKind.Shorten, branch, null, share * length, tree.Cut(branch, share * length));
            return true;
        }
        return false;
    }

    private StepEnd? OnBuds(ReadyStep step, int drop)
    {
        if (step.Step.Stop == StepStop.Never || drop == 0)
            return null;
        var left = tree.FloralBuds - drop;
        if (left < allowance.CapLow - Slack)
            return StepEnd.BudCap;
        // Light pruning never stops on a number; what shape may cost holds all the same.
        if (!allowance.CountsBuds || _rules.Aim == SystemAim.Light && allowance.Kind == DecisionKind.Reduce)
            return null;
        return left < (step.Step.Stop == StepStop.Number ? allowance.NumberLow : allowance.BandLow) - Slack
            ? StepEnd.Number
            : null;
    }

    private bool Make(ReadyStep step, int id, in RuleScope scope)
    {
        if (step.Find.Subject == Subject.Buds)
        {
            var rubbed = tree.RubOff(id);
            _rubbed += rubbed.Buds;
            Record(step, step.Step.Cut.Kind, tree.Tree.Buds[id].Branch, id, 0, rubbed);
            return true;
        }
        var (branch, leave) = Place(step, id, scope);
        if (branch < 0 || tree.LeftM(branch) <= leave + Slack)
            return false;
        Record(step, step.Step.Cut.Kind, branch, null, leave, tree.Cut(branch, leave));
        return true;
    }

    private void Record(ReadyStep step, CutKind kind, int branch, int? bud, double leave, CutLoss loss)
    {
        if (loss.DiameterMm >= _rules.System.Caps.BigCutMm)
            _bigCuts++;
        _made++;
        _seconds += step.Step.SecondsEach;
        if (_tells)
            _cuts.Add(
                new(
                    _cuts.Count + 1,
                    step.Step.Id,
                    kind,
                    branch,
                    bud,
                    leave,
                    loss.Buds,
                    tree.FloralBuds,
                    loss.WoodCm3,
                    loss.DiameterMm
                )
            );
    }

    /// <summary>Where a step would cut something as the tree stands.</summary>
    internal (int Branch, double LeaveM) PlaceOf(ReadyStep step, int id) => Place(step, id, Scope(id));

    /// <summary>Where a cut falls: which branch, and how much of it stays; −1 where there is no place for it.</summary>
    private (int Branch, double LeaveM) Place(ReadyStep step, int id, in RuleScope scope)
    {
        var leave = step.Leave is { } rule ? Math.Max(0, rule(scope)) : 0;
        return step.Step.Cut.Kind switch
        {
            CutKind.Single => Steeper(id),
            // A leader goes back to a side shoot below the height; what else stands above it, back to the height.
            CutKind.ToSideShoot when tree.Tree.Branches[id].Kind == BranchKind.Leader => SideShootBelow(id, leave),
            CutKind.ToSideShoot => (id, tree.Tree.Branches[id].MetresToHeight(leave)),
            CutKind.Head => (id, tree.Tree.Branches[id].MetresToHeight(leave)),
            _ => (id, leave),
        };
    }

    // Of the two arms the steeper goes; where the limb itself is the steeper, it is cut just beyond the fork.
    private (int, double) Steeper(int arm)
    {
        var fork = tree.Tree.Branches[arm];
        var limb = tree.Tree.Branches[fork.Parent!.Value];
        var rest = RiseDeg(limb, fork.AtM, tree.LeftM(limb.Id));
        var side = RiseDeg(fork, 0, tree.LeftM(arm));
        return side >= rest ? (arm, 0) : (limb.Id, fork.AtM + SideShootM);
    }

    private static double RiseDeg(Branch branch, double from, double to)
    {
        var (a, b) = (branch.PointAt(from), branch.PointAt(to));
        var length = a.To(b);
        return length <= 0
            ? branch.RiseDeg
            : Math.Asin(Math.Clamp((b.HeightM - a.HeightM) / length, -1, 1)) * 180 / Math.PI;
    }

    // The highest limb below the limit that is weaker than the leader there; the leader is cut just above it.
    private (int, double) SideShootBelow(int leader, double heightM)
    {
        var wood = tree.Tree.Branches[leader];
        var limit = wood.MetresToHeight(heightM);
        var best = -1.0;
        foreach (var child in tree.Tree.Index.Children[leader])
        {
            var side = tree.Tree.Branches[child];
            if (
                side.Kind == BranchKind.Limb
                && tree.Stands(child)
                && side.AtM <= limit
                && side.AtM > best
                && side.RiseDeg < 60
                && side.DiameterMm < wood.DiameterAt(side.AtM)
            )
                best = side.AtM;
        }
        return (leader, best < 0 || best < limit * 0.7 ? limit : best + SideShootM);
    }
}
