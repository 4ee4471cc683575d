namespace Rama.Core.Season;

/// <summary>
/// Days between which a planting is pruned in winter: those its winter passes are planned for.
/// </summary>
/// <param name="From">First day.</param>
/// <param name="To">Last day.</param>
public sealed record PruningWindow(DateOnly? From, DateOnly To);
