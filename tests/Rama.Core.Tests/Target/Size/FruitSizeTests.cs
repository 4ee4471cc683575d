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

    // Weighings scattered more and more around a law: they are used as long as they show one, R² from .7 on and an
    // exponent from 2 to 4.
    [Fact]
    public void Scattered_weighings_are_used_while_they_show_a_law()
    {
        var (used, refused) = (0, 0);
        for (var scatter = 0.0; scatter < 0.6; scatter += 0.01)
        {
            double[] diameters = [60, 63, 66, 69, 72, 75, 78, 81, 84];
            var masses = diameters
                .Select((d, i) => 0.0005 * Math.Pow(d, 3) * Math.Exp(scatter * (i % 2 == 0 ? 1 : -1) * (i % 3 + 1) / 3))
                .ToArray();
            double[] x = [.. diameters.Select(d => Math.Log(d))],
                y = [.. masses.Select(m => Math.Log(m))];
            var r = MathNet.Numerics.Statistics.Correlation.Pearson(x, y);
            var slope =
                r
                * MathNet.Numerics.Statistics.Statistics.StandardDeviation(y)
                / MathNet.Numerics.Statistics.Statistics.StandardDeviation(x);
            var law = new FruitSample([.. diameters.Zip(masses)]).Law(DiameterLaw.Apple);
            var shows = r * r >= 0.7 && slope is >= 2 and <= 4;
            Assert.Equal(shows, law.Warnings.Count == 0);
            Assert.Equal(!shows, law.Law == DiameterLaw.Apple);
            used += shows ? 1 : 0;
            refused += shows ? 0 : 1;
        }
        Assert.True(used > 5 && refused > 5, $"{used} used, {refused} refused");
    }

    [Fact]
    public void A_sample_is_limited_and_told_by_line()
    {
        FruitSampleEntry Lines(int count) =>
            new()
            {
                Fruit =
                [
                    .. Enumerable.Repeat(
                        new WeighedFruitEntry { Diameter = new(70, "mm"), Mass = new(150, "g") },
                        count
                    ),
                ],
            };
        Assert.Equal(1_000, Lines(1_000).Read().Fruit.Count);
        Entries.AssertProblem(Entries.ProblemsOf(() => Lines(1_001).Read()), "fruit", "list");
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                new FruitSampleEntry { Fruit = [new() { Diameter = new(4, "mm"), Mass = new(150, "g") }] }.Read()
            ),
            "fruit[0].diameter",
            "range"
        );
    }
}
