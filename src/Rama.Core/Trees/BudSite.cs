namespace Rama.Core.Trees;

/// <summary>Side of the wood a bud sits on.</summary>
public enum BudSide
{
    /// <summary>On top, in the light.</summary>
    Upper,

    /// <summary>At the side.</summary>
    Side,

    /// <summary>Underneath; first to go.</summary>
    Under,
}

/// <summary>What is counted on a tree, by where it sits.</summary>
public enum SiteKind
{
    /// <summary>On a spur.</summary>
    Spur,

    /// <summary>At the end of a shoot or dart.</summary>
    Terminal,

    /// <summary>Along one-year wood.</summary>
    Lateral,

    /// <summary>At the base of one-year wood.</summary>
    Basal,

    /// <summary>A one-year shoot that bears along its length, counted as one.</summary>
    FruitingShoot,
}

/// <summary>A bud, or whatever else is counted, at its place.</summary>
/// <param name="Id">Its place in the list of the tree's buds.</param>
/// <param name="Branch">The wood it sits on.</param>
/// <param name="AtM">Metres from the base of that wood.</param>
/// <param name="Side">Side of the wood.</param>
/// <param name="Kind">Where it sits.</param>
/// <param name="Fat">Whether it is strong; thin ones bear small fruit and go first.</param>
/// <param name="Floral">Whether it flowers; only those are counted.</param>
/// <param name="Count">How many are counted here: a cherry spur carries several flower buds.</param>
public readonly record struct BudSite(
    int Id,
    int Branch,
    double AtM,
    BudSide Side,
    SiteKind Kind,
    bool Fat,
    bool Floral,
    int Count = 1
);
