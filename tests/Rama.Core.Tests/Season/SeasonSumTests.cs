using Rama.Core.Season;

namespace Rama.Core.Tests.Season;

public class SeasonSumTests
{
    private static readonly SeasonPlanting Told = new(2026, 2, 4_000, 200, 180, 100, 90, 180, 80, 64.8, 54, 0.5);

    private static readonly SeasonPlanting Quiet = new(2026, 1, 1_000, null, 300, null, 120, 150, null, 18, null, null);

    [Fact]
    public void A_planting_alone_is_told_as_it_is()
    {
        var sum = SeasonSum.Of([Told]);
        Assert.Equal((200, 180), (sum.BudsWanted, sum.BudsLeft));
        Assert.Equal(54 / 80.0, sum.OfWanted);
        Assert.Equal(54 / 64.8, sum.PackOut!.Value, 12);
        Assert.Equal(27, sum.PackedPerHa);
        // 54 t at 0.50 a kilogram on 2 ha.
        Assert.Equal(13_500, sum.ReceivedPerHa);
    }

    [Fact]
    public void What_was_wanted_stands_beside_what_came_of_the_same_plantings()
    {
        var sum = SeasonSum.Of([Told, Quiet]);
        Assert.Equal((2, 3), (sum.Told, sum.AreaHa));
        Assert.Equal((200, 180), (sum.BudsWanted, sum.BudsLeft));
        Assert.Equal((100, 90), (sum.FruitWanted, sum.FruitPicked));
        Assert.Equal(54 / 80.0, sum.OfWanted);
        Assert.Equal(82.8, sum.TonnesPicked!.Value, 12);
        // One that does not tell what was packed neither raises nor lowers what a hectare packed.
        Assert.Equal(27, sum.PackedPerHa);
        // Over fruit: 4 000 × 90 of 180 g and 1 000 × 120 of 150 g.
        Assert.Equal((360_000 * 180 + 120_000 * 150) / 480_000.0, sum.FruitMassG!.Value, 12);
    }

    [Fact]
    public void Where_nobody_told_both_each_is_told_for_itself()
    {
        var sum = SeasonSum.Of([Quiet, Told with { BudsLeft = null, TonnesPacked = null }]);
        Assert.Equal((200, 300), (sum.BudsWanted, sum.BudsLeft));
        Assert.Equal(80, sum.TonnesWanted);
        Assert.Null(sum.OfWanted);
        Assert.Null(sum.ReceivedPerHa);
        Assert.Null(SeasonSum.Of([]).PackOut);
    }
}
