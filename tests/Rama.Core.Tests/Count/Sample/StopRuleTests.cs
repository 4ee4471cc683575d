using MathNet.Numerics.Distributions;
using Rama.Core.Count.Estimate;
using Rama.Core.Count.Sample;
using Rama.Core.Statistics;

namespace Rama.Core.Tests.Count.Sample;

public sealed class StopRuleTests
{
    private static readonly StopTerms Terms = new(
        Planned: 37,
        ToLeave: 163,
        Tolerance: 0.10,
        Trees: 2_400,
        CostPerBud: 0.07,
        CostPerTree: 1.3
    );

    private static StopAdvice After(params double[] buds)
    {
        var mean = MeanInterval.Of(buds, population: 2_400);
        return StopRule.Of(
            buds.Length,
            mean.StandardError is { } error ? new(EstimateMethod.Simple, mean.Mean, error, buds.Length - 1) : null,
            Terms
        );
    }

    [Fact]
    public void Four_trees_say_nothing_however_alike() =>
        Assert.Equal(StopVerdict.TooFew, After(300, 301, 300, 299).Verdict);

    [Fact]
    public void Far_from_a_border_five_trees_are_enough()
    {
        var advice = After(290, 310, 275, 320, 305);
        Assert.Equal(StopVerdict.Settled, advice.Verdict);
        Assert.False(advice.CouldChange);
    }

    // Mean 180 just over the border of 179.3.
    [Fact]
    public void Near_a_border_it_goes_on_while_it_pays()
    {
        var advice = After(120, 240, 150, 210, 180);
        Assert.Equal(StopVerdict.GoOn, advice.Verdict);
        Assert.InRange(advice.MoreTrees, 1, 32);
        Assert.True(advice.ExpectedSaving > advice.MoreTrees * Terms.CostPerTree);
    }

    [Fact]
    public void After_the_planned_trees_it_says_not_settled() =>
        Assert.Equal(
            StopVerdict.NotSettled,
            After([.. Enumerable.Range(0, 37).Select(i => 180.0 + (i % 2 == 0 ? 60 : -60))]).Verdict
        );

    [Fact]
    public void Where_little_hangs_on_it_another_tree_is_not_worth_its_minutes()
    {
        var mean = MeanInterval.Of([120, 240, 150, 210, 180]);
        var advice = StopRule.Of(
            5,
            new(EstimateMethod.Simple, mean.Mean, mean.StandardError!.Value, 4),
            Terms with
            {
                Trees = 4,
                CostPerTree = 10,
            }
        );
        Assert.Equal(StopVerdict.NotWorthMore, advice.Verdict);
    }

    // Unit normal loss, e.g. Raiffa and Schlaifer 1961, table II: L(0) .3989, L(0.5) .1978, L(1) .08332, L(2) .008491.
    [Theory]
    [InlineData(0, 0.3989, 4)]
    [InlineData(0.5, 0.1978, 4)]
    [InlineData(1, 0.08332, 5)]
    [InlineData(2, 0.008491, 6)]
    public void Unit_normal_loss_as_published(double z, double loss, int decimals) =>
        Near.Printed(loss, StopRule.UnitLoss(z), decimals);

    /// <summary>
    /// Simulated: trees with CV 30 %, the true mean 4 % beyond the border, looked at after every tree up to the planned
    /// 37. The share of plantings stopped at the wrong decision stays below one in twenty; at 95 % with two trees it is
    /// about one in nine (handbook 2.5).
    /// </summary>
    [Fact]
    public void Wrong_stops_are_rare()
    {
        // Minutes that cost nothing: only the interval stops.
        var free = Terms with { CostPerTree = 0 };
        Assert.InRange(
            WrongStops(m =>
                StopRule
                    .Of(m.Count, new(EstimateMethod.Simple, m.Mean, m.StandardError!.Value, m.Count - 1), free)
                    .Verdict == StopVerdict.Settled
            ),
            0,
            0.05
        );
        Assert.InRange(
            WrongStops(m =>
                StudentT.InvCDF(0, 1, m.Count - 1, 0.975) * m.StandardError < Math.Abs(m.Mean - Terms.BandHigh)
            ),
            0.07,
            0.20
        );
    }

    // The share of plantings where it stops at a mean on the wrong side of the border.
    private static double WrongStops(Func<MeanInterval, bool> stops)
    {
        const int runs = 3_000;
        var random = new Random(3);
        var (border, truth) = (Terms.BandHigh, Terms.BandHigh * 1.04);
        var wrong = 0;
        for (var run = 0; run < runs; run++)
        {
            List<double> buds = [];
            while (buds.Count < Terms.Planned)
            {
                buds.Add(Normal.Sample(random, truth, 0.30 * truth));
                if (buds.Count < 2)
                    continue;
                var mean = MeanInterval.Of(buds, population: Terms.Trees);
                if (!stops(mean))
                    continue;
                if (mean.Mean < border)
                    wrong++;
                break;
            }
        }
        return wrong / (double)runs;
    }

    // The table for the phone and the full rule agree on a plain count: R, qt(.995, 9)·sqrt(1/10 − 1/2400) =
    // 1.02554498.
    [Fact]
    public void The_field_table_holds_the_same_factors()
    {
        var table = FieldStop.Of(37, 2_400, Terms);
        Near.Printed(1.0255, table.Factor99[10], 4);
        Assert.Equal((179.3, 146.7), (Math.Round(table.BandHigh!.Value, 9), Math.Round(table.BandLow!.Value, 9)));
        Assert.Equal(0, table.Factor95[1]);
    }
}
