using MathNet.Numerics.Distributions;
using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Result.Learning;

/// <summary>What the shoots of a planting do after wood was cut, by its own seasons and its estate's slope.</summary>
public static class LearnedShoots
{
    // How far plantings of one kind differ, standard deviation, in years' spreads (assumption).
    private const double PlantingSpread = 1.2;

    /// <summary>The level of a planting's shoots: own seasons, drawn to the usual one by the weight of one.</summary>
    /// <param name="answer">Length or uprights.</param>
    /// <param name="seasons">Its past seasons.</param>
    /// <param name="slope">Slope per whole of the wood.</param>
    /// <param name="habit">How the crop bears.</param>
    /// <remarks>The usual level is what is just too strong after a fifth of the wood was cut: assumption.</remarks>
    public static ShootLevel LevelOf(
        ShootAnswer answer,
        IEnumerable<SeasonResult> seasons,
        double slope,
        BearingHabit habit
    )
    {
        List<(double Wood, double Seen)> own = [.. seasons.Select(answer.In).OfType<(double, double)>()];
        var usual = answer.StrongAbove(habit);
        if (own.Count == 0)
            return new(ShootAnswer.SevereWood, usual, 0);
        var wood = own.Average(o => o.Wood);
        var drawn = usual + slope * (wood - ShootAnswer.SevereWood);
        return new(wood, (own.Count * own.Average(o => o.Seen) + drawn) / (own.Count + 1), own.Count);
    }

    /// <summary>The shoots to be expected after a share of the wood is cut.</summary>
    /// <param name="answer">Length or uprights.</param>
    /// <param name="level">Level of the planting's.</param>
    /// <param name="slope">Slope per whole of the wood, and how well it is known.</param>
    /// <param name="wood">Share of the wood cut.</param>
    public static Normal Expected(
        ShootAnswer answer,
        ShootLevel level,
        (double Slope, double Precision) slope,
        double wood
    )
    {
        var (year, from) = (answer.YearSd * answer.YearSd, wood - level.Wood);
        // Own seasons and the usual level tell this planting's as well as so many years would.
        var planting = level.Seasons == 0 ? PlantingSpread * PlantingSpread * year : year / (level.Seasons + 1);
        return new(
            Math.Max(0, level.Seen + slope.Slope * from),
            Math.Sqrt(year + planting + year * from * from / slope.Precision)
        );
    }

    /// <summary>What the seasons of a planting and its estate taught.</summary>
    /// <param name="answer">Length or uprights.</param>
    /// <param name="seasons">Past seasons of the planting.</param>
    /// <param name="estate">Those of all plantings.</param>
    /// <param name="habit">How the crop bears.</param>
    /// <param name="before">Season before which it is to be known; all when left out.</param>
    /// <returns>Null for a planting without a season that tells, or an estate whose cuts never differed.</returns>
    /// <remarks>
    /// Source: handbook of the trade 8.2, least squares within plantings, drawn to the shipped slope by the weight of
    /// three; levels and spreads are assumptions.
    /// </remarks>
    public static LearnedValue? Of(
        ShootAnswer answer,
        IReadOnlyList<SeasonResult> seasons,
        EstatePairs estate,
        BearingHabit habit,
        int before = int.MaxValue
    )
    {
        List<SeasonResult> own = [.. ShootsOfEstate.TellingOf(seasons).Where(s => answer.In(s) is not null)];
        var slope = answer.SlopeOf(estate, before);
        if (own.Count == 0 || slope.Groups == 0)
            return null;
        double learned = Told(slope),
            half = Normal.InvCDF(0, 1, 0.9) * answer.YearSd / Math.Sqrt(slope.Precision) / ShootAnswer.Tenths;
        Figure told = new("for each tenth of the wood", learned, answer.TenthUnit),
            usual = new("as shipped", answer.Tenth, answer.TenthUnit),
            plantings = new("plantings", slope.Groups, "1"),
            winters = new("winters of them", slope.Points, "1");
        return new(
            answer.Quantity,
            answer.Tenth,
            learned,
            Math.Max(0, learned - half),
            learned + half,
            answer.TenthUnit,
            own.Count,
            0,
            answer.Unit,
            HistoryOf(answer, own, estate, habit),
            SentenceOf(answer, told, usual, plantings, winters),
            [
                new(
                    "learned.shoots",
                    "least squares within plantings, drawn to the shipped slope by the weight of three plantings, at "
                        + "least 0",
                    told,
                    [usual, plantings, winters],
                    "handbook of the trade 8.2"
                ),
            ]
        );
    }

    private static double Told(PooledSlope slope) => Math.Max(0, slope.Slope) / ShootAnswer.Tenths;

    private static IReadOnlyList<SeasonForecast> HistoryOf(
        ShootAnswer answer,
        List<SeasonResult> own,
        EstatePairs estate,
        BearingHabit habit
    )
    {
        List<SeasonForecast> history = [];
        foreach (var season in own)
        {
            var (wood, seen) = answer.In(season)!.Value;
            var known = own.Where(s => s.Season < season.Season).ToList();
            if (known.Count == 0)
                continue;
            var slope = answer.SlopeOf(estate, season.Season);
            Normal By(double tenth)
            {
                var by = tenth * ShootAnswer.Tenths;
                return Expected(answer, LevelOf(answer, known, by, habit), (by, slope.Precision), wood);
            }
            history.Add(
                SeasonForecast.Of(
                    season.Season,
                    seen,
                    By(Told(slope)),
                    By(answer.Tenth),
                    slope.Groups == 0 ? 0 : known.Count
                )
            );
        }
        return [.. history.TakeLast(LearnedValue.MostTold)];
    }

    private static Notice SentenceOf(ShootAnswer answer, Figure told, Figure usual, Figure plantings, Figure winters)
    {
        var (code, of, grow) =
            answer == ShootAnswer.Length
                ? ("shoots", "cm", "shoots grow longer by")
                : ("uprights", "a tree", "uprights become more by");
        return new(
            $"learned.{code}",
            $"{winters.Value:0} winters of {plantings.Value:0} plantings: {grow} {told.Value:0.0} {of} for each tenth "
                + $"of the wood cut; {usual.Value:0.0} is usual.",
            winters,
            plantings,
            told,
            usual
        );
    }
}

/// <summary>Level of the shoots of a planting.</summary>
/// <param name="Wood">Share of the wood cut it stands at.</param>
/// <param name="Seen">What is seen there.</param>
/// <param name="Seasons">Own seasons it rests on; 0 for the usual one.</param>
public sealed record ShootLevel(double Wood, double Seen, int Seasons);
