using Rama.Core.Passes;
using Rama.Core.Result.Counts;
using Rama.Core.Season;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

public class CropAtHandTests
{
    private static readonly AnchorDays Days = AnchorDays.Of(
        "apple",
        new(new(2027, 3, 20), 1, GreenTipBasis.Planting),
        new Dictionary<Anchor, DateOnly>
        {
            [Anchor.Bloom] = new(2027, 4, 22),
            [Anchor.NaturalDrop] = new(2027, 6, 1),
            [Anchor.HarvestBegin] = new(2027, 9, 10),
        }
    );

    [Theory]
    [InlineData("2027-01-27", CropPoint.Bloom)]
    [InlineData("2027-04-24", CropPoint.Bloom)]
    [InlineData("2027-06-01", CropPoint.Set)]
    [InlineData("2027-06-14", CropPoint.Set)]
    [InlineData("2027-06-15", CropPoint.Thinned)]
    [InlineData("2027-08-10", CropPoint.Thinned)]
    [InlineData("2027-08-11", CropPoint.Harvest)]
    [InlineData("2027-12-01", CropPoint.Harvest)]
    public void The_year_says_what_would_be_counted(string day, CropPoint point) =>
        Assert.Equal(point, CropAtHand.Of(Days, DateOnly.Parse(day, null), isThinned: true));

    [Fact]
    public void What_nobody_thins_is_counted_as_set_until_harvest() =>
        Assert.Equal(CropPoint.Set, CropAtHand.Of(Days, new(2027, 7, 1), isThinned: false));

    [Fact]
    public void A_year_nobody_can_tell_begins_with_bloom() =>
        Assert.Equal(CropPoint.Bloom, CropAtHand.Of(AnchorDays.Of("apple", null), new(2027, 7, 1), isThinned: true));
}
