using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Season;

/// <summary>Hours of an estate's passes by month, against what its crews have.</summary>
/// <param name="Hours">Hours paid in all months.</param>
/// <param name="Months">Every month from the first window, or today, to the last.</param>
public sealed record CrewYear(double Hours, IReadOnlyList<CrewMonth> Months)
{
    /// <summary>The year of an estate.</summary>
    /// <param name="programmes">Those of its plantings.</param>
    /// <param name="crewHoursPerWeek">Hours all crews together work in a week.</param>
    /// <param name="today">The day taken as today.</param>
    public static CrewYear Of(IEnumerable<Programme> programmes, double crewHoursPerWeek, DateOnly today)
    {
        var passes = programmes.SelectMany(p => p.Passes).Where(p => p.State != PassState.LeftOut).ToList();
        var byMonth = passes
            .Where(p => p.Hands.Count > 0)
            .GroupBy(p => p.Hands[0])
            .SelectMany(g => MonthHours.Of(g), (g, m) => (m.Year, m.Month, Hands: new HandsHours(g.Key, m.Hours)))
            .ToLookup(m => (m.Year, m.Month), m => m.Hands);
        var byPass = passes
            .GroupBy(p => p.Id)
            .SelectMany(
                g => MonthHours.Of(g),
                (g, m) => (m.Year, m.Month, Figure: Figure.Named(g.First().Name, m.Hours, "h"))
            )
            .ToLookup(m => (m.Year, m.Month), m => m.Figure);
        var days = passes.SelectMany(p => new[] { p.From, p.To }).OfType<DateOnly>().Append(today).ToList();
        List<CrewMonth> months = [];
        var last = days.Max();
        for (var month = new DateOnly(days.Min().Year, days.Min().Month, 1); month <= last; month = month.AddMonths(1))
            months.Add(
                CrewMonth.Of(
                    month,
                    crewHoursPerWeek,
                    [.. byMonth[(month.Year, month.Month)].OrderBy(h => h.Hands)],
                    [.. byPass[(month.Year, month.Month)].OrderByDescending(f => f.Value)]
                )
            );
        return new(months.Sum(m => m.Hours), months);
    }
}

/// <summary>Hours of one month.</summary>
/// <param name="Year">Calendar year.</param>
/// <param name="Month">Month, 1 to 12.</param>
/// <param name="Hours">Hours paid.</param>
/// <param name="Have">Hours the crews have in it.</param>
/// <param name="IsOver">Whether it asks for more than they have.</param>
/// <param name="ByHands">Hours by the most skilled hands a pass needs.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record CrewMonth(
    int Year,
    int Month,
    double Hours,
    double Have,
    bool IsOver,
    IReadOnlyList<HandsHours> ByHands,
    IReadOnlyList<Step> Steps
)
{
    private const double DaysPerWeek = 7;

    internal static CrewMonth Of(
        DateOnly month,
        double crewHoursPerWeek,
        IReadOnlyList<HandsHours> byHands,
        IReadOnlyList<Figure> byPass
    )
    {
        var hours = byHands.Sum(h => h.Hours);
        var days = DateTime.DaysInMonth(month.Year, month.Month);
        var have = crewHoursPerWeek * days / DaysPerWeek;
        return new(
            month.Year,
            month.Month,
            hours,
            have,
            hours > have,
            byHands,
            [
                new(
                    "month.hours",
                    "Σ over the passes of their hours, spread evenly over the days of each window",
                    new("hours of the month", hours, "h"),
                    byPass,
                    Sources.Assumption
                ),
                new(
                    "month.have",
                    "crew hours × days of the month ÷ 7",
                    new("hours there are", have, "h"),
                    [new("crew hours", crewHoursPerWeek, "h/week"), new("days of the month", days, "day")],
                    Sources.Definition
                ),
            ]
        );
    }
}

/// <summary>Hours of one kind of hands.</summary>
/// <param name="Hands">The hands.</param>
/// <param name="Hours">Hours paid.</param>
public sealed record HandsHours(Hands Hands, double Hours);
