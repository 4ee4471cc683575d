using Rama.Core.Explain;

namespace Rama.Core.Check;

/// <summary>Whether trees come out as asked, in one sentence.</summary>
/// <param name="Kind">What is said.</param>
/// <param name="Counts">Counts it rests on.</param>
/// <param name="Off">How far from what is asked in the mean, as a share: −0.15 is 15 % too few left.</param>
/// <param name="Low">Low end of its 95 % interval; null without counts.</param>
/// <param name="High">High end.</param>
/// <param name="ToDecide">Counts still wanted before anything can be said, at what is known now; 0 where something
/// is.</param>
/// <param name="Chart">The counts on a chart.</param>
/// <param name="Correction">What to do otherwise; null where nothing is.</param>
/// <param name="Sentence">The sentence.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record CutVerdict(
    VerdictKind Kind,
    int Counts,
    double Off,
    double? Low,
    double? High,
    int ToDecide,
    CutChart Chart,
    CutCorrection? Correction,
    Notice Sentence,
    IReadOnlyList<Step> Steps
) : Calculated(Off, "share", Steps, [])
{
    /// <summary>Whether it is said that too many or too few are left.</summary>
    public bool IsAgainst => Kind is VerdictKind.TooMany or VerdictKind.TooFew;

    /// <summary>Fewer counts say nothing, whatever they show.</summary>
    public const int Fewest = 3;

    // Two-sided 95 %, and two one-sided tests at 5 % for "on target".
    private const double Sure = 1.959963984540054,
        Inside = 1.6448536269514722;

    // What people cut weeks ago says little of how they cut now; a narrow band needs more trees all the same.
    private const int Latest = 24;

    private const double WorthOfBand = 0.75;

    private const int Most = 2_000;

    /// <summary>Judges counts.</summary>
    /// <param name="ratios">log(left ÷ asked), in the order they were made.</param>
    /// <param name="spread">Spread from tree to tree in the planting.</param>
    /// <param name="tolerance">How far off is near enough, as a share.</param>
    /// <param name="asked">What was asked for on a mean tree; null where no correction can be told.</param>
    /// <remarks>
    /// Something is said only where the CUSUM signals, or where the interval of the latest counts lies outside the
    /// tolerance band; "on target" only where the 90 % interval lies inside it (two one-sided tests, Schuirmann 1987).
    /// Else nothing is said but how many counts are wanted. What was said is taken back by later counts the same way.
    /// Source: handbook of the trade 5.3 and 7.3.
    /// </remarks>
    public static CutVerdict Of(
        IReadOnlyList<double> ratios,
        CutSpread spread,
        double tolerance,
        AskedOfTree? asked = null
    )
    {
        var sigma = spread.Sigma;
        var chart = CutChart.Of(ratios, sigma);
        var signal = chart.Signal;
        var (bandLow, bandHigh) = (Math.Log(1 - tolerance), Math.Log(1 + tolerance));
        var latest = tolerance > 0 ? Math.Max(Latest, Needed(sigma, WorthOfBand * bandHigh / Inside)) : Latest;
        var counted = Math.Min(chart.SinceChange, latest);
        if (counted == 0)
            return new(VerdictKind.None, 0, 0, null, null, Fewest, chart, null, Nothing, []);
        var mean = ratios.TakeLast(counted).Average() + sigma * sigma / 2;
        var error = sigma / Math.Sqrt(counted);
        var (low, high) = (mean - Sure * error, mean + Sure * error);
        var kind =
            counted < Fewest && signal == CutSignal.None ? VerdictKind.TooFewCounts
            : signal == CutSignal.TooMany || low > bandHigh ? VerdictKind.TooMany
            : signal == CutSignal.TooFew || high < bandLow ? VerdictKind.TooFew
            : mean - Inside * error > bandLow && mean + Inside * error < bandHigh ? VerdictKind.OnTarget
            : VerdictKind.TooFewCounts;
        var off = Math.Exp(mean) - 1;
        var toDecide = kind == VerdictKind.TooFewCounts ? ToGo(counted, latest, mean, sigma, bandLow, bandHigh) : 0;
        var correction = kind is VerdictKind.TooMany or VerdictKind.TooFew ? asked?.Correction(off) : null;
        return new(
            kind,
            counted,
            off,
            Math.Exp(low) - 1,
            Math.Exp(high) - 1,
            toDecide,
            chart,
            correction,
            SentenceOf(kind, counted, off, Math.Exp(low) - 1, Math.Exp(high) - 1, toDecide),
            [
                new(
                    "verdict.off",
                    "exp(mean of log(left ÷ asked) + σ² ÷ 2) − 1",
                    new("off the number", off, "share"),
                    [
                        new("mean of log(left ÷ asked)", mean - sigma * sigma / 2, "1"),
                        new("σ", sigma, "1"),
                        new("counts", counted, "1"),
                    ],
                    Sources.Counted
                ),
                new(
                    "verdict.interval",
                    "± 1.96 × σ ÷ √counts",
                    new("interval, half its width", Sure * error, "1"),
                    [new("σ", sigma, "1"), new("counts", counted, "1")],
                    "pooled moving ranges of the planting, with a floor"
                ),
            ]
        );
    }

    /// <summary>How far off trees are in the mean, as a share.</summary>
    /// <param name="ratios">log(left ÷ asked); at least one.</param>
    /// <param name="spread">Spread from tree to tree.</param>
    internal static double OffOf(IReadOnlyList<double> ratios, CutSpread spread) =>
        Math.Exp(ratios.Average() + spread.Sigma * spread.Sigma / 2) - 1;

    private static Notice Nothing { get; } = new("verdict.none", "No finished tree is checked yet.");

    // Until the interval would lie inside the band, or outside it, were the mean to stay.
    private static int ToGo(int counted, int latest, double mean, double sigma, double bandLow, double bandHigh)
    {
        var inside = Math.Min(bandHigh - mean, mean - bandLow);
        var outside = Math.Max(mean - bandHigh, bandLow - mean);
        var room = inside > 0 ? inside / Inside : outside / Sure;
        var needed = room <= 0 ? latest : Needed(sigma, room);
        return Math.Clamp(needed - counted, Math.Max(1, Fewest - counted), latest);
    }

    // Counts whose mean has a standard error of no more than that.
    private static int Needed(double sigma, double error) =>
        (int)Math.Min(Most, Math.Ceiling(Math.Pow(sigma / error, 2)));

    private static Notice SentenceOf(VerdictKind kind, int counts, double off, double low, double high, int toDecide)
    {
        static string Percent(double share) => $"{Math.Abs(share) * 100:0} %";
        // From nothing where the interval reaches over the number.
        var least = low * high <= 0 ? 0 : Math.Min(Math.Abs(low), Math.Abs(high));
        var most = kind == VerdictKind.TooMany ? high : -low;
        var between = $"{least * 100:0} to {most * 100:0} %";
        Figure[] figures =
        [
            new("off the number", Math.Abs(off), "share"),
            new("at least", least, "share"),
            new("at most", most, "share"),
            new("counts", counts, "1"),
            new("counts wanted", toDecide, "1"),
        ];
        return kind switch
        {
            VerdictKind.OnTarget => new(
                "verdict.on-target",
                $"On target: the latest {counts} trees lie {Percent(off)} off in the mean.",
                figures
            ),
            VerdictKind.TooMany => new(
                "verdict.too-many",
                $"Leaving {Percent(off)} too many ({between}), by the latest {counts} trees.",
                figures
            ),
            VerdictKind.TooFew => new(
                "verdict.too-few",
                $"Cutting too hard: {Percent(off)} too few left ({between}), by the latest {counts} trees.",
                figures
            ),
            _ => new(
                "verdict.too-few-counts",
                $"Too early to say: {counts} trees. About {toDecide} more decide.",
                figures
            ),
        };
    }
}

/// <summary>What is said of trees checked.</summary>
public enum VerdictKind
{
    /// <summary>None is checked.</summary>
    None,

    /// <summary>Too early to say.</summary>
    TooFewCounts,

    /// <summary>They come out as asked.</summary>
    OnTarget,

    /// <summary>Too many buds are left.</summary>
    TooMany,

    /// <summary>Too few buds are left.</summary>
    TooFew,
}
