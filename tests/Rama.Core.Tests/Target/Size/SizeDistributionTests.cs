using Rama.Core.Target.Size;

namespace Rama.Core.Tests.Target.Size;

public sealed class SizeDistributionTests
{
    // Handbook 2.2 [derived]: mean 200 g, SD 35 g.
    [Fact]
    public void Shares_of_six_classes()
    {
        var shares = SizeDistribution.Shares(200, 35, [135, 160, 185, 215, 250]);
        double[] printed = [.0316, .0949, .2076, .3318, .2576, .0766];
        Assert.All(printed.Zip(shares), pair => Near.Printed(pair.First, pair.Second, 4));
        Assert.Equal(1, shares.Sum(), 12);
    }
}
