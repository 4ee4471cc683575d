using Rama.Core.Quantities;

namespace Rama.Core.Count;

/// <summary>One counted tree, as typed.</summary>
public sealed record CountedTreeEntry
{
    /// <summary>Row number, from 1.</summary>
    public double? Row { get; init; }

    /// <summary>Number of the tree in its row, from 1.</summary>
    public double? Tree { get; init; }

    /// <summary>Trunk girth at the measuring height, 30 cm above the graft union unless the estate says otherwise.</summary>
    public Amount? Girth { get; init; }

    /// <summary>Limbs of at least 30 cm (1 ft).</summary>
    public double? Limbs { get; init; }

    /// <summary>Floral buds counted directly.</summary>
    public double? FloralBuds { get; init; }

    /// <summary>All buds counted, floral or not; needs the floral share of the survey.</summary>
    public double? Buds { get; init; }
}
