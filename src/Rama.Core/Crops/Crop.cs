using System.Text.Json.Serialization;
using Rama.Core.Explain;

namespace Rama.Core.Crops;

/// <summary>How a crop bears: what is counted, and what one of it yields.</summary>
/// <param name="Id">Identifier, such as <c>apple</c>.</param>
/// <param name="Name">Name of the crop.</param>
/// <param name="Habit">On which wood it bears.</param>
/// <param name="Counted">What is counted and left: floral buds, fruiting shoots.</param>
/// <param name="FruitPerUnitLow">Lower end of the fruit of one, after thinning.</param>
/// <param name="FruitPerUnitHigh">Upper end of the fruit of one, after thinning.</param>
/// <param name="FruitPlaces">Fruit one carries when all of it sets: 1 for a cluster thinned to one, the flowers of a
/// bud, the fruit left on a shoot.</param>
/// <param name="Fruitlets">Fruitlets per place before hand thinning.</param>
/// <param name="DensityGPerCm3">Mass of a fruit over the volume of a ball of its diameter, g/cm³; its shape is in
/// it.</param>
/// <param name="Note">What to know when counting and cutting.</param>
public sealed record Crop(
    string Id,
    LocalText Name,
    BearingHabit Habit,
    LocalText Counted,
    Sourced FruitPerUnitLow,
    Sourced FruitPerUnitHigh,
    Sourced FruitPlaces,
    Sourced Fruitlets,
    Sourced DensityGPerCm3,
    LocalText Note
)
{
    /// <summary>Whether its fruit are thinned by hand: more fruitlets come at a place than are left there.</summary>
    [JsonIgnore]
    public bool IsThinned => Fruitlets.Value > 1;
}

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
