using CsCheck;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Tests.Target.Sharing;

public sealed class ClassTargetsTests
{
    private static ClassTargetsEntry Entry(double k, params (double Share, double Tcsa)[] classes) =>
        new()
        {
            FruitPerTree = 78,
            Exponent = k,
            Classes =
            [
                .. classes.Select(
                    (c, i) =>
                        new TrunkClassEntry
                        {
                            Name = $"c{i}",
                            Share = new(c.Share, "share"),
                            TcsaCm2 = c.Tcsa,
                        }
                ),
            ],
        };

    // Handbook 2.8 [derived].
    [Theory]
    [InlineData(1, new[] { 49.4, 79.0, 118.5 })]
    [InlineData(0.75, new[] { 55.8, 79.4, 107.7 })]
    public void Three_classes(double k, double[] fruit)
    {
        var targets = Entry(k, (.3, 10), (.5, 16), (.2, 24)).Calculate().Classes;
        Assert.All(fruit.Zip(targets), pair => Near.Printed(pair.First, pair.Second.FruitPerTree, 1));
    }

    [Fact]
    public void The_block_keeps_its_mean() =>
        Gen.Select(Gen.Double[2, 60].List[8, 60], Gen.Double[0, 1.5])
            .Sample(
                (girths, k) =>
                {
                    var targets = new ClassTargetsEntry
                    {
                        FruitPerTree = 90,
                        Exponent = k,
                        GirthsCm = girths,
                    }
                        .Calculate()
                        .Classes;
                    return Math.Abs(targets.Sum(t => t.Class.Share * t.FruitPerTree) - 90) < 1e-9
                        && Math.Abs(targets.Sum(t => t.Class.Share) - 1) < 1e-12;
                }
            );

    // Per tree, the mean of A^k and not the mean A to the k (handbook 2.8): 10 and 30 cm², k = .5, give (√10 + √30) ÷ 2
    // = 4.320.
    [Fact]
    public void Per_tree_the_mean_of_powers_counts()
    {
        double Girth(double tcsa) => Math.Sqrt(tcsa * 4 * Math.PI);
        var classes = TrunkClass.Split(
            [.. Enumerable.Repeat(Girth(10), 4), .. Enumerable.Repeat(Girth(30), 4)],
            0.5,
            smallBelowCm: 1,
            largeFromCm: 1_000
        )!;
        Near.Printed(4.320, classes.Single().Weight, 3);
    }

    // R 4.2: quantile(c(14.7, 16.2, 16, 14.8, 15.5, 18.1, 17.2, 13.9, 15.1, 16.6), c(.25, .75)) = 14.875, 16.5.
    [Fact]
    public void Classes_split_at_the_quartiles()
    {
        var classes = TrunkClass.Split([14.7, 16.2, 16, 14.8, 15.5, 18.1, 17.2, 13.9, 15.1, 16.6])!;
        Assert.Equal(["small", "medium", "large"], classes.Select(c => c.Name));
        Near.Printed(14.875, classes[1].FromGirthCm, 9);
        Near.Printed(16.5, classes[1].ToGirthCm, 9);
        Assert.Equal([3, 4, 3], classes.Select(c => c.Trees!.Value));
    }

    [Fact]
    public void Shares_that_do_not_add_up_are_told()
    {
        Entries.AssertProblem(Entries.ProblemsOf(() => Entry(1, (.3, 10), (.5, 16)).Calculate()), "classes", "sum");
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new ClassTargetsEntry { FruitPerTree = 90, GirthsCm = [12, 13] }.Calculate()),
            "girthsCm",
            "list"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new ClassTargetsEntry { FruitPerTree = 90 }.Calculate()),
            "classes",
            "conflict"
        );
    }

    // Handbook 2.8: a weak top carries less than its share of limb area, a strong one its full share.
    [Fact]
    public void A_weak_top_carries_less_and_nothing_is_lost()
    {
        double Top(TopVigour top) => ZoneTargets.Of(200, top).Zones[0].BudsPerTree;
        Assert.True(Top(TopVigour.Weak) < Top(TopVigour.Normal) && Top(TopVigour.Normal) < Top(TopVigour.Strong));
        Assert.All(Enum.GetValues<TopVigour>(), top =>
            Assert.Equal(200, ZoneTargets.Of(200, top).Zones.Sum(z => z.BudsPerTree), 9)
        );
    }
}
