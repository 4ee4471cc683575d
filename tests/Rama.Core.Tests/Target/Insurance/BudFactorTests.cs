using CsCheck;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Target.Insurance;

public sealed class BudFactorTests
{
    private static SetOutcome Outcome(double mean, double sd, double pruningSd = 0, params ClusterRisk[] risks) =>
        SetOutcome.Of(BetaShare.Of(mean, sd)!.Value, pruningSd, risks);

    // Handbook 2.4 [derived] for the first two; the others R 4.2: 1/qbeta(1 - reached, a, b).
    [Theory]
    [InlineData(0.62, 0.08, 0.80, 1.811)]
    [InlineData(0.5556, 0.10, 0.90, 2.355)]
    [InlineData(0.5, 0.05, 0.90, 2.295)]
    [InlineData(0.7, 0.12, 0.75, 1.609)]
    [InlineData(0.25, 0.08, 0.80, 5.547)]
    [InlineData(0.85, 0.08, 0.90, 1.350)]
    public void Service_level(double mean, double sd, double reached, double factor) =>
        Near.Printed(factor, Outcome(mean, sd).FactorReaching(reached), 3);

    // Handbook 2.4 [derived].
    [Theory]
    [InlineData(0.62, 0.08, 0.02, 0.11, 1.821)]
    [InlineData(0.5556, 0.10, 0.01, 0.15, 2.379)]
    public void Cheapest_mistake(double mean, double sd, double over, double under, double factor) =>
        Near.Printed(factor, Outcome(mean, sd).FactorOfCheapestMistake(over, under), 3);

    // The quantile of Beta(a, b) itself looks right and is not: R 4.2, 1/qbeta(.02/.13, a, b) = 1.861.
    [Fact]
    public void The_naive_quantile_is_dearer()
    {
        var set = BetaShare.Of(0.62, 0.08)!.Value;
        Assert.Equal(0.02 / 0.13, set.Cdf(1 / 1.861301), 5);
        Assert.True(
            Cost(0.62, 0.08, 0.02, 0.11)(1.861)
                > Cost(0.62, 0.08, 0.02, 0.11)(Outcome(0.62, 0.08).FactorOfCheapestMistake(0.02, 0.11))
        );
    }

    // R 4.2: root of .9 pbeta(q, a, b) + .1 pbeta(q/.4, a, b) = .1. Handbook 2.4 prints 3.03 from a simulation; the
    // distribution is nearly flat there, and simulations of millions of years scatter from 2.89 to 3.03.
    [Fact]
    public void A_risk_is_not_a_known_loss()
    {
        Near.Printed(3.020, Outcome(0.62, 0.08, 0, new ClusterRisk(0.1, 0.6)).FactorReaching(0.9), 3);
        Near.Printed(2.07, Outcome(0.62, 0.08).FactorReaching(0.9) / (1 - 0.1 * 0.6), 2);
    }

    // The handbook's 3.03 as it was derived: seeded simulation, with the scatter such a simulation has.
    [Fact]
    public void A_risk_by_simulation()
    {
        var random = new Random(20270123);
        var (a, b) = BetaShare.Of(0.62, 0.08)!.Value;
        var shares = Enumerable
            .Range(0, 400_000)
            .Select(_ =>
                MathNet.Numerics.Distributions.Beta.Sample(random, a, b) * (random.NextDouble() < 0.1 ? 0.4 : 1)
            )
            .Order()
            .ToArray();
        Assert.InRange(1 / shares[40_000], 2.8, 3.2);
        Assert.InRange(Outcome(0.62, 0.08, 0, new ClusterRisk(0.1, 0.6)).ReachedWith(1 / shares[40_000]), 0.897, 0.903);
    }

    // R 4.2: the share integrated over a normal miss of 10 %, root at .2.
    [Fact]
    public void Pruning_that_misses_widens_the_spread() =>
        Near.Printed(1.875, Outcome(0.62, 0.08, 0.10).FactorReaching(0.8), 3);

    // R 4.2, set-outcome.R beside this file: reach(m, sd, s, a) and cheap(m, sd, s, .02, .11), with a risk
    // reach(.62, .04, .25, .95, .05, .8).
    [Fact]
    public void A_narrow_share_with_wide_misses_is_no_staircase()
    {
        Near.Printed(2.044, Outcome(0.62, 0.01, 0.25).FactorReaching(0.8), 3);
        Near.Printed(1.980, Outcome(0.62, 0.01, 0.25).FactorOfCheapestMistake(0.02, 0.11), 3);
        Near.Printed(4.086, Outcome(0.62, 0.08, 0.25).FactorReaching(0.99), 3);
        Near.Printed(5.572, Outcome(0.62, 0.04, 0.25, new ClusterRisk(0.05, 0.8)).FactorReaching(0.95), 3);
    }

