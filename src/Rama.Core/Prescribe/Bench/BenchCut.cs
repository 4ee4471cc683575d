using Rama.Core.Explain;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Bench;

/// <summary>Wood a cut took: a branch beyond some metres from its base.</summary>
/// <param name="Branch">The branch.</param>
/// <param name="FromM">Metres left of it.</param>
public sealed record WoodGone(int Branch, double FromM);

/// <summary>One cut on the bench: where it fell, what it took and why.</summary>
/// <param name="Number">Place in the order, from 1.</param>
/// <param name="StepId">Step of the rule pack; null for a cut no step asks for.</param>
/// <param name="Step">Name of that step; null likewise.</param>
/// <param name="Kind">Kind of cut.</param>
/// <param name="Branch">Branch cut, or the branch the bud sits on.</param>
/// <param name="Bud">Bud taken off; null for a branch.</param>
/// <param name="LeaveM">Metres of the branch left.</param>
/// <param name="At">Where it falls.</param>
/// <param name="Drop">Floral buds that fell.</param>
/// <param name="Because">The reason, with the names of figures in braces.</param>
/// <param name="Figures">Those figures.</param>
/// <param name="Caution">Caution at this cut.</param>
/// <param name="Wood">Wood that fell.</param>
/// <param name="Buds">Buds that fell, floral or not.</param>
/// <param name="After">The tree afterwards.</param>
/// <param name="Fit">Whether it falls where its step would cut; right for one no step asks for.</param>
public sealed record BenchCut(
    int Number,
    string? StepId,
    LocalText? Step,
    CutKind Kind,
    int Branch,
    int? Bud,
    double LeaveM,
    Point At,
    int Drop,
    LocalText Because,
    IReadOnlyList<Figure> Figures,
    LocalText? Caution,
    IReadOnlyList<WoodGone> Wood,
    IReadOnlyList<int> Buds,
    BenchMeasures After,
    CutFit Fit = CutFit.Right
);

/// <summary>Whether a cut falls where its step would cut.</summary>
public enum CutFit
{
    /// <summary>About there.</summary>
    Right,

    /// <summary>A peg or more is left.</summary>
    TooLong,

    /// <summary>A stub is left too short to shoot again.</summary>
    TooShort,

    /// <summary>Far more is taken than the step asks.</summary>
    TooDeep,
}
