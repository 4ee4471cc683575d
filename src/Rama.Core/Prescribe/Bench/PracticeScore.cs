using Rama.Core.Explain;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Bench;

/// <summary>
/// A tree cut for practice, scored against the card: number, limits, order and minutes, each remark with its reason.
/// </summary>
/// <param name="Score">0 to 100.</param>
/// <param name="Number">For the number of buds left.</param>
/// <param name="Limits">For keeping to the limits and missing nothing.</param>
/// <param name="Order">For the order of the steps.</param>
/// <param name="Minutes">For the minutes such cuts take on a real tree.</param>
/// <param name="MinutesTaken">Minutes the cuts take on a real tree.</param>
/// <param name="MinutesOfCard">Minutes the system's own cuts take.</param>
/// <param name="Remarks">What was said.</param>
public sealed record PracticeScore(
    int Score,
    PracticePart Number,
    PracticePart Limits,
    PracticePart Order,
    PracticePart Minutes,
    double MinutesTaken,
    double MinutesOfCard,
    IReadOnlyList<Notice> Remarks
)
{
    internal const string OnTarget = "practice.on-target";

    // Weights and slopes of the score: a convention of Rama's own.
    private const double ForNumber = 40,
        ForLimits = 30,
        ForOrder = 15,
        ForMinutes = 15,
        PerFault = 6,
        NoneLeftAt = 0.35,
        SlowFrom = 1.2,
        SlowTo = 2.2;

    /// <summary>Scores cuts made by hand.</summary>
    public static PracticeScore Of(TreeBench bench, IReadOnlyList<BenchCut> cuts)
    {
        List<Notice> remarks = [];
        var (left, target, tolerance) = (
            cuts.Count == 0 ? bench.Before.FloralBuds : cuts[^1].After.FloralBuds,
            bench.ToLeave,
            bench.Settings.Tolerance
        );
        var number = NumberOf(bench, left, target, tolerance, remarks);
        var limits = Math.Max(0, ForLimits - PerFault * Faults(bench, cuts, remarks));
        var order = OrderOf(bench, cuts, remarks);
        var (taken, ofCard) = (
            bench.Minutes(cuts.Select(c => c.StepId)),
            bench.Minutes(bench.Pruning.Cuts.Select(c => (string?)c.StepId))
        );
        var slow = Math.Clamp((taken / ofCard - SlowFrom) / (SlowTo - SlowFrom), 0, 1);
        if (slow > 0)
            remarks.Add(
                new(
                    "practice.slow",
                    $"These cuts take about {taken:0.0} min on a real tree, the card's {ofCard:0.0}. A big limb "
                        + "first saves many small cuts.",
                    new Figure("minutes taken", taken, "min"),
                    new Figure("minutes of the card", ofCard, "min")
                )
            );
        var minutes = ForMinutes * (1 - slow);
        return new(
            (int)Math.Round(number + limits + order + minutes),
            new(number, ForNumber),
            new(limits, ForLimits),
            new(order, ForOrder),
            new(minutes, ForMinutes),
            taken,
            ofCard,
            remarks
        );
    }

    private static double NumberOf(TreeBench bench, int left, double target, double tolerance, List<Notice> remarks)
    {
        // What the allowance itself forbids is no fault of the pruner's: the cap, or a tree that is short already.
        var (low, high) = (
            Math.Min(target * (1 - tolerance), bench.Pruning.Left.FloralBuds),
            Math.Max(target * (1 + tolerance), bench.Pruning.Left.FloralBuds)
        );
        Figure[] figures =
        [
            new("left", left, "bud"),
            new("wanted", target, "bud"),
            new("off", left > high ? left - target : target - left, "bud"),
        ];
        if (left >= low && left <= high)
        {
            remarks.Add(new(OnTarget, $"{left} left where {target:0} are wanted: on target.", figures));
            return ForNumber;
        }
        var off = (left > high ? left - high : low - left) / target;
        remarks.Add(
            left > high
                ? new(
                    "practice.too-many",
                    $"{left} left where {target:0} are wanted: {left - target:0} too many. Look for another "
                        + "thick limb, or buds under the limbs.",
                    figures
                )
                : new(
                    "practice.too-few",
                    $"{left} left where {target:0} are wanted: {target - left:0} too few. Cut wood does not "
                        + "grow back before harvest; stop earlier.",
                    figures
                )
        );
        return ForNumber * Math.Max(0, 1 - off / NoneLeftAt);
    }

    private static int Faults(TreeBench bench, IReadOnlyList<BenchCut> cuts, List<Notice> remarks)
    {
        var faults = 0;
        void Fault(Notice notice, int count = 1)
        {
            remarks.Add(notice);
            faults += count;
        }
        var caps = bench.Rules.System.Caps;
        var after = cuts.Count == 0 ? bench.Before : cuts[^1].After;
        if (
            cuts.Count(c => c.Bud is null && bench.Tree.Branches[c.Branch].Kind == BranchKind.Dart) is > 0 and var darts
        )
            Fault(
                new(
                    "practice.dart",
                    $"Short shoots cut that end in a fat bud: {darts}. They are no forks, they bear.",
                    new Figure("darts", darts, "1")
                ),
                darts
            );
        if (after.BigCuts > caps.BigCuts)
            Fault(
                new(
                    "practice.big-cuts",
                    $"Big cuts made: {after.BigCuts}, at most {caps.BigCuts} a tree. Expect a forest of strong shoots.",
                    new Figure("big cuts", after.BigCuts, "1"),
                    new Figure("most", caps.BigCuts, "1")
                ),
                after.BigCuts - caps.BigCuts
            );
        if (after.WoodShare > caps.ShareOfWood + 0.02)
            Fault(
                new(
                    "practice.wood",
                    $"{after.WoodShare * 100:0} % of the wood is gone, at most {caps.ShareOfWood * 100:0} % in "
                        + "one winter.",
                    new Figure("wood", after.WoodShare, "share"),
                    new Figure("most", caps.ShareOfWood, "share")
                )
            );
        if (after.FloralBuds < bench.Allowance.CapLow - 1)
            Fault(
                new(
                    "practice.bud-cap",
                    $"More than {bench.Settings.Cap * 100:0} % of the buds are gone in one winter.",
                    new Figure("most", bench.Settings.Cap, "share")
                )
            );
        if (cuts.Count(c => c.StepId is null && c.Drop > 0) is > 0 and var unasked)
            Fault(
                new(
                    "practice.unasked",
                    $"Cuts that no step of the system asks for: {unasked}.",
                    new Figure("cuts", unasked, "1")
                ),
                Math.Min(3, unasked)
            );
        var standing = new RemainingTree(bench.Tree);
        foreach (var cut in cuts)
            if (cut.Bud is { } bud)
                standing.RubOff(bud);
            else
                standing.Cut(cut.Branch, cut.LeaveM);
        var unsound = bench.Tree.Branches.Count(b =>
            b.Kind == BranchKind.Limb && b.State != WoodState.Sound && standing.Stands(b.Id)
        );
        if (unsound > 0)
            Fault(
                new(
                    "practice.unsound",
                    $"Dead, broken or diseased limbs still standing: {unsound}. They come out of every tree.",
                    new Figure("limbs", unsound, "1")
                ),
                unsound
            );
        // What the system takes first and the pruner left, unless the number was reached without it.
        var missed = bench
            .Pruning.Cuts.Where(c =>
                c.Bud is null && c.DiameterMm >= caps.BigCutMm && standing.LeftM(c.Branch) > c.LeaveM + 0.05
            )
            .ToList();
        if (missed.Count > 0 && after.FloralBuds > bench.ToLeave * (1 + bench.Settings.Tolerance))
            Fault(
                new(
                    "practice.big-left",
                    $"Limbs too big for their place still standing: {missed.Count}. They come before the small cuts.",
                    new Figure("limbs", missed.Count, "1")
                ),
                missed.Count
            );
        return faults;
    }

    // How many pairs of cuts stand in the order of the steps.
    private static double OrderOf(TreeBench bench, IReadOnlyList<BenchCut> cuts, List<Notice> remarks)
    {
        var places = bench.Rules.Steps.Select((s, i) => (s.Step.Id, i)).ToDictionary(x => x.Id, x => x.i);
        var steps = cuts.Where(c => c.StepId is not null).Select(c => places[c.StepId!]).ToList();
        var (pairs, wrong) = (0, 0);
        for (var i = 0; i < steps.Count; i++)
        for (var j = i + 1; j < steps.Count; j++)
        {
            if (steps[i] == steps[j])
                continue;
            pairs++;
            if (steps[i] > steps[j])
                wrong++;
        }
        if (pairs == 0)
            return ForOrder;
        var share = wrong / (double)pairs;
        if (share > 0.1)
            remarks.Add(
                new(
                    "practice.order",
                    "Small cuts came before big ones: the big ones decide how many small ones are left to do.",
                    new Figure("out of order", share, "share")
                )
            );
        return ForOrder * (1 - share);
    }
}

/// <summary>One part of a practice score.</summary>
/// <param name="Points">Points reached.</param>
/// <param name="Of">Points to be had.</param>
public sealed record PracticePart(double Points, double Of);
