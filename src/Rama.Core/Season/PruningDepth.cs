using Rama.Core.Crew.Depth;
using Rama.Core.Explain;

namespace Rama.Core.Season;

/// <summary>A planting pruned less deep than its count asks for: what that takes and gives up.</summary>
/// <param name="Depth">How deep.</param>
/// <param name="Hours">Hours paid of its winter.</param>
/// <param name="MarginLost">Margin given up against full depth, money.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record PruningDepth(CutDepth Depth, double Hours, double MarginLost, IReadOnlyList<Step> Steps);
