namespace Rama.Core.Decide;

/// <summary>Floral buds standing per tree, with the 95 % interval of their mean where known.</summary>
/// <param name="Mean">Mean floral buds per tree.</param>
/// <param name="Low">Lower end of the interval.</param>
/// <param name="High">Upper end of the interval.</param>
public sealed record BudsStanding(double Mean, double? Low, double? High);
