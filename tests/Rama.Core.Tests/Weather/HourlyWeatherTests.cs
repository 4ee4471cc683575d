using Rama.Core.Weather;

namespace Rama.Core.Tests.Weather;

public sealed class HourlyWeatherTests
{
    private static readonly TimeZoneInfo Rome = TimeZoneInfo.FindSystemTimeZoneById("Europe/Rome");

    private static IEnumerable<HourlyWeather> Hours(DateTimeOffset from, int hours, Func<int, HourlyWeather> of) =>
        Enumerable.Range(0, hours).Select(h => of(h) with { At = from.AddHours(h) });

    // In Rome 28 March 2027 has 23 hours and 31 October 25: calendar of the European Union.
    [Theory]
    [InlineData(2027, 3, 28, 23)]
    [InlineData(2027, 10, 31, 25)]
    [InlineData(2027, 6, 1, 24)]
    public void A_day_the_clock_is_changed_is_a_day_like_others(int year, int month, int day, int hours)
    {
        DateOnly date = new(year, month, day);
        var midnight = date.ToDateTime(TimeOnly.MinValue);
        DateTimeOffset start = new(midnight, Rome.GetUtcOffset(midnight));
        var days = HourlyWeather.DaysOf(Hours(start, hours + 24, _ => new(default, 5, 1, 2)), Rome);
        Assert.Equal(new WeatherDay(date, 5, 5, hours, 2), days[0]);
        // Had it 24 hours, the next day would begin an hour off and lack one.
        Assert.Equal(new WeatherDay(date.AddDays(1), 5, 5, 24, 2), days[1]);
    }

    [Fact]
    public void The_day_has_the_lowest_and_highest_of_its_hours_by_the_clock_of_the_place()
    {
        DateTimeOffset start = new(2027, 1, 19, 23, 0, 0, TimeSpan.Zero); // midnight in Rome
        var days = HourlyWeather.DaysOf(
            Hours(start, 24, h => new(default, h - 10, h == 3 ? 2.5 : 0, h, h >= 12)),
            Rome
        );
        Assert.Equal(new WeatherDay(new(2027, 1, 20), -10, 13, 2.5, 23, IsForecast: true), Assert.Single(days));
    }

    [Fact]
    public void A_day_that_lacks_hours_is_left_out_and_one_told_twice_counts_once()
    {
        DateTimeOffset start = new(2027, 1, 20, 0, 0, 0, TimeSpan.Zero);
        Assert.Empty(HourlyWeather.DaysOf(Hours(start, 19, _ => new(default, 1)), TimeZoneInfo.Utc));
        var twice = Hours(start, 24, _ => new(default, 1, 1)).Concat(Hours(start, 24, _ => new(default, 2, 2)));
        Assert.Equal(
            new WeatherDay(new(2027, 1, 20), 2, 2, 48),
            Assert.Single(HourlyWeather.DaysOf(twice, TimeZoneInfo.Utc))
        );
    }

    [Fact]
    public void Rain_an_hour_does_not_tell_is_not_none()
    {
        DateTimeOffset start = new(2027, 1, 20, 0, 0, 0, TimeSpan.Zero);
        var days = HourlyWeather.DaysOf(Hours(start, 24, h => new(default, 1, h == 5 ? null : 0)), TimeZoneInfo.Utc);
        Assert.Null(Assert.Single(days).RainMm);
    }
}
