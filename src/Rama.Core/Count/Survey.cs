using Rama.Core.Count.Estimate;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;

namespace Rama.Core.Count;

/// <summary>The trees counted in one planting.</summary>
/// <param name="Trees">The counted trees; may be empty.</param>
/// <param name="FloralShare">Share of buds taken as floral where no buds of a kind were cut; null where none was
/// typed.</param>
/// <param name="Shares">Floral share of each kind cut.</param>
/// <param name="Sample">Which trees are to be counted.</param>
/// <param name="Method">How the mean is to be estimated; null for what fits best.</param>
public sealed record Survey(
    IReadOnlyList<CountedTree> Trees,
    double? FloralShare,
    IReadOnlyList<FloralShare> Shares,
    SampleSettings Sample,
    EstimateMethod? Method = null
)
{
    /// <summary>
    /// The cuts that stand for a kind of bud: its own, else all; null where a typed share does, or nothing.
    /// </summary>
    public FloralShare? ShareFor(string kind) =>
        Shares.FirstOrDefault(s => s.Kind == kind && kind != BudKind.Any)
        ?? (FloralShare is null ? Shares.FirstOrDefault(s => s.Kind == BudKind.Any) : null);
}
