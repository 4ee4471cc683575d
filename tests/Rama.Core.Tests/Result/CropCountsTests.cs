using Rama.Core.Check;
using Rama.Core.Explain;
using Rama.Core.Result.Counts;
using Rama.Core.Result.Forecast;
using Rama.Core.Statistics;

namespace Rama.Core.Tests.Result;

public class CropCountsTests
{
    private static readonly DateOnly Day = new(2027, 5, 2);

    private static CropCount Count(
        int tree,
        CropPoint point,
        double? clusters,
        double? fruit = null,
        bool sure = false
    ) => new(1, tree, point, Day, clusters, fruit, null, sure, null);

    [Fact]
    public void Trees_are_added_up_by_point_and_the_later_count_of_a_tree_counts()
    {
        var counts = CropCounts.Of([
            Count(1, CropPoint.Bloom, 180),
            Count(2, CropPoint.Bloom, 220),
            Count(1, CropPoint.Set, 120, 240),
            Count(1, CropPoint.Bloom, 200),
            Count(2, CropPoint.Set, 130),
        ]);
        Assert.Equal([CropPoint.Bloom, CropPoint.Set], counts.Samples.Select(s => s.Point));
        Assert.Equal(210, counts.At(CropPoint.Bloom)!.Clusters!.Mean, 9);
        var set = counts.At(CropPoint.Set)!;
        Assert.Equal((125, 2, 2.0), (set.Clusters!.Mean, set.Clusters.Count, set.FruitPerCluster));
        Assert.Equal(1, set.Fruit!.Count);
    }

    [Fact]
    public void A_set_over_the_bloom_of_its_tree_waits_until_it_was_counted_again()
    {
        CropCounts Of(double set, bool sure) =>
            CropCounts.Of([Count(1, CropPoint.Bloom, 100), Count(1, CropPoint.Set, set, null, sure)]);
        Assert.Equal("crop.set-over-bloom", Assert.Single(Of(130, false).SetApart).Code);
        Assert.Null(Of(130, false).At(CropPoint.Set));
        Assert.Equal(130, Of(130, true).At(CropPoint.Set)!.Clusters!.Mean);
        // Two people counting one tree differ by so much.
        Assert.Equal(120, Of(120, false).At(CropPoint.Set)!.Clusters!.Mean);
        Assert.Empty(Of(120, false).SetApart);
    }

    [Fact]
    public void What_was_counted_is_found_and_the_record_comes_before_it()
    {
        var counts = CropCounts.Of([Count(1, CropPoint.Set, 100), Count(2, CropPoint.Set, 140)]);
        var found = CropFound.Of(null, null, counts);
        Assert.Equal((120, 2), (found.Set!.Mean, found.Set.Trees));
        Assert.Equal(20, found.Set.Error, 9);
        Assert.Equal([100.0, 140], found.SetByTree);
        var record = new Rama.Core.Result.SeasonResultEntry
        {
            Season = 2027,
            BudsLeft = 200,
            Counts = new()
            {
                SetClusters = 110,
                How = new() { SetClusters = new() { HalfWidth = 19.6 } },
            },
        }.Read(2027);
        found = CropFound.Of(record, null, counts);
        Assert.Equal(110, found.Set!.Mean);
        Assert.Equal(10, found.Set.Error, 2);
        Assert.Empty(found.SetByTree);
        Assert.Equal((200, null), (found.Left!.Mean, found.Left.Trees));
    }

    // Half the planting is done with a quarter too few left: an eighth of all buds is gone.
    [Fact]
    public void Checks_tell_what_is_left_while_pruning_goes_on()
    {
        CropTerms terms = new(96, 160, 1, BetaShare.Of(.6, .1)!.Value, .1, null, 1, 2, .18, .9, 2_800);
        double[] ratios = [.. Enumerable.Repeat(Math.Log(.75), 12)];
        var verdict = CutVerdict.Of(ratios, CutSpread.Of([ratios]), .1);
        var left = CropFound.Nothing.WithChecks(terms, verdict, .5).Left!;
        Assert.Equal(160 * (1 + verdict.Off / 2), left.Mean, 9);
        Assert.InRange(left.Mean, 138, 142);
        Assert.InRange(left.Share, .05, .1);
        Assert.Null(CropFound.Nothing.WithChecks(terms, verdict, 0).Left);
        // What the walk or the record says comes first.
        var walked = CropFound.Nothing with { Left = new(150, 5, 9) };
        Assert.Equal(150, walked.WithChecks(terms, verdict, 1).Left!.Mean);
        Assert.True(
            CropForecast.AllOf(terms, CropFound.Nothing.WithChecks(terms, verdict, .5))[0].Fruit
                < CropForecast.AllOf(terms, CropFound.Nothing)[0].Fruit
        );
    }

    public static TheoryData<CropCountEntry, string> Wrong =>
        new()
        {
            {
                new() { Point = CropPoint.Bloom },
                "clusters"
            },
            {
                new()
                {
                    Point = CropPoint.Bloom,
                    Clusters = 10,
                    Fruit = 3,
                },
                "fruit"
            },
            {
                new()
                {
                    Point = CropPoint.Set,
                    Clusters = 10,
                    Fruit = 9,
                },
                "fruit"
            },
            {
                new() { Point = CropPoint.Set, Clusters = -1 },
                "clusters"
            },
            {
                new() { Point = CropPoint.Set, Clusters = 1.5 },
                "clusters"
            },
            {
                new() { Point = CropPoint.Thinned },
                "fruit"
            },
            {
                new()
                {
                    Point = CropPoint.Harvest,
                    Fruit = 3,
                    TakenOff = 2,
                },
                "takenOff"
            },
            {
                new()
                {
                    Point = CropPoint.Thinned,
                    Fruit = 3,
                    TakenOff = -2,
                },
                "takenOff"
            },
            {
                new() { Point = (CropPoint)9, Fruit = 3 },
                "point"
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_cannot_be_is_told_at_its_field(CropCountEntry entry, string field)
    {
        var placed = entry with { Row = 1, Tree = 2, Day = Day };
        var problems = Assert.Throws<UnusableEntryException>(placed.Read).Problems;
        Assert.Contains(problems, p => p.Field == field);
    }
}
