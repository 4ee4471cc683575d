namespace Rama.Core.Trees;

/// <summary>The wood of a tree while it grows.</summary>
internal static class GrowingWood
{
    /// <summary>Adds a branch, which has the number of its place, and gives it back.</summary>
    public static Branch Grow(this List<Branch> wood, Branch branch)
    {
        wood.Add(branch);
        return branch;
    }
}
