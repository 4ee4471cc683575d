using Rama.Core.Explain;

namespace Rama.Core.Prescribe;

/// <summary>One step of a prescription: how often to make the cut on a tree and what it is expected to drop.</summary>
/// <param name="Number">Place in the order of the work, from 1; the same number on screen, drawing and card.</param>
/// <param name="StepId">Identifier of the step in its rule pack.</param>
/// <param name="AsFound">Whether the step has no foreseen number: made wherever such wood is found.</param>
/// <param name="CutsPerTree">Cuts on a mean tree; 0 where the step is not needed this winter.</param>
/// <param name="SingleBuds">Whether each cut takes one bud, so that what falls is the number of cuts.</param>
/// <param name="CutsPerLimb">Cuts per limb left standing, where that is how to tell them; null where they are told for the tree.</param>
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
    bool AsFound,
    double CutsPerTree,
    bool SingleBuds,
    double? CutsPerLimb,
    double Drop,
    double BudsAfter,
    double Seconds,
    int DemonstrationTrees,
    LocalText Name,
    LocalText LookFor,
    LocalText How,
    LocalText Why,
    LocalText? Caution,
    string Source)
{
    /// <summary>Whether the cut is made on a mean tree this winter; less than half a cut a tree is not.</summary>
    public bool IsMade => AsFound || CutsPerTree >= 0.5;
}
