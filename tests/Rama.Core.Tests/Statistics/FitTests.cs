using Rama.Core.Statistics;

namespace Rama.Core.Tests.Statistics;

public sealed class FitTests
{
    // Age in days and trunk circumference in mm of five orange trees: R's data set Orange (Draper and Smith, Applied
    // Regression Analysis).
    private static readonly (double X, double Y)[] Orange =
    [
        (118, 30),
        (484, 58),
        (664, 87),
        (1004, 115),
        (1231, 120),
        (1372, 142),
        (1582, 145),
        (118, 33),
        (484, 69),
        (664, 111),
        (1004, 156),
        (1231, 172),
        (1372, 203),
        (1582, 203),
        (118, 30),
        (484, 51),
        (664, 75),
        (1004, 108),
        (1231, 115),
        (1372, 139),
        (1582, 140),
        (118, 32),
        (484, 62),
        (664, 112),
        (1004, 167),
        (1231, 179),
        (1372, 209),
        (1582, 214),
        (118, 30),
        (484, 49),
        (664, 81),
        (1004, 125),
        (1231, 142),
        (1372, 174),
        (1582, 177),
    ];

    // R 4.2: summary(lm(circumference ~ age, Orange)).
    [Fact]
    public void A_line_through_R_s_orange_trees()
    {
        var fit = LineFit.Of(Orange)!;
        Near.Printed(17.3996502402, fit.Intercept, 10);
        Near.Printed(0.1067703251, fit.Slope, 10);
        Near.Printed(8.622659801, fit.InterceptError, 9);
        Near.Printed(0.008276623007, fit.SlopeError, 12);
        Near.Printed(23.7376726392, fit.ResidualSd, 10);
        Near.Printed(0.8345166946, fit.RSquared, 10);
    }

    // R 4.2: lm(log(circumference) ~ log(age), Orange) with confint.
    [Fact]
    public void A_power_law_through_R_s_orange_trees()
    {
        var fit = PowerLaw.Of(Orange)!;
        Near.Printed(0.9816688, fit.Factor, 7);
        Near.Printed(0.7006449946, fit.Exponent, 10);
        Near.Printed(0.0402378862, fit.Logs.SlopeError, 10);
        Near.Printed(0.901843434, fit.Logs.RSquared, 9);
        Near.Printed(0.618780400, fit.Logs.SlopeInterval()!.Value.Low, 9);
        Near.Printed(0.782509590, fit.Logs.SlopeInterval()!.Value.High, 9);
        Assert.Equal(700, fit.Inverse(fit.At(700)), 6);
    }

    // R 4.2: the first 8 − k measurements of the k-th tree, coef(lm(circumference ~ factor(Tree) + age))["age"], and
    // their sums of squared ages around each tree's mean.
    [Fact]
    public void One_slope_through_R_s_orange_trees_each_at_its_own_level()
    {
        var trees = Orange.Chunk(7).Select((tree, k) => tree.Take(7 - k).ToList()).ToList();
        var slope = PooledSlope.Of(trees, 1, 0, 0);
        Near.Printed(.104202553983, slope.Slope, 12);
        Assert.Equal(1645128.85714 + 1137148.83333 + 761052.8 + 408867 + 154824, slope.Precision, 4);
        Assert.Equal((5, 25), (slope.Groups, slope.Points));
        // To the last digit, whatever order they come in: an estate read in again has the same plans.
        Assert.Equal(slope, PooledSlope.Of(trees.AsEnumerable().Reverse(), 1, 0, 0));
        // Drawn to a known slope by the weight of as many groups, it lies half way.
        Assert.Equal((1 + slope.Slope) / 2, PooledSlope.Of(trees, 1, 5, 0).Slope, 9);
        Assert.Equal(1, PooledSlope.Of([], 1, 3, .01).Slope);
        Assert.Equal(
            1,
            PooledSlope
                .Of(
                    [
                        [(2, 5), (2, 9)],
                    ],
                    1,
                    3,
                    .01
                )
                .Slope
        );
    }

    [Fact]
    public void No_line_through_one_point_or_one_x()
    {
        Assert.Null(LineFit.Of([(1, 2)]));
        Assert.Null(LineFit.Of([(1, 2), (1, 3), (1, 4)]));
        Assert.Null(LineFit.Of([(1, 2), (2, 4)])!.SlopeError);
    }

    // Handbook 2.10: slopes shrunk to the variety's, free only from six pairs.
    [Theory]
    [InlineData(0, -6)]
    [InlineData(1, -6)]
    [InlineData(2, -5.6)]
    [InlineData(4, -4.8)]
    [InlineData(6, -4)]
    [InlineData(9, -4)]
    public void Few_pairs_keep_to_the_known_slope(int pairs, double slope)
    {
        (double, double)[] own = [.. Enumerable.Range(0, pairs).Select(i => (5.0 + 2 * i, 200 - 8.0 * i))];
        var line = ResponseLine.Of(own, -6, (7, 180), 3, 11);
        Assert.Equal(slope, line.Slope, 9);
        if (pairs == 0)
            Assert.Equal(180, line.At(7), 9);
        if (pairs >= 6)
            Assert.Equal(own.Average(p => p.Item2), line.At(own.Average(p => p.Item1)), 9);
        // One season takes the level half way: the known line has 192 at 5, the season 200.
        if (pairs == 1)
            Assert.Equal(196, line.At(5), 9);
    }

    [Fact]
    public void Crops_all_alike_tell_little_of_a_slope()
    {
        (double, double)[] own = [.. Enumerable.Range(0, 6).Select(i => (7 + 0.02 * i, 150 + 4.0 * i))];
        Assert.InRange(ResponseLine.Of(own, -6, (7, 180), 3, 11).Slope, -6, 6);
        Assert.Equal(0.1 / 7.05 / ResponseLine.WideRange, ResponseLine.Of(own, -6, (7, 180), 3, 11).OwnWeight, 9);
    }

    [Fact]
    public void A_free_line_knows_only_what_it_saw()
    {
        var line = ResponseLine.Of(
            [.. Enumerable.Range(0, 6).Select(i => (5.0 + i, 200 - 4.0 * i))],
            -6,
            (7, 180),
            1,
            30
        );
        Assert.True(line.Knows(5) && line.Knows(10));
        Assert.False(line.Knows(4.9) || line.Knows(10.1));
    }
}
