using System.Collections.Immutable;

namespace Rama.Core.Trees;

/// <summary>Where a tree stands and how high it may be.</summary>
/// <param name="RowSpacingM">Metres between rows.</param>
/// <param name="TreeSpacingM">Metres between trees in the row.</param>
/// <param name="HeightLimitM">Height right after pruning, metres.</param>
/// <param name="Leaf">Growing season since planting.</param>
public sealed record TreePlace(double RowSpacingM, double TreeSpacingM, double HeightLimitM, int Leaf = 8);

/// <summary>
/// The structure of one tree: its wood and the buds on it. It never changes; what is cut is told by
/// <see cref="RemainingTree"/>.
/// </summary>
/// <param name="Place">Where it stands.</param>
/// <param name="TrunkMm">Trunk diameter at the measuring height, mm.</param>
/// <param name="Branches">Its wood; each branch after the one it grows on.</param>
/// <param name="Buds">Its buds.</param>
public sealed record FruitTree(
    TreePlace Place,
    double TrunkMm,
    ImmutableArray<Branch> Branches,
    ImmutableArray<BudSite> Buds
)
{
    private TreeIndex? _index;

    /// <summary>Floral buds before anything is cut.</summary>
    public int FloralBuds => Index.FloralBuds;

    /// <summary>Trunk cross-section, cm².</summary>
    public double TcsaCm2 => Math.PI * TrunkMm * TrunkMm / 400;

    /// <summary>Wood of its limbs, arms and shoots, cm³.</summary>
    public double WoodCm3 => Index.WoodCm3;

    internal TreeIndex Index => _index ??= new(this);
}

/// <summary>What grows on what, found once for a tree.</summary>
internal sealed class TreeIndex
{
    public TreeIndex(FruitTree tree)
    {
        var (wood, buds) = (tree.Branches, tree.Buds);
        (Lengths, FloralOn) = (new double[wood.Length], new int[wood.Length]);
        LimbOf = new int[wood.Length];
        LeaderOf = new int[wood.Length];
        for (var i = 0; i < wood.Length; i++)
        {
            var branch = wood[i];
            if (branch.Id != i || branch.Parent >= i)
                throw new ArgumentException(
                    "Branches must be listed by their numbers, each after the one it grows on.",
                    nameof(tree)
                );
            Lengths[i] = branch.LengthM;
            LimbOf[i] =
                branch.Kind == BranchKind.Limb ? i
                : branch.Parent is { } on ? LimbOf[on]
                : -1;
            LeaderOf[i] = branch.Kind is BranchKind.Leader or BranchKind.Trunk ? i : LeaderOf[branch.Parent ?? 0];
            if (branch.Kind is BranchKind.Limb or BranchKind.Arm or BranchKind.Shoot)
                WoodCm3 += VolumeCm3(branch, branch.LengthM);
        }
        Children = Grouped(wood.Length, wood.Length, i => wood[i].Parent ?? -1);
        Buds = Grouped(wood.Length, buds.Length, i => buds[i].Branch);
        Wood =
        [
            .. wood.Where(b => b.Kind is BranchKind.Leader or BranchKind.Limb or BranchKind.Arm or BranchKind.Shoot)
                .Select(b => b.Id),
        ];
        (Limbs, Leaders, Arms, Shoots) = (
            OfKind(wood, BranchKind.Limb),
            OfKind(wood, BranchKind.Leader),
            OfKind(wood, BranchKind.Arm),
            OfKind(wood, BranchKind.Shoot)
        );
        var floral = new List<int>(buds.Length);
        foreach (var bud in buds)
        {
            if (!bud.Floral)
                continue;
            floral.Add(bud.Id);
            FloralBuds += bud.Count;
            FloralOn[bud.Branch] += bud.Count;
        }
        for (var i = wood.Length - 1; i >= 0; i--)
            if (wood[i].Parent is { } on)
                FloralOn[on] += FloralOn[i];
        Floral = [.. floral];
    }

    private static int[] OfKind(ImmutableArray<Branch> wood, BranchKind kind)
    {
        List<int> ids = [];
        foreach (var branch in wood)
            if (branch.Kind == kind)
                ids.Add(branch.Id);
        return [.. ids];
    }

    // What sits on each branch, in the order it grew.
    private static int[][] Grouped(int branches, int items, Func<int, int> branchOf)
    {
        var counts = new int[branches];
        for (var i = 0; i < items; i++)
            if (branchOf(i) is >= 0 and var on)
                counts[on]++;
        var groups = Array.ConvertAll(counts, c => c == 0 ? [] : new int[c]);
        Array.Clear(counts);
        for (var i = 0; i < items; i++)
            if (branchOf(i) is >= 0 and var on)
                groups[on][counts[on]++] = i;
        return groups;
    }

    /// <summary>Length of each branch, metres.</summary>
    public double[] Lengths { get; }

    /// <summary>Floral buds on each branch and what grows on it.</summary>
    public int[] FloralOn { get; }

    public int[][] Children { get; }

    public int[][] Buds { get; }

    /// <summary>The limb a branch belongs to; −1 for leaders.</summary>
    public int[] LimbOf { get; }

    /// <summary>The leader a branch grows on.</summary>
    public int[] LeaderOf { get; }

    public int[] Limbs { get; }

    public int[] Leaders { get; }

    public int[] Arms { get; }

    public int[] Shoots { get; }

    /// <summary>Leaders, limbs, arms and shoots.</summary>
    public int[] Wood { get; }

    /// <summary>Places of floral buds.</summary>
    public int[] Floral { get; }

    public int FloralBuds { get; }

    /// <summary>Wood of limbs, arms and shoots, cm³: what a share of the canopy is measured against.</summary>
    public double WoodCm3 { get; }

    /// <summary>Wood of a branch up to a length, cm³.</summary>
    public static double VolumeCm3(Branch branch, double metres)
    {
        var (from, to) = (branch.DiameterMm / 10, branch.DiameterAt(metres) / 10);
        return Math.PI / 12 * (from * from + from * to + to * to) * metres * 100;
    }
}
