using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Crew.Progress;

/// <summary>When work will be finished, with the range it will be finished in nine times of ten.</summary>
/// <param name="PaidHours">Hours paid that are left.</param>
/// <param name="Factor">Hours over those expected.</param>
/// <param name="FactorLow">Low end of it.</param>
/// <param name="FactorHigh">High end of it.</param>
/// <param name="Days">Working days it takes, days lost in them.</param>
/// <param name="DaysLow">Low end of them.</param>
/// <param name="DaysHigh">High end of them.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record WorkForecast(
    double PaidHours,
    double Factor,
    double FactorLow,
    double FactorHigh,
    double Days,
    double DaysLow,
    double DaysHigh,
    IReadOnlyList<Step> Steps
) : Calculated(Days, "day", Steps, [])
{
    // 5 % and 95 % of the normal distribution.
    private const double NineInTen = 1.6448536269514722;

    private const double Within = 0.25 * 0.25,
        Between = 0.35 * 0.35;

    /// <summary>Works it out.</summary>
    /// <param name="terms">What it follows from.</param>
    /// <remarks>
    /// The factor of what is left is a mean of row sets, each lognormal around a factor that itself is known from the
    /// logs so far only: log-normal by its first two moments. Source: derived (Fenton and Wilkinson); check values:
    /// handbook of the trade 6.3 and 7.2. Days lost to weather come as they come: negative binomial.
    /// </remarks>
    public static WorkForecast Of(ForecastTerms terms)
    {
        var (n, sets) = (terms.Logs.Count, Math.Max(1, terms.SetsLeft));
        var factor = PassHours.FactorOf(terms.Logs);
        var known = n == 0 ? Between : 1 / (n / Within + 1 / Between);
        var spread = known + Math.Log(1 + (Math.Exp(Within) - 1) / sets);
        var middle = Math.Log(factor) - (n == 0 ? 0 : spread / 2);
        var (low, high) = (
            Math.Exp(middle - NineInTen * Math.Sqrt(spread)),
            Math.Exp(middle + NineInTen * Math.Sqrt(spread))
        );
        var working = terms.Trees * terms.MinutesPerTree / 60 * factor;
        var paid = working / PassHours.ProductiveShare;
        var daily = terms.People * terms.HoursPerDay;
        var days = paid / daily / terms.UsableShare;
        // Days of work, and those lost between them.
        var lost = (1 - terms.UsableShare) / Math.Max(1, paid / daily);
        var both = Math.Sqrt(spread + lost);
        var centre = Math.Log(days) - (n == 0 ? 0 : spread / 2);
        return new(
            paid,
            factor,
            low,
            high,
            days,
            Math.Exp(centre - NineInTen * both),
            Math.Exp(centre + NineInTen * both),
            [
                new(
                    "forecast.hours",
                    "trees × minutes ÷ 60 × factor ÷ productive share",
                    new("paid hours", paid, "h"),
                    [
                        new("trees", terms.Trees, "tree"),
                        new("minutes", terms.MinutesPerTree, "min/tree"),
                        new("factor", factor, "1"),
                        new("productive share", PassHours.ProductiveShare, "share"),
                    ],
                    n == 0 ? Sources.Assumption : Sources.Definition
                ),
                new(
                    "forecast.days",
                    "paid hours ÷ (people × hours a day) ÷ usable share",
                    new("working days", days, "day"),
                    [
                        new("paid hours", paid, "h"),
                        new("people", terms.People, "1"),
                        new("hours a day", terms.HoursPerDay, "h"),
                        new("usable share", terms.UsableShare, "share"),
                    ],
                    Sources.Definition
                ),
            ]
        );
    }
}

/// <summary>What a forecast follows from.</summary>
/// <param name="Trees">Trees left.</param>
/// <param name="MinutesPerTree">Minutes expected a tree, walking and looking in them.</param>
/// <param name="Logs">log(actual ÷ expected) of row sets done.</param>
/// <param name="SetsLeft">Row sets left, each about as large as those done.</param>
/// <param name="People">People who work on it.</param>
/// <param name="HoursPerDay">Hours a day.</param>
/// <param name="UsableShare">Share of the days that can be worked on.</param>
public sealed record ForecastTerms(
    double Trees,
    double MinutesPerTree,
    IReadOnlyList<double> Logs,
    int SetsLeft,
    int People,
    double HoursPerDay,
    double UsableShare
);
