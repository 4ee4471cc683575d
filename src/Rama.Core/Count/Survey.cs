namespace Rama.Core.Count;

/// <summary>The trees counted in one planting.</summary>
/// <param name="Trees">The counted trees; may be empty.</param>
/// <param name="FloralShare">Share of buds taken as floral, where all buds were counted.</param>
public sealed record Survey(IReadOnlyList<CountedTree> Trees, double? FloralShare = null);
