namespace Rama.Core.Trees;

/// <summary>
/// Makes typical trees of a planting from its counts. Over many trees trunks, floral buds, limbs and limb diameters
/// have the means and spreads counted; where on a tree they sit follows the system's shape. The same seed makes the
/// same tree.
/// </summary>
public sealed class TreeGenerator
{
    // How closely buds go with the trunk from tree to tree, as a correlation: assumption.
    private const double BudsToTrunk = 0.7;

    // Room for a tree's wood and bud places, so that few trees outgrow it.
    private const int PiecesPerLimb = 4;
    private const double MorePlaces = 1.15;

    private readonly TypicalTree _shape;
    private readonly TreePlace _place;

    /// <summary>A generator of one system on one ground.</summary>
    public TreeGenerator(TypicalTree shape, TreePlace place) => (_shape, _place) = (shape, place);

    /// <summary>Makes trees.</summary>
    /// <param name="counts">What the trees are to have in the mean and spread.</param>
    /// <param name="trees">How many.</param>
    /// <param name="seed">Seed.</param>
    public IReadOnlyList<FruitTree> Make(TreeCounts counts, int trees, int seed) =>
        [.. Enumerable.Range(0, trees).Select(i => Make(counts, unchecked(seed * 7919 + i)))];

    /// <summary>Makes one tree.</summary>
    public FruitTree Make(TreeCounts counts, int seed)
    {
        var draw = new TreeDraw(seed);
        var vigour = draw.Normal();
        var trunkMm = Math.Sqrt(new Lognormal(counts.TcsaCm2).At(vigour) * 400 / Math.PI);
        var limbs = Math.Max(0, draw.Whole(counts.Limbs.Mean * (1 + counts.Limbs.Cv * draw.Normal())));
        var diameters = LimbDiameters.Draw(limbs, counts, trunkMm, draw);
        var budsToo = BudsToTrunk * vigour + Math.Sqrt(1 - BudsToTrunk * BudsToTrunk) * draw.Normal();
        var buds = draw.Whole(new Lognormal(counts.FloralBuds).At(budsToo));
        var height = Math.Max(_shape.TrunkM + 0.2, draw.Positive(counts.HeightM));
        LimbToGrow[] toGrow = [.. diameters.Select(d => new LimbToGrow(d, draw.Happens(counts.ForkShare), null))];
        return Grow(new(trunkMm, counts.Leaders, height, toGrow, buds, counts.FloralShare), seed, draw);
    }

    /// <summary>
    /// A counted tree whose limbs were measured, as its own model: its limbs and their buds are as counted, their
    /// places as usual for the system.
    /// </summary>
    /// <param name="tree">What was counted.</param>
    /// <param name="seed">Seed for what was not.</param>
    public FruitTree Model(TreeToGrow tree, int seed) => Grow(tree, seed, new(seed));

    private FruitTree Grow(TreeToGrow tree, int seed, TreeDraw draw)
    {
        var wood = new List<Branch>(tree.Limbs.Count * PiecesPerLimb + 4);
        // How wood winds is drawn apart: it must not change what is counted on a tree.
        TreeDraw winding = new(~seed);
        var stems = new LeaderGrowth(_shape, _place, draw, winding, wood).Grow(tree);
        var limbs = new LimbGrowth(_shape, _place, draw, winding, wood).Grow(tree, stems);
        var places = tree.FloralBuds / (tree.FloralShare is > 0 and < 1 ? tree.FloralShare : 1) / _shape.BudsPerSite;
        var buds = new BudPlaces(wood, draw, _shape.Bearing, _shape.BudsPerSite, (int)(places * MorePlaces));
        if (limbs.Count > 0)
            new BudSharing(stems.Any(s => s.Inner) ? _shape.InnerBuds : 1, draw, buds).Share(tree, limbs);
        return new(_place, tree.TrunkMm, [.. wood], buds.Placed());
    }
}
