using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

public sealed class DayJudgeTests
{
    private static readonly DateOnly Start = new(2026, 1, 1);

    // Forty mild, dry, calm days; some of them changed.
    private static DayJudge Days(bool tender = false, params (int Day, WeatherDay Weather)[] changed)
    {
        var days = Enumerable
            .Range(0, 40)
            .Select(i => new WeatherDay(Start.AddDays(i), 1, 8, 0, 3))
            .ToDictionary(d => d.Date);
        foreach (var (day, weather) in changed)
            days[Start.AddDays(day)] = weather with { Date = Start.AddDays(day) };
        return new(days.Values, tender);
    }

    private static WeatherDay Mild(double min = 1, double max = 8, double? rain = 0, double? wind = 3) =>
        new(default, min, max, rain, wind);

    private static bool? On(DayJudge judge, DayCondition condition, int day) =>
        judge.Holds(condition, Start.AddDays(day));

    // Handbook 6.2: no rain from the day before to three days after.
    [Theory]
    [InlineData(18, true)]
    [InlineData(19, false)]
    [InlineData(23, false)]
    [InlineData(24, true)]
    public void Dry_is_from_the_day_before_to_three_days_after(int rainOn, bool dry) =>
        Assert.Equal(dry, On(Days(false, (rainOn, Mild(rain: 5))), DayCondition.Dry, 20));

    // Handbook 6.2: the next two days not 10 °C under the fortnight's mean minimum, tender crops above −8 °C.
    [Theory]
    [InlineData(-8.9, false, true)] // 1 − 10 = −9
    [InlineData(-9.1, false, false)]
    [InlineData(-8.1, true, false)]
    [InlineData(-7.9, true, true)]
    public void A_hard_freeze_in_the_next_two_days_keeps_out(double min, bool tender, bool holds)
    {
        foreach (var day in new[] { 21, 22 })
            Assert.Equal(holds, On(Days(tender, (day, Mild(min: min))), DayCondition.NoHardFreeze, 20));
        Assert.True(On(Days(tender, (23, Mild(min: min))), DayCondition.NoHardFreeze, 20));
    }

    [Fact]
    public void Not_on_a_hot_day_nor_in_the_two_before_one_and_no_platform_in_strong_wind()
    {
        foreach (var (hot, holds) in new[] { (20, false), (22, false), (23, true), (19, true) })
            Assert.Equal(holds, On(Days(false, (hot, Mild(max: 30))), DayCondition.NotHot, 20));
        Assert.False(On(Days(false, (20, Mild(wind: 10))), DayCondition.LowWind, 20));
        Assert.True(On(Days(), DayCondition.LowWind, 20));
    }

    // What lies ahead without a forecast is unknown and never called safe; a broken day settles it.
    [Fact]
    public void What_is_not_measured_is_unknown()
    {
        Assert.Null(On(Days(), DayCondition.Dry, 38));
        Assert.Null(On(Days(false, (20, Mild(rain: null))), DayCondition.Dry, 20));
        Assert.False(On(Days(false, (20, Mild(rain: null)), (21, Mild(rain: 4))), DayCondition.Dry, 20));
        Assert.Null(On(Days(), DayCondition.NoHardFreeze, 3));
        Assert.Null(Days().Holds([DayCondition.NotHot, DayCondition.Dry], Start.AddDays(38)));
        Assert.False(
            Days(false, (38, Mild(max: 33))).Holds([DayCondition.NotHot, DayCondition.Dry], Start.AddDays(38))
        );
    }

    // By hand: it rains on 25, 26 and 27. The days 22 to 28 have rain the day before, on them or within three days
    // after; of the ten from 20 to 29 the days 20, 21 and 29 are left.
    [Fact]
    public void Usable_days_of_past_years_are_counted()
    {
        var judge = Days(false, (25, Mild(rain: 3)), (26, Mild(rain: 3)), (27, Mild(rain: 3)));
        var usable = UsableDays.Of(
            judge,
            [DayCondition.Dry],
            Start.AddDays(20).AddYears(1),
            Start.AddDays(29).AddYears(1)
        );
        Assert.Equal(new UsableDays(3, 10, 1), usable);
        Assert.Null(UsableDays.Of(judge, [DayCondition.Dry], new(2031, 6, 1), new(2031, 6, 30)));
        Assert.Null(UsableDays.Of(judge, [], Start, Start.AddDays(10)));
    }
}
