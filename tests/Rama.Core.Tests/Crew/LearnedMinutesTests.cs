using Rama.Core.Crew.Progress;

namespace Rama.Core.Tests.Crew;

public sealed class LearnedMinutesTests
{
    private static readonly Guid[] Plantings = [.. Enumerable.Range(0, 40).Select(_ => Guid.NewGuid())];

    private static readonly Guid[] Crews = [.. Enumerable.Range(0, 5).Select(_ => Guid.NewGuid())];

    private static WorkLog Log(int planting, int? crew, double ratio, double trees = 500) =>
        new(Plantings[planting], crew is { } c ? Crews[c] : null, ratio, trees);

    /// <summary>Handbook of the trade 8.2 and 6.3: .21 .34 .08 .27 give m .1995, SD .1177, factor 1.2684.</summary>
    [Fact]
    public void One_planting_with_one_crew_is_as_by_hand()
    {
        var learned = LearnedMinutes.Of([.. new[] { .21, .34, .08, .27 }.Select(r => Log(0, 0, r))]);
        var factor = learned.Of(Plantings[0], Crews[0]);

        Assert.Equal(.1995, factor.Mean, 4);
        Assert.Equal(.1177, factor.Sd, 4);
        Assert.Equal(1.2684, factor.Factor, 4);
        // Handbook 7.2: twelve equal sets left, 1.00 to 1.58.
        var (low, high) = factor.EndsFor(12);
        Assert.Equal((1.00, 1.58), (Math.Round(low, 2), Math.Round(high, 2)));
    }

    /// <summary>R 4.2, crossed-hours.R beside this file: best linear prediction with a = p %*% solve(V, r).</summary>
    [Fact]
    public void Crossed_plantings_and_crews_are_those_of_r()
    {
        var learned = LearnedMinutes.Of([
            Log(0, 0, .21, 100),
            Log(0, 1, .34, 200),
            Log(1, 0, .08, 150),
            Log(1, 0, .27, 50),
            Log(2, 1, -.1, 120),
            Log(2, 1, .05, 180),
        ]);
        void Is(double mean, double sd, LearnedFactor factor)
        {
            Assert.Equal(mean, factor.Mean, 11);
            Assert.Equal(sd, factor.Sd, 11);
        }
        Is(.181553753786, .175010895845, learned.OfPlanting(Plantings[0]));
        Is(.127863990606, .209627404206, learned.Of(Plantings[1], Crews[1]));
        Is(.0225102975431, .15989255239, learned.OfCrew(Crews[0]));
    }

    [Fact]
    public void Where_nothing_was_logged_it_takes_as_long_as_expected()
    {
        var nothing = LearnedMinutes.Of([]);
        Assert.Equal((1, 1), (nothing.OfPlanting(Plantings[0]).Factor, nothing.OfCrew(Crews[0]).Pace));
        Assert.Equal(.35, nothing.Of(Plantings[0], Crews[0]).Sd, 9);
    }

    /// <summary>The same normal model solved as one system of equations by brute force: the posterior of a linear
    /// Gaussian model, Rasmussen and Williams 2006, from memory.</summary>
    [Fact]
    public void It_is_the_posterior_of_the_whole_model()
    {
        Random random = new(5);
        List<WorkLog> logs =
        [
            .. Enumerable
                .Range(0, 60)
                .Select(_ => Log(random.Next(12), random.Next(5), random.NextDouble() - 0.4, random.Next(100, 900))),
        ];
        var learned = LearnedMinutes.Of(logs);
        // By covariances of the logs instead of precisions of what is learned.
        var part = 0.35 * 0.35 / 3;
        var mean = logs.Average(l => l.Trees);
        double Prior(WorkLog a, WorkLog b) =>
            part + (a.Planting == b.Planting ? part : 0) + (a.Crew == b.Crew ? part : 0);
        var covariance = MathNet.Numerics.LinearAlgebra.Matrix<double>.Build.Dense(60, 60, (i, j) =>
            Prior(logs[i], logs[j]) + (i == j ? 0.25 * 0.25 * mean / logs[i].Trees : 0)
        );
        var told = MathNet.Numerics.LinearAlgebra.Vector<double>.Build.Dense(60, i => logs[i].Ratio);
        foreach (var (planting, crew) in new[] { (0, 0), (3, 4), (11, 2), (30, 1) })
        {
            var at = MathNet.Numerics.LinearAlgebra.Vector<double>.Build.Dense(60, i =>
                Prior(new(Plantings[planting], Crews[crew], 0, 1), logs[i])
            );
            var found = learned.Of(Plantings[planting], Crews[crew]);
            Assert.Equal(at * covariance.Solve(told), found.Mean, 9);
            Assert.Equal(3 * part - at * covariance.Solve(at), found.Sd * found.Sd, 9);
        }
    }

    [Fact]
    public void Simulated_crews_and_plantings_are_found_again()
    {
        Random random = new(11);
        double Normal(double sd) =>
            sd * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var (inside, all) = (0, 0);
        for (var run = 0; run < 60; run++)
        {
            var sd = 0.35 / Math.Sqrt(3);
            var estate = Normal(sd);
            var plantings = Plantings.Select(_ => Normal(sd)).ToArray();
            var crews = Crews.Select(_ => Normal(sd)).ToArray();
            var learned = LearnedMinutes.Of([
                .. Enumerable
                    .Range(0, 80)
                    .Select(_ => (P: random.Next(40), C: random.Next(5)))
                    .Select(k => Log(k.P, k.C, estate + plantings[k.P] + crews[k.C] + Normal(0.25))),
            ]);
            foreach (var (p, c) in new[] { (1, 1), (2, 0), (17, 4), (39, 3) })
            {
                var truth = Math.Exp(estate + plantings[p] + crews[c]);
                var found = learned.Of(Plantings[p], Crews[c]);
                all++;
                if (truth >= found.Low && truth <= found.High)
                    inside++;
            }
        }
        // Nine in ten of 240, three standard errors about.
        Assert.InRange((double)inside / all, 0.84, 0.96);
    }

    [Fact]
    public void Hours_nobody_can_believe_are_left_out()
    {
        Assert.Null(WorkLog.Of(Plantings[0], null, 100, 20, 50));
        Assert.Null(WorkLog.Of(Plantings[0], null, 0, 20, 50));
        Assert.Null(WorkLog.Of(Plantings[0], null, 20, 20, 0));
        Assert.Equal(Math.Log(1.5), WorkLog.Of(Plantings[0], null, 30, 20, 50)!.Value.Ratio, 12);
    }
}
