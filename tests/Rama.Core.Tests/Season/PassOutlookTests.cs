using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

public sealed class PassOutlookTests
{
    private static readonly DateOnly Today = new(2027, 1, 27);

    // Thirty days up to today mild and dry, and as many ahead as are forecast.
    private static DayJudge Judge(int forecast, params (int Ahead, WeatherDay Weather)[] changed) =>
        new(
            Enumerable
                .Range(-30, 31 + forecast)
                .Select(i =>
                    changed.FirstOrDefault(c => c.Ahead == i) is (_, { MaxC: > 0 or < 0 } weather) && weather != default
                        ? weather with
                        {
                            Date = Today.AddDays(i),
                            IsForecast = i > 0,
                        }
                        : new WeatherDay(Today.AddDays(i), 1, 8, 0, 3, i > 0)
                ),
            isTender: false
        );

    private static PassOutlook? Outlook(DayJudge judge, params DayCondition[] on) =>
        PassOutlook.Of(judge, on, Today.AddDays(-20), Today.AddDays(40), Today);

    // Must show: unknown where no forecast is.
    [Fact]
    public void Without_a_forecast_nobody_says_a_day_is_safe()
    {
        var outlook = Outlook(Judge(forecast: 0), DayCondition.NoHardFreeze)!;
        Assert.Null(outlook.Today);
        Assert.Empty(outlook.HeldUp);
        Assert.Null(outlook.KnownUntil);
    }

    // Must show: a warning that holds up a pass. −14 °C on the third day: the two days before it are held up, by
    // handbook 6.2, and the third is usable since what counts lies in the two days after it.
    [Fact]
    public void A_hard_freeze_ahead_holds_up_the_days_before_it()
    {
        var outlook = Outlook(Judge(10, (3, new(default, -14, -2, 0, 3))), DayCondition.NoHardFreeze)!;
        Assert.True(outlook.Today);
        Assert.Equal(
            new HeldUp(
                DayCondition.NoHardFreeze,
                Today.AddDays(1),
                Today.AddDays(3),
                -14,
                "°C",
                Today.AddDays(3),
                IsForecast: true
            ),
            Assert.Single(outlook.HeldUp)
        );
        Assert.Equal(Today.AddDays(6), outlook.KnownUntil);
    }

    [Fact]
    public void Rain_holds_up_what_needs_it_dry_until_it_is_known_to_be()
    {
        var outlook = Outlook(Judge(8, (1, new(default, 1, 8, 6, 3))), DayCondition.Dry, DayCondition.NoHardFreeze)!;
        Assert.False(outlook.Today);
        var held = Assert.Single(outlook.HeldUp);
        Assert.Equal((DayCondition.Dry, Today, Today.AddDays(3)), (held.By, held.From, held.Until));
        Assert.Equal((6, "mm/day"), (held.Value, held.Unit));
        // Where the forecast ends before three dry days, nobody knows until when.
        Assert.Null(Outlook(Judge(4, (1, new(default, 1, 8, 6, 3))), DayCondition.Dry)!.HeldUp[0].Until);
    }

    [Fact]
    public void A_pass_that_is_far_off_or_needs_nothing_has_no_outlook()
    {
        Assert.Null(PassOutlook.Of(Judge(9), [DayCondition.Dry], Today.AddDays(30), Today.AddDays(60), Today));
        Assert.Null(Outlook(Judge(9)));
        // One that opens in three days is looked at from there.
        var soon = PassOutlook.Of(Judge(9), [DayCondition.Dry], Today.AddDays(3), Today.AddDays(60), Today)!;
        Assert.Null(soon.Today);
        Assert.Equal(Today.AddDays(6), soon.KnownUntil);
    }

    [Fact]
    public void What_comes_after_its_last_day_holds_nothing_up()
    {
        var judge = Judge(12, (5, new(default, -14, -2, 0, 3)));
        DayCondition[] on = [DayCondition.NoHardFreeze];
        Assert.Empty(PassOutlook.Of(judge, on, Today.AddDays(-20), Today.AddDays(1), Today)!.HeldUp);
        // A late one is still to be done.
        Assert.Single(PassOutlook.Of(judge, on, Today.AddDays(-20), Today.AddDays(-1), Today)!.HeldUp);
        // Of what opens in days nobody knows there is nothing to say.
        Assert.Null(PassOutlook.Of(Judge(0), on, Today.AddDays(2), Today.AddDays(9), Today));
    }
}
