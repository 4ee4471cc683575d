using MathNet.Numerics.Distributions;
using Rama.Core.Statistics;

namespace Rama.Core.Tests.Statistics;

/// <summary>The quantiles the core relies on, against published tables.</summary>
public sealed class QuantileTests
{
    // NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.2, critical values of Student's t.
    [Theory]
    [InlineData(1, 0.975, 12.706)]
    [InlineData(2, 0.975, 4.303)]
    [InlineData(4, 0.975, 2.776)]
    [InlineData(9, 0.975, 2.262)]
    [InlineData(10, 0.975, 2.228)]
    [InlineData(30, 0.975, 2.042)]
    [InlineData(4, 0.995, 4.604)]
    [InlineData(9, 0.995, 3.250)]
    [InlineData(10, 0.90, 1.372)]
    public void Student_t(int df, double p, double printed) => Near.Printed(printed, StudentT.InvCDF(0, 1, df, p), 3);

    // NIST/SEMATECH e-Handbook, 1.3.6.7.1, cumulative normal distribution: Φ(1.96) = .97500, Φ(1.645) ≈ .95002,
    // Φ(2.576) ≈ .99500.
    [Theory]
    [InlineData(0.975, 1.960)]
    [InlineData(0.95, 1.645)]
    [InlineData(0.995, 2.576)]
    [InlineData(0.90, 1.282)]
    public void Normal(double p, double printed) =>
        Near.Printed(printed, MathNet.Numerics.Distributions.Normal.InvCDF(0, 1, p), 3);

    // Handbook 2.5 [derived, R]: ten counted trees.
    [Fact]
    public void Mean_and_interval_of_ten_trees()
    {
        var interval = MeanInterval.Of([182, 201, 233, 164, 250, 190, 176, 221, 208, 195]);
        Near.Printed(202.0, interval.Mean, 1);
        Near.Printed(26.62, interval.Sd, 2);
        Near.Printed(0.132, interval.Cv, 3);
        Near.Printed(183.0, interval.Low, 1);
        Near.Printed(221.0, interval.High, 1);
    }

    [Fact]
    public void Counting_every_tree_leaves_no_interval()
    {
        var interval = MeanInterval.Of([10, 20, 30], population: 3);
        Assert.Equal(20, interval.Low!.Value, 9);
        Assert.Equal(20, interval.High!.Value, 9);
    }

    [Fact]
    public void One_value_has_a_mean_and_nothing_else()
    {
        var interval = MeanInterval.Of([42]);
        Assert.Equal(42, interval.Mean);
        Assert.Null(interval.Sd);
        Assert.Null(interval.Low);
    }
}
