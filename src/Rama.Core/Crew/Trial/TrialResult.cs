using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;

namespace Rama.Core.Crew.Trial;

/// <summary>What the work comes to under one change, all money of the same estate.</summary>
/// <param name="Name">The change; empty for the work as it is.</param>
/// <param name="Tasks">Tasks there are.</param>
/// <param name="InTime">Tasks finished in time.</param>
/// <param name="Unplaced">Tasks nobody can do.</param>
/// <param name="DaysLate">Days late of all tasks together.</param>
/// <param name="Last">Day the last is finished; null where nothing is done.</param>
/// <param name="Hours">Hours paid.</param>
/// <param name="Wages">What they cost at the usual rate.</param>
/// <param name="Beside">What the plan costs beside wages.</param>
/// <param name="Cost">What the change itself costs.</param>
/// <param name="MarginLost">Margin it gives up.</param>
/// <param name="Total">All of it.</param>
/// <param name="Saved">What it saves against the work as it is; below 0 where it costs more.</param>
/// <param name="Platforms">Platforms a crew has at work high up, where some are tried; 0 where ladders are done
/// sooner.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record TrialResult(
    string Name,
    int Tasks,
    int InTime,
    int Unplaced,
    int DaysLate,
    DateOnly? Last,
    double Hours,
    double Wages,
    PlanCost Beside,
    double Cost,
    double MarginLost,
    double Total,
    double Saved,
    int Platforms,
    IReadOnlyList<Step> Steps
) : Calculated(Total, "money", Steps, [])
{
    /// <summary>The same beside the work as it is.</summary>
    /// <param name="now">The work as it is.</param>
    public TrialResult Against(TrialResult now) => this with { Saved = now.Total - Total };

    /// <summary>Whether it is better than another: it has a place for more, or comes to less.</summary>
    /// <param name="other">The other.</param>
    public bool IsBetterThan(TrialResult other) =>
        Unplaced != other.Unplaced ? Unplaced < other.Unplaced : Total < other.Total;

    /// <summary>What a plan comes to.</summary>
    /// <param name="trial">The change; null for the work as it is.</param>
    /// <param name="problem">The problem with the change made.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="marginLost">Margin the change gives up, money.</param>
    public static TrialResult Of(CrewTrial? trial, CrewProblem problem, CrewPlan plan, double marginLost = 0)
    {
        var crews = problem.Crews.ToDictionary(c => c.Id);
        var hours = plan.Tasks.Sum(t => t.Hours);
        var wages = plan.Tasks.Sum(t => t.Hours * crews[t.Crew].WagePerHour);
        var cost = trial?.Cost ?? 0;
        var total = wages + plan.Cost.Total + cost + marginLost;
        Figure beside = new("cost beside wages", plan.Cost.Total, "money");
        return new(
            trial?.Name ?? "",
            problem.Tasks.Count,
            plan.Tasks.Count(t => t.DaysLate == 0),
            plan.Unplaced.Count,
            plan.Tasks.Sum(t => t.DaysLate),
            plan.Tasks.Count == 0 ? null : plan.Tasks.Max(t => t.Last),
            hours,
            wages,
            plan.Cost,
            cost,
            marginLost,
            total,
            Saved: 0,
            trial is { Platforms: > 0 } ? problem.Tasks.Max(t => t.Platforms) : 0,
            [
                .. plan.Cost.Steps,
                new(
                    "trial.total",
                    "wages + cost beside wages + cost of the change + margin given up",
                    new("in all", total, "money"),
                    [
                        new("wages", wages, "money"),
                        beside,
                        new("cost of the change", cost, "money"),
                        new("margin given up", marginLost, "money"),
                    ],
                    Sources.Definition
                ),
            ]
        );
    }
}
