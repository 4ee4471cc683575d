using Rama.Core.Result.Chain;

namespace Rama.Core.Tests.Result;

public class LinkSumTests
{
    private static SeasonChain Chain(double left, double set, double fruit) =>
        SeasonChain.Of(new(100, null, 100, 100, null, null), new(left, null, set, fruit, null, null))!;

    [Fact]
    public void Tonnes_missed_are_shared_out_among_the_links_and_none_is_lost()
    {
        var sums = LinkSum.AllOf([(Chain(80, 80, 80), -10), (Chain(100, 70, 70), -6), (Chain(125, 125, 125), 5)]);
        Assert.Equal(-11, sums.Sum(s => s.Tonnes), 9);
        // Worst first: bloom and set lost six tonnes, pruning ten here and won five there.
        Assert.Equal(["bloom and set", "pruning", "thinning"], sums.Select(s => s.Name));
        Assert.Equal([-6, -5, 0], sums.Select(s => Math.Round(s.Tonnes, 9)));
        Assert.Equal([1, 2, 0], sums.Select(s => s.MadeMost));
        Assert.All(sums, s => Assert.Equal(3, s.Plantings));
    }

    [Fact]
    public void A_crop_as_wanted_shares_nothing_out() =>
        Assert.All(LinkSum.AllOf([(Chain(120, 100, 98), -1), (Chain(90, 80, 70), null)]), s =>
            Assert.Equal(0, s.Tonnes)
        );
}
