using MathNet.Numerics.Statistics;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Trees;

public sealed class TreeGeneratorTests
{
    private const int Many = 10_000;

    private static readonly TreePlace Place = new(3.4, 1.0, 3.0);

    private static readonly TreeCounts Counts = new(
        new(18, 0.32),
        new(214, 0.27),
        1,
        new(21, 0.14),
        new(13.4, 0.31),
        0.37,
        new(3.3, 0.05)
    );

    private static TreeGenerator Of(string system) => new(TrainingSystem.Find(system)!.Form.Typical, Place);

    // Ten thousand trees: a mean is known to 1 % of its CV, a spread to 0.7 % of itself; four of these are allowed for.
    [Fact]
    public void Many_trees_have_the_means_and_spreads_that_were_counted()
    {
        var trees = Of("tall-spindle").Make(Counts, Many, 11);
        Has(trees.Select(t => t.TcsaCm2), Counts.TcsaCm2);
        Has(trees.Select(t => (double)t.FloralBuds), Counts.FloralBuds);
        Has(trees.Select(t => (double)t.Branches.Count(b => b.Kind == BranchKind.Limb)), Counts.Limbs);
        Has(
            trees.SelectMany(t => t.Branches).Where(b => b.Kind == BranchKind.Limb).Select(b => b.DiameterMm),
            Counts.LimbMm
        );
        var limbs = trees.SelectMany(t => t.Branches).Where(b => b.Kind == BranchKind.Limb).ToList();
        Assert.InRange(
            trees.Sum(t => t.Branches.Count(b => b.Kind == BranchKind.Arm))
                / (double)limbs.Count(l => l.LengthM > 0.25),
            0.36,
            0.38
        );

        static void Has(IEnumerable<double> values, Spread wanted)
        {
            var all = values.ToList();
            var mean = all.Average();
            var cv = Math.Sqrt(all.Sum(v => (v - mean) * (v - mean)) / (all.Count - 1)) / mean;
            Assert.InRange(mean / wanted.Mean, 1 - 0.04 * wanted.Cv, 1 + 0.04 * wanted.Cv);
            Assert.InRange(cv / wanted.Cv, 0.95, 1.05);
        }
    }

    // What is assumed of trees nobody measured: limb area within a tenth of what the trunk carries, buds and trunk
    // correlated to .7.
    [Fact]
    public void Limbs_and_buds_go_with_the_trunk_they_stand_on()
    {
        var trees = Of("tall-spindle").Make(Counts, Many, 12);
        var area = trees.Select(t =>
            Math.Log(t.Branches.Where(b => b.Kind == BranchKind.Limb).Sum(b => b.CrossSectionCm2) / t.TcsaCm2)
        );
        Assert.InRange(area.StandardDeviation(), 0.09, 0.11);
        var (buds, trunk) = (trees.Select(t => Math.Log(t.FloralBuds)), trees.Select(t => Math.Log(t.TcsaCm2)));
        Assert.InRange(Correlation.Pearson(buds, trunk), 0.68, 0.72);
    }

    [Fact]
    public void The_same_seed_makes_the_same_tree_and_another_another()
    {
        var (a, b, c) = (Of("open-v").Make(Counts, 5), Of("open-v").Make(Counts, 5), Of("open-v").Make(Counts, 6));
        Assert.Equal(
            a.Branches.Select(x => (x.DiameterMm, x.LengthM)),
            b.Branches.Select(x => (x.DiameterMm, x.LengthM))
        );
        Assert.Equal(a.Buds, b.Buds);
        Assert.NotEqual(a.TrunkMm, c.TrunkMm);
    }

