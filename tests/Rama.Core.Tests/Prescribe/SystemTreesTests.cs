using System.Globalization;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe;

/// <summary>Typical trees of every shipped system, measured as an orchardist would and held against what is expected.
/// </summary>
public sealed class SystemTreesTests(ITestOutputHelper output)
{
    public static TheoryData<string> Systems => [.. TrainingSystem.Shipped.Select(s => s.Id)];

    // What is expected stands in the pack with its source.
    [Theory]
    [MemberData(nameof(Systems))]
    public void Trees_are_as_the_trade_expects_them(string id)
    {
        var trees = SystemTrees.Of(TrainingSystem.Find(id)!);
        output.WriteLine(id);
        foreach (var f in trees.Facts)
            output.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"  {f.Code, -16} {f.Low, 8:0.##} {f.Middle, 8:0.##} {f.High, 8:0.##} {f.Unit}  {f.Expected}"
                )
            );
        Assert.All(trees.Facts.Where(f => f.Expected is not null), f =>
            Assert.InRange(f.Middle, f.Expected!.Least, f.Expected.Most)
        );
    }

    // A line across the drawing that is not kept asks for an explanation: nothing stands over it.
    [Theory]
    [MemberData(nameof(Systems))]
    public void Nothing_stands_over_the_height_allowed_after_cutting(string id)
    {
        foreach (var (trunk, cut) in SystemTrees.Of(TrainingSystem.Find(id)!).Trees)
        {
            if (cut.HeightLimitM is not { } limit)
                continue;
            var left = Left(cut);
            Assert.All(cut.Tree.Branches.Where(b => left.Stands(b.Id)), b =>
                Assert.True(b.PointAt(left.LeftM(b.Id)).HeightM < limit + 0.06, $"{trunk}: {b}")
            );
        }
    }

    // Handbook 3.3: 15 to 25 uprights; a bush is open in the middle (common practice, no source).
    [Fact]
    public void Uprights_of_a_cherry_bush_stand_as_a_bowl()
    {
        foreach (var (trunk, cut) in SystemTrees.Of(TrainingSystem.Find("cherry-multi-leader-bush")!).Trees)
        {
            var ends = cut.Tree.Branches.Where(b => b.Kind == BranchKind.Limb).Select(b => b.Path[^1]).ToList();
            var outside = ends.Count(p => Math.Sqrt(p.AlongM * p.AlongM + p.AcrossM * p.AcrossM) > 0.4);
            Assert.True(outside >= 0.8 * ends.Count, $"{trunk}: {outside} of {ends.Count} end off the middle");
        }
    }

    private static RemainingTree Left(CutTree cut)
    {
        RemainingTree left = new(cut.Tree);
        foreach (var c in cut.Cuts)
            if (c.Bud is { } bud)
                left.RubOff(bud);
            else
                left.Cut(c.Branch, c.LeaveM);
        return left;
    }
}
