using Rama.Core.Check;
using Rama.Core.Prescribe.Working;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Check;

/// <summary>Check values: handbook of the trade 7.3.</summary>
public sealed class CropEffectTests
{
    private static readonly MissCosts Costs = new(
        110 / 192.5,
        SetOutcome.Of(BetaShare.Of(0.62, 0.08)!.Value),
        0.62,
        CostOver: 0.02,
        CostUnder: 0.1,
        WagePerHour: 15
    );

    [Theory]
    [InlineData(192.5, 2.67)]
    [InlineData(158, 13.11)]
    [InlineData(130, 29.40)]
    public void A_tree_is_short_of_so_many_fruit(double buds, double fruit) =>
        Assert.Equal(fruit, Terms(buds, 0).MissedBy(buds).Short, 0.005);

    [Theory]
    [InlineData(192.5, 6.83)]
    [InlineData(158, 16.91)]
    public void Trees_that_differ_are_shorter(double buds, double fruit) =>
        Assert.Equal(fruit, Terms(buds, 0.2).MissedBy(buds).Short, 0.005);

    [Fact]
    public void A_hectare_loses_so_many_tonnes()
    {
        var effect = CropEffect.Of(Terms(158, 0.2) with { Ground = new(2_800, 0.195, 0.87) });
        Assert.Equal(4.79, effect.TonnesPerHa!.Value, 0.005);
        Assert.Equal(effect.FruitShort * 0.1, effect.CostPerTree!.Value, 1e-9);
    }

    [Fact]
    public void Buds_too_many_are_thinned_and_none_is_short()
    {
        var effect = CropEffect.Of(Terms(230, 0.2));
        Assert.True(effect.FruitShort < 0);
        // Nearly all that sets of them, since few trees were short.
        Assert.InRange(effect.FruitOver, 0.62 * 37.5 - 5, 0.62 * 37.5);
        Assert.Equal(effect.FruitOver * 0.02, effect.CostPerTree!.Value, 1e-9);
        Assert.Equal(0, CropEffect.Of(Terms(192.5, 0.2)).CostPerTree!.Value, 1e-9);
    }

    // Jensen: as the trees differ, no fewer fruit are short; and fewer buds are never less short.
    [Fact]
    public void Fewer_buds_and_wider_trees_never_help()
    {
        for (var buds = 20.0; buds < 400; buds += 20)
        {
            Assert.True(Terms(buds, 0.2).MissedBy(buds).Short >= Terms(buds, 0).MissedBy(buds).Short - 1e-6);
            Assert.True(Terms(buds, 0.2).MissedBy(buds).Short >= Terms(buds, 0.2).MissedBy(buds + 20).Short - 1e-9);
        }
        Assert.Equal(110, Terms(0, 0.2).MissedBy(0).Short, 1e-9);
    }

    [Fact]
    public void Without_a_set_of_the_years_its_mean_counts()
    {
        var terms = Terms(100, 0) with { Costs = Costs with { Outcome = null } };
        Assert.Equal(110 - 62, terms.MissedBy(100).Short, 1e-9);
    }

    private static CropEffectTerms Terms(double left, double cv) => new(110, 192.5, left, cv, Costs);
}
