using Rama.Core.Season;

namespace Rama.Core.Tests.Season;

public sealed class WorkTests
{
    private static readonly DateOnly Today = new(2027, 1, 27);

    private static GreenTip Tip(int month, int day) => new(new(2027, month, day), 1, GreenTipBasis.Planting);

    // Common practice, no source: hardy, old and big ones first, stone fruit last.
    [Fact]
    public void Hardy_old_and_big_ones_come_first()
    {
        (string, int, double, string)[] plantings = [("peach", 1990, 9, "A"), ("apple", 2010, 1, "B"), ("apple", 2010, 4, "C"), ("apple", 1999, 1, "D"), ("pear", 1990, 1, "E")];
        Assert.Equal(["D", "C", "B", "E", "A"], WorkOrder.Of(plantings, p => p).Select(p => p.Item4));
    }

    // By hand: 7 200 trees at 2 min are 240 h, a week of work; the second planting is done after two weeks, on 10 February.
    [Fact]
    public void Work_is_laid_end_to_end_against_green_tip()
    {
        var works = WorkAhead.InTurn(Today, 240, [(7_200, 2.0, Tip(3, 1)), (7_200, null, Tip(2, 7)), (0, null, null)]);
        Assert.Equal(
            [(240, false, new DateOnly(2027, 2, 3), 33, 0), (240, true, new DateOnly(2027, 2, 10), 11, 3)],
            works.Take(2).Select(w => ((int)w.Hours, w.HoursAssumed, w.Done, w.DaysToGreenTip!.Value, w.DaysLate!.Value)));
        Assert.Equal("season.late", works[1].Reason!.Code);
        Assert.Null(works[0].Reason);
        Assert.Equal((null, null), (works[2].DaysToGreenTip, works[2].DaysLate));
    }

    [Fact]
    public void Green_tip_is_the_mean_of_the_nearest_kin_that_has_dates()
    {
        DateOnly[] own = [new(2024, 3, 12), new(2025, 3, 18), new(2026, 3, 15)], variety = [new(2026, 3, 1)], crop = [new(2026, 2, 20)];
        Assert.Equal(new GreenTip(new(2027, 3, 15), 3, GreenTipBasis.Planting), GreenTip.Expected(2027, own, variety, crop));
        Assert.Equal(GreenTipBasis.Variety, GreenTip.Expected(2027, [], variety, crop)!.Basis);
        Assert.Equal(GreenTipBasis.Crop, GreenTip.Expected(2027, [], [], crop)!.Basis);
        Assert.Null(GreenTip.Expected(2027, [], [], []));
    }

    // 2024 had a 29 February: the same day of March stays the same day of March.
    [Fact]
    public void Leap_years_do_not_shift_the_spring() =>
        Assert.Equal(new(2027, 3, 10), GreenTip.Expected(2027, [new(2024, 3, 10)], [], [])!.Day);
}
