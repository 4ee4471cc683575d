using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe;

namespace Rama.Core.Plan;

/// <summary>A number of buds with the interval it is known to.</summary>
/// <param name="Mean">Floral buds per tree.</param>
/// <param name="Low">Lower end, where known.</param>
/// <param name="High">Upper end, where known.</param>
public sealed record LedgerBar(double Mean, double? Low, double? High);

/// <summary>What one step takes out of the account.</summary>
/// <param name="Number">Number of the cut.</param>
/// <param name="Name">The cut in two or three words.</param>
/// <param name="Drop">Floral buds taken.</param>
/// <param name="After">Floral buds standing afterwards.</param>
public sealed record LedgerDrop(int Number, LocalText Name, double Drop, double After);

/// <summary>
/// The running account of one mean tree: floral buds standing, what each step drops, what is left, against the band
/// wanted.
/// Drawn the same wherever it appears.
/// </summary>
/// <param name="Standing">Floral buds standing before pruning; null before a count.</param>
/// <param name="Drops">What each step takes, in order; steps that take next to nothing are left out.</param>
/// <param name="Left">Floral buds left; null before a count.</param>
/// <param name="Wanted">Floral buds to leave.</param>
/// <param name="BandLow">Lower edge of the tolerance band.</param>
/// <param name="BandHigh">Upper edge of the tolerance band.</param>
/// <param name="FruitWanted">Fruit wanted.</param>
/// <param name="BudFactor">Buds to leave per fruit.</param>
/// <param name="Tolerance">Tolerance as a share.</param>
public sealed record BudLedger(
    LedgerBar? Standing,
    IReadOnlyList<LedgerDrop> Drops,
    LedgerBar? Left,
    double Wanted,
    double BandLow,
    double BandHigh,
    double FruitWanted,
    double BudFactor,
    double Tolerance
)
{
    // Less than half a bud would be told as none.
    private const double SmallestDrop = 0.5;

    /// <summary>
    /// Puts the account together from a target and, once trees are counted, a decision and its prescription.
    /// </summary>
    public static BudLedger Of(
        double budsToLeave,
        double fruitWanted,
        double budFactor,
        DecisionSettings settings,
        PruningDecision? decision,
        Prescription? prescription
    ) =>
        new(
            decision is null ? null : new(decision.Standing.Mean, decision.Standing.Low, decision.Standing.High),
            prescription is null
                ? []
                :
                [
                    .. prescription
                        .Cuts.Where(c => c.Drop >= SmallestDrop)
                        .Select(c => new LedgerDrop(c.Number, c.Name, c.Drop, c.BudsAfter)),
                ],
            prescription is null
                ? null
                : new(prescription.BudsLeft, prescription.BudsLeftLow, prescription.BudsLeftHigh),
            budsToLeave,
            budsToLeave * (1 - settings.Tolerance),
            budsToLeave * (1 + settings.Tolerance),
            fruitWanted,
            budFactor,
            settings.Tolerance
        );
}
