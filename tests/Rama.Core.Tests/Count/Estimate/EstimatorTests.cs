using Rama.Core.Count.Estimate;

namespace Rama.Core.Tests.Count.Estimate;

/// <summary>
/// Values of R 4.2 with package survey 4.1 and its data set api: the first six schools of each level in apistrat, api99
/// (x) and
/// api00 (y), and the first twelve of apisrs; the population has 4 421, 755 and 1 018 schools and a mean api99 of
/// 631.912980304.
/// </summary>
public sealed class EstimatorTests
{
    private const double MeanX = 631.912980304,
        Population = 6194;

    private static readonly PairedStratum[] Levels =
    [
        new(4421 / Population, [(816, 840), (476, 516), (544, 531), (457, 501), (659, 720), (780, 805)]),
        new(755 / Population, [(460, 467), (532, 522), (403, 455), (504, 509), (673, 681), (690, 666)]),
        new(1018 / Population, [(479, 496), (499, 505), (406, 409), (564, 609), (816, 867), (657, 685)]),
    ];

    private static readonly (double X, double Y)[] Twelve =
    [
        (448, 462),
        (831, 878),
        (742, 734),
        (657, 772),
        (719, 739),
        (822, 835),
        (472, 456),
        (474, 506),
        (458, 543),
        (604, 649),
        (575, 556),
        (620, 671),
    ];

    // svymean(~api00, svydesign(id=~1, strata=~stype, data=sub, fpc=~N)): 630.3452535, SE 46.56298.
    [Fact]
    public void Stratified_mean()
    {
        var mean = StratifiedMean.Of(
            [
                .. Levels.Select(l => new Stratum(
                    l.Share,
                    l.Pairs.Average(p => p.Y),
                    Sd(l.Pairs.Select(p => p.Y)),
                    l.Pairs.Count
                )),
            ],
            population: Population
        );
        Near.Printed(630.3453, mean.Mean, 4);
        Near.Printed(46.563, mean.StandardError, 3);
    }

    // The same with all of apistrat (100, 50 and 50 schools; means and SDs by tapply): svymean 662.2873632, SE
    // 9.40894080278.
    [Fact]
    public void Stratified_mean_of_the_whole_data_set()
    {
        var mean = StratifiedMean.Of(
            [
                new(4421 / Population, 674.43, 125.249428314, 100),
                new(755 / Population, 625.82, 109.302741904, 50),
                new(1018 / Population, 636.6, 117.579152671, 50),
            ],
            population: Population
        );
        Near.Printed(662.2874, mean.Mean, 4);
        Near.Printed(9.40894, mean.StandardError, 5);
    }

    // predict(svyratio(~api00, ~api99, design), total = mean(apipop$api99)): 659.549079842, SE 8.27205063162.
    [Fact]
    public void Combined_ratio()
    {
        var mean = RatioMean.Of(Levels, MeanX, Population)!;
        Near.Printed(659.5491, mean.Mean, 4);
        Near.Printed(8.27205, mean.StandardError, 5);
    }

    // The same on twelve schools of apisrs with fpc 6194: 664.18123947, SE 12.0302543323.
    [Fact]
    public void Ratio_of_a_simple_sample()
    {
        var mean = RatioMean.Of([new(1, Twelve)], MeanX, Population)!;
        Near.Printed(664.1812, mean.Mean, 4);
        Near.Printed(12.03025, mean.StandardError, 5);
    }

    // predict(lm(api00 ~ api99), data.frame(api99 = X), se.fit = TRUE, interval = "confidence"): 663.497795692,
    // 12.2356876808, 636.23498459 to 690.760606795.
    [Fact]
    public void Regression()
    {
        var mean = RegressionMean.Of(EstimateMethod.RegressionOnTrunk, Twelve, MeanX)!;
        Near.Printed(663.4978, mean.Mean, 4);
        Near.Printed(12.23569, mean.StandardError, 5);
        Near.Printed(636.2350, mean.Interval().Low, 4);
        Near.Printed(690.7606, mean.Interval().High, 4);
    }

    [Fact]
    public void Too_few_trees_give_no_ratio_and_no_regression()
    {
        Assert.Null(RatioMean.Of([new(1, Twelve[..7])], MeanX));
        Assert.Null(RegressionMean.Of(EstimateMethod.RegressionOnTrunk, Twelve[..7], MeanX));
        Assert.Null(RatioMean.Of([new(0.5, Twelve), new(0.5, Twelve[..1])], MeanX));
    }

    private static double Sd(IEnumerable<double> values)
    {
        var all = values.ToList();
        return Math.Sqrt(all.Sum(v => Math.Pow(v - all.Average(), 2)) / (all.Count - 1));
    }
}
