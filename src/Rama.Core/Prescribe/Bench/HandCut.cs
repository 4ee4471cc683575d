using Rama.Core.Explain;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Bench;

/// <summary>A cut made by hand on the bench, as sent: a bud, or a branch with what is left of it.</summary>
public sealed record HandCut
{
    /// <summary>Bud to take off; left out for a branch.</summary>
    public int? Bud { get; init; }

    /// <summary>Branch to cut; left out for a bud.</summary>
    public int? Branch { get; init; }

    /// <summary>Metres to leave of the branch; none when left out.</summary>
    public double? LeaveM { get; init; }

    /// <summary>Checks the cut against a tree.</summary>
    internal void Check(EntryReader reader, string path, FruitTree tree)
    {
        if (Bud is null == Branch is null)
            reader.Add(path, "conflict", "Cut: expected a bud or a branch.");
        else if (Bud is not null && (Bud < 0 || Bud >= tree.Buds.Length))
            reader.Add($"{path}.bud", "unknown", "Cut: this tree has no such bud.");
        else if (Branch is not null && (Branch < 0 || Branch >= tree.Branches.Length))
            reader.Add($"{path}.branch", "unknown", "Cut: this tree has no such branch.");
        else
            reader.Optional($"{path}.leaveM", "Left", LeaveM, "m", 0, 30);
    }
}
