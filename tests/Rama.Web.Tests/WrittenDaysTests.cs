using Rama.Data.Exchange.Reading;

namespace Rama.Web.Tests;

public class WrittenDaysTests
{
    [Theory]
    [InlineData("03/04/2026|14/09/2026", DayOrder.DayFirst)]
    [InlineData("03/04/2026|9/14/2026", DayOrder.MonthFirst)]
    [InlineData("3.4.2026|4.4.2026", DayOrder.DayFirst)]
    [InlineData("03/04/2026|04/05/2026", DayOrder.Unknown)]
    // One column in two orders shows none.
    [InlineData("14/09/2026|9/14/2026", DayOrder.Unknown)]
    [InlineData("|soon|2026-09-14", DayOrder.Unknown)]
    public void A_column_shows_what_comes_first(string cells, DayOrder order) =>
        Assert.Equal(order, WrittenDays.OrderOf(cells.Split('|')));

    [Theory]
    [InlineData("2026-09-04", DayOrder.Unknown, "2026-09-04")]
    [InlineData("4/9/2026", DayOrder.DayFirst, "2026-09-04")]
    [InlineData("4/9/2026", DayOrder.MonthFirst, "2026-04-09")]
    [InlineData("4/9/2026", DayOrder.Unknown, null)]
    [InlineData("31.2.2026", DayOrder.DayFirst, null)]
    [InlineData("0.1.2026", DayOrder.DayFirst, null)]
    [InlineData("4.9-2026", DayOrder.DayFirst, null)]
    [InlineData("4.9.26", DayOrder.DayFirst, null)]
    [InlineData("4.9.0026", DayOrder.DayFirst, null)]
    public void A_day_is_read_as_its_column_shows(string text, DayOrder order, string? day) =>
        Assert.Equal(day is null ? null : DateOnly.Parse(day, null), WrittenDays.Read(text, order));
}
