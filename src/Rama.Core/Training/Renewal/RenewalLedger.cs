using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Core.Training.Renewal;

/// <summary>The wood of a planting by age, how fast it is renewed, and where that leads.</summary>
/// <param name="Trees">Trees whose limbs were all told with their age.</param>
/// <param name="Forecast">Ages from this winter on; null before limbs were told with their age.</param>
/// <param name="RenewedAWinter">Mean of the last winters told, limbs a tree; null where nothing was told.</param>
/// <param name="SpentShare">Share of the limbs that are spent; null where it cannot be told.</param>
/// <param name="Cohorts">Limbs a leader in each cohort; null where the system has none or nothing is counted.</param>
/// <param name="Scaffolds">The round of the scaffolds; none where limbs are renewed.</param>
/// <param name="NextScaffold">Scaffold whose turn it is; null where there is no round.</param>
/// <param name="FirstThisWinter">Limbs a tree that last winter's card left as the first of this one; null where it
/// named none.</param>
/// <param name="Steps">The arithmetic beside the forecast's.</param>
/// <param name="Warnings">What is unusual, the forecast's own with them.</param>
public sealed record RenewalLedger(
    int Trees,
    RenewalForecast? Forecast,
    double? RenewedAWinter,
    double? SpentShare,
    LeaderCohorts? Cohorts,
    IReadOnlyList<ScaffoldTurn> Scaffolds,
    int? NextScaffold,
    double? FirstThisWinter,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
)
{
    private const int WintersAhead = 4,
        WintersBack = 3,
        WintersOfNothing = 2;

    private const double SpentBuds = 0.5,
        TooManySpent = 1 / 3.0;

    /// <summary>The ledger of a planting.</summary>
    /// <param name="terms">What it follows from.</param>
    /// <remarks>Source: derived; what is spent and how much of it is too much: common practice, no source.</remarks>
    public static RenewalLedger Of(RenewalTerms terms)
    {
        var renewal = terms.System.Renewal;
        List<Step> steps = [];
        List<Notice> warnings = [];
        var told = terms.Counted.Where(t => t.Limbs.Count > 0).ToList();
        var aged = told.Where(t => t.Limbs.All(l => l.AgeYears is not null)).ToList();
        Say(told.Count(t => t.Limbs.Any(l => l.AgeYears is not null)) - aged.Count, "renewal.part-aged", n =>
            $"Counted trees with an age for some of their limbs only: {n}. They are left out here."
        );
        // What was corrected since it was counted is told and not used.
        var old = aged.RemoveAll(t => t.Limbs.Any(l => l.AgeYears > terms.Leaf));
        Say(old, "renewal.too-old", n =>
            $"Counted trees with limbs older than the planting, in its leaf {terms.Leaf}: {n}. Look at their ages."
        );
        var byAge = ByAge(aged);
        var renewed = Renewed(terms, steps);
        var forecast =
            byAge is null || renewal?.Of == RenewedWood.Scaffold
                ? null
                : RenewalForecast.Of(byAge, renewed ?? 0, renewed is null ? 0 : WintersAhead, renewal?.MostYears);
        if (forecast is not null && renewed is not null)
        {
            // That nothing is renewed is said once, in the words for two winters of it.
            warnings.AddRange(forecast.Warnings.Where(w => renewed > 0 || !HasStopped(terms)));
            if (forecast.CycleYears < renewal?.LeastYears)
                warnings.Add(
                    new(
                        "renewal.fast",
                        $"At this pace every limb is gone within {forecast.CycleYears:0.#} years, before it has "
                            + $"cropped: expected {renewal.LeastYears:0} or more.",
                        new Figure("years", forecast.CycleYears!.Value, "year"),
                        new Figure("years", renewal.LeastYears, "year")
                    )
                );
        }
        var round = Round(terms, warnings);
        if (HasStopped(terms))
            warnings.Add(
                new(
                    "renewal.stopped",
                    "Nothing was renewed for two winters: the wood grows older, and its fruit smaller."
                )
            );
        var spent = SpentOf(terms, steps);
        if (spent > TooManySpent)
            warnings.Add(
                new(
                    "renewal.spent",
                    "More than a third of the limbs are spent: old, and with less than half the usual buds for their "
                        + "thickness. Renew those first, a few more each winter.",
                    new Figure("spent", spent.Value, "share")
                )
            );
        return new(
            aged.Count,
            forecast,
            renewed,
            spent,
            CohortsOf(renewal, byAge, terms.System.Form.Leaders),
            round,
            NextOf(round),
            terms.LeftFirst is > 0 ? terms.LeftFirst : null,
            steps,
            warnings
        );

        void Say(int count, string code, Func<int, string> words)
        {
            if (count > 0)
                warnings.Add(
                    new(code, words(count), new Figure("trees", count, "tree"), new Figure("leaf", terms.Leaf, "1"))
                );
        }
    }

    private static double[]? ByAge(IReadOnlyList<AgedTree> aged)
    {
        if (aged.Count == 0)
            return null;
        var ages = aged.SelectMany(t => t.Limbs, (_, l) => l.AgeYears!.Value).ToList();
        return [.. Enumerable.Range(1, ages.Max()).Select(age => ages.Count(a => a == age) / (double)aged.Count)];
    }

    // A winter of which nothing is told since renewal began renewed nothing that anyone knows of; this one may still.
    private static double? Renewed(RenewalTerms terms, List<Step> steps)
    {
        var told = terms.Winters.Where(w => w.Limbs is not null && w.Season <= terms.Season).ToList();
        if (told.Count == 0)
            return null;
        var last = Math.Max(told.Max(w => w.Season), terms.Season - 1);
        var back = told.Where(w => w.Season > last - WintersBack).ToList();
        var winters = back.Count == 0 ? WintersBack : last - back.Min(w => w.Season) + 1;
        var mean = back.Sum(w => w.Limbs!.Value) / winters;
        steps.Add(
            new(
                "renewal.renewed",
                "Σ limbs renewed ÷ winters",
                new("limbs renewed a year", mean, "limb/tree"),
                [new("limbs renewed", back.Sum(w => w.Limbs!.Value), "limb/tree"), new("winters", winters, "1")],
                Sources.OwnRecords
            )
        );
        return mean;
    }

    // This winter's work may stand in the books already.
    private static bool HasStopped(RenewalTerms terms) =>
        terms.Winters.Count > 0
        && Enumerable
            .Range(0, WintersOfNothing + 1)
            .Select(back => terms.Winters.FirstOrDefault(w => w.Season == terms.Season - back))
            .All(w => w is null or { Limbs: null or 0, Scaffold: null });

    private static double? SpentOf(RenewalTerms terms, List<Step> steps)
    {
        if (terms.System.Renewal is not { } renewal)
            return null;
        var limbs = terms
            .Counted.SelectMany(t => t.Limbs)
            .Where(l => l is { AgeYears: not null, LcsaCm2: > 0, Buds: not null })
            .ToList();
        if (limbs.Count == 0)
            return null;
        var mean = limbs.Sum(l => l.Buds!.Value) / limbs.Sum(l => l.LcsaCm2!.Value);
        var spent = limbs.Count(l => l.AgeYears > renewal.BearingYears && l.Buds < SpentBuds * mean * l.LcsaCm2);
        var share = spent / (double)limbs.Count;
        steps.Add(
            new(
                "renewal.spent-share",
                "limbs older than they bear and under half the mean buds of their cross-section ÷ limbs",
                new("spent", share, "share"),
                [
                    new("limbs spent", spent, "limb"),
                    new("limbs", limbs.Count, "limb"),
                    new("mean buds", mean, "bud/cm²"),
                    new("bearing age", renewal.BearingYears, "year"),
                ],
                Sources.Practice
            )
        );
        return share;
    }

    private static LeaderCohorts? CohortsOf(SystemRenewal? renewal, double[]? byAge, int leaders) =>
        renewal?.Cohorts is not { } ages || byAge is null
            ? null
            : new(
                byAge.Take(ages.BuiltTo).Sum() / leaders,
                byAge.Skip(ages.BuiltTo).Take(ages.CroppingTo - ages.BuiltTo).Sum() / leaders,
                byAge.Skip(ages.CroppingTo).Sum() / leaders
            );

    private static IReadOnlyList<ScaffoldTurn> Round(RenewalTerms terms, List<Notice> warnings)
    {
        if (terms.System is not { Renewal: { Of: RenewedWood.Scaffold } renewal, Form.Leaders: var scaffolds })
            return [];
        List<ScaffoldTurn> round =
        [
            .. Enumerable
                .Range(1, scaffolds)
                .Select(n => new ScaffoldTurn(
                    n,
                    terms.Winters.Where(w => w.Scaffold == n && w.Season <= terms.Season).Max(w => (int?)w.Season)
                )),
        ];
        if (terms.Winters.Max(w => w.Scaffold) > scaffolds)
            warnings.Add(
                new(
                    "renewal.no-scaffold",
                    $"A scaffold is told that these trees do not have: they have {scaffolds}.",
                    new Figure("scaffolds", scaffolds, "1")
                )
            );
        // Two of the same within a round: the others wait longer than they should.
        var twice = terms
            .Winters.Where(w => w.Scaffold is not null && w.Season > terms.Season - scaffolds)
            .CountBy(w => w.Scaffold!.Value)
            .FirstOrDefault(n => n.Value > 1);
        if (twice is { Key: > 0 and var again })
            warnings.Add(
                new(
                    "renewal.twice",
                    $"Scaffold {again} went twice within a round of {scaffolds} winters: the others grow too old.",
                    new Figure("scaffold", again, "1"),
                    new Figure("winters", scaffolds, "1")
                )
            );
        if (round.Any(s => s.LastSeason is { } last && terms.Season - last > renewal.MostYears))
            warnings.Add(
                new(
                    "renewal.round-slow",
                    $"A scaffold has stood for more than {renewal.MostYears:0} winters since it was renewed.",
                    new Figure("winters", renewal.MostYears, "1")
                )
            );
        return round;
    }

    // The one that never went, else the one that went longest ago.
    private static int? NextOf(IReadOnlyList<ScaffoldTurn> round) => round.MinBy(s => s.LastSeason ?? 0)?.Number;
}

