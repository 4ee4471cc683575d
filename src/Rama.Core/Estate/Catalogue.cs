using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>A variety of the catalogue.</summary>
/// <param name="Name">Name of the variety.</param>
/// <param name="Crop">Crop it belongs to: apple, pear.</param>
/// <param name="BiennialProne">Whether a heavy year tends to be followed by a light one.</param>
/// <param name="CropDensityLow">Lower end of the usual crop density, fruit per cm² of trunk cross-section.</param>
/// <param name="CropDensityHigh">Upper end of the usual crop density, fruit per cm² of trunk cross-section.</param>
/// <param name="SetShare">Share of floral buds that still hold a fruit after natural drop, before hand thinning.</param>
/// <param name="Source">Where the numbers come from.</param>
public sealed record Variety(
    string Name, string Crop, bool BiennialProne, double CropDensityLow, double CropDensityHigh, double SetShare, string Source);

/// <summary>A rootstock of the catalogue.</summary>
/// <param name="Name">Name of the rootstock.</param>
/// <param name="Crop">Crop grown on it.</param>
public sealed record Rootstock(string Name, string Crop);

/// <summary>The varieties and rootstocks Rama ships with, read from <c>Estate/catalogue.json</c>.</summary>
/// <param name="Varieties">Varieties by crop.</param>
/// <param name="Rootstocks">Rootstocks by crop.</param>
public sealed record Catalogue(IReadOnlyList<Variety> Varieties, IReadOnlyList<Rootstock> Rootstocks)
{
    /// <summary>The catalogue that ships with Rama.</summary>
    public static Catalogue Shipped { get; } = DataFile.Read<Catalogue>("Estate/catalogue.json");

    /// <summary>The variety of that name, or null.</summary>
    public Variety? Variety(string? name) => Varieties.FirstOrDefault(v => v.Name == name);

    /// <summary>The rootstock of that name, or null.</summary>
    public Rootstock? Rootstock(string? name) => Rootstocks.FirstOrDefault(r => r.Name == name);
}
