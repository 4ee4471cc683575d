namespace Rama.Core.Passes;

/// <summary>What a crop is, as passes ask for it.</summary>
public static class CropKinds
{
    /// <summary>The crop itself and its kind: <c>pome</c> or <c>stone</c>.</summary>
    public static IEnumerable<string> Of(string? crop)
    {
        if (crop is not null)
            yield return crop;
        if (crop is "apple" or "pear")
            yield return "pome";
        if (crop is "cherry" or "peach" or "apricot" or "plum")
            yield return "stone";
    }
}
