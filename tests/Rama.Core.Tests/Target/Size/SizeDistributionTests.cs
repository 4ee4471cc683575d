using CsCheck;
using Rama.Core.Target.Size;

namespace Rama.Core.Tests.Target.Size;

public sealed class SizeDistributionTests
{
    private static readonly double[] Limits = [135, 160, 185, 215, 250];

    // Handbook 2.2 [derived]: mean 200 g, SD 35 g; the same by R 4.2, diff(c(0, pnorm((limits - 200)/35), 1)).
    [Fact]
    public void Shares_of_six_classes()
    {
        var shares = new SizeDistribution(200, 35).Shares(Limits);
        double[] printed = [.0316, .0949, .2076, .3318, .2576, .0766];
        Assert.All(printed.Zip(shares), pair => Near.Printed(pair.First, pair.Second, 4));
    }

    // The table of the normal distribution in any textbook: below −1, 0 and 1 SD lie .1587, .5000 and .8413.
    [Fact]
    public void Shares_are_those_of_the_normal_table()
    {
        var shares = new SizeDistribution(100, 10).Shares([90, 100, 110]);
        double[] table = [.1587, .3413, .3413, .1587];
        Assert.All(table.Zip(shares), pair => Near.Printed(pair.First, pair.Second, 4));
    }

    // R 4.2: integrate(function(x) x * dnorm(x, 200, 35), from, to) for each class.
    [Fact]
    public void Grams_that_each_class_adds_to_the_mean()
    {
        double[] integrated = [3.8399869, 14.2027695, 36.0429726, 66.3529716, 59.2156291, 20.3456703];
        Assert.All(integrated.Zip(new SizeDistribution(200, 35).PartsOfMeanG(Limits)), pair =>
            Near.Printed(Math.Round(pair.First, 5), pair.Second, 5)
        );
    }

    [Fact]
    public void Shares_add_up_to_one_and_grams_to_the_mean() =>
        Gen.Select(Gen.Double[5, 400], Gen.Double[0.02, 0.6], Gen.Double[1, 600].List[0, 12])
            .Sample(
                (mean, cv, limits) =>
                {
                    SizeDistribution spread = new(mean, cv * mean);
                    double[] ascending = [.. limits.Distinct().Order()];
                    return Math.Abs(spread.Shares(ascending).Sum() - 1) < 1e-12
                        && Math.Abs(spread.PartsOfMeanG(ascending).Sum() - mean) < 1e-9 * mean
                        && spread.Shares(ascending).All(s => s is >= 0 and <= 1);
                }
            );

    [Fact]
    public void Classes_with_prices_give_the_price_of_a_kilogram()
    {
        // By hand: half the fruit, but 50 ∓ 17 × .3989 = 43.2 and 56.8 % of the mass lie below and above the mean at CV
        // 17 %.
        var classes = new SizeClassesEntry
        {
            FruitSize = new(100, "g"),
            Classes = [new() { PricePerKg = 0 }, new() { From = new(100, "g"), PricePerKg = 1 }],
        }.Calculate();
        Near.Printed(0.568, classes.PricePerKg, 3);
    }

    [Fact]
    public void What_is_wrong_with_classes_is_told_at_its_field()
    {
        var problems = Entries.ProblemsOf(() =>
            new SizeClassesEntry
            {
                FruitSize = new(100, "g"),
                Classes =
                [
                    new() { From = new(80, "g"), PricePerKg = 1 },
                    new() { From = new(120, "g") },
                    new() { From = new(110, "g"), PricePerKg = 2 },
                ],
            }.Calculate()
        );
        Entries.AssertProblem(problems, "classes[0].from", "first");
        Entries.AssertProblem(problems, "classes[1].pricePerKg", "missing");
        Entries.AssertProblem(problems, "classes[2].from", "conflict");
    }
}
