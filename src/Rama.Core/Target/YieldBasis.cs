namespace Rama.Core.Target;

/// <summary>What a yield is told per.</summary>
public enum YieldBasis
{
    /// <summary>Marketable kilograms per hectare.</summary>
    KgPerHa,

    /// <summary>Marketable kilograms per bearing tree.</summary>
    KgPerTree,

    /// <summary>Fruit to grow on each bearing tree; pack-out plays no part.</summary>
    FruitPerTree,

    /// <summary>Floral buds to leave on each bearing tree; fruit follow through the bud factor.</summary>
    BudsPerTree,

    /// <summary>Floral buds to leave on each limb kept; fruit follow through limbs and bud factor.</summary>
    BudsPerLimb,
}
