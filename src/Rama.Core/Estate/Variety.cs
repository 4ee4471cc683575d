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
