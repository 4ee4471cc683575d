namespace Rama.Core.Estate;

/// <summary>What the seasons of a planting teach beside the number Rama comes with.</summary>
public enum LearnedQuantity
{
    /// <summary>Share of the floral buds that hold fruit.</summary>
    Set,

    /// <summary>Share of the picked mass sold as wanted.</summary>
    PackOut,

    /// <summary>Growth of the trunk's girth in a year.</summary>
    TrunkGrowth,

    /// <summary>Grams a fruit is heavier for each fruit more per cm² of trunk: less than none, as a rule.</summary>
    FruitMass,

    /// <summary>Floral buds per cm² of trunk more in the next year for each fruit more: less than none, as a
    /// rule.</summary>
    ReturnBloom,

    /// <summary>Length the shoots of a summer gain for each tenth of the wood cut the winter before.</summary>
    ShootLength,

    /// <summary>Uprights a tree gains for each tenth of the wood cut the winter before.</summary>
    Uprights,

    /// <summary>Hours pruning takes, over those expected.</summary>
    Hours,
}
