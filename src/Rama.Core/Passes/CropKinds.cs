namespace Rama.Core.Passes;

/// <summary>What a crop is, as passes ask for it.</summary>
public static class CropKinds
{
    /// <summary>Whether it is apple or pear.</summary>
    public static bool IsPome(string? crop) => crop is "apple" or "pear";

    /// <summary>
    /// Whether it is stone fruit: its wounds want dry days, and its bark splits in a frost others stand.
    /// </summary>
    public static bool IsStone(string? crop) => crop is "cherry" or "peach" or "apricot" or "plum" or "almond";

    /// <summary>Whether it keeps its leaves: it is pruned after harvest and not in a dormant winter.</summary>
    public static bool IsEvergreen(string? crop) => crop is "lemon" or "lychee" or "avocado";

    /// <summary>The crop itself and its kind: <c>pome</c>, <c>stone</c> or <c>evergreen</c>.</summary>
    public static IEnumerable<string> Of(string? crop)
    {
        if (crop is not null)
            yield return crop;
        if (IsPome(crop))
            yield return "pome";
        if (IsStone(crop))
            yield return "stone";
        if (IsEvergreen(crop))
            yield return "evergreen";
    }
}
