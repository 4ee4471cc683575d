using Rama.Core.Explain;

namespace Rama.Core.Passes;

/// <summary>Hours of one pass through one planting.</summary>
/// <param name="Working">Hours on the trees.</param>
/// <param name="Paid">Hours paid, with ways, breaks and tools.</param>
/// <param name="Looking">Hours paid of those for walking to the trees and looking at them.</param>
/// <param name="Assumed">Whether the seconds of its cuts are an assumption, since nothing is prescribed.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record PassHours(double Working, double Paid, double Looking, bool Assumed, IReadOnlyList<Step> Steps)
    : Calculated(Paid, "h", Steps, [])
{
    /// <summary>
    /// Share of the hours paid that is spent on trees (common practice, no source): the rest is ways, breaks
    /// and tools.
    /// </summary>
    public const double ProductiveShare = 0.85;

    /// <summary>Hours high up on platforms over those on ladders, two people on each (assumption).</summary>
    public const double PlatformShare = 0.6;

    private const double SecondsPerHour = 3_600;

    /// <summary>Working hours = trees × (walking and looking + cutting) ÷ 3 600 × factor ÷ productive share.</summary>
    /// <param name="trees">Trees.</param>
    /// <param name="baseSeconds">Seconds to walk to a tree and look at it in this pass.</param>
    /// <param name="cuttingSeconds">Seconds of its cuts on a mean tree.</param>
    /// <param name="factor">How much longer the planting takes than expected; 1 where nobody knows.</param>
    /// <param name="assumed">Whether the seconds of its cuts are an assumption.</param>
    /// <param name="visits">How often the planting is gone through.</param>
    public static PassHours Of(
        double trees,
        double baseSeconds,
        double cuttingSeconds,
        double factor = 1,
        bool assumed = false,
        int visits = 1
    )
    {
        var working = trees * (baseSeconds + cuttingSeconds) / SecondsPerHour * factor * visits;
        var paid = working / ProductiveShare;
        return new(
            working,
            paid,
            trees * baseSeconds / SecondsPerHour * factor * visits / ProductiveShare,
            assumed,
            [
                new(
                    "pass.hours",
                    "trees × (walking and looking + cutting) ÷ 3 600 × factor × visits",
                    new("working hours", working, "h"),
                    [
                        new("trees", trees, "tree"),
                        new("walking and looking", baseSeconds, "s/tree"),
                        new("cutting", cuttingSeconds, "s/tree"),
                        new("factor", factor, "1"),
                        new("visits", visits, "1"),
                    ],
                    assumed ? Sources.Assumption : Sources.Definition
                ),
                new(
                    "pass.paid",
                    "working hours ÷ productive share",
                    new("paid hours", paid, "h"),
                    [new("working hours", working, "h"), new("productive share", ProductiveShare, "share")],
                    "common practice, no source"
                ),
            ]
        );
    }

    /// <summary>What is left of them.</summary>
    /// <param name="done">Share that is done, 0 to 1.</param>
    public PassHours Left(double done) =>
        done == 0
            ? this
            : Times(
                1 - done,
                new(
                    "pass.left",
                    "paid hours × (1 − share done)",
                    new("hours left", Paid * (1 - done), "h"),
                    [new("paid hours", Paid, "h"), new("share done", done, "share")],
                    Sources.Definition
                )
            );

    /// <summary>Those the planting takes by what was logged of it and of others.</summary>
    /// <param name="factor">Hours over those expected, above 0.</param>
    /// <param name="logs">Row sets that rests on.</param>
    public PassHours Learned(double factor, int logs) =>
        factor == 1
            ? this
            : Times(
                factor,
                new(
                    "pass.learned",
                    "paid hours × factor learned",
                    new("hours as learned", Paid * factor, "h"),
                    [
                        new("paid hours", Paid, "h"),
                        new("factor learned", factor, "1"),
                        new("row sets logged", logs, "1"),
                    ],
                    Sources.OwnRecords
                )
            );

    /// <summary>Those a person pinned the planting to.</summary>
    /// <param name="factor">Hours over those expected, above 0.</param>
    public PassHours Pinned(double factor) =>
        Times(
            factor,
            new(
                "pass.pinned",
                "paid hours × factor pinned",
                new("hours as pinned", Paid * factor, "h"),
                [new("paid hours", Paid, "h"), new("factor pinned", factor, "1")],
                Sources.Entered
            )
        );

    /// <summary>Those on platforms instead of ladders.</summary>
    /// <remarks>Source: handbook of the trade 6.3, an assumption.</remarks>
    public PassHours OnPlatforms() =>
        Times(
            PlatformShare,
            new(
                "pass.platform",
                "hours on ladders × share on platforms",
                new("hours on platforms", Paid * PlatformShare, "h"),
                [new("hours on ladders", Paid, "h"), new("share on platforms", PlatformShare, "share")],
                Sources.Assumption
            )
        );

    /// <summary>Half of them, where two crews share the rows.</summary>
    public PassHours Half() =>
        Times(
            0.5,
            new(
                "pass.half",
                "hours ÷ crews that share the rows",
                new("hours of one crew", Paid / 2, "h"),
                [new("hours", Paid, "h"), new("crews that share the rows", 2, "1")],
                Sources.Definition
            )
        );

    private PassHours Times(double share, Step step) =>
        this with
        {
            Working = Working * share,
            Looking = Looking * share,
            Paid = Paid * share,
            Value = Paid * share,
            Steps = [.. Steps, step],
        };

    /// <summary>
    /// Factor of a sum of hours from logs of actual over expected time of row sets in one planting: the mean of a
    /// lognormal, not its median.
    /// </summary>
    /// <param name="logs">log(actual ÷ expected) of each row set; none for 1.</param>
    /// <remarks>
    /// Normal within and between plantings, s = 0.25 and τ = 0.35 (assumption): m = Σr ÷ (n + s²/τ²),
    /// v = 1 ÷ (n/s² + 1/τ²), factor = exp(m + v/2 + s²/2). Source: derived.
    /// </remarks>
    public static double FactorOf(IReadOnlyCollection<double> logs)
    {
        const double Within = 0.25 * 0.25;
        const double Between = 0.35 * 0.35;
        if (logs.Count == 0)
            return 1;
        var mean = logs.Sum() / (logs.Count + Within / Between);
        var variance = 1 / (logs.Count / Within + 1 / Between);
        return Math.Exp(mean + variance / 2 + Within / 2);
    }
}
