using MathNet.Numerics.Distributions;
using Rama.Core.Explain;
using Rama.Core.Result.Forecast;

namespace Rama.Core.Tests.Result;

public class CropForecastTests
{
    private static readonly CropForecastEntry Usual = new()
    {
        FruitWanted = 115,
        BudsLeft = 205,
        PruningSd = new(10, "%"),
        SetShare = new(66, "%"),
        SetShareSd = new(8, "%"),
        FruitMass = new(180, "g"),
        PackOut = new(90, "%"),
        TreesPerHa = 2_800,
    };

    // 40 000 seasons drawn by MathNet: how far pruning misses, the set, thinning, fruit size.
    [Theory]
    [InlineData(205, true)]
    [InlineData(150, true)]
    [InlineData(205, false)]
    public void Of_simulated_seasons_one_in_ten_lies_below_and_one_above(int buds, bool isThinned)
    {
        var now = (Usual with { BudsLeft = buds, IsThinned = isThinned }).Calculate().Single();
        var random = new Random(8);
        var k = .66 * .34 / (.08 * .08) - 1;
        double Miss(double sd) => Math.Exp(Normal.Sample(random, 0, sd));
        List<(double Fruit, double Packed)> seasons = [];
        for (var i = 0; i < 40_000; i++)
        {
            var set = buds * Math.Max(0, Normal.Sample(random, 1, .1)) * Beta.Sample(random, .66 * k, .34 * k);
            var fruit = isThinned ? Math.Min(115, set) * Miss(CropForecast.ThinningSd) : set;
            seasons.Add((fruit, fruit * .18 * Miss(CropForecast.SizeSd) * 2_800 * .9 / 1_000));
        }
        Assert.Equal(seasons.Average(s => s.Fruit), now.Fruit, .01 * now.Fruit);
        double Below(Func<(double Fruit, double Packed), bool> is_) => seasons.Count(is_) / 40_000.0;
        Assert.InRange(Below(s => s.Fruit < now.FruitLow), .07, .13);
        Assert.InRange(Below(s => s.Fruit > now.FruitHigh), .07, .13);
        Assert.InRange(Below(s => s.Packed < now.PackedLow), .07, .13);
        Assert.InRange(Below(s => s.Packed > now.PackedHigh), .07, .13);
    }

    [Fact]
    public void Packed_tonnes_are_fruit_times_mass_times_trees_times_pack_out()
    {
        var now = (Usual with { Harvest = [110, 114] }).Calculate()[^1];
        Assert.Equal(112, now.Fruit, 9);
        Assert.Equal(112 * .18, now.KgPerTree, 9);
        Assert.Equal(112 * .18 * 2_800 * .9 / 1_000, now.PackedTPerHa, 9);
    }

    // Each count narrows what is to be expected where trees agree.
    [Fact]
    public void What_is_counted_later_is_known_better()
    {
        var all = (
            Usual with
            {
                Bloom = [196, 205, 201, 199, 203],
                Set = [134, 139, 131, 136, 138],
                Thinned = [113, 117, 115, 116, 114],
                Harvest = [111, 112, 110, 113, 112],
            }
        ).Calculate();
        Assert.Equal(Enum.GetValues<ForecastPoint>(), all.Select(f => f.At));
        var wide = all.Select(f => f.FruitHigh / f.FruitLow).ToList();
        Assert.True(wide[0] > wide[1] && wide[1] > wide[2] && wide[2] > wide[3]);
        Assert.Equal([null, 5, 5, 5, 5], all.Select(f => f.Trees));
        Assert.All(all, f => Assert.True(f.FruitLow <= f.Fruit && f.Fruit <= f.FruitHigh));
    }

    [Fact]
    public void A_poor_set_shows_and_a_rich_one_is_thinned_down()
    {
        CropForecast After(params double[] set) => (Usual with { Set = set }).Calculate()[^1];
        Assert.Equal(60, After(58, 62, 60, 60).Fruit, .5);
        Assert.Equal(115, After(200, 210, 190, 205).Fruit, .01);
        Assert.Equal(200, (Usual with { IsThinned = false, Set = [200, 200] }).Calculate()[^1].Fruit, 9);
    }

    [Fact]
    public void Nothing_left_is_no_crop()
    {
        var now = (Usual with { BudsLeft = 0, Bloom = [0, 0], Set = [0] }).Calculate();
        Assert.All(now, f => Assert.Equal((0, 0, 0, 0), (f.Fruit, f.FruitLow, f.FruitHigh, f.PackedHigh)));
    }

    [Fact]
    public void Every_number_is_one()
    {
        var random = new Random(11);
        for (var i = 0; i < 300; i++)
        {
            double[] Trees(int most) => [.. Enumerable.Range(0, random.Next(4)).Select(_ => (double)random.Next(most))];
            var all = (
                Usual with
                {
                    BudsLeft = random.Next(0, 900),
                    FruitWanted = 1 + random.Next(500),
                    KnownLoss = new(random.Next(99), "%"),
                    PruningSd = new(random.Next(26), "%"),
                    FruitPerCluster = .5 + 3 * random.NextDouble(),
                    IsThinned = random.Next(2) == 0,
                    Bloom = Trees(900),
                    Set = Trees(600),
                    Thinned = Trees(400),
                    Harvest = Trees(400),
                }
            ).Calculate();
            Assert.All(all, f =>
            {
                double[] numbers = [f.FruitLow, f.Fruit, f.FruitHigh, f.PackedLow, f.PackedTPerHa, f.PackedHigh];
                Assert.All(numbers, n => Assert.True(double.IsFinite(n) && n >= 0));
                Assert.True(f.FruitLow <= f.Fruit + 1e-9 && f.Fruit <= f.FruitHigh + 1e-9);
                Assert.True(f.PackedLow <= f.PackedTPerHa + 1e-9 && f.PackedTPerHa <= f.PackedHigh + 1e-9);
            });
        }
    }

    [Fact]
    public void What_cannot_be_used_is_told_at_its_field()
    {
        var fields = Assert
            .Throws<UnusableEntryException>(() => new CropForecastEntry { Bloom = [double.NaN, -1] }.Calculate())
            .Problems.Select(p => p.Field)
            .Order();
        Assert.Equal(
            ["bloom[0]", "bloom[1]", "budsLeft", "fruitMass", "fruitWanted", "setShare", "setShareSd", "treesPerHa"],
            fields
        );
    }
}
