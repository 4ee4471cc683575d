using Rama.Core.Decide;

namespace Rama.Core.Prescribe;

/// <summary>Trees whose buds left lie in one class.</summary>
/// <param name="From">Smallest number of buds.</param>
/// <param name="To">Number from which the next class begins.</param>
/// <param name="Trees">Trees.</param>
public sealed record BudsLeftClass(double From, double To, int Trees);

/// <summary>What a card does to the trees of one trunk class.</summary>
/// <param name="Name">The class.</param>
/// <param name="Share">Share of the planting's trees.</param>
/// <param name="Kind">Its decision.</param>
/// <param name="BudsToLeave">Floral buds wanted.</param>
/// <param name="Outcome">What cutting came to.</param>
/// <param name="Spread">Trees by buds left.</param>
/// <param name="Settings">Settings used, by name, in their own unit.</param>
public sealed record SimulatedClass(
    string Name,
    double Share,
    DecisionKind Kind,
    double BudsToLeave,
    CutOutcome Outcome,
    IReadOnlyList<BudsLeftClass> Spread,
    IReadOnlyDictionary<string, double> Settings
)
{
    /// <summary>Trees cut.</summary>
    public int Trees => Spread.Sum(s => s.Trees);
}
