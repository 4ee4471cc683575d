using Rama.Core.Explain;

namespace Rama.Core.Prescribe;

/// <summary>One step of a prescription: how often to make the cut on a tree and what it is expected to drop.</summary>
/// <param name="Number">Place among the cuts made this winter, from 1; the same number on screen, drawing and card.
/// 0 for one not made.</param>
/// <param name="StepId">Identifier of the step in its rule pack.</param>
/// <param name="Amount">How many cuts to make.</param>
/// <param name="CutsPerTree">Cuts on a mean tree.</param>
/// <param name="SingleBuds">Whether each cut takes one bud, so that what falls is the number of cuts.</param>
/// <param name="Drop">Floral buds expected to fall.</param>
/// <param name="BudsAfter">Floral buds standing after the step.</param>
/// <param name="Seconds">Seconds the step takes on a mean tree.</param>
/// <param name="DemonstrationTrees">Demonstration trees that corrected the drop.</param>
/// <param name="Name">The step in two or three words.</param>
/// <param name="LookFor">What to look for and which to start with.</param>
/// <param name="How">How to cut.</param>
/// <param name="Why">Why.</param>
/// <param name="Caution">Caution shown at this step.</param>
/// <param name="Source">Where the numbers come from.</param>
public sealed record PrescribedCut(
    int Number,
    string StepId,
    CutAmount Amount,
    double CutsPerTree,
    bool SingleBuds,
    double Drop,
    double BudsAfter,
    double Seconds,
    int DemonstrationTrees,
    LocalText Name,
    LocalText LookFor,
    LocalText How,
    LocalText Why,
    LocalText? Caution,
    string Source
)
{
    /// <summary>Whether the cut is made this winter, on any trees of any trunk class.</summary>
    public bool IsMade => Amount.Kind != AmountKind.None;
}
