using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;
using Rama.Core.Check;

namespace Rama.Core.Tests.Check;

public sealed class CutChartTests
{
    // NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2: constants of charts for individuals.
    [Fact]
    public void Constants_are_those_published()
    {
        Assert.Equal(1.128, CutSpread.MeanRange, 0.0005);
        Assert.Equal(2.660, CutSpread.LimitsInRanges, 0.0015);
        Assert.Equal(3.267, CutSpread.RangeLimit, 0.0005);
    }

    // Montgomery, Statistical Quality Control, table of CUSUM run lengths, k = 0.5, h = 4: 168, 26.6, 8.38; 13.29 and
    // 167.7 from the handbook of the trade 7.3, by Markov chain.
    [Theory]
    [InlineData(0, 167.7, 8)]
    [InlineData(0.5, 26.6, 1.2)]
    [InlineData(0.75, 13.29, 0.6)]
    [InlineData(1, 8.38, 0.3)]
    public void It_runs_as_long_as_published(double shift, double length, double within)
    {
        var random = new Random(1);
        const int Runs = 4_000;
        var total = 0.0;
        for (var i = 0; i < Runs; i++)
            total += FirstSignal(() => Normal.Sample(random, 0, 1) + shift, 1);
        Assert.Equal(length, total / Runs, within);
        Assert.Equal(length, ByMarkovChain(shift), 0.05 * length);
    }

    // Handbook of the trade 7.3: charting log r alone runs 140.8 on target at CV 20 %.
    [Fact]
    public void The_centre_is_what_makes_it_fair()
    {
        var sigma = CutSpread.Usual;
        var random = new Random(2);
        var (length, many, runs) = (0.0, 0, 3_000);
        for (var i = 0; i < runs; i++)
        {
            // The chart centres, so that what is taken off here is put back: log r alone.
            var points = Points(() => Normal.Sample(random, -sigma * sigma, sigma), sigma).ToList();
            length += points.Count;
            many += points[^1].Signal == CutSignal.TooMany ? 1 : 0;
        }
        Assert.Equal(140.8, length / runs, 7.0);
        Assert.Equal(3.7, (runs - many) / (double)many, 0.6);
    }

    // Handbook of the trade 7.3: detection at CV 20 %, CUSUM alone, within 12, 18 and 24 counts.
    [Theory]
    [InlineData(0.85, 0.67, 0.86, 0.94)]
    [InlineData(1.15, 0.53, 0.74, 0.86)]
    [InlineData(1, 0.05, 0.08, 0.11)]
    public void It_finds_a_shift_as_often_as_the_handbook_has_it(double share, double by12, double by18, double by24)
    {
        var sigma = CutSpread.Usual;
        var random = new Random(3);
        var centre = Math.Log(share) - sigma * sigma / 2;
        const int Runs = 8_000;
        var first = Enumerable
            .Range(0, Runs)
            .Select(_ => FirstSignal(() => Normal.Sample(random, centre, sigma), sigma, 25))
            .ToList();
        Assert.Equal(by12, first.Count(n => n <= 12) / (double)Runs, 0.02);
        Assert.Equal(by18, first.Count(n => n <= 18) / (double)Runs, 0.02);
        Assert.Equal(by24, first.Count(n => n <= 24) / (double)Runs, 0.02);
    }

    [Fact]
    public void What_was_put_right_is_taken_back()
    {
        var sigma = CutSpread.Usual;
        var hard = Enumerable.Repeat(Math.Log(0.7), 30);
        var right = Enumerable.Repeat(-sigma * sigma / 2, 4);
        Assert.Equal(CutSignal.TooFew, CutChart.Of(hard, sigma).Signal);
        Assert.Equal(CutSignal.None, CutChart.Of(hard.Concat(right), sigma).Signal);
        Assert.Equal(30, CutChart.Of(hard, sigma).SinceChange);
        Assert.Equal(9, CutChart.Of([.. right, .. right, .. hard.Take(9)], sigma).SinceChange);
    }

    [Fact]
    public void The_spread_is_that_of_the_trees_and_not_of_the_pruners()
    {
        var random = new Random(4);
        var sigma = 0.3;
        // Six pruners, each far from the others.
        var series = Enumerable
            .Range(0, 6)
            .Select(i =>
                (IReadOnlyList<double>)[.. Enumerable.Range(0, 200).Select(_ => Normal.Sample(random, i, sigma))]
            )
            .ToList();
        Assert.Equal(sigma, CutSpread.Of(series).Sigma, 0.02);
        Assert.Equal(CutSpread.Usual, CutSpread.Of([]).Sigma, 1e-12);
        // Who counts the same number each time does not make everybody else a bad pruner.
        Assert.Equal(
            CutSpread.Floor,
            CutSpread
                .Of([
                    [.. Enumerable.Repeat(0.0, 500)],
                ])
                .Sigma,
            1e-12
        );
        // One slip does not hide what others do.
        List<double> slipped = [.. series[0].Take(40)];
        var before = CutSpread.Of([slipped]).Sigma;
        slipped[20] += Math.Log(5);
        Assert.Equal(before, CutSpread.Of([slipped]).Sigma, 0.03);
    }

    private static int FirstSignal(Func<double> next, double sigma, int most = 4_000) =>
        Points(next, sigma, most).Count();

    // Up to the first signal; one more than the most where there is none.
    private static IEnumerable<CutPoint> Points(Func<double> next, double sigma, int most = 4_000)
    {
        List<double> ratios = [];
        // The chart takes its counts whole: in pieces, so that a run does not cost its square.
        for (var piece = 32; ; piece *= 4)
        {
            while (ratios.Count < Math.Min(piece, most))
                // What the chart adds for its centre is taken off where the spread is one.
                ratios.Add(sigma == 1 ? next() - 0.5 : next());
            var points = CutChart.Of(ratios, sigma).Points;
            var at = points.ToList().FindIndex(p => p.Signal != CutSignal.None);
            if (at >= 0)
                return points.Take(at + 1);
            if (ratios.Count >= most)
                return points.Append(default);
        }
    }

    // Brook and Evans 1972: states of a one-sided CUSUM; the two sides together run 1 ÷ Σ 1 ÷ length.
    private static double ByMarkovChain(double shift)
    {
        static double OneSided(double shift)
        {
            const int States = 200;
            const double H = 4;
            var width = 2 * H / (2 * States - 1);
            var stay = Matrix<double>.Build.Dense(States, States, (from, to) =>
            {
                double Below(double sum) => Normal.CDF(shift - 0.5, 1, sum - from * width);
                return to == 0 ? Below(width / 2) : Below((to + 0.5) * width) - Below((to - 0.5) * width);
            });
            var one = Vector<double>.Build.Dense(States, 1);
            return (Matrix<double>.Build.DenseIdentity(States) - stay).Solve(one)[0];
        }
        return 1 / (1 / OneSided(shift) + 1 / OneSided(-shift));
    }
}