    [Fact]
    public void Every_system_s_tree_stands_on_its_ground() => Assert.All(TrainingSystem.Shipped, system =>
        {
            var shape = system.Form.Typical;
            var counts = Counts with
            {
                Leaders = system.Form.Leaders,
                Limbs = new(system.Form.LimbsPerTree, 0.1),
                LimbMm = new(shape.LimbMm, shape.LimbCv),
                HeightM = new(shape.HeightM, 0.05),
            };
            foreach (var tree in new TreeGenerator(shape, Place).Make(counts, 40, 3))
            {
                Assert.Equal(system.Form.Leaders, tree.Branches.Count(b => b.Kind == BranchKind.Leader));
                Assert.All(tree.Branches, b =>
                {
                    Assert.True(b.LengthM > 0 && b.DiameterMm > 0 && double.IsFinite(b.Path[^1].HeightM));
                    if (b.Parent is { } on)
                        Assert.True(Apart(b.Path[0], tree.Branches[on]) < 1e-6, $"{b.Kind} hangs in the air");
                });
                Assert.All(tree.Buds, b => Assert.InRange(b.AtM, 0, tree.Branches[b.Branch].LengthM + 1e-9));
            }
        });

    // A fork bears as its limb does: as many buds for each litre of wood.
    [Fact]
    public void A_limb_and_its_fork_share_their_buds_by_their_wood()
    {
        var (onLimbs, onForks, limbWood, forkWood) = (0, 0, 0.0, 0.0);
        foreach (var tree in Of("tall-spindle").Make(Counts with { ForkShare = 1 }, 300, 7))
        {
            int Buds(int on) => tree.Buds.Count(b => b.Branch == on || IsDartOf(tree.Branches[b.Branch], on));
            foreach (var fork in tree.Branches.Where(b => b.Kind == BranchKind.Arm))
            {
                var limb = tree.Branches[fork.Parent!.Value];
                (onLimbs, onForks) = (onLimbs + Buds(limb.Id), onForks + Buds(fork.Id));
                (limbWood, forkWood) = (limbWood + Wood(limb), forkWood + Wood(fork));
            }
        }
        Assert.True(onForks > 10_000, $"{onForks} buds");
        Assert.InRange(onForks / forkWood / (onLimbs / limbWood), 0.95, 1.05);

        static bool IsDartOf(Branch branch, int on) => branch.Kind == BranchKind.Dart && branch.Parent == on;
        static double Wood(Branch branch) => branch.DiameterMm * branch.DiameterMm * branch.LengthM;
    }

    // A limb lengthens in the direction in which it ends; a fork stands off the limb by an angle one sees, and does not
    // point somewhere of its own. Common practice, no source.
    [Fact]
    public void Shoots_go_on_where_limbs_end_and_forks_stand_off_them()
    {
        var wood = TrainingSystem
            .Shipped.Select(s => new TreeGenerator(s.Form.Typical, Place))
            .SelectMany(g => g.Make(Counts, 10, 3))
            .SelectMany(t =>
                t.Branches.Where(b => b.Parent is not null).Select(b => (b, On: t.Branches[b.Parent!.Value]))
            )
            .ToList();
        var tips = wood.Where(w => w.b.Kind == BranchKind.Shoot && w.b.AtM > w.On.LengthM - 1e-9).ToList();
        var forks = wood.Where(w => w.b.Kind == BranchKind.Arm).ToList();
        Assert.True(tips.Count > 500 && forks.Count > 50, $"{tips.Count} tips, {forks.Count} forks");
        Assert.All(tips, w => Assert.Equal(SlopeDeg(w.On.Path[^2], w.On.Path[^1]), w.b.RiseDeg, 1.5));
        // A dart is straight, and drawn as steep as it is said to be.
        var darts = wood.Where(w => w.b.Kind == BranchKind.Dart).ToList();
        Assert.True(darts.Count > 500, $"{darts.Count} darts");
        Assert.All(darts, w => Assert.Equal(w.b.RiseDeg, SlopeDeg(w.b.Path[0], w.b.Path[^1]), 6));
        Assert.All(forks, w =>
            Assert.InRange(
                w.On.Path.Zip(w.On.Path.Skip(1), SlopeDeg).Min(slope => Math.Abs(w.b.RiseDeg - slope)),
                0,
                36
            )
        );
    }

