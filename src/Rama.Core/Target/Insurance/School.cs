namespace Rama.Core.Target.Insurance;

/// <summary>How the buds to leave per fruit are found.</summary>
public enum School
{
    /// <summary>A factor set by hand.</summary>
    Fixed,

    /// <summary>Enough to reach the crop in a share of the years.</summary>
    ServiceLevel,

    /// <summary>Where a bud more costs as much as a fruit less, in the mean of the years.</summary>
    CheapestMistake,
}
