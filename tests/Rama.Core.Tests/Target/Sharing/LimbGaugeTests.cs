using Rama.Core.Target.Sharing;

namespace Rama.Core.Tests.Target.Sharing;

public sealed class LimbGaugeTests
{
    private static readonly LimbGauge Gauge = LimbGauge.Of(163, [.. Enumerable.Repeat(13.0, 22)]);

    // Handbook 2.8 [derived]: 163 buds on 22 limbs of 13 mm.
    [Fact]
    public void Buds_for_a_square_centimetre() => Near.Printed(5.582, Gauge.BudsPerCm2, 3);

    [Theory]
    [InlineData(8, 2.8)]
    [InlineData(10, 4.4)]
    [InlineData(12, 6.3)]
    [InlineData(15, 9.9)]
    [InlineData(18, 14.2)]
    [InlineData(20, 17.5)]
    [InlineData(22, 21.2)]
    public void Buds_by_thickness(double diameterMm, double buds) => Near.Printed(buds, Gauge.BudsOn(diameterMm), 1);

    [Fact]
    public void A_limb_too_big_gets_no_number() => Assert.Null(Gauge.BudsOn(24, bigFromMm: 22));
}
