using Rama.Core.Estate;

namespace Rama.Core.Result.Learning;

/// <summary>Which of shipped, learned and pinned number holds, and why.</summary>
public enum LearnedStanding
{
    /// <summary>No season has taught anything yet: the shipped number.</summary>
    Untaught,

    /// <summary>The learned number.</summary>
    Used,

    /// <summary>A person put the shipped number back.</summary>
    PutBack,

    /// <summary>A person pinned a number of their own.</summary>
    Pinned,

    /// <summary>The back-test of the estate refused what was learned: the shipped number.</summary>
    Refused,
}

/// <summary>What is used of what the seasons of a planting taught.</summary>
/// <param name="Choices">What a person set aside.</param>
/// <param name="KeptTo">Shipped numbers the estate keeps to, by its back-tests.</param>
public sealed record LearnedStandings(IReadOnlyList<LearnedChoice> Choices, IReadOnlySet<LearnedQuantity> KeptTo)
{
    /// <summary>What a person chose; null for nothing.</summary>
    /// <param name="quantity">Of which number.</param>
    public LearnedChoice? ChoiceOf(LearnedQuantity quantity) => Choices.FirstOrDefault(c => c.Quantity == quantity);

    /// <summary>How a number stands. What a person chose goes before what a test says.</summary>
    /// <param name="quantity">Which number.</param>
    /// <param name="isTaught">Whether seasons taught anything of it.</param>
    public LearnedStanding Of(LearnedQuantity quantity, bool isTaught) =>
        ChoiceOf(quantity) is { } choice
            ? choice.Pinned is null
                ? LearnedStanding.PutBack
                : LearnedStanding.Pinned
            : !isTaught
                ? LearnedStanding.Untaught
                : KeptTo.Contains(quantity)
                    ? LearnedStanding.Refused
                    : LearnedStanding.Used;

    /// <summary>The number that holds; null where nothing was taught and the shipped one is not asked for.</summary>
    /// <param name="quantity">Which number.</param>
    /// <param name="learned">The learned one; null where none was taught.</param>
    /// <param name="shipped">The shipped one; null where it is not to stand in for one that was not taught.</param>
    public double? Held(LearnedQuantity quantity, double? learned, double? shipped) =>
        Of(quantity, learned is not null) switch
        {
            LearnedStanding.Used => learned,
            LearnedStanding.Pinned => ChoiceOf(quantity)!.Pinned,
            _ => shipped,
        };
}
