using Rama.Core.Crops;
using Rama.Core.Target.Capacity;

namespace Rama.Core.Tests.Target.Capacity;

public sealed class FruitPerUnitTests
{
    private static readonly Crop[] NotPome = [.. ShippedCrops.Crops.Where(c => c.Habit != BearingHabit.MixedBud)];

    // A cluster of an apple or pear is thinned to one fruit: common practice, no source.
    [Fact]
    public void Pome_fruit_is_not_judged_by_it()
    {
        Assert.Equal(["almond", "avocado", "cherry", "lemon", "lychee", "peach"], NotPome.Select(c => c.Id).Order());
        Assert.All(ShippedCrops.Crops.Except(NotPome), c => Assert.Null(FruitPerUnit.Of(c, 120, 200)));
    }

    [Fact]
    public void Each_left_stands_for_its_part_of_the_fruit() => Assert.All(NotPome, crop =>
        {
            var (low, high) = (crop.FruitPerUnitLow.Value, crop.FruitPerUnitHigh.Value);
            FruitPerUnit Of(double each) => FruitPerUnit.Of(crop, 90 * each, 90)!;
            Assert.Equal(2.5, Of(2.5).Fruit, 9);
            Assert.Equal((low, high), (Of(1).Low, Of(1).High));
            Assert.Empty(Of(low).Warnings);
            Assert.Empty(Of(high).Warnings);
            Assert.Equal("crop-load.per-unit-high", Assert.Single(Of(high * 1.01).Warnings).Code);
            Assert.Equal("crop-load.per-unit-low", Assert.Single(Of(low * 0.99).Warnings).Code);
            Assert.Equal([high * 2, low, high], Of(high * 2).Warnings[0].Figures.Select(f => Math.Round(f.Value, 9)));
        });
}
