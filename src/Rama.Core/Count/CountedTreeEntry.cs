using Rama.Core.Quantities;

namespace Rama.Core.Count;

/// <summary>
/// One counted tree, as typed. Its buds are told in one of three ways: floral buds, all buds, or all buds by kind.
/// </summary>
public sealed record CountedTreeEntry
{
    /// <summary>Row number, from 1.</summary>
    public double? Row { get; init; }

    /// <summary>Number of the tree in its row, from 1.</summary>
    public double? Tree { get; init; }

    /// <summary>
    /// Trunk girth at the measuring height, 30 cm above the graft union unless the estate says otherwise.
    /// </summary>
    public Amount? Girth { get; init; }

    /// <summary>Limbs of at least 30 cm (1 ft); the number of those listed when left out.</summary>
    public double? Limbs { get; init; }

    /// <summary>Floral buds counted directly.</summary>
    public double? FloralBuds { get; init; }

    /// <summary>All buds counted, floral or not; needs a floral share, typed or from buds cut.</summary>
    public double? Buds { get; init; }

    /// <summary>All buds by kind; needs buds cut of each kind, or a floral share.</summary>
    public IReadOnlyList<KindCountEntry> Kinds { get; init; } = [];

    /// <summary>Limbs one by one.</summary>
    public IReadOnlyList<LimbSizeEntry> LimbSizes { get; init; } = [];

    /// <summary>What was noted at the tree.</summary>
    public string? Note { get; init; }
}