    private static double SlopeDeg(Point from, Point to)
    {
        var level = Math.Sqrt(Math.Pow(to.AlongM - from.AlongM, 2) + Math.Pow(to.AcrossM - from.AcrossM, 2));
        return Math.Atan2(to.HeightM - from.HeightM, level) * 180 / Math.PI;
    }

    // How far a point is from the wood of a branch: from the nearest place of its straight pieces.
    private static double Apart(Point point, Branch branch) =>
        branch
            .Path.Zip(branch.Path.Skip(1))
            .Min(piece =>
            {
                double[] from = [piece.First.AlongM, piece.First.AcrossM, piece.First.HeightM];
                double[] to = [piece.Second.AlongM, piece.Second.AcrossM, piece.Second.HeightM];
                double[] at = [point.AlongM, point.AcrossM, point.HeightM];
                var along = Enumerable.Range(0, 3).Sum(i => (at[i] - from[i]) * (to[i] - from[i]));
                var square = Enumerable.Range(0, 3).Sum(i => Math.Pow(to[i] - from[i], 2));
                var share = square == 0 ? 0 : Math.Clamp(along / square, 0, 1);
                return Math.Sqrt(
                    Enumerable.Range(0, 3).Sum(i => Math.Pow(at[i] - from[i] - share * (to[i] - from[i]), 2))
                );
            });

    // A V of two planes at 18° spreads 2·h·tan θ over the part above the trunk: handbook 2.9.
    [Fact]
    public void The_planes_of_a_v_lean_apart_as_its_geometry_says()
    {
        var shape = TrainingSystem.Find("open-v")!.Form.Typical;
        var tree = new TreeGenerator(shape, Place).Make(Counts with { Leaders = 6, HeightM = new(2.8, 0) }, 1);
        var tops = tree.Branches.Where(b => b.Kind == BranchKind.Leader).Select(b => b.Path[^1].AcrossM).ToList();
        // 2 × (2.8 − 0.4) × tan 18° = 1.56 m.
        Assert.Equal((0.4, 18), (shape.TrunkM, shape.LeanDeg));
        Near.Printed(1.56, tops.Max() - tops.Min(), 2);
        Assert.Equal(3, tops.Count(t => t > 0));
    }

    [Fact]
    public void A_counted_tree_keeps_its_limbs_and_their_buds()
    {
        List<LimbToGrow> limbs = [new(22, true, 30), new(15, false, 14), new(9, false, 4)];
        var tree = Of("tall-spindle").Model(new(46, 1, 3.2, limbs, 48), 1);
        var standing = new RemainingTree(tree);
        var grown = tree.Branches.Where(b => b.Kind == BranchKind.Limb).ToList();
        Assert.Equal([9, 15, 22], grown.Select(l => l.DiameterMm).Order());
        Assert.Equal(48, tree.FloralBuds);
        Assert.All(grown, l =>
            Assert.InRange(
                standing.FloralOn(l.Id),
                limbs.Single(x => x.DiameterMm == l.DiameterMm).FloralBuds!.Value - 1,
                limbs.Single(x => x.DiameterMm == l.DiameterMm).FloralBuds!.Value + 1
            )
        );
    }

    [Theory]
    [InlineData(0, 200)]
    [InlineData(1, 200)]
    [InlineData(20, 0)]
    public void Trees_with_next_to_nothing_are_still_trees(double limbs, double buds)
    {
        var tree = Of("tall-spindle").Make(Counts with { Limbs = new(limbs, 0), FloralBuds = new(buds, 0) }, 9);
        Assert.Equal(limbs, tree.Branches.Count(b => b.Kind == BranchKind.Limb));
        // Buds need wood to sit on.
        Assert.Equal(limbs == 0 ? 0 : buds, tree.FloralBuds);
    }
}
