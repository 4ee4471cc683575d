namespace Rama.Core.Systems;

/// <summary>A kind of cut.</summary>
public enum CutKind
{
    /// <summary>Off at the collar: no peg, no tear.</summary>
    Collar,

    /// <summary>A bevelled stub is left, from which a weak flat shoot replaces the limb.</summary>
    RenewalStub,

    /// <summary>Back to the next weaker side shoot below a height; never to a strong upright.</summary>
    ToSideShoot,

    /// <summary>One arm of a fork goes: the steeper one.</summary>
    Single,

    /// <summary>A bud, spur or fruiting shoot is taken off.</summary>
    RubOff,

    /// <summary>Shortened to a length.</summary>
    Shorten,

    /// <summary>The end of last year's shoot comes off.</summary>
    Tip,

    /// <summary>Cut at a height, to force branches below it.</summary>
    Head,
}

/// <summary>How a step cuts.</summary>
/// <param name="Kind">Kind of cut.</param>
/// <param name="Leave">What to leave: the length of a stub or shortened branch, or the height for a leader; null where
/// the kind tells.</param>
public sealed record StepCut(CutKind Kind, string? Leave = null);

/// <summary>At most so many of the cuts of a step where a condition holds.</summary>
/// <param name="Where">The condition.</param>
/// <param name="Most">How many.</param>
public sealed record StepLimit(string Where, string Most);

/// <summary>What the number of a step's cuts is told for.</summary>
public enum CutsPer
{
    /// <summary>The tree.</summary>
    Tree,

    /// <summary>Each leader.</summary>
    Leader,

    /// <summary>Each limb.</summary>
    Limb,
}

/// <summary>What to do with what stands first in a step's order and would take too much.</summary>
public enum TooMuch
{
    /// <summary>It stays, and something smaller further on may go.</summary>
    Skip,

    /// <summary>It is shortened to a side shoot instead.</summary>
    Shorten,

    /// <summary>
    /// It is shortened to a side shoot instead, and nothing smaller goes for it: it is the first to go next
    /// winter.
    /// </summary>
    ShortenAndEnd,
}

/// <summary>Where a step stops when the buds of the tree are known.</summary>
public enum StepStop
{
    /// <summary>It is done whatever the number of buds.</summary>
    Never,

    /// <summary>At the lower edge of the band wanted: a little under with insurance left is no fault.</summary>
    Band,

    /// <summary>At the number.</summary>
    Number,
}
