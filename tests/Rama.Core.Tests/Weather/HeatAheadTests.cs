using Rama.Core.Weather;

namespace Rama.Core.Tests.Weather;

public sealed class HeatAheadTests
{
    private static readonly StageHeat[] Heats = [new("apple", "green-tip", 67, "from memory, not re-read")];

    // Days of one heat each: above the base all day, so that a day brings its mean less 6.1 °C.
    private static IEnumerable<WeatherDay> Days(DateOnly from, int days, double heatC, bool forecast = false) =>
        Enumerable
            .Range(0, days)
            .Select(i => new WeatherDay(from.AddDays(i), 6.1 + heatC, 6.1 + heatC, IsForecast: forecast));

    // By hand: 20 days of 1 °C-day are 20; 47 more at 1 °C-day, as last year, end on the 67th day: 8 March.
    [Fact]
    public void Green_tip_by_the_heat_so_far_and_of_last_year()
    {
        List<WeatherDay> days = [.. Days(new(2026, 1, 1), 120, 1), .. Days(new(2027, 1, 1), 20, 1)];
        Assert.Equal(
            new GreenTip(new(2027, 3, 8), 1, GreenTipBasis.Heat),
            HeatAhead.GreenTip(days, 2027, new(2027, 1, 20), Heats)
        );
        // A warm forecast of ten days brings it on: 20 + 30 after 30 days, 17 more.
        days.AddRange(Days(new(2027, 1, 21), 10, 3, forecast: true));
        Assert.Equal(new(2027, 2, 16), HeatAhead.GreenTip(days, 2027, new(2027, 1, 20), Heats)!.Day);
    }

    [Fact]
    public void Where_the_season_is_not_measured_or_past_years_end_there_is_no_estimate()
    {
        List<WeatherDay> lastYear = [.. Days(new(2026, 1, 1), 40, 1)];
        Assert.Null(HeatAhead.GreenTip(lastYear, 2027, new(2027, 1, 20), Heats));
        List<WeatherDay> old = [.. Days(new(2026, 1, 1), 120, 1), .. Days(new(2027, 1, 1), 10, 1)];
        Assert.Null(HeatAhead.GreenTip(old, 2027, new(2027, 1, 20), Heats));
        List<WeatherDay> shortPast = [.. lastYear, .. Days(new(2027, 1, 1), 20, 1)];
        Assert.Null(HeatAhead.GreenTip(shortPast, 2027, new(2027, 1, 20), Heats));
        Assert.Null(HeatAhead.GreenTip(old, 2027, new(2027, 1, 10), []));
    }

    [Fact]
    public void Green_tip_reached_by_heat_is_the_day_it_was_reached()
    {
        var reached = HeatAhead.GreenTip([.. Days(new(2027, 1, 1), 80, 1)], 2027, new(2027, 3, 21), Heats)!;
        Assert.Equal((new DateOnly(2027, 3, 8), GreenTipBasis.Heat), (reached.Day, reached.Basis));
    }

    // Its own dates shift the table: in 2026 it took 77 °C-days, ten more than the table says.
    [Fact]
    public void Own_dates_shift_the_heat_it_takes()
    {
        List<WeatherDay> days = [.. Days(new(2026, 1, 1), 120, 1), .. Days(new(2027, 1, 1), 20, 1)];
        var tip = HeatAhead.GreenTip(days, 2027, new(2027, 1, 20), Heats, greenTips: [new(2026, 3, 18)]);
        Assert.Equal(new(2027, 3, 18), tip!.Day);
    }

    // Handbook 6.4: from 1 July in the south; the season is named for the harvest after the new year.
    [Fact]
    public void In_the_south_heat_is_added_up_from_July()
    {
        List<WeatherDay> days = [.. Days(new(2025, 7, 1), 150, 1), .. Days(new(2026, 7, 1), 20, 1)];
        Assert.Equal(new(2026, 9, 5), HeatAhead.GreenTip(days, 2027, new(2026, 7, 20), Heats, isSouth: true)!.Day);
        Assert.Null(HeatAhead.GreenTip(days, 2027, new(2026, 7, 20), Heats));
        Assert.Equal(2027, DegreeDays.SeasonOf(new(2026, 9, 5), isSouth: true));
        Assert.Equal(2026, DegreeDays.SeasonOf(new(2026, 3, 5), isSouth: true));
    }
}
