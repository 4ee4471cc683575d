namespace Rama.Core.Crops;

/// <summary>A number of the catalogue with where it comes from.</summary>
/// <param name="Value">The number, in the unit its name tells.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record Sourced(double Value, string Source);
