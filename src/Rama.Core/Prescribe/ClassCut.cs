namespace Rama.Core.Prescribe;

/// <summary>How often one step is done on a tree of a trunk class.</summary>
/// <param name="StepId">The step.</param>
/// <param name="Most">Cuts a pruner makes on one tree at most; null where the tree decides: all such wood there
/// is.</param>
/// <param name="CutsPerTree">Cuts on a mean tree.</param>
/// <param name="TreesShare">Share of the trees it is made on.</param>
/// <param name="DropShare">Floral buds it takes, as a share of those standing before it.</param>
/// <param name="Drop">Floral buds it takes.</param>
/// <param name="BudsAfter">Floral buds standing after it.</param>
/// <param name="DemonstrationTrees">Demonstration trees that corrected the drop.</param>
/// <param name="AboveM">Height from which the cut is asked for, metres; null where height has nothing to do with
/// it.</param>
public sealed record ClassCut(
    string StepId,
    int? Most,
    double CutsPerTree,
    double TreesShare,
    double DropShare,
    double Drop,
    double BudsAfter,
    int DemonstrationTrees,
    double? AboveM = null
)
{
    // What fewer than one tree in twenty asks for is not worth a line of the card.
    internal const double FewTrees = 0.05;

    /// <summary>Whether the cut is made this winter on trees that ask for it.</summary>
    public bool IsMade => Most != 0 && TreesShare >= FewTrees;
}
