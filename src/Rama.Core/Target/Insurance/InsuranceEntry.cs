using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Statistics;

namespace Rama.Core.Target.Insurance;

/// <summary>
/// How much to insure the crop, as typed. What is left out is the planting's, its variety's or a usual value.
/// </summary>
public sealed record InsuranceEntry
{
    /// <summary>School chosen; a fixed factor when left out.</summary>
    public School? School { get; init; }

    /// <summary>Why this school and number.</summary>
    public string? Reason { get; init; }

    /// <summary>Share of years in which the crop should be reached; 80 % when left out.</summary>
    public Amount? Reached { get; init; }

    /// <summary>
    /// Cost of one setting cluster too many: thinning it off, with its share of next year's lost bloom. Any money.
    /// </summary>
    public double? CostOver { get; init; }

    /// <summary>Cost of one fruit too few: its margin. The same money.</summary>
    public double? CostUnder { get; init; }

    /// <summary>Mean share of the buds left that hold fruit before hand thinning.</summary>
    public Amount? SetShare { get; init; }

    /// <summary>Its standard deviation from year to year, in the same terms.</summary>
    public Amount? SetShareSd { get; init; }

    /// <summary>
    /// The set that held when the target was saved, so that later seasons change no plan that is set; the one that
    /// holds now when left out.
    /// </summary>
    public TakenSetEntry? TakenSet { get; init; }

    /// <summary>How far pruning misses its number, standard deviation as a share of it.</summary>
    public Amount? PruningSd { get; init; }

    /// <summary>Fruitlets per setting cluster before thinning.</summary>
    public double? Fruitlets { get; init; }

    /// <summary>Losses still to come.</summary>
    public LossesEntry? Losses { get; init; }

    /// <summary>Reads the entry over what is known of the planting.</summary>
    /// <param name="fixedFactor">Buds per fruit set by hand, where set.</param>
    /// <param name="known">What is known of the planting.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public InsuranceTerms Read(double? fixedFactor, InsuranceKnown known)
    {
        var reader = new EntryReader();
        reader.OptionalText("reason", "Reason", Reason, 500);
        var reached = reader.Optional("reached", "Years in which the crop is reached", Reached, Units.Share, 0.5, 0.99)
            ?? InsuranceTerms.DefaultReached;
        var over = reader.Optional("costOver", "Cost of a cluster too many", CostOver, "", 0.0001, 10_000)
            ?? InsuranceTerms.DefaultCostOver;
        var under = reader.Optional("costUnder", "Cost of a fruit too few", CostUnder, "", 0.0001, 10_000)
            ?? InsuranceTerms.DefaultCostUnder;
        var mean = reader.Optional("setShare", "Cluster set", SetShare, Units.Share, 0.02, 0.98);
        var sd = reader.Optional("setShareSd", "Spread of the cluster set", SetShareSd, Units.Share, 0.01, 0.45);
        var miss = reader.Optional("pruningSd", "Pruning misses by", PruningSd, Units.Share, 0, 0.25)
            ?? known.PruningSd;
        var fruitlets = reader.Optional(
            "fruitlets",
            "Fruitlets per setting cluster",
            Fruitlets,
            "fruitlet/cluster",
            1,
            20
        ) ?? known.Fruitlets;
        var losses = Losses is null ? Insurance.Losses.None : reader.Under("losses", Losses.Read);
        var taken = TakenSet is { SaysNothing: false } told ? told.Read(reader) : null;
        var held = taken ?? known.Set;
        var set = mean is null && sd is null ? held : SetOf(reader, mean ?? held?.Mean, sd ?? held?.Sd);
        if (School is { } school && school != Insurance.School.Fixed && set is null && reader.Problems.Count == 0)
            reader.Add(
                "setShare",
                "missing",
                "Cluster set: please fill this in; without it only a fixed factor can be used."
            );
        reader.ThrowIfAny();
        return new(
            School ?? Insurance.School.Fixed,
            fixedFactor,
            reached,
            over,
            under,
            set,
            mean is not null || sd is not null ? Sources.Entered
                : taken is null ? known.SetSource
                : Sources.TakenOver,
            miss,
            losses!,
            known.Places,
            fruitlets
        );
    }

    private static BetaShare? SetOf(EntryReader reader, double? mean, double? sd)
    {
        if (mean is null)
            reader.Add("setShare", "missing", "Cluster set: please fill this in beside its spread.");
        if (sd is null)
            reader.Add("setShareSd", "missing", "Spread of the cluster set: please fill this in beside its mean.");
        if (mean is not { } m || sd is not { } s || double.IsNaN(m) || double.IsNaN(s))
            return null;
        if (BetaShare.Of(m, s) is { } set)
            return set;
        var largest = Math.Floor(BetaShare.LargestSd(m) * 1_000) / 10;
        reader.Add(
            "setShareSd",
            "spread",
            $"Spread of the cluster set: with a mean of {m * 100:0.#} % it must be below "
                + $"{largest:0.#} %, or years of no set and of full set would be the likeliest."
        );
        return null;
    }
}

/// <summary>The cluster set a target was set with.</summary>
public sealed record TakenSetEntry
{
    /// <summary>Mean share of the coming year.</summary>
    public double? Mean { get; init; }

    /// <summary>Its standard deviation.</summary>
    public double? Sd { get; init; }

    internal bool SaysNothing => Mean is null && Sd is null;

    internal BetaShare? Read(EntryReader reader)
    {
        var before = reader.Problems.Count;
        var mean = reader.Required("takenSet.mean", "Cluster set", Mean, "share", 0.02, 0.98);
        var sd = reader.Required("takenSet.sd", "Spread of the cluster set", Sd, "share", 0.001, 0.45);
        if (reader.Problems.Count > before)
            return null;
        var set = BetaShare.Of(mean, sd);
        if (set is null)
            reader.Add("takenSet.sd", "spread", $"Spread of the cluster set: too wide for a mean of {mean:0.##}.");
        return set;
    }
}

/// <summary>What is known of a planting's set beside what is typed.</summary>
/// <param name="Set">Cluster set of the coming year; null where nothing is known.</param>
/// <param name="SetSource">Where it comes from.</param>
/// <param name="PruningSd">How far pruning misses its number.</param>
/// <param name="Places">Fruit one bud or shoot carries when all of it sets.</param>
/// <param name="Fruitlets">Fruitlets per place before thinning.</param>
public sealed record InsuranceKnown(BetaShare? Set, string SetSource, double PruningSd, double Places, double Fruitlets)
{
    /// <summary>Nothing known: pome fruit thinned to singles, pruning that hits its number.</summary>
    public static readonly InsuranceKnown Nothing = new(null, Sources.Entered, 0, 1, 2);
}
