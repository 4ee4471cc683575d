namespace Rama.Core.Target.Insurance;

/// <summary>
/// A risk of losing a share of the setting clusters in a year. It may come or not: a known loss is none.
/// </summary>
/// <param name="Chance">How likely it comes, 0 to 1.</param>
/// <param name="Loss">Share of the clusters lost when it comes, 0 to below 1.</param>
public readonly record struct ClusterRisk(double Chance, double Loss);
