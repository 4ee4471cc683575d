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
}
