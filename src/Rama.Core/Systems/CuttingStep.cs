using Rama.Core.Decide;

namespace Rama.Core.Systems;

/// <summary>
/// One step of a rule pack: what to look for, where to start, how to cut, how many at most, why, and what it is expected to drop.
/// </summary>
/// <param name="Id">Identifier within the system.</param>
/// <param name="Under">Decisions under which the step is done at all.</param>
/// <param name="Amount">How many there are to cut at most.</param>
/// <param name="Drop">What each cut is expected to drop.</param>
/// <param name="TakesLimb">Whether each cut takes a whole limb off the tree.</param>
/// <param name="SecondsEach">Seconds one cut takes, for labour.</param>
/// <param name="Name">The step in two or three words.</param>
/// <param name="LookFor">What to look for and which to start with.</param>
/// <param name="How">How to cut.</param>
/// <param name="Why">Why.</param>
/// <param name="Caution">Caution shown at this step, where work can hurt someone.</param>
/// <param name="Source">Where the numbers come from.</param>
public sealed record CuttingStep(
    string Id,
    IReadOnlyList<DecisionKind> Under,
    CutAmount Amount,
    CutDrop Drop,
    bool TakesLimb,
    double SecondsEach,
    LocalText Name,
    LocalText LookFor,
    LocalText How,
    LocalText Why,
    LocalText? Caution,
    string Source)
{
    /// <summary>What makes the step impossible to carry out, or null.</summary>
    internal string? Fault() => this switch
    {
        { Amount: UpTo { PerTree: <= 0 } } => $"step {Id}: amount.perTree must be above 0",
        { Amount: ShareOfLimbs { Share: <= 0 or > 1 } } => $"step {Id}: amount.share must lie above 0 and at most 1",
        { Amount: ToTheNumber { MaxShareOfStanding: <= 0 or > 1 } } => $"step {Id}: amount.maxShareOfStanding must lie above 0 and at most 1",
        { Drop: LimbShare { OfMeanLimb: <= 0 } } => $"step {Id}: drop.ofMeanLimb must be above 0",
        { Drop: NoDrop, Amount: not AsFound } => $"step {Id}: only a step whose amount is asFound may drop nothing",
        { Amount: AsFound, Drop: not NoDrop } => $"step {Id}: the drop of a step whose amount is asFound cannot be foreseen",
        { SecondsEach: < 0 } => $"step {Id}: secondsEach must not be negative",
        _ => null,
    };
}
