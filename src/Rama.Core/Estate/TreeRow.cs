namespace Rama.Core.Estate;

/// <summary>One row of trees of a planting. Trees are known by their number in the row.</summary>
/// <param name="Number">Number of the row in its block, from 1.</param>
/// <param name="FirstTree">Number of the first tree place, from 1; above 1 where the row begins in another
/// planting.</param>
/// <param name="Trees">Tree positions in the row, 1 to 5 000.</param>
/// <param name="Missing">Places that stand empty or hold a dead tree.</param>
/// <param name="Replants">Places replanted and not bearing yet.</param>
/// <param name="Pollinizers">Trees that are not picked.</param>
/// <param name="ToGrub">Trees that are to be grubbed; they bear until then.</param>
public sealed record TreeRow(
    int Number,
    int FirstTree,
    int Trees,
    IReadOnlyList<int> Missing,
    IReadOnlyList<int> Replants,
    IReadOnlyList<int> Pollinizers,
    IReadOnlyList<int> ToGrub
)
{
    /// <summary>Number of the last tree place.</summary>
    public int LastTree => FirstTree + Trees - 1;
}