    // The same over all that may be entered, within 0.1 %: set-outcome.csv, made by set-outcome.R.
    [Fact]
    public void Every_factor_is_R_s()
    {
        var lines = File.ReadAllLines(Path.Combine(Path.GetDirectoryName(Here())!, "set-outcome.csv"))
            .Skip(1)
            .Select(l => l.Split(','))
            .ToList();
        Assert.Equal(240, lines.Count);
        Assert.All(lines, line =>
        {
            double Number(int column) => double.Parse(line[column], System.Globalization.CultureInfo.InvariantCulture);
            var outcome = Outcome(Number(1), Number(2), Number(3));
            var factor =
                line[0] == "reached"
                    ? outcome.FactorReaching(Number(4))
                    : outcome.FactorOfCheapestMistake(Number(4), 0.11);
            Assert.InRange(factor, Number(5) * 0.999, Number(5) * 1.001);
        });
    }

    private static string Here([System.Runtime.CompilerServices.CallerFilePath] string path = "") => path;

    // The closed form against brute force: the expected cost by the midpoint rule over the Beta density, on a grid of
    // factors.
    [Theory]
    [InlineData(0.62, 0.08, 0.02, 0.11)]
    [InlineData(0.5556, 0.10, 0.01, 0.15)]
    public void Cheapest_mistake_is_the_least_of_a_brute_force_search(double mean, double sd, double over, double under)
    {
        var cost = Cost(mean, sd, over, under);
        var cheapest = Enumerable.Range(1_000, 2_500).Select(i => i / 1_000.0).MinBy(cost);
        Assert.Equal(cheapest, Outcome(mean, sd).FactorOfCheapestMistake(over, under), 0.0015);
    }

    // The same with a risk and with misses, by a seeded simulation in place of the integral.
    [Fact]
    public void Cheapest_mistake_with_risk_and_misses_is_the_least_of_a_simulation()
    {
        var random = new Random(7);
        var (a, b) = BetaShare.Of(0.62, 0.08)!.Value;
        var shares = Enumerable
            .Range(0, 40_000)
            .Select(_ =>
                MathNet.Numerics.Distributions.Beta.Sample(random, a, b)
                * (1 + 0.1 * MathNet.Numerics.Distributions.Normal.Sample(random, 0, 1))
                * (random.NextDouble() < 0.2 ? 0.5 : 1)
            )
            .ToArray();
        double Simulated(double factor) =>
            shares.Average(x => 0.11 * Math.Max(0, 1 - factor * x) + 0.02 * Math.Max(0, factor * x - 1));
        var found = Outcome(0.62, 0.08, 0.1, new ClusterRisk(0.2, 0.5)).FactorOfCheapestMistake(0.02, 0.11);
        var least = Enumerable.Range(100, 250).Select(i => i / 100.0).Min(Simulated);
        Assert.InRange(Simulated(found), least, least * 1.002);
    }

    [Theory]
    [InlineData(0.5, 0.5)]
    [InlineData(0.9, 0.2)]
    public void A_spread_no_share_can_have_is_refused(double mean, double sd) => Assert.Null(BetaShare.Of(mean, sd));

    [Fact]
    public void A_higher_service_level_never_means_fewer_buds() =>
        Gen.Select(Cases, Levels, Levels)
            .Sample(
                (set, one, other) =>
                {
                    var outcome = Outcome(set.Mean, set.Sd, set.Miss, new ClusterRisk(set.Chance, 0.4));
                    return outcome.FactorReaching(Math.Max(one, other))
                        >= outcome.FactorReaching(Math.Min(one, other)) - 1e-9;
                }
            );

    [Fact]
    public void The_factor_reaches_what_it_was_asked_for() =>
        Gen.Select(Cases, Levels)
            .Sample(
                (set, reached) =>
                {
                    var outcome = Outcome(set.Mean, set.Sd, set.Miss, new ClusterRisk(set.Chance, 0.4));
                    return Math.Abs(outcome.ReachedWith(outcome.FactorReaching(reached)) - reached) < 1e-6;
                }
            );

    private static Func<double, double> Cost(double mean, double sd, double over, double under)
    {
        var (a, b) = BetaShare.Of(mean, sd)!.Value;
        var shares = Enumerable.Range(0, 4_000).Select(i => (i + 0.5) / 4_000).ToArray();
        var density = shares.Select(p => Math.Pow(p, a - 1) * Math.Pow(1 - p, b - 1)).ToArray();
        return factor =>
            shares
                .Zip(density, (p, d) => d * (under * Math.Max(0, 1 - factor * p) + over * Math.Max(0, factor * p - 1)))
                .Sum();
    }

    private static readonly Gen<double> Levels = Gen.Double[0.51, 0.98];

    private static readonly Gen<(double Mean, double Sd, double Miss, double Chance)> Cases = Gen.Select(
            Gen.Double[0.2, 0.85],
            Gen.Double[0.2, 0.6],
            Gen.Double[0, 0.2],
            Gen.Double[0, 0.3]
        )
        .Select((mean, sd, miss, chance) => (mean, sd * BetaShare.LargestSd(mean), miss, chance));
}
