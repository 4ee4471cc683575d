using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

public sealed class WorkTests
{
    private static readonly DateOnly Today = new(2027, 1, 27);

    private static GreenTip Tip(int month, int day) => new(new(2027, month, day), 1, GreenTipBasis.Planting);

    // Common practice, no source: hardy, old and big ones first, stone fruit last.
    [Fact]
    public void Hardy_old_and_big_ones_come_first()
    {
        (string, int, double, string)[] plantings =
        [
            ("peach", 1990, 9, "A"),
            ("apple", 2010, 1, "B"),
            ("apple", 2010, 4, "C"),
            ("apple", 1999, 1, "D"),
            ("pear", 1990, 1, "E"),
        ];
        Assert.Equal(["D", "C", "B", "E", "A"], WorkOrder.Of(plantings, p => p).Select(p => p.Item4));
    }

    private static WorkToDo Work(double trees, double? minutes, GreenTip? tip, string crop = "apple")
    {
        var pass = PassDefinition.Find(crop is "cherry" or "peach" ? $"{crop}-winter" : "winter")!;
        var window = PassWindow.Of(pass.Window, AnchorDays.Of(crop, tip));
        return new(
            trees * (minutes ?? 2) / 60 / PassHours.ProductiveShare,
            minutes is null,
            tip,
            window.To is { } to ? new(window.From, to) : null
        );
    }

    // By hand: 6 120 trees at 2 min are 204 working hours, 240 paid at .85, a week of work. What is done by 7
    // February comes first; the other is done after two weeks, on 10 February; what nobody can date comes last.
    [Fact]
    public void Work_is_laid_end_to_end_in_the_order_the_windows_close()
    {
        var works = WorkAhead.InTurn(
            Today,
            240,
            [Work(6_120, 2, Tip(2, 7)), Work(0, null, null), Work(6_120, null, Tip(2, 1))]
        );
        Assert.Equal([2, 0, 1], works.Select(w => w.Place));
        Assert.Equal(
            [(240, true, new DateOnly(2027, 2, 3), 5, 10), (240, false, new DateOnly(2027, 2, 10), 11, 11)],
            works
                .Take(2)
                .Select(w => w.Work)
                .Select(w => ((int)w.Hours, w.HoursAssumed, w.Done, w.DaysToGreenTip!.Value, w.DaysLate!.Value))
        );
        Assert.Equal("season.late", works[1].Work.Reason!.Code);
        Assert.Equal((null, null), (works[2].Work.DaysToGreenTip, works[2].Work.DaysLate));
    }

    // By hand: 6 121 trees are two minutes more than a week of work, and nobody goes home at noon of the seventh day.
    [Theory]
    [InlineData(6_120, 3)]
    [InlineData(6_121, 4)]
    public void A_day_begun_is_a_day(double trees, int february) =>
        Assert.Equal(
            new(2027, 2, february),
            Assert.Single(WorkAhead.InTurn(Today, 240, [Work(trees, 2, Tip(2, 7))])).Work.Done
        );

    // Cherry waits for late winter and peach for bud swell, whatever hands are free: common practice, no source.
    [Fact]
    public void Stone_fruit_waits_for_its_own_window()
    {
        var works = WorkAhead.InTurn(
            Today,
            240,
            [Work(100, 2, Tip(3, 10), "peach"), Work(100, 2, Tip(3, 20), "cherry"), Work(6_120, 2, Tip(3, 25))]
        );
        Assert.Equal([2, 1, 0], works.Select(w => w.Place));
        Assert.Equal(new DateOnly(2027, 2, 20), works[1].Work.Window!.From);
        Assert.True(works[1].Work.Done >= new DateOnly(2027, 2, 20) && works[2].Work.Done >= new DateOnly(2027, 2, 24));
        // In time though done after green tip: it is pruned up to bloom.
        Assert.All(works, w => Assert.Equal(0, w.Work.DaysLate));
    }

    // 20 million trees at one hour a week are 15 000 years: beyond any calendar, and still an answer.
    [Fact]
    public void Work_nobody_can_ever_do_still_has_a_day()
    {
        var works = WorkAhead.InTurn(Today, 1, [Work(2e7, 2, Tip(3, 1)), Work(2e7, 2, Tip(3, 2))]);
        Assert.All(works, w => Assert.Equal(2127, w.Work.Done.Year));
    }

    [Fact]
    public void Hardy_ones_come_first_where_windows_close_together()
    {
        var works = WorkAhead.InTurn(
            Today,
            240,
            [Work(10, 2, Tip(3, 1)), Work(10, 2, Tip(3, 1), "pear"), Work(10, 2, Tip(2, 20), "pear")]
        );
        Assert.Equal([2, 0, 1], works.Select(w => w.Place));
    }

    [Fact]
    public void Green_tip_is_the_mean_of_the_nearest_kin_that_has_dates()
    {
        SeasonDay[] own = [new(2024, new(2024, 3, 12)), new(2025, new(2025, 3, 18)), new(2026, new(2026, 3, 15))],
            variety = [new(2026, new(2026, 3, 1))],
            crop = [new(2026, new(2026, 2, 20))];
        Assert.Equal(
            new GreenTip(new(2027, 3, 15), 3, GreenTipBasis.Planting),
            GreenTip.Expected(2027, own, variety, crop)
        );
        Assert.Equal(GreenTipBasis.Variety, GreenTip.Expected(2027, [], variety, crop)!.Basis);
        Assert.Equal(GreenTipBasis.Crop, GreenTip.Expected(2027, [], [], crop)!.Basis);
        Assert.Null(GreenTip.Expected(2027, [], [], []));
    }

    // 2024 had a 29 February: the same day of March stays the same day of March.
    [Fact]
    public void Leap_years_do_not_shift_the_spring() =>
        Assert.Equal(new(2027, 3, 10), GreenTip.Expected(2027, [new(2024, new(2024, 3, 10))], [], [])!.Day);
}
