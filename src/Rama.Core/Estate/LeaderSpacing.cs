namespace Rama.Core.Estate;

/// <summary>How leaders stand on a wall or in the planes of a V.</summary>
public static class LeaderSpacing
{
    /// <summary>Metres between leaders of one plane = tree spacing ÷ leaders per plane.</summary>
    /// <param name="treeSpacingM">Metres between trees in the row.</param>
    /// <param name="leadersPerTree">Leaders of one tree, at least 1.</param>
    /// <param name="planes">Planes the leaders are shared among: 1 for a wall, 2 for a V.</param>
    public static double MetresApart(double treeSpacingM, int leadersPerTree, int planes = 1) =>
        treeSpacingM * planes / leadersPerTree;
}
