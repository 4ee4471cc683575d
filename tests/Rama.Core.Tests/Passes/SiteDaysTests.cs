using Rama.Core.Passes;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Passes;

public sealed class SiteDaysTests
{
    private static readonly DateOnly Tip = new(2027, 3, 15);

    private static AnchorDays Days(string crop) => AnchorDays.Of(crop, new(Tip, 3, GreenTipBasis.Planting));

    private static WeatherDay Night(DateOnly day, double minC) => new(day, minC, minC + 8);

    // Handbook 6.1 [setting, memory]: dormant peach −18, cherry −20, pear −26, apple −30 °C.
    [Theory]
    [InlineData("peach", -18)]
    [InlineData("cherry", -20)]
    [InlineData("pear", -26)]
    [InlineData("apple", -30)]
    public void Buds_at_rest_are_looked_at_after_the_cold_of_the_handbook(string crop, double lowest)
    {
        DateOnly night = new(2027, 1, 20);
        ColdNight? After(double min) => ColdNight.Last(crop, Days(crop), [Night(night, min)], night.AddDays(1));
        Assert.Equal(night, After(lowest)!.Day);
        Assert.Null(After(lowest + 0.1));
    }

    // State-university charts from memory: 28 °F, −2.2 °C, kills 10 % of apple flowers in bloom, 15 °F at silver tip.
    [Fact]
    public void In_spring_the_stage_says_what_is_cold()
    {
        ColdNight? On(DateOnly day, double min) =>
            ColdNight.Last("apple", Days("apple"), [Night(day, min)], day.AddDays(1));
        Assert.Null(On(Tip.AddDays(-7), -9));
        Assert.NotNull(On(Tip.AddDays(-7), -9.5));
        Assert.NotNull(On(Tip.AddDays(30), -2.3));
        // 26 °F, −3.33 °C, in full pink: half way between 28 and 25 °F is 26.5, so .675 of the flowers, handbook 4.3.
        Assert.Equal(0.675, On(Tip.AddDays(30), -10 / 3.0)!.Loss!.FlowerLoss, 3);
        Assert.Null(On(Tip.AddDays(30), -2.1));
        Assert.Null(On(Tip.AddDays(60), -5));
    }

    [Fact]
    public void The_last_cold_night_counts_and_a_forecast_is_none_yet()
    {
        WeatherDay[] nights =
        [
            Night(new(2027, 1, 10), -22),
            Night(new(2027, 1, 20), -19),
            Night(new(2027, 1, 30), -25) with
            {
                IsForecast = true,
            },
        ];
        Assert.Equal(new(2027, 1, 20), ColdNight.Last("peach", Days("peach"), nights, new(2027, 1, 27))!.Day);
        // Of another winter.
        Assert.Null(ColdNight.Last("peach", Days("peach"), [Night(new(2026, 1, 20), -30)], new(2027, 1, 27)));
    }

    [Fact]
    public void Seasons_of_a_site_fall_in_the_season_of_its_hemisphere()
    {
        DateOnly Storm(SiteYear site) => site.Days(2027).Single(d => d.Anchor == Anchor.StormSeason).Day;
        Assert.Equal(new(2027, 9, 1), Storm(new(StormMonth: 9)));
        Assert.Equal(new(2026, 9, 1), Storm(new(IsSouth: true, StormMonth: 9)));
        Assert.Equal(new(2027, 1, 1), Storm(new(IsSouth: true, StormMonth: 1)));
        Assert.Empty(new SiteYear().Days(2027));
    }

    // What the site tells is held against what follows from green tip, and what is noted wins over both.
    [Fact]
    public void A_day_noted_wins_over_what_the_site_tells()
    {
        var events = new Dictionary<Anchor, DateOnly> { [Anchor.ColdNight] = new(2027, 1, 20) };
        var told = AnchorDays.Of("apple", null, null, events).Find(Anchor.ColdNight)!;
        Assert.Equal((new DateOnly(2027, 1, 20), AnchorBasis.Measured), (told.Day, told.Basis));
        var noted = new Dictionary<Anchor, DateOnly> { [Anchor.ColdNight] = new(2027, 1, 22) };
        Assert.Equal(AnchorBasis.Recorded, AnchorDays.Of("apple", null, noted, events).Find(Anchor.ColdNight)!.Basis);
    }
}
