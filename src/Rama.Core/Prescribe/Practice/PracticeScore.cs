using Rama.Core.Explain;
using Rama.Core.Prescribe.Bench;

namespace Rama.Core.Prescribe.Practice;

/// <summary>
/// A tree cut for practice, scored against the card: number, work done, limits, order and minutes, each remark with its
/// reason.
/// </summary>
/// <param name="Score">0 to 100.</param>
/// <param name="Number">For the number of buds left.</param>
/// <param name="Work">For the cuts of the card that are made.</param>
/// <param name="Limits">For keeping to the limits and spoiling nothing.</param>
/// <param name="Order">For the order of the steps.</param>
/// <param name="Minutes">For the minutes such cuts take on a real tree.</param>
/// <param name="Most">Points the tree could have at most, for its gravest fault; 100 without one.</param>
/// <param name="MinutesTaken">Minutes the cuts take on a real tree.</param>
/// <param name="MinutesOfCard">Minutes the system's own cuts take.</param>
/// <param name="Remarks">What was said, the gravest first.</param>
/// <param name="Places">Wood each remark speaks of, by its code.</param>
/// <remarks>
/// Limits, order and minutes are earned by work done alone: nobody keeps to the order of cuts not made. Weights are a
/// convention of Rama's own; that a grave fault holds the whole down is how a lead judges a tree: common practice, no
/// source.
/// </remarks>
public sealed record PracticeScore(
    int Score,
    PracticePart Number,
    PracticePart Work,
    PracticePart Limits,
    PracticePart Order,
    PracticePart Minutes,
    int Most,
    double MinutesTaken,
    double MinutesOfCard,
    IReadOnlyList<Notice> Remarks,
    IReadOnlyDictionary<string, IReadOnlyList<int>> Places
)
{
    internal const string OnTarget = "practice.on-target";

    /// <summary>Remarks that speak of no fault.</summary>
    internal static readonly string[] Praise = [OnTarget, OffAsCard];

    /// <summary>What to do next time, by the code of the remark; none for praise.</summary>
    public IReadOnlyDictionary<string, LocalText> NextTime =>
        Remarks
            .Select(r => PracticeLesson.Of(r.Code))
            .OfType<PracticeLesson>()
            .DistinctBy(l => l.Said)
            .ToDictionary(l => l.Said, l => l.NextTime);

    private const string OffAsCard = "practice.off-as-card";

    private const string Undone = "practice.undone";

    private const double ForNumber = 30,
        ForWork = 30,
        ForLimits = 20,
        ForOrder = 10,
        ForMinutes = 10,
        PerFault = 5,
        NoneLeftAt = 0.35,
        SlowFrom = 1.2,
        SlowTo = 2.2;

    // Far too few left, and the crop is gone for the year; a felled tree is worth nothing.
    private const double FarTooFew = 0.75,
        WithFarTooFew = 45;

    /// <summary>Scores cuts made by hand.</summary>
    public static PracticeScore Of(TreeBench bench, IReadOnlyList<BenchCut> cuts)
    {
        PracticeWork work = new(bench, cuts);
        var said = PracticeRemark.Of(bench, cuts, work);
        List<Notice> remarks = [];
        var left = work.Left.FloralBuds;
        var number = NumberOf(bench, left, bench.ToLeave, bench.Settings.Tolerance, remarks) * EarnedBy(bench, work);
        // Half the work is not worth half the points: the cuts that were shirked are the hard ones.
        var earned = Math.Pow(work.Done, Shirked);
        var limits = Math.Max(0, ForLimits - PerFault * said.Sum(r => r.Faults)) * earned;
        var order = OrderOf(bench, cuts, remarks) * earned;
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
        if (work.Done < AsGoodAsDone)
            remarks.Add(
                new(
                    Undone,
                    $"{work.Done * 100:0} % of what the card asks is done.",
                    new Figure("done", work.Done, "share")
                )
            );
        var minutes = ForMinutes * (1 - slow) * earned;
        var most = said.Select(r => r.Most).DefaultIfEmpty(100).Min();
        var few = FarTooFew * Math.Min(bench.ToLeave, bench.Pruning.Left.FloralBuds);
        if (left < few)
            most = Math.Min(most, WithFarTooFew * left / few);
        var sum = number + ForWork * earned + limits + order + minutes;
        return new(
            (int)Math.Round(Math.Min(sum, most)),
            new(number, ForNumber),
            new(ForWork * earned, ForWork),
            new(limits, ForLimits),
            new(order, ForOrder),
            new(minutes, ForMinutes),
            (int)Math.Round(most),
            taken,
            ofCard,
            [.. said.Select(r => r.Said), .. remarks],
            said.Select(r => (r.Said.Code, Wood: r.Branches))
                .Append((Code: Undone, Wood: [.. work.Undone.Select(c => c.Branch)]))
                .Where(r => r.Wood.Count > 0)
                .ToDictionary(r => r.Code, r => r.Wood)
        );
    }

    // From here on nobody would speak of what is missing.
    private const double AsGoodAsDone = 0.9;

    // The number counts as far as the tree was brought there by the work: rubbing off whatever hangs low does not prune
    // it, and a tree that stood at its number was not brought there at all.
    private static double EarnedBy(TreeBench bench, PracticeWork work) =>
        bench.Pruning.Cuts.Count == 0 ? 1 : Math.Min(1, work.Done / NumberNeeds);

    private const double NumberNeeds = 0.9,
        Shirked = 2.5;

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
            remarks.Add(
                left < target * (1 - tolerance) || left > target * (1 + tolerance)
                    ? new(
                        OffAsCard,
                        $"{left} left where {target:0} are wanted: as far off as the card itself, which this tree lets "
                            + "no nearer.",
                        figures
                    )
                    : new(OnTarget, $"{left} left where {target:0} are wanted: on target.", figures)
            );
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
