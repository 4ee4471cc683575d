using Rama.Core.Statistics;

namespace Rama.Core.Tests.Statistics;

public sealed class WilsonIntervalTests
{
    // [published: Newcombe 1998, Stat Med 17:857, table I, method 3].
    [Theory]
    [InlineData(81, 263, .2553, .3662)]
    [InlineData(15, 148, .0624, .1605)]
    [InlineData(0, 20, 0, .1611)]
    [InlineData(1, 29, .0061, .1718)]
    public void Published_intervals(double k, double m, double low, double high)
    {
        var interval = WilsonInterval.Of(k, m);
        Near.Printed(low, interval.Low, 4);
        Near.Printed(high, interval.High, 4);
    }
}
