namespace Rama.Core.Prescribe;

/// <summary>What fell at one step on demonstration trees, as shares of the buds that stood before it.</summary>
/// <param name="StepId">The step.</param>
/// <param name="Shares">One share for each tree.</param>
public sealed record ObservedDrops(string StepId, IReadOnlyList<double> Shares)
{
    // How many trees the expected drop counts for against those observed.
    private const double Weight = 4;

    /// <summary>The drop to expect: (4 · assumed + Σ observed) ÷ (4 + n).</summary>
    public static double Corrected(double assumed, IReadOnlyList<double> observed) =>
        (Weight * assumed + observed.Sum()) / (Weight + observed.Count);
}
