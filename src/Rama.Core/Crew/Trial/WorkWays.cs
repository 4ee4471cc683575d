namespace Rama.Core.Crew.Trial;

/// <summary>Other ways to do the work of a task than the one planned.</summary>
/// <param name="LessShare">Its hours pruned less deep over those planned; null where there is nothing to leave.</param>
/// <param name="MarginLost">Margin that gives up, money.</param>
/// <param name="OnePassWith">Task of the same trees it can be done with in one go; null for none.</param>
/// <param name="Looking">Hours of walking and looking that saves.</param>
public sealed record WorkWays(
    double? LessShare = null,
    double MarginLost = 0,
    string? OnePassWith = null,
    double Looking = 0
);
