using CsCheck;
using Rama.Core.Count.Sample;

namespace Rama.Core.Tests.Count.Sample;

public sealed class PacedWalkTests
{
    // What somebody counts who does as told.
    private static List<(int Row, int Tree)> Walked(PacedWalk walk, int rows, int trees)
    {
        List<(int, int)> counted = [];
        var paced = 0;
        for (var row = walk.FirstRow; row <= rows; row += walk.EveryRow)
        for (var tree = 1; tree <= trees; tree++)
            if (++paced >= walk.FirstTree && (paced - walk.FirstTree) % walk.EveryTree == 0)
                counted.Add((row, tree));
        return counted;
    }

    private static PacedWalk Of(int rows, int trees, int wanted, int seed, bool edges = true) =>
        PacedWalk.Of(rows * trees, wanted, new(3.5, 1, 1), new(wanted, seed, EdgeRows: edges));

    // By hand: 30 of 6 000 are one in 200; √(200 × 1 ÷ 3.5) = 7.6, at most 6 rows apart; 200 ÷ 6 = 33.
    [Fact]
    public void Rows_and_trees_lie_about_as_far_apart()
    {
        var walk = Of(60, 100, 30, 1);
        Assert.Equal((6, 33), (walk.EveryRow, walk.EveryTree));
        // One in 40: √(40 ÷ 3.5) = 3.4 rows, 13 trees: 10.5 m by 13 m.
        walk = Of(20, 120, 60, 1);
        Assert.Equal((3, 13), (walk.EveryRow, walk.EveryTree));
        // 600 m of rows may be two rows: each is walked, the edge too.
        walk = Of(2, 300, 30, 1, edges: false);
        Assert.Equal((1, 1, 20), (walk.FirstRow, walk.EveryRow, walk.EveryTree));
    }

    [Fact]
    public void It_is_told_by_its_first_numbers() =>
        Assert.Equal(
            "No rows are listed, so pace it: go into rows 3, 9, 15 and so on from the edge, up one and down the next. "
                + "Count trees 5, 50, 95 and so on, counting on from row to row, gaps left out: about 37 trees.",
            new PacedWalk(3, 6, 5, 45).Told(37).Message
        );

    // Whatever the shape of the planting, about as many are counted as wanted, in several rows where it has them.
    [Fact]
    public void About_as_many_as_wanted_are_counted_and_the_edge_is_left() =>
        Gen.Select(Gen.Int[12, 120], Gen.Int[30, 300], Gen.Int[12, 60], Gen.Int[1, 9_999])
            .Sample(
                (rows, trees, wanted, seed) =>
                {
                    var counted = Walked(Of(rows, trees, wanted, seed, edges: false), rows, trees);
                    // The rows met are a whole number, at the least one in six of them.
                    var row = 1.0 / (rows / 6);
                    Assert.InRange(counted.Count, wanted * (1 - row) / 1.25 - 2, wanted * (1 + row) * 1.25 + 2);
                    if (rows * trees > 1_200)
                        Assert.DoesNotContain(counted, c => c.Row == 1);
                    Assert.True(counted.Select(c => c.Row).Distinct().Count() >= 2);
                }
            );

    // Cochran, Sampling Techniques, ch. 8: with random starts each tree is as likely as any other. 40 rows of 60, 24
    // wanted: by 4 000 walks each quarter of the planting gets a quarter of the trees counted, within 3 %.
    [Fact]
    public void Each_part_of_the_planting_is_as_likely_as_any_other()
    {
        var parts = Enumerable
            .Range(1, 4_000)
            .SelectMany(seed => Walked(Of(40, 60, 24, seed), 40, 60))
            .CountBy(c => ((c.Row - 1) / 20, (c.Tree - 1) / 30))
            .ToDictionary();
        var mean = parts.Values.Average();
        Assert.Equal(4, parts.Count);
        Assert.All(parts.Values, n => Assert.InRange(n / mean, 0.97, 1.03));
    }
}
