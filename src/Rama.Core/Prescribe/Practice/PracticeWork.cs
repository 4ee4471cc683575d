using Rama.Core.Prescribe.Bench;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Practice;

/// <summary>How much of what the card asks of a tree is done, and what was cut that it keeps.</summary>
/// <remarks>
/// The card's cuts are held against those made step by step, so that another limb the same step would take is as good;
/// big cuts, leaders and unsound wood are held against the very wood. A cut counts as a step's where it falls about
/// there: a peg, a stump of a stub or a leader taken down to its knees is not the cut that was asked for.
/// </remarks>
internal sealed class PracticeWork
{
    // What one cut of the card weighs: single buds little, what shapes the tree most (a convention of Rama's own).
    private const double OfBud = 0.1,
        OfWood = 1,
        OfBig = 3;

    // All the buds rubbed off weigh no more than this share of the wood: buds alone prune no tree.
    private const double MostOfBuds = 0.5;

    // A step made so much more often than on the card is one too many.
    private const double OftenEnough = 1.25;

    private readonly TreeBench _bench;

    public PracticeWork(TreeBench bench, IReadOnlyList<BenchCut> cuts)
    {
        _bench = bench;
        Left = new(bench.Tree);
        foreach (var cut in cuts)
            if (cut.Bud is { } bud)
                Left.RubOff(bud);
            else
                Left.Cut(cut.Branch, cut.LeaveM);
        Made = [.. cuts.Where(c => c.StepId is not null && c.Fit == CutFit.Right)];
        Undone = [.. bench.Pruning.Cuts.Where(c => c.Bud is null && Left.LeftM(c.Branch) > c.LeaveM + SlackM(c))];
        Missed = [.. Undone.Where(IsWeighty)];
        Kept = [.. KeptOf(cuts)];
        Done = DoneOf();
    }

    /// <summary>The tree as it was left.</summary>
    public RemainingTree Left { get; }

    /// <summary>Cuts made as a step asks.</summary>
    public IReadOnlyList<BenchCut> Made { get; }

    /// <summary>Cuts of wood on the card that were not made.</summary>
    public IReadOnlyList<TreeCut> Undone { get; }

    /// <summary>Those of them that shape the tree.</summary>
    public IReadOnlyList<TreeCut> Missed { get; }

    /// <summary>Cuts of wood the card keeps, with what each weighs: a limb one, a shoot a third.</summary>
    public IReadOnlyList<(BenchCut Cut, double Weight)> Kept { get; }

    /// <summary>Share of the card's work that is done, 0 to 1; 1 where it asks for none.</summary>
    public double Done { get; }

    /// <summary>Whether a cut of the card shapes the tree: big, of a leader, or of unsound wood.</summary>
    public bool IsWeighty(TreeCut cut) =>
        cut.DiameterMm >= _bench.Rules.System.Caps.BigCutMm
        || _bench.Tree.Branches[cut.Branch] is { Kind: BranchKind.Leader } or { State: not WoodState.Sound };

    // What was meant to go is gone if hardly more of it stands.
    private double SlackM(TreeCut cut) =>
        Math.Max(0.05, 0.15 * (_bench.Tree.Branches[cut.Branch].LengthM - cut.LeaveM));

    private double DoneOf()
    {
        var (asked, done) = (0.0, 0.0);
        var (buds, rubbed) = (0.0, 0.0);
        var stepOf = _bench
            .Pruning.Cuts.Where(c => c.Bud is null)
            .GroupBy(c => c.Branch)
            .ToDictionary(g => g.Key, g => g.Last().StepId);
        foreach (var step in _bench.Pruning.Cuts.GroupBy(c => c.StepId))
        {
            var own = Made.Where(c => c.StepId == step.Key).ToList();
            var single = step.Where(c => c.Bud is not null).ToList();
            buds += OfBud * single.Count;
            rubbed += OfBud * Math.Min(single.Count, own.Count(c => c.Bud is not null));
            var wood = step.Where(c => c.Bud is null && !IsWeighty(c)).ToList();
            // What fell with a bigger piece is done as well.
            var gone = wood.Count(c => Left.LeftM(c.Branch) <= c.LeaveM + SlackM(c));
            asked += OfWood * wood.Count;
            // A big cut stands for no small one of its step, and what the card takes for another step for none of this.
            var big = step.Where(c => c.Bud is null && IsWeighty(c)).Select(c => c.Branch).ToHashSet();
            var asAsked = own.Count(c =>
                c.Bud is null && !big.Contains(c.Branch) && stepOf.GetValueOrDefault(c.Branch, step.Key) == step.Key
            );
            done += OfWood * Math.Min(wood.Count, Math.Max(gone, asAsked));
            var weighty = step.Count(c => c.Bud is null && IsWeighty(c));
            asked += OfBig * weighty;
            done += OfBig * (weighty - Missed.Count(c => c.StepId == step.Key));
        }
        if (asked > 0 && buds > MostOfBuds * asked)
            (rubbed, buds) = (rubbed * MostOfBuds * asked / buds, MostOfBuds * asked);
        var all = asked + buds;
        return all <= 0 ? 1 : Math.Clamp((done + rubbed) / all, 0, 1);
    }

    // What no step asks for, what is cut otherwise than it asks, and what one step takes too often.
    private IEnumerable<(BenchCut, double)> KeptOf(IReadOnlyList<BenchCut> cuts)
    {
        var card = _bench.Pruning.Cuts.CountBy(c => c.StepId).ToDictionary();
        Dictionary<string, int> made = [];
        foreach (var cut in cuts.Where(c => c.Bud is null))
        {
            if (FellAsAsked(cut))
                continue;
            var weight = _bench.Tree.Branches[cut.Branch].Kind switch
            {
                BranchKind.Trunk or BranchKind.Leader => 3,
                BranchKind.Limb => 1,
                BranchKind.Arm => 0.5,
                _ => 1.0 / 3,
            };
            var tooOften =
                cut.StepId is { } step
                && (made[step] = made.GetValueOrDefault(step) + 1) > OftenEnough * card.GetValueOrDefault(step) + 1;
            if (cut.StepId is null || cut.Fit == CutFit.TooDeep || tooOften)
                yield return (cut, weight);
        }
    }

    // The card takes this very wood, whatever step a hand takes it for.
    private bool FellAsAsked(BenchCut cut) =>
        cut.Fit != CutFit.TooDeep
        && _bench.Pruning.Left.LeftM(cut.Branch) is var stays
        && stays <= cut.LeaveM + 0.05
        && stays < _bench.Tree.Branches[cut.Branch].LengthM;
}
