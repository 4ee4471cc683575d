using System.Text.Json.Serialization;
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

/// <summary>How many cuts of a step there are to make at most.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(AsFound), "asFound")]
[JsonDerivedType(typeof(UpTo), "upTo")]
[JsonDerivedType(typeof(ShareOfLimbs), "shareOfLimbs")]
[JsonDerivedType(typeof(ToTheNumber), "toTheNumber")]
public abstract record CutAmount;

/// <summary>Whatever is found; not foreseen and not limited.</summary>
public sealed record AsFound : CutAmount;

/// <summary>At most so many a tree.</summary>
/// <param name="PerTree">Most cuts per tree.</param>
public sealed record UpTo(int PerTree) : CutAmount;

/// <summary>So many of the limbs standing, on average.</summary>
/// <param name="Share">Share of limbs that offer such a cut.</param>
public sealed record ShareOfLimbs(double Share) : CutAmount;

/// <summary>As many as it takes to reach the number.</summary>
/// <param name="MaxShareOfStanding">Largest share of the buds standing before the step.</param>
public sealed record ToTheNumber(double MaxShareOfStanding) : CutAmount;

/// <summary>What one cut is expected to drop.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(NoDrop), "none")]
[JsonDerivedType(typeof(LimbShare), "limbShare")]
[JsonDerivedType(typeof(OneBud), "oneBud")]
public abstract record CutDrop;

/// <summary>Nothing that counts.</summary>
public sealed record NoDrop : CutDrop;

/// <summary>A multiple of the buds on a mean limb standing at that moment.</summary>
/// <param name="OfMeanLimb">Buds on the wood cut ÷ buds on a mean limb.</param>
public sealed record LimbShare(double OfMeanLimb) : CutDrop;

/// <summary>One floral bud.</summary>
public sealed record OneBud : CutDrop;
