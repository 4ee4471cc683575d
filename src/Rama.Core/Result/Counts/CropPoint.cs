namespace Rama.Core.Result.Counts;

/// <summary>When in the year the crop is counted on the trees.</summary>
public enum CropPoint
{
    /// <summary>In bloom: clusters.</summary>
    Bloom,

    /// <summary>After the natural drop, before thinning by hand: clusters with fruit, and their fruitlets.</summary>
    Set,

    /// <summary>After thinning by hand: fruit left, and fruitlets on the ground.</summary>
    Thinned,

    /// <summary>Before harvest: fruit.</summary>
    Harvest,
}
