namespace Rama.Core.Count.Estimate;

/// <summary>How the mean of a planting is estimated from counted trees.</summary>
public enum EstimateMethod
{
    /// <summary>Mean of the trees counted, each alike.</summary>
    Simple,

    /// <summary>Mean of each trunk class, weighted by its share of the planting's trees.</summary>
    ByTrunkClass,

    /// <summary>Buds per cm² of trunk × the mean trunk of all trees.</summary>
    RatioOnTrunk,

    /// <summary>A line of buds over trunk cross-section, at the mean trunk of all trees.</summary>
    RegressionOnTrunk,

    /// <summary>A line of hand counts over scanned buds, at the mean of all trees scanned.</summary>
    RegressionOnScan,
}
