namespace Rama.Core.Result.Chain;

/// <summary>A step of the year that the crop depends on, in the order of the year.</summary>
public enum LinkKind
{
    /// <summary>Floral buds left by pruning.</summary>
    Pruning,

    /// <summary>Clusters in bloom of those buds: what cold, frost and handling leave.</summary>
    Bloom,

    /// <summary>Clusters that hold fruit after natural drop.</summary>
    Set,

    /// <summary>Fruit on the tree at harvest: what thinning leaves of them.</summary>
    Thinning,

    /// <summary>Kilograms picked: how heavy a fruit is.</summary>
    Size,

    /// <summary>Kilograms sold as wanted.</summary>
    PackOut,
}
