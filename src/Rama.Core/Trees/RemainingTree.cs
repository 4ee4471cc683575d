namespace Rama.Core.Trees;

/// <summary>What one cut took off a tree.</summary>
/// <param name="Buds">Floral buds that fell.</param>
/// <param name="WoodCm3">Wood that fell, cm³.</param>
/// <param name="DiameterMm">Diameter of the wood cut through, mm; 0 for a bud.</param>
/// <param name="TookLimb">Whether a whole limb came off.</param>
public readonly record struct CutLoss(int Buds, double WoodCm3, double DiameterMm, bool TookLimb);

/// <summary>A tree while it is being cut: how much of each branch is left and which buds stand.</summary>
public sealed class RemainingTree
{
    /// <summary>What is shorter is a stub and no limb, metres.</summary>
    public const double StubM = 0.1;

    private readonly double[] _left;
    private readonly bool[] _gone;
    private readonly int[] _floralOn;
    private double _heightM = double.NaN;

    /// <summary>The tree before any cut.</summary>
    public RemainingTree(FruitTree tree)
    {
        Tree = tree;
        (_left, _floralOn) = ([.. tree.Index.Lengths], [.. tree.Index.FloralOn]);
        _gone = new bool[tree.Buds.Length];
        FloralBuds = tree.FloralBuds;
        Limbs = tree.Index.Limbs.Length;
    }

    private RemainingTree(RemainingTree from)
    {
        (Tree, FloralBuds, Limbs, WoodCutCm3) = (from.Tree, from.FloralBuds, from.Limbs, from.WoodCutCm3);
        (_left, _floralOn, _gone) = ([.. from._left], [.. from._floralOn], [.. from._gone]);
    }

    /// <summary>The tree as it grew.</summary>
    public FruitTree Tree { get; }

    /// <summary>Floral buds standing.</summary>
    public int FloralBuds { get; private set; }

    /// <summary>Limbs standing; stubs are none.</summary>
    public int Limbs { get; private set; }

    /// <summary>Wood of limbs and shoots cut so far, cm³.</summary>
    public double WoodCutCm3 { get; private set; }

    /// <summary>Wood cut so far as a share of the canopy's.</summary>
    public double WoodCutShare => Tree.Index.WoodCm3 > 0 ? WoodCutCm3 / Tree.Index.WoodCm3 : 0;

    /// <summary>Height of the highest leader left, metres.</summary>
    public double HeightM => double.IsNaN(_heightM) ? _heightM = Highest() : _heightM;

    /// <summary>Metres of a branch left from its base.</summary>
    public double LeftM(int branch) => _left[branch];

    /// <summary>Whether more than a stub of a branch stands.</summary>
    public bool Stands(int branch) => _left[branch] > Math.Min(StubM, Tree.Branches[branch].LengthM / 2);

    /// <summary>Whether a bud stands.</summary>
    public bool BudStands(int bud) => !_gone[bud];

    /// <summary>The same tree, to be cut on its own.</summary>
    public RemainingTree Copy() => new(this);

    /// <summary>Floral buds standing on a branch and what grows on it, beyond some metres from its base.</summary>
    public int FloralOn(int branch, double beyondM = 0)
    {
        // All of a branch is asked for at almost every cut, so that it is kept.
        if (beyondM <= 0)
            return _floralOn[branch];
        var count = 0;
        foreach (var bud in Tree.Index.Buds[branch])
            if (!_gone[bud] && Tree.Buds[bud] is { Floral: true } site && site.AtM >= beyondM)
                count += site.Count;
        foreach (var child in Tree.Index.Children[branch])
            if (_left[child] > 0 && Tree.Branches[child].AtM >= beyondM)
                count += _floralOn[child];
        return count;
    }

    /// <summary>Wood a cut would take, cm³.</summary>
    /// <param name="branch">The branch.</param>
    /// <param name="leaveM">Metres to leave.</param>
    public double WoodBeyondCm3(int branch, double leaveM)
    {
        if (_left[branch] <= leaveM)
            return 0;
        var wood = Tree.Branches[branch];
        var volume = wood.Kind is BranchKind.Limb or BranchKind.Arm or BranchKind.Shoot
            ? TreeIndex.VolumeCm3(wood, _left[branch]) - TreeIndex.VolumeCm3(wood, leaveM)
            : 0;
        foreach (var child in Tree.Index.Children[branch])
            if (_left[child] > 0 && Tree.Branches[child].AtM > leaveM)
                volume += WoodBeyondCm3(child, 0);
        return volume;
    }

    /// <summary>Cuts a branch so that some metres from its base stay.</summary>
    /// <param name="branch">The branch.</param>
    /// <param name="leaveM">Metres to leave; what is shorter already stays as it is.</param>
    public CutLoss Cut(int branch, double leaveM)
    {
        if (_left[branch] <= leaveM)
            return default;
        var (buds, wood, limbs) = (FloralBuds, WoodCutCm3, Limbs);
        var through = Tree.Branches[branch].DiameterAt(leaveM);
        Shorten(branch, Math.Max(0, leaveM));
        return new(buds - FloralBuds, WoodCutCm3 - wood, through, limbs > Limbs);
    }

    /// <summary>Takes a bud off, or all that sit at its place.</summary>
    public CutLoss RubOff(int bud)
    {
        if (_gone[bud])
            return default;
        _gone[bud] = true;
        var site = Tree.Buds[bud];
        if (!site.Floral)
            return default;
        FloralBuds -= site.Count;
        for (int? on = site.Branch; on is { } branch; on = Tree.Branches[branch].Parent)
            _floralOn[branch] -= site.Count;
        return new(site.Count, 0, 0, false);
    }

    private void Shorten(int branch, double leaveM)
    {
        var wood = Tree.Branches[branch];
        var stood = Stands(branch);
        if (wood.Kind is BranchKind.Limb or BranchKind.Arm or BranchKind.Shoot)
            WoodCutCm3 += TreeIndex.VolumeCm3(wood, _left[branch]) - TreeIndex.VolumeCm3(wood, leaveM);
        _left[branch] = leaveM;
        if (wood.Kind == BranchKind.Leader)
            _heightM = double.NaN;
        if (wood.Kind == BranchKind.Limb && stood && !Stands(branch))
            Limbs--;
        foreach (var bud in Tree.Index.Buds[branch])
            if (!_gone[bud] && Tree.Buds[bud].AtM > leaveM)
                RubOff(bud);
        foreach (var child in Tree.Index.Children[branch])
            if (_left[child] > 0 && Tree.Branches[child].AtM > leaveM)
                Shorten(child, 0);
    }

    private double Highest()
    {
        var highest = 0.1;
        foreach (var leader in Tree.Index.Leaders)
            highest = Math.Max(highest, Tree.Branches[leader].PointAt(_left[leader]).HeightM);
        return highest;
    }
}
