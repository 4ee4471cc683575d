using System.Text.Json.Serialization;
using Rama.Core.Explain;

namespace Rama.Core.Crops;

/// <summary>Crops, varieties and rootstocks that ship with Rama, <c>Crops/catalogue.json</c>.</summary>
public static class ShippedCrops
{
    private static readonly CatalogueFile File = DataFile.Read<CatalogueFile>("Crops/catalogue.json");

    /// <summary>Crops by how they bear.</summary>
    public static IReadOnlyList<Crop> Crops => File.Crops;

    /// <summary>Varieties by crop.</summary>
    public static IReadOnlyList<Variety> Varieties => File.Varieties;

    /// <summary>Rootstocks by crop.</summary>
    public static IReadOnlyList<Rootstock> Rootstocks => File.Rootstocks;

    /// <summary>The crop of that identifier, or null.</summary>
    internal static Crop? Find(string crop) => Crops.FirstOrDefault(c => c.Id == crop);

    /// <summary>Whether Rama knows a crop of that identifier.</summary>
    internal static bool Knows(string crop) => Find(crop) is not null;

    /// <summary>Reads the crop of an entry: that of the shipped one of its name, where there is one.</summary>
    internal static string ReadCrop(EntryReader reader, string name, string? typed, string? shipped)
    {
        var crop = shipped ?? typed ?? "";
        if (!Knows(crop))
            reader.Add("crop", "unknown", "Crop: please choose one.");
        else if (shipped is not null && typed is not null && typed != shipped)
            reader.Add("crop", "conflict", $"Crop: {name} is {shipped}.");
        return crop;
    }

    // The file names its schema beside the entries, for editors and checkers.
    private sealed record CatalogueFile(
        [property: JsonPropertyName("$schema")] string Schema,
        IReadOnlyList<Crop> Crops,
        IReadOnlyList<Variety> Varieties,
        IReadOnlyList<Rootstock> Rootstocks
    );
}
