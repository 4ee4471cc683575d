using Rama.Core.Systems;

namespace Rama.Core.Estate;

/// <summary>How a crop bears: what is counted, and what one of it yields.</summary>
/// <param name="Id">Identifier, such as <c>apple</c>.</param>
/// <param name="Name">Name of the crop.</param>
/// <param name="Habit">On which wood it bears.</param>
/// <param name="Counted">What is counted and left: floral buds, fruiting shoots.</param>
/// <param name="FruitPerUnitLow">Lower end of the fruit of one, after thinning.</param>
/// <param name="FruitPerUnitHigh">Upper end of the fruit of one, after thinning.</param>
/// <param name="Note">What to know when counting and cutting.</param>
public sealed record Crop(
    string Id, LocalText Name, BearingHabit Habit, LocalText Counted, Sourced FruitPerUnitLow, Sourced FruitPerUnitHigh, LocalText Note);

/// <summary>On which wood a crop bears.</summary>
public enum BearingHabit
{
    /// <summary>Mixed buds on spurs and short shoots: apple, pear.</summary>
    MixedBud,

    /// <summary>Flower buds on spurs and at the base of one-year wood: sweet cherry.</summary>
    SpurFlowerBud,

    /// <summary>One-year shoots: peach, nectarine.</summary>
    OneYearShoot,

    /// <summary>Terminals: mango.</summary>
    Terminal,

    /// <summary>Horizontal limbs: durian.</summary>
    HorizontalLimb,
}
