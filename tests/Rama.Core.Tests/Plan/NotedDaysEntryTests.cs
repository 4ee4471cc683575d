using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Plan;

namespace Rama.Core.Tests.Plan;

public sealed class NotedDaysEntryTests
{
    private static NotedDaysEntry Noted(params (Anchor Anchor, string Day)[] days) =>
        new()
        {
            Noted =
            [
                .. days.Select(d => new NotedDayEntry
                {
                    Anchor = d.Anchor,
                    Day = DateOnly.ParseExact(d.Day, "yyyy-MM-dd"),
                }),
            ],
        };

    // Common practice, no source: in the north leaves fall in November, in the south in May; green tip is there in
    // September, before the year of the harvest.
    [Fact]
    public void A_season_of_either_half_of_the_earth_lies_within_its_days()
    {
        var north = Noted(
            (Anchor.LeafFallBefore, "2026-11-20"),
            (Anchor.GreenTip, "2027-03-12"),
            (Anchor.LeafFall, "2027-11-25")
        );
        var south = Noted(
            (Anchor.LeafFallBefore, "2026-05-20"),
            (Anchor.GreenTip, "2026-09-12"),
            (Anchor.LeafFall, "2027-05-25")
        );
        Assert.Equal(3, north.ReadIn(2027).Count);
        Assert.Equal(3, south.ReadIn(2027).Count);
    }

    [Theory]
    [InlineData("2026-02-28")]
    [InlineData("2028-02-01")]
    public void A_day_of_another_season_is_told_at_its_line(string day) =>
        Assert.Equal(
            ["noted[1].day"],
            Assert
                .Throws<UnusableEntryException>(() =>
                    Noted((Anchor.GreenTip, "2027-03-12"), (Anchor.ColdNight, day)).ReadIn(2027)
                )
                .Problems.Select(p => p.Field)
        );
}
