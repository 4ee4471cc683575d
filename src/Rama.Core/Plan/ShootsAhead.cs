using MathNet.Numerics.Distributions;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Result.Learning;

namespace Rama.Core.Plan;

/// <summary>Shoots to be expected in the summer after the cuts of a plan.</summary>
/// <param name="Length">Their length, cm.</param>
/// <param name="Uprights">Uprights per tree.</param>
/// <param name="AreStrong">Whether summer has work with them: either is too strong.</param>
/// <param name="Sentence">What it comes to.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record ShootsAhead(
    ShootsExpected Length,
    ShootsExpected Uprights,
    bool AreStrong,
    Notice Sentence,
    IReadOnlyList<Step> Steps
)
{
    // Harder cuts nobody measured: a line drawn on would grow hedges.
    private const double KnownWood = 0.35;

    /// <summary>What is to be expected of a planting; null for crops that grow in flushes, whose shoots no winter
    /// rules, for young trees, and for harder cuts than usual that none of its own seasons tells of.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="wood">Share of the canopy's wood cut.</param>
    public static ShootsAhead? Of(PlanReading reading, double wood)
    {
        if (reading is not { Crop: { } crop, Planting.IsYoung: false } || !AreRuledByWinter(crop))
            return null;
        var seen = reading.Seasons.Select(s => s.Counts.WoodCut ?? 0);
        if (wood > seen.Append(KnownWood).Max())
            return null;
        List<Step> steps = [];
        ShootsExpected Expected(ShootAnswer answer)
        {
            var tenth = TenthOf(reading, answer);
            var slope = tenth * ShootAnswer.Tenths;
            var level = LearnedShoots.LevelOf(answer, reading.Seasons, slope, crop.Habit);
            var precision = answer.SlopeOf(reading.Shoots, reading.Year).Precision;
            var expected = LearnedShoots.Expected(answer, level, (slope, precision), wood);
            steps.Add(
                new(
                    answer == ShootAnswer.Length ? "shoots.length" : "shoots.uprights",
                    "level + for each tenth of the wood × (wood cut − wood cut there) ÷ a tenth"
                        + (expected.Mean == 0 ? ", at least 0" : ""),
                    new("to be expected", expected.Mean, answer.Unit),
                    [
                        new("level", level.Seen, answer.Unit),
                        new("for each tenth of the wood", tenth, answer.TenthUnit),
                        new("wood cut", wood, "share"),
                        new("wood cut there", level.Wood, "share"),
                        new("a tenth", 1 / ShootAnswer.Tenths, "share"),
                        new("own seasons", level.Seasons, "1"),
                    ],
                    "level of own seasons, drawn to the usual one; the usual level is an assumption"
                )
            );
            return ShootsExpected.Of(expected, answer.StrongAbove(crop.Habit), answer.Unit);
        }
        var (length, uprights) = (Expected(ShootAnswer.Length), Expected(ShootAnswer.Uprights));
        var strong = length.IsStrong || uprights.IsStrong;
        return new(length, uprights, strong, SentenceOf(length, uprights, strong), steps);
    }

    /// <summary>Whether what winter cuts rules the shoots of summer: not of crops that grow in flushes.</summary>
    internal static bool AreRuledByWinter(Crop crop) =>
        crop.Habit is BearingHabit.MixedBud or BearingHabit.SpurFlowerBud or BearingHabit.OneYearShoot;

    private static double TenthOf(PlanReading reading, ShootAnswer answer) =>
        reading
            .Learned.Held(
                answer.Quantity,
                LearnedShoots.Of(answer, reading.Seasons, reading.Shoots, reading.Crop!.Habit, reading.Year)?.Learned,
                answer.Tenth
            )!
            .Value;

    private static Notice SentenceOf(ShootsExpected length, ShootsExpected uprights, bool strong)
    {
        Figure[] figures =
        [
            // Nobody measures a shoot to the millimetre.
            new("length of shoots", Math.Round(length.Mean), length.Unit),
            new("low end", Math.Round(length.Low), length.Unit),
            new("high end", Math.Round(length.High), length.Unit),
            new("uprights", Math.Round(uprights.Mean), uprights.Unit),
        ];
        var message =
            $"Shoots of {length.Mean:0} cm ({length.Low:0} – {length.High:0}) and {uprights.Mean:0} uprights a tree "
            + "are to be expected next summer";
        return strong
            ? new("shoots.strong", message + ": they take light. Plan to pull or cut uprights in summer.", figures)
            : new("shoots.usual", message + ".", figures);
    }
}

/// <summary>What is to be expected of shoots.</summary>
/// <param name="Mean">The mean.</param>
/// <param name="Low">Value that one year in ten lies below.</param>
/// <param name="High">Value that one year in ten lies above.</param>
/// <param name="StrongAbove">What is too strong.</param>
/// <param name="Unit">Unit of all.</param>
public sealed record ShootsExpected(double Mean, double Low, double High, double StrongAbove, string Unit)
{
    /// <summary>Whether it is too strong.</summary>
    public bool IsStrong => Mean >= StrongAbove - Slack;

    // A usual tree after a fifth of its wood stands right at the limit.
    private const double Slack = 1e-9;

    internal static ShootsExpected Of(Normal expected, double strongAbove, string unit) =>
        new(
            expected.Mean,
            Math.Max(0, expected.InverseCumulativeDistribution(0.1)),
            expected.InverseCumulativeDistribution(0.9),
            strongAbove,
            unit
        );
}
