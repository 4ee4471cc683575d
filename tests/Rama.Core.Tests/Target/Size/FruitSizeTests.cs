using Rama.Core.Target.Size;

namespace Rama.Core.Tests.Target.Size;

public sealed class FruitSizeTests
{
    private static FruitSampleEntry Sample(double factor, double exponent, params double[] diameters) =>
        new()
        {
            Fruit =
            [
                .. diameters.Select(d => new WeighedFruitEntry
                {
                    Diameter = new(d, "mm"),
                    Mass = new(factor * Math.Pow(d, exponent), "g"),
                }),
            ],
        };

    // Handbook 2.2 [derived] and [practice]: 75 mm is 188 g, a carton of 40 lb nets 18.14 kg, so 96.5 of them fill it.
    [Fact]
    public void A_diameter_in_every_form()
    {
        var size = new FruitSizeEntry { FruitSize = new(75, "mm") }.Calculate();
        Near.Printed(188, size.MassG, 0);
        Near.Printed(75, size.DiameterMm, 9);
        Near.Printed(96.6, size.FruitPerBox, 1);
    }

    [Fact]
    public void Own_weighings_take_the_place_of_the_round_fruit()
    {
        var size = new FruitSizeEntry
        {
            FruitSize = new(70, "mm"),
            Sample = Sample(0.0009, 2.85, 60, 65, 70, 75, 80, 85),
        }.Calculate();
        Near.Printed(Math.Round(0.0009 * Math.Pow(70, 2.85), 3), size.MassG, 3);
        Assert.Empty(size.Warnings);
    }

    [Theory]
    [InlineData("fruit-size.few", 0.0005, 3, new double[] { 60, 70, 80 })]
    [InlineData("fruit-size.alike", 0.0005, 3, new double[] { 70, 70, 70, 70, 70 })]
    [InlineData("fruit-size.misfit", 20, 0.5, new double[] { 60, 65, 70, 75, 80 })]
    public void Weighings_that_show_no_law_are_told_and_not_used(
        string code,
        double factor,
        double exponent,
        double[] diameters
    )
    {
        var size = new FruitSizeEntry
        {
            FruitSize = new(70, "mm"),
            Sample = Sample(factor, exponent, diameters),
        }.Calculate();
        Assert.Equal([code], size.Warnings.Select(w => w.Code));
        Near.Printed(Math.Round(DiameterLaw.Apple.MassG(70), 6), size.MassG, 6);
    }
}
