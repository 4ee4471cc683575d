namespace Rama.Core.Season;

/// <summary>Hours paid in one month.</summary>
/// <param name="Year">Calendar year.</param>
/// <param name="Month">Month, 1 to 12.</param>
/// <param name="Hours">Hours.</param>
public sealed record MonthHours(int Year, int Month, double Hours)
{
    /// <summary>Hours of passes by month, spread evenly over the days of each window.</summary>
    public static IReadOnlyList<MonthHours> Of(IEnumerable<PlannedPass> passes)
    {
        SortedDictionary<(int Year, int Month), double> sums = [];
        foreach (var pass in passes)
            if (pass is { Hours.Paid: var paid, Worked: { From: { } from, To: { } to } })
            {
                var days = to.DayNumber - from.DayNumber + 1;
                for (var first = from; first <= to; )
                {
                    var last = new DateOnly(first.Year, first.Month, DateTime.DaysInMonth(first.Year, first.Month));
                    last = last < to ? last : to;
                    var key = (first.Year, first.Month);
                    var share = (double)(last.DayNumber - first.DayNumber + 1) / days;
                    sums[key] = sums.GetValueOrDefault(key) + paid * share;
                    first = last.AddDays(1);
                }
            }
        return [.. sums.Select(s => new MonthHours(s.Key.Year, s.Key.Month, s.Value))];
    }
}
