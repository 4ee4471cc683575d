using Rama.Core.Count;

namespace Rama.Core.Tests.Count;

/// <summary>Which counts are asked about in the row.</summary>
public sealed class LikelyBudsTests
{
    // By hand: middle 200, middle distance from it 20, 3.5 ÷ 0.6745 × 20 is 103.8; 2.5 times the middle is wider.
    [Fact]
    public void Few_alike_trees_leave_room()
    {
        var likely = LikelyBuds.Of([160, 180, 200, 220, 240], 300);
        Assert.Equal((80, 500), (likely.Low, likely.High));
    }

    // Middle 200, middle distance 150: 3.5 ÷ 0.6745 × 150 is 778.4.
    [Fact]
    public void Unlike_trees_leave_more()
    {
        var likely = LikelyBuds.Of([40, 50, 200, 350, 500], 300);
        Assert.Equal(0, likely.Low);
        Assert.Equal(978.4, likely.High, 1);
    }

    [Fact]
    public void Before_there_are_trees_the_typical_one_tells()
    {
        Assert.Equal(new(30, 3_000), LikelyBuds.Of([], 300));
        // 87 and then 92 on a pad that adds on: nobody's tree.
        Assert.True(8_792 > LikelyBuds.Of([200, 180], 300).High);
    }
}
