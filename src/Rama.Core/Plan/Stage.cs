namespace Rama.Core.Plan;

/// <summary>Where the work on a planting stands.</summary>
public enum Stage
{
    /// <summary>No target yet.</summary>
    Target,

    /// <summary>No trees counted yet.</summary>
    Count,

    /// <summary>The count does not settle the decision.</summary>
    Decide,

    /// <summary>Ready for cards.</summary>
    Prescribe,
}
