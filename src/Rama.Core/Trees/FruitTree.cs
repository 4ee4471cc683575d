namespace Rama.Core.Trees;

/// <summary>Where a tree stands and how high it may be.</summary>
/// <param name="RowSpacingM">Metres between rows.</param>
/// <param name="TreeSpacingM">Metres between trees in the row.</param>
/// <param name="HeightLimitM">Height right after pruning, metres.</param>
/// <param name="Leaf">Growing season since planting.</param>
public sealed record TreePlace(double RowSpacingM, double TreeSpacingM, double HeightLimitM, int Leaf = 8);

/// <summary>The structure of one tree: its wood and the buds on it. It never changes; what is cut is told by <see cref="StandingTree"/>.</summary>
/// <param name="Place">Where it stands.</param>
/// <param name="TrunkMm">Trunk diameter at the measuring height, mm.</param>
/// <param name="Branches">Its wood; each branch after the one it grows on.</param>
/// <param name="Buds">Its buds.</param>
public sealed record FruitTree(TreePlace Place, double TrunkMm, IReadOnlyList<Branch> Branches, IReadOnlyList<BudSite> Buds)
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
        var children = new List<int>[tree.Branches.Count];
        var buds = new List<int>[tree.Branches.Count];
        LimbOf = new int[tree.Branches.Count];
        LeaderOf = new int[tree.Branches.Count];
        for (var i = 0; i < children.Length; i++)
        {
            (children[i], buds[i]) = ([], []);
            var branch = tree.Branches[i];
            if (branch.Id != i || branch.Parent >= i) throw new ArgumentException("Branches must be listed by their numbers, each after the one it grows on.", nameof(tree));
            if (branch.Parent is { } parent) children[parent].Add(i);
            LimbOf[i] = branch.Kind == BranchKind.Limb ? i : branch.Parent is { } on ? LimbOf[on] : -1;
            LeaderOf[i] = branch.Kind is BranchKind.Leader or BranchKind.Trunk ? i : LeaderOf[branch.Parent ?? 0];
            if (branch.Kind is BranchKind.Limb or BranchKind.Arm or BranchKind.Shoot) WoodCm3 += VolumeCm3(branch, branch.LengthM);
        }
        foreach (var bud in tree.Buds)
        {
            buds[bud.Branch].Add(bud.Id);
        }
        (Children, Buds) = ([.. children.Select(c => c.ToArray())], [.. buds.Select(b => b.ToArray())]);
        Limbs = [.. tree.Branches.Where(b => b.Kind == BranchKind.Limb).Select(b => b.Id)];
        Floral = [.. tree.Buds.Where(b => b.Floral).Select(b => b.Id)];
        FloralBuds = Floral.Sum(b => tree.Buds[b].Count);
        Leaders = [.. tree.Branches.Where(b => b.Kind == BranchKind.Leader).Select(b => b.Id)];
        Arms = [.. tree.Branches.Where(b => b.Kind == BranchKind.Arm).Select(b => b.Id)];
        Shoots = [.. tree.Branches.Where(b => b.Kind == BranchKind.Shoot).Select(b => b.Id)];
    }

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
