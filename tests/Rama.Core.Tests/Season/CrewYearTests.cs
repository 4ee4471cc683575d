using Rama.Core.Decide;
using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Core.Systems;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

public sealed class CrewYearTests
{
    private static readonly DateOnly Today = new(2026, 10, 9);

    private static Programme Programme()
    {
        var (system, planting) = (TrainingSystem.Find("tall-spindle")!, Entries.Planting.Read(2027));
        var days = AnchorDays.Of("apple", new(new(2027, 3, 15), 3, GreenTipBasis.Planting));
        return Core.Season.Programme.Of(
            new(planting with { System = system }, 1_000, new Dictionary<string, string>(), days, DecisionKind.Reduce)
        );
    }

    // By hand: 70 h a week are 10 h a day: 310 in a month of 31 days, 280 in February 2027.
    [Fact]
    public void Crews_have_their_hours_for_every_day_of_a_month()
    {
        var months = CrewYear.Of([], 70, new(2027, 2, 9)).Months;
        Assert.Equal((2027, 2, 280, 0), (months[0].Year, months[0].Month, months[0].Have, months[0].Hours));
        Assert.Equal(310, CrewYear.Of([], 70, new(2027, 5, 31)).Months.Single().Have, 9);
    }

    [Fact]
    public void Months_follow_without_a_gap_and_hold_all_hours()
    {
        var programme = Programme();
        var year = CrewYear.Of([programme, programme], 70, Today);
        Assert.Equal((2026, 10), (year.Months[0].Year, year.Months[0].Month));
        Assert.All(year.Months.Zip(year.Months.Skip(1)), m =>
            Assert.Equal(m.First.Year * 12 + m.First.Month + 1, m.Second.Year * 12 + m.Second.Month)
        );
        Assert.Equal(2 * programme.PaidHours, year.Hours, 6);
        Assert.True(year.Hours > 0);
    }

    [Fact]
    public void A_month_is_over_where_it_asks_for_more_than_there_is()
    {
        var most = CrewYear.Of([Programme()], 70, Today).Months.MaxBy(m => m.Hours)!;
        var perWeek = most.Hours / DateTime.DaysInMonth(most.Year, most.Month) * 7;
        bool IsOver(double week) => CrewYear.Of([Programme()], week, Today).Months.MaxBy(m => m.Hours)!.IsOver;
        Assert.True(IsOver(perWeek * 0.99));
        Assert.False(IsOver(perWeek * 1.01));
    }
}
