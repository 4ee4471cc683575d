using Rama.Core.Crew.Depth;
using Rama.Core.Decide;
using Rama.Core.Season;

namespace Rama.Core.Plan;

/// <summary>How deep a planting may be pruned: to its number, structure only, or hazards alone.</summary>
/// <param name="Depths">Each depth, full depth first.</param>
public sealed record PlantingDepths(IReadOnlyList<PruningDepth> Depths)
{
    private const string NotDeeper = "hours do not reach";

    /// <summary>One of the depths.</summary>
    /// <param name="depth">Which.</param>
    public PruningDepth At(CutDepth depth) => Depths.First(d => d.Depth == depth);

    /// <summary>What the manager decides instead of the count to have a planting pruned so deep; null for its
    /// number.</summary>
    /// <param name="depth">How deep.</param>
    public static DecisionKind? HeldAt(CutDepth depth) =>
        depth switch
        {
            CutDepth.Structure => DecisionKind.StructureOnly,
            CutDepth.Hazard => DecisionKind.NoPrune,
            _ => null,
        };

    /// <summary>
    /// The depths of a planting with buds to cut; null where the count asks for no more than structure, or somebody
    /// decided already.
    /// </summary>
    /// <param name="reading">What was typed, read.</param>
    /// <remarks>
    /// Each depth is planned as the planting would be if it were decided; of the buds it leaves more than full depth,
    /// those that set have to be thinned off at what the target says a cluster too many costs. Source: derived.
    /// </remarks>
    public static PlantingDepths? Of(PlanReading reading)
    {
        if (reading.Settings.Held is not null)
            return null;
        var full = PruningPlan.Of(reading);
        if (
            full
                is not { Decision: { Kind: DecisionKind.Reduce } decided, Prescription: not null, Density: { } density }
            || full.CostsOf(reading) is not { } costs
        )
            return null;
        var left = LeftBy(decided);
        return new([
            new(CutDepth.Full, HoursOf(reading, full), 0, []),
            .. new[] { CutDepth.Structure, CutDepth.Hazard }.Select(depth =>
            {
                var held = reading with
                {
                    Settings = reading.Settings with { Held = HeldAt(depth), HeldReason = NotDeeper },
                };
                var plan = PruningPlan.Of(held);
                var over = Math.Max(0, LeftBy(plan.Decision!) - left);
                var lost = density.BearingTrees * costs.Of(0, 0, over);
                return new PruningDepth(
                    depth,
                    HoursOf(held, plan),
                    lost,
                    [
                        new(
                            "depth.lost",
                            "buds left more × share that sets × cost of a cluster too many × trees",
                            new("margin given up", lost, "money"),
                            [
                                new("buds left more", over, "bud/tree"),
                                new("share that sets", costs.SetMean, "share"),
                                new("cost of a cluster too many", costs.CostOver, "money"),
                                new("trees", density.BearingTrees, "tree"),
                            ],
                            "costs as in the target"
                        ),
                    ]
                );
            }),
        ]);
    }

    private static double LeftBy(PruningDecision decision) => decision.Standing.Mean - decision.RemoveBuds;

    private static double HoursOf(PlanReading reading, PruningPlan plan) =>
        Programme.Of(ProgrammeEntry.TermsOf(reading, plan)).Passes.Where(p => p.IsWinter).Sum(p => p.Hours?.Paid ?? 0);
}
