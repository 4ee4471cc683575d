using CsCheck;
using Rama.Core.Count.Estimate;

namespace Rama.Core.Tests.Count.Estimate;

public sealed class StratifiedMeanTests
{
    private static readonly Stratum[] Classes = [new(0.25, 120, 25, 4), new(0.5, 180, 35, 6), new(0.25, 260, 50, 5)];

    // Handbook 2.5 [derived].
    [Fact]
    public void Three_trunk_classes()
    {
        var mean = StratifiedMean.Of(Classes);
        Near.Printed(185.0, mean.Mean, 1);
        Near.Printed(9.59, mean.StandardError, 2);
        Near.Printed(10.6, mean.DegreesOfFreedom, 1);
        Near.Printed(163.8, mean.Low, 1);
        Near.Printed(206.2, mean.High, 1);
    }

    // Handbook 2.5 [derived].
    [Theory]
    [InlineData(30, 13.2)]
    [InlineData(60, 11.5)]
    public void Shares_known_from_a_few_girths_widen_it(int girths, double error) =>
        Near.Printed(error, StratifiedMean.Of(Classes, girths).StandardError, 1);

    // Handbook 2.5 [derived, R]: 2.6/7.2/5.2 by largest remainder.
    [Fact]
    public void Fifteen_trees_are_shared_out() => Assert.Equal([3, 7, 5], StratifiedMean.Allocate(Classes, 15));

    [Fact]
    public void Sharing_out_gives_every_class_two_and_neither_loses_nor_makes_trees() =>
        Gen.Select(Gen.Double[0.01, 1].Array[1, 5], Gen.Int[0, 60])
            .Sample(
                (weights, extra) =>
                {
                    var strata = weights.Select(w => new Stratum(w / weights.Sum(), 100, 10 + 40 * w, 2)).ToArray();
                    var allocated = StratifiedMean.Allocate(strata, 2 * strata.Length + extra);
                    return allocated.Sum() == 2 * strata.Length + extra && allocated.All(n => n >= 2);
                }
            );
}
