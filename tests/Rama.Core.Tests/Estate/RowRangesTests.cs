using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Tests.Estate;

public sealed class RowRangesTests
{
    private static IReadOnlyList<(double?, double?)> Rows(string ranges, DensityEntry? planting = null) =>
        [
            .. new RowRangesEntry { Ranges = ranges, Planting = planting ?? new() }
                .Calculate()
                .Rows.Select(r => (r.Row, r.Trees)),
        ];

    [Theory]
    [InlineData("1-3: 180")]
    [InlineData("1–3 x 180")]
    [InlineData("1: 180, 2-3:180")]
    [InlineData("3: 180; 1 - 2: 180")]
    public void Ranges_make_rows(string ranges) => Assert.Equal([(1, 180), (2, 180), (3, 180)], Rows(ranges));

    // 1 ha at 4 × 1 m has 2 500 places: 25 rows of 100.
    [Fact]
    public void Rows_without_a_number_share_the_places_of_the_ground()
    {
        DensityEntry hectare = new()
        {
            RowSpacing = new(4, "m"),
            TreeSpacing = new(1, "m"),
            Area = new(1, "ha"),
        };
        Assert.All(Rows("1-25", hectare), row => Assert.Equal(100, row.Item2));
        var rows = Rows("1-20, 21-25: 60", hectare);
        Assert.Equal((1, 110), rows[0]); // (2 500 − 5 × 60) ÷ 20
        Assert.Equal((25, 60), rows[^1]);
    }

    [Theory]
    [InlineData("")]
    [InlineData("rows")]
    [InlineData("5-3: 10")]
    [InlineData("0-3: 10")]
    [InlineData("1-3: 0")]
    [InlineData("1-3: 10, 3: 9")]
    [InlineData("1-9999: 10")]
    [InlineData("1-3: 10 trees each, more or less")]
    public void What_cannot_be_read_is_told_at_the_field(string ranges)
    {
        var e = Assert.Throws<UnusableEntryException>(() => Rows(ranges));
        Assert.All(e.Problems, p => Assert.Equal("ranges", p.Field));
    }

    [Fact]
    public void Without_a_ground_the_trees_must_be_told() =>
        Assert.Contains(Assert.Throws<UnusableEntryException>(() => Rows("1-3")).Problems, p =>
            p.Field == "planting.area"
        );

    [Fact]
    public void What_comes_out_can_be_saved() =>
        Assert.Equal(
            2_000,
            new RowRangesEntry { Ranges = "1-2000: 5" }
                .Calculate()
                .Read()!
                .Rows.Count
        );
}
