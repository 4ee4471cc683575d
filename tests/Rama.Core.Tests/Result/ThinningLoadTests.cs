using MathNet.Numerics.Distributions;
using Rama.Core.Explain;
using Rama.Core.Result.Thinning;

namespace Rama.Core.Tests.Result;

public class ThinningLoadTests
{
    private static readonly ThinningLoadEntry Usual = new()
    {
        BudsLeft = 205,
        SetShare = .66,
        FruitletsPerCluster = 1.9,
        FruitWanted = 115,
        TreesPerHa = 2_800,
    };

    // Source: handbook of the trade 8.3.
    [Fact]
    public void The_worked_example()
    {
        var load = Usual.Calculate();
        Assert.Equal(135.3, load.Clusters, 1);
        Assert.Equal(257.1, load.Fruitlets, 1);
        Assert.Equal(142.1, load.ToTakeOff, 1);
        Assert.Equal(20.3, load.WhollyOff, 1);
        Assert.Equal(339, load.HoursPerHa, 0);
        Assert.Equal(21.3, (Usual with { SetShareSd = .08 }).Calculate().WhollyOff, 1);
    }

    // Held against two hundred thousand years drawn from the distribution by MathNet.
    [Fact]
    public void Clusters_off_wholly_are_the_mean_of_the_years_and_not_of_a_mean_year()
    {
        var load = (Usual with { BudsLeft = 170, SetShareSd = .12 }).Calculate();
        var k = .66 * .34 / (.12 * .12) - 1;
        Beta set = new(.66 * k, .34 * k, new Random(3));
        var drawn = set.Samples().Take(200_000).Average(p => Math.Max(0, 170 * p - 115));
        Assert.Equal(drawn, load.WhollyOff, .1);
        Assert.True(load.WhollyOff > 5);
    }

    [Fact]
    public void Counted_trees_are_thinned_each_for_itself()
    {
        var load = (Usual with { Clusters = [70, 160] }).Calculate();
        Assert.True(load.IsCounted);
        // The tree that is short has none to give; the other gives 45.
        Assert.Equal(22.5, load.WhollyOff, 9);
        Assert.Equal(115, load.Clusters, 9);
    }

    [Theory]
    [InlineData(new[] { 40.0, 50 }, "thinning.none")]
    [InlineData(new[] { 95.0, 99 }, "thinning.short")]
    [InlineData(new[] { 115.0, 115 }, "thinning.to-one")]
    [InlineData(new[] { 150.0, 130 }, "thinning.wholly")]
    public void The_sentence_says_what_to_do(double[] clusters, string code)
    {
        var load = (Usual with { Clusters = clusters }).Calculate();
        Assert.Equal(code, load.Sentence.Code);
        Assert.Equal(code != "thinning.none", load.IsWorthIt);
    }

    // The clusters that keep one more, and one on each, are the fruit wanted.
    [Fact]
    public void A_short_set_is_made_up_by_leaving_one_more_on_some()
    {
        var load = (Usual with { Clusters = [97, 97] }).Calculate();
        Assert.Equal(115, load.Clusters + load.MoreOnSome, 9);
        Assert.Equal(0, load.WhollyOff);
        Assert.Equal(97 * 1.9 - 115, load.ToTakeOff, 9);
    }

    // A shoot of a peach keeps several fruit: it is visited once for each.
    [Fact]
    public void Shoots_keep_several()
    {
        var load = (Usual with { Clusters = [60, 60], FruitletsPerCluster = 6, FruitPerCluster = 3 }).Calculate();
        Assert.Equal(60 * 6 - 115, load.ToTakeOff, 9);
        Assert.Equal(60 - 115 / 3.0, load.WhollyOff, 9);
        Assert.Equal(30 + 3 * 60 * 3, load.SecondsPerTree, 9);
    }

    [Fact]
    public void Nothing_is_ever_below_nought()
    {
        var random = new Random(5);
        for (var i = 0; i < 200; i++)
        {
            var load = (
                Usual with
                {
                    BudsLeft = random.Next(0, 600),
                    SetShare = .05 + .9 * random.NextDouble(),
                    FruitWanted = 1 + random.Next(400),
                    FruitletsPerCluster = .5 + 3 * random.NextDouble(),
                }
            ).Calculate();
            Assert.True(load is { ToTakeOff: >= 0, WhollyOff: >= 0, MoreOnSome: >= 0, HoursPerHa: > 0 });
            Assert.True(load.WhollyOff <= load.Clusters + 1e-9);
            Assert.True(load.ToTakeOff <= load.Fruitlets + 1e-9);
        }
    }

    [Fact]
    public void What_cannot_be_used_is_told_at_its_field()
    {
        var fields = Assert
            .Throws<UnusableEntryException>(() =>
                new ThinningLoadEntry
                {
                    FruitWanted = -3,
                    SetShare = 2,
                    Clusters = [],
                }.Calculate()
            )
            .Problems.Select(p => p.Field);
        Assert.Equal(["budsLeft", "fruitWanted", "fruitletsPerCluster", "setShare", "treesPerHa"], fields.Order());
        Assert.Equal(
            "clusters[1]",
            Assert
                .Throws<UnusableEntryException>(() => (Usual with { Clusters = [3, -1] }).Calculate())
                .Problems.Single()
                .Field
        );
        Assert.Equal(
            "setShareSd",
            Assert
                .Throws<UnusableEntryException>(() => (Usual with { SetShareSd = .4 }).Calculate())
                .Problems.Single()
                .Field
        );
    }
}
