using Rama.Core.Plan;
using Rama.Core.Result;
using Rama.Core.Result.Counts;

namespace Rama.Core.Tests.Plan;

public class SeasonClosingTests
{
    private static CropCounts Counted(params (CropPoint Point, double Clusters)[] trees) =>
        CropCounts.Of(
            trees.Select(
                (t, i) => new CropCount(1, i + 1, t.Point, new(2027, 5, 2), t.Clusters, null, null, false, null)
            )
        );

    private static SeasonClosing Close(SeasonResultEntry? known, CropCounts? counts = null)
    {
        var (_, reading, plan) = MadePlantings.All[0];
        return SeasonClosing.Of(reading, plan, known, null, counts);
    }

    private static double Year => MadePlantings.All[0].Reading.Year;

    [Fact]
    public void A_season_without_a_record_gets_one_of_what_was_wanted_and_counted()
    {
        var closing = Close(null, Counted((CropPoint.Bloom, 90), (CropPoint.Set, 40), (CropPoint.Set, 60)));
        Assert.Equal([SeasonFact.Wanted, SeasonFact.Bloom, SeasonFact.Set], closing.Fills);
        Assert.Equal(50, closing.Record!.Counts!.SetClusters);
        Assert.Equal(2, closing.Record.Counts.How!.SetClusters!.Trees);
        Assert.Equal(
            [
                SeasonFact.BudsLeft,
                SeasonFact.Yield,
                SeasonFact.FruitSize,
                SeasonFact.PackOut,
                SeasonFact.Girth,
                SeasonFact.Shoots,
            ],
            closing.Missing
        );
    }

    [Fact]
    public void What_is_typed_is_never_written_over()
    {
        SeasonResultEntry typed = new()
        {
            Season = Year,
            Yield = new(40, "t/ha"),
            Wanted = new() { FruitPerTree = 77 },
            Counts = new() { SetClusters = 30 },
        };
        var closing = Close(typed, Counted((CropPoint.Bloom, 90), (CropPoint.Set, 50)));
        Assert.Equal(77, closing.Record!.Wanted!.FruitPerTree);
        Assert.Equal(30, closing.Record.Counts!.SetClusters);
        Assert.Null(closing.Record.Counts.How!.SetClusters);
        Assert.Equal(90, closing.Record.Counts.BloomClusters);
        Assert.Equal([SeasonFact.Bloom], closing.Fills);
        // Closed once more nothing is left to do.
        Assert.Empty(
            SeasonClosing
                .Of(
                    MadePlantings.All[0].Reading,
                    MadePlantings.All[0].Plan,
                    closing.Record,
                    null,
                    Counted((CropPoint.Bloom, 90), (CropPoint.Set, 50))
                )
                .Fills
        );
    }

    // Fewer in bloom than hold fruit: the record as typed cannot take the count; what was wanted is fixed all the same.
    [Fact]
    public void What_does_not_fit_is_left_out_and_the_rest_fixed()
    {
        SeasonResultEntry typed = new()
        {
            Season = Year,
            Counts = new() { BloomClusters = 20 },
        };
        var closing = Close(typed, Counted((CropPoint.Set, 50)));
        Assert.Equal([SeasonFact.Wanted], closing.Fills);
        Assert.Null(closing.Record!.Counts!.SetClusters);
        Assert.Contains(SeasonFact.Set, closing.Missing);
    }

    [Fact]
    public void Every_planting_closes_to_a_record_that_can_be_read() =>
        MadePlantings.Each(
            (reading, plan) =>
            {
                var closing = SeasonClosing.Of(reading, plan, null, null, Counted((CropPoint.Set, 12)));
                var record = closing.Record!.Read(reading.Year);
                Assert.Equal(plan.Crop!.FruitPerTree, record.Wanted!.FruitPerTree!.Value, .06);
                Assert.Contains(SeasonFact.Wanted, closing.Fills);
            }
        );
}