/// <summary>What a ledger of renewal follows from.</summary>
/// <param name="System">System of the planting.</param>
/// <param name="Leaf">Its leaf: no limb is older.</param>
/// <param name="Season">Calendar year of the harvest the winter at hand is before.</param>
/// <param name="Counted">Trees counted.</param>
/// <param name="Winters">What was renewed, the first winter first.</param>
/// <param name="LeftFirst">Limbs a tree that last winter's card left as the first of this one.</param>
public sealed record RenewalTerms(
    TrainingSystem System,
    int Leaf,
    int Season,
    IReadOnlyList<AgedTree> Counted,
    IReadOnlyList<WinterRenewal> Winters,
    double? LeftFirst
);

/// <summary>Limbs of a counted tree, as far as renewal asks.</summary>
/// <param name="Limbs">Its limbs.</param>
public sealed record AgedTree(IReadOnlyList<AgedLimb> Limbs);

/// <summary>A limb of a counted tree.</summary>
/// <param name="AgeYears">Its age in years, 1 for last summer's; null where nobody told.</param>
/// <param name="LcsaCm2">Cross-section of its base, cm²; null where not measured.</param>
/// <param name="Buds">Buds on it; null where not counted limb by limb.</param>
public sealed record AgedLimb(int? AgeYears, double? LcsaCm2 = null, double? Buds = null);

/// <summary>The three cohorts of a leader, limbs a leader.</summary>
/// <param name="Built">Being built.</param>
/// <param name="Cropping">Cropping.</param>
/// <param name="ToRemove">To be removed next winter.</param>
public sealed record LeaderCohorts(double Built, double Cropping, double ToRemove);

/// <summary>A scaffold in its round.</summary>
/// <param name="Number">Its number.</param>
/// <param name="LastSeason">Season before whose harvest it went last; null for never.</param>
public sealed record ScaffoldTurn(int Number, int? LastSeason);
