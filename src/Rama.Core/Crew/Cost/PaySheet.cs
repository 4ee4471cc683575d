using Rama.Core.Crew.Progress;
using Rama.Core.Explain;

namespace Rama.Core.Crew.Cost;

/// <summary>What somebody is paid by.</summary>
/// <param name="WagePerHour">Money an hour.</param>
/// <param name="PiecePerTree">Money a tree; null where they are paid by the hour.</param>
public sealed record PayRate(double WagePerHour, double? PiecePerTree = null)
{
    /// <summary>Pay for a piece of work.</summary>
    /// <param name="hours">Hours.</param>
    /// <param name="trees">Trees.</param>
    public double For(double hours, double trees) => PiecePerTree is { } piece ? trees * piece : hours * WagePerHour;
}

/// <summary>A report of work with the trees that count for it.</summary>
/// <param name="Report">The report.</param>
/// <param name="Trees">Trees; a row reported before counts for whoever told it first.</param>
/// <param name="Rate">What those who did it are paid by.</param>
public sealed record PaidWork(WorkReport Report, double Trees, PayRate Rate)
{
    /// <summary>How many worked, those named among them.</summary>
    public int People => Math.Max(Report.People, Report.Workers.Count);

    /// <summary>Hours of all together.</summary>
    public double Hours => (Report.Hours ?? 0) * People;

    /// <summary>Pay of all together, money.</summary>
    public double Pay => Rate.For(Hours, Trees);

    /// <summary>Reports of one pass of one planting, each with the trees that count for it.</summary>
    /// <param name="reports">The reports in the order of the days.</param>
    /// <param name="rows">Trees by row.</param>
    /// <param name="rateOf">What a crew is paid by; of nobody for null.</param>
    public static IReadOnlyList<PaidWork> Of(
        IReadOnlyList<WorkReport> reports,
        IReadOnlyDictionary<int, double> rows,
        Func<Guid?, PayRate> rateOf
    ) =>
        [
            .. reports.Zip(WorkProgress.TreesOf(reports, rows), (report, trees) =>
                new PaidWork(report, trees, rateOf(report.Crew))
            ),
        ];
}

/// <summary>What somebody is paid for a week, or those of a crew who are not named.</summary>
/// <param name="Week">Its Monday.</param>
/// <param name="Crew">Crew they worked in; null for none.</param>
/// <param name="Worker">Who; null for those not named.</param>
/// <param name="People">How many; 1 for somebody named, else the most on a day.</param>
/// <param name="Days">Days worked.</param>
/// <param name="Hours">Hours of all of them.</param>
/// <param name="Trees">Trees of theirs, shared evenly among those who worked.</param>
/// <param name="ByPiece">Whether they are paid by the tree.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Pay">Money.</param>
public sealed record PayLine(
    DateOnly Week,
    Guid? Crew,
    Guid? Worker,
    int People,
    int Days,
    double Hours,
    double Trees,
    bool ByPiece,
    double Pay,
    IReadOnlyList<Step> Steps
) : Calculated(Pay, "money", Steps, [])
{
    /// <summary>What that is for each hour; null where no hours were told. Local law may ask for more.</summary>
    public double? PerHour => Hours > 0 ? Pay / Hours : null;
}

/// <summary>Pay of an estate by week and person.</summary>
public static class PaySheet
{
    private const int DaysInWeek = 7;

    /// <summary>Who is paid how much in which week, the latest week first.</summary>
    /// <param name="works">Reports with their trees and rates.</param>
    /// <remarks>
    /// Trees of a report are shared evenly among those who worked. Source: common practice, no source; what may be paid
    /// by the piece, and no less than what an hour, is for local law.
    /// </remarks>
    public static IReadOnlyList<PayLine> Of(IEnumerable<PaidWork> works) =>
        [
            .. works
                .SelectMany(Shares)
                .GroupBy(s => (s.Week, s.Work.Report.Crew, s.Worker, s.Work.Rate))
                .Select(g => LineOf(g.Key.Week, g.Key.Crew, g.Key.Worker, g.Key.Rate, [.. g]))
                .OrderByDescending(l => l.Week)
                .ThenBy(l => l.Crew)
                .ThenBy(l => l.Worker is null),
        ];

    /// <summary>Monday of the week of a day.</summary>
    /// <param name="day">The day.</param>
    public static DateOnly WeekOf(DateOnly day) =>
        day.AddDays(-(((int)day.DayOfWeek + DaysInWeek - (int)DayOfWeek.Monday) % DaysInWeek));

    private static IEnumerable<Share> Shares(PaidWork work)
    {
        var week = WeekOf(work.Report.Day);
        foreach (var worker in work.Report.Workers)
            yield return new(week, worker, 1, work);
        if (work.People > work.Report.Workers.Count)
            yield return new(week, null, work.People - work.Report.Workers.Count, work);
    }

    private static PayLine LineOf(DateOnly week, Guid? crew, Guid? worker, PayRate rate, IReadOnlyList<Share> shares)
    {
        var hours = shares.Sum(s => (s.Work.Report.Hours ?? 0) * s.People);
        var trees = shares.Sum(s => s.Work.Trees * s.People / s.Work.People);
        var pay = rate.For(hours, trees);
        Figure told = new("pay", pay, "money");
        return new(
            week,
            crew,
            worker,
            shares.Max(s => s.People),
            shares.Select(s => s.Work.Report.Day).Distinct().Count(),
            hours,
            trees,
            rate.PiecePerTree is not null,
            pay,
            [
                rate.PiecePerTree is { } piece
                    ? new(
                        "pay.piece",
                        "trees × money a tree",
                        told,
                        [new("trees", trees, "tree"), new("money a tree", piece, "money/tree")],
                        Sources.Definition
                    )
                    : new(
                        "pay.hours",
                        "hours × wage",
                        told,
                        [new("hours", hours, "h"), new("wage", rate.WagePerHour, "money/h")],
                        Sources.Definition
                    ),
            ]
        );
    }

    private sealed record Share(DateOnly Week, Guid? Worker, int People, PaidWork Work);
}
