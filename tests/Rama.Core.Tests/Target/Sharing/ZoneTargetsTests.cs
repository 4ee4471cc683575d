using CsCheck;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Tests.Target.Sharing;

public sealed class ZoneTargetsTests
{
    // A fifth of the limb area is in the top third, 35 % in the middle, 45 % at the bottom (assumption of the
    // method): a strong top bears its full share.
    [Fact]
    public void A_strong_top_bears_its_share_of_the_limb_area() =>
        Assert.Equal(
            [40, 70, 90],
            ZoneTargets.Of(200, TopVigour.Strong).Zones.Select(z => Math.Round(z.BudsPerTree, 6))
        );

    // Common practice, no source: a weaker top bears less, and what it does not bear goes below in proportion.
    [Fact]
    public void A_weaker_top_bears_less_and_no_bud_is_lost() =>
        Gen.Double[1, 2_000]
            .Sample(buds =>
            {
                var tops = Enum.GetValues<TopVigour>().Select(v => ZoneTargets.Of(buds, v)).ToList();
                Assert.All(tops, t => Assert.Equal(buds, t.Zones.Sum(z => z.BudsPerTree), 6));
                Assert.All(tops, t => Assert.Equal(35.0 / 45, t.Zones[1].BudsPerTree / t.Zones[2].BudsPerTree, 9));
                Assert.True(tops[0].Zones[0].BudsPerTree < tops[1].Zones[0].BudsPerTree);
                Assert.True(tops[1].Zones[0].BudsPerTree < tops[2].Zones[0].BudsPerTree);
            });
}
