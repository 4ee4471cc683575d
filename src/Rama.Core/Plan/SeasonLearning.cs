using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Result.Learning;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Margin;

namespace Rama.Core.Plan;

/// <summary>What the seasons of a planting taught.</summary>
public static class SeasonLearning
{
    /// <summary>All they taught of it.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="returns">Return bloom by season.</param>
    public static IReadOnlyList<LearnedValue> AllOf(
        PlanReading reading,
        IReadOnlyDictionary<int, ResponsePair> returns
    ) =>
        [
            .. OwnOf(reading, returns),
            .. reading.Crop is not { } crop
                ? []
                : ShootAnswer
                    .All.Select(a => LearnedShoots.Of(a, reading.Seasons, reading.Shoots, crop.Habit, reading.Year))
                    .OfType<LearnedValue>(),
        ];

    /// <summary>What it taught by itself: all but what is learned of all plantings together.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="returns">Return bloom by season.</param>
    internal static IReadOnlyList<LearnedValue> OwnOf(
        PlanReading reading,
        IReadOnlyDictionary<int, ResponsePair> returns
    ) =>
        [
            .. new[]
            {
                SetOf(reading),
                LearnedPackOut.Of(reading.Seasons),
                LearnedGrowth.Of(reading.Seasons).ToValue(),
                MassOf(reading),
                ReturnOf(reading, returns),
            }.OfType<LearnedValue>(),
        ];

    /// <summary>Crop density and mean fruit mass in grams of the seasons whose fruit, trunks and fruit mass are
    /// known.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <remarks>A trunk that nobody measured is one between girths kept, or grown on from them.</remarks>
    public static IReadOnlyList<(int Season, double X, double Y)> Masses(PlanReading reading)
    {
        if (reading.Density is not { BearingTreesPerHa: var bearing })
            return [];
        var kept = LearnedGrowth.Of(reading.Seasons);
        var growth = reading.Learned.Held(LearnedQuantity.TrunkGrowth, kept.CmPerYear, null);
        return
        [
            .. (
                from season in reading.Seasons
                let fruit = season.FruitPerTree(bearing)
                let trunk = season.TcsaCm2 ?? (growth is { } rate ? kept.TcsaCm2(season.Season, rate) : null)
                where fruit is > 0 && trunk is > 0 && season.FruitMassKg is > 0
                orderby season.Season
                select (season.Season, fruit.Value / trunk.Value, season.FruitMassKg!.Value * GramsPerKg)
            ).TakeLast(LearnedValue.MostSeasons),
        ];
    }

    private const double GramsPerKg = 1_000;

    /// <summary>How the mass of a fruit answers to the crop.</summary>
    /// <param name="reading">What was typed, read.</param>
    public static LearnedValue? MassOf(PlanReading reading) =>
        reading.Planting is { Variety.FruitMassG.Value: var mass }
            ? LearnedResponse.OfMass(Masses(reading), mass)
            : null;

    private static LearnedValue? ReturnOf(PlanReading reading, IReadOnlyDictionary<int, ResponsePair> returns) =>
        reading.Planting is { Variety.Traits.BiennialProne: var prone }
            ? LearnedResponse.OfReturn([.. returns.Select(r => (r.Key, r.Value.CropDensity, r.Value.Value))], prone)
            : null;

    /// <summary>Whether any season tells of its set.</summary>
    /// <param name="reading">What was typed, read.</param>
    public static bool TellsOfSet(PlanReading reading) => SeenIn(reading).Count > 0;

    /// <summary>Mean set its target was set with, where another holds now; null where not.</summary>
    /// <param name="reading">What was typed, read.</param>
    public static double? TakenOtherwise(PlanReading reading) =>
        reading.Target?.Insurance is { School: not School.Fixed, SetSource: Sources.TakenOver, Set: { } taken }
        && reading.Known.Insurance.Set is { } held
        && (Math.Abs(taken.Mean - held.Mean) > WorthSaying || Math.Abs(taken.Sd - held.Sd) > WorthSaying)
            ? taken.Mean
            : null;

    // Less moves no factor by a hundredth.
    private const double WorthSaying = 0.002;

    private static LearnedValue? SetOf(PlanReading reading) =>
        reading.Planting is { Variety: var variety }
            ? LearnedSet.Of(SeenIn(reading), variety.SetShare.Value, Math.Max(variety.SetShareSd.Value, LeastSpread))
            : null;

    private static IReadOnlyList<(int Season, PastSet Set)> SeenIn(PlanReading reading) =>
        reading is { Crop: { } crop, Density: { } density }
            ? LearnedSet.SeenIn(reading.Seasons, density.BearingTreesPerHa, crop.FruitPlaces.Value)
            : [];

    /// <summary>The set that holds for the coming year, and where it comes from.</summary>
    /// <param name="standings">What is used of what was learned.</param>
    /// <param name="past">Own seasons.</param>
    /// <param name="variety">The variety.</param>
    internal static (SetHistory? Held, string Source) SetHeldOf(
        LearnedStandings standings,
        IReadOnlyList<PastSet> past,
        Variety variety
    )
    {
        var (mean, sd) = (variety.SetShare.Value, Math.Max(variety.SetShareSd.Value, LeastSpread));
        var shipped = SetHistory.Of([], mean, sd);
        return standings.Of(LearnedQuantity.Set, past.Count > 0) switch
        {
            LearnedStanding.Used => (
                SetHistory.Of(past, mean, sd) ?? shipped,
                "own seasons, drawn towards the variety's"
            ),
            LearnedStanding.Pinned => (
                PinnedAt(standings.ChoiceOf(LearnedQuantity.Set)!.Pinned!.Value, sd),
                Sources.Entered
            ),
            _ => (shipped, variety.SetShare.Source),
        };
    }

    private static SetHistory? PinnedAt(double mean, double sd)
    {
        // Near none or all there is less room to differ from year to year.
        var spread = Math.Min(sd, 0.9 * BetaShare.LargestSd(mean));
        return BetaShare.Of(mean, spread) is { } set ? new(set, mean, spread, 0, 0) : null;
    }

    /// <summary>A variety's set differs from year to year at least so much, whatever was typed.</summary>
    internal const double LeastSpread = 0.01;
}
