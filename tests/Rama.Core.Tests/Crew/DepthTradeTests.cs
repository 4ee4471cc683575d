using CsCheck;
using Rama.Core.Crew.Depth;

namespace Rama.Core.Tests.Crew;

public sealed class DepthTradeTests
{
    // Thousands; source: handbook of the trade 7.1, by enumeration.
    private static readonly IReadOnlyList<DepthChoice> Five =
    [
        Choice("1", 320, 140, 9.8, 5.1),
        Choice("2", 210, 120, 3.9, 3.2),
        Choice("3", 180, 70, 6.6, 2.0),
        Choice("4", 90, 60, 1.4, 1.2),
        Choice("5", 260, 110, 7.0, 5.2),
    ];

    private static DepthChoice Choice(string name, double full, double structure, double most, double some) =>
        new(
            name,
            [new(CutDepth.Full, full, most), new(CutDepth.Structure, structure, some), new(CutDepth.Hazard, 0, 0)]
        );

    [Fact]
    public void With_700_hours()
    {
        var trade = DepthTrade.Of(Five, 700);

        Assert.Equal(
            [CutDepth.Full, CutDepth.Hazard, CutDepth.Full, CutDepth.Full, CutDepth.Structure],
            trade.Plantings.Select(p => p.Depth)
        );
        Assert.Equal(23.0, trade.Margin, 9);
        Assert.Equal(28.7, trade.Full, 9);
    }

    [Fact]
    public void With_520_hours()
    {
        var trade = DepthTrade.Of(Five, 520);

        Assert.Equal(
            [CutDepth.Structure, CutDepth.Hazard, CutDepth.Full, CutDepth.Full, CutDepth.Structure],
            trade.Plantings.Select(p => p.Depth)
        );
        Assert.Equal(18.3, trade.Margin, 9);
    }

    [Fact]
    public void What_an_hour_given_up_costs()
    {
        var fifth = DepthTrade.Of(Five, 700).Plantings[4];

        Assert.Equal(150, fifth.HoursSaved);
        Assert.Equal(1.8, fifth.MarginLost, 9);
        Assert.Equal(0.012, fifth.LostPerHour!.Value, 9);
    }

    /// <summary>Against enumeration of all depths of up to six plantings.</summary>
    [Fact]
    public void It_keeps_the_most_there_is() =>
        (
            from choices in Gen.Select(Gen.Int[1, 60], Gen.Int[1, 60], Gen.Int[0, 90], Gen.Int[0, 90]).Array[1, 6]
            from hours in Gen.Int[0, 250]
            select (choices, hours)
        ).Sample(problem =>
        {
            List<DepthChoice> choices =
            [
                .. problem.choices.Select((c, i) => Choice($"{i}", c.Item1 + c.Item2, c.Item2, c.Item3, c.Item4)),
            ];
            var trade = DepthTrade.Of(choices, problem.hours);

            var most = 0.0;
            for (var ways = 0; ways < Math.Pow(3, choices.Count); ways++)
            {
                var (h, m, rest) = (0.0, 0.0, ways);
                foreach (var choice in choices)
                {
                    var option = choice.Options[rest % 3];
                    rest /= 3;
                    (h, m) = (h + option.Hours, m + option.Margin);
                }
                if (h <= problem.hours)
                    most = Math.Max(most, m);
            }
            Assert.Equal(most, trade.Margin, 6);
            Assert.True(trade.Hours <= problem.hours);
            Assert.Equal(trade.Margin, trade.Plantings.Sum(p => p.Margin), 6);
        });
}
