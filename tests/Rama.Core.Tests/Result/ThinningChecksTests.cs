using Rama.Core.Check;
using Rama.Core.Result.Counts;
using Rama.Core.Result.Thinning;

namespace Rama.Core.Tests.Result;

public class ThinningChecksTests
{
    private static readonly Guid North = new("11111111-0000-0000-0000-000000000000"),
        South = new("22222222-0000-0000-0000-000000000000");

    private static CropCount Tree(int row, int tree, double fruit, bool sure = false) =>
        new(row, tree, CropPoint.Thinned, new(2027, 6, 10), null, fruit, null, sure, null);

    // Trees that differ by 20 %, as finished trees do after pruning.
    private static IEnumerable<CropCount> Trees(int row, int trees, double mean, Random random) =>
        Enumerable
            .Range(1, trees)
            .Select(t =>
                Tree(
                    row,
                    t,
                    Math.Round(
                        mean
                            * Math.Exp(
                                0.2
                                    * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
                                    * Math.Cos(2 * Math.PI * random.NextDouble())
                                    - .02
                            )
                    )
                )
            );

    private static ThinningChecks? Judged(IEnumerable<CropCount> counts) =>
        ThinningChecks.Of(counts, (100, 100), .1, row => row == 1 ? North
            : row == 2 ? South
            : null);

    [Fact]
    public void A_crew_that_leaves_a_fifth_too_few_is_told_so_and_the_other_is_not()
    {
        var random = new Random(5);
        var checks = Judged([.. Trees(1, 40, 100, random), .. Trees(2, 40, 78, random)])!;
        var said = checks.Crews.ToDictionary(c => c.Crew, c => c.Verdict);
        Assert.Equal(VerdictKind.TooFew, said[South].Kind);
        Assert.Equal("thinning.too-hard", said[South].Sentence.Code);
        Assert.StartsWith("Thinning too hard", said[South].Sentence.Message, StringComparison.Ordinal);
        Assert.InRange(said[South].Off, -.3, -.12);
        Assert.False(said[North].IsAgainst);
    }

    [Fact]
    public void A_row_nobody_reported_counts_for_the_planting_and_for_no_crew()
    {
        var checks = Judged(Trees(3, 30, 100, new Random(2)))!;
        Assert.Empty(checks.Crews);
        Assert.True(checks.All.Counts > 0);
    }

    [Fact]
    public void Of_a_tree_counted_twice_the_later_counts_and_a_slip_is_left_out_until_it_stands()
    {
        var checks = Judged([Tree(1, 1, 10), Tree(1, 1, 100), Tree(1, 2, 20), Tree(1, 3, 20, sure: true)])!;
        Assert.Equal(1, checks.Apart);
        Assert.Equal(2, checks.All.Chart.Points.Count);
        Assert.Null(Judged([Tree(1, 1, 10) with { Point = CropPoint.Set }]));
    }

    // 92 wanted where 70 clusters hold fruit: one on each is no fault of the thinners, and nor are some doubles.
    [Fact]
    public void Where_too_few_clusters_set_nobody_thinned_too_hard()
    {
        foreach (var mean in new[] { 72, 88 })
        {
            var checks = ThinningChecks.Of(Trees(1, 60, mean, new Random(3)), (70, 92), .1, _ => North)!;
            Assert.False(checks.All.IsAgainst, checks.All.Sentence.Message);
        }
        Assert.True(ThinningChecks.Of(Trees(1, 60, 50, new Random(3)), (70, 92), .1, _ => North)!.All.IsAgainst);
        Assert.True(ThinningChecks.Of(Trees(1, 60, 130, new Random(3)), (70, 92), .1, _ => North)!.All.IsAgainst);
    }
}
