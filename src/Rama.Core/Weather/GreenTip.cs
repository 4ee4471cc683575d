namespace Rama.Core.Weather;

/// <summary>
/// The day green tip is expected, from the dates noted in past seasons. Without any there is no estimate.
/// </summary>
/// <param name="Day">Mean day of the dates, in the season asked for.</param>
/// <param name="Dates">Dates it rests on.</param>
/// <param name="Basis">Whose dates they are.</param>
public sealed record GreenTip(DateOnly Day, int Dates, GreenTipBasis Basis)
{
    /// <summary>
    /// The mean day of the year of the nearest kin that has dates: the planting, its variety, its crop.
    /// </summary>
    /// <param name="season">Calendar year to tell the day for.</param>
    /// <param name="own">Dates of the planting itself.</param>
    /// <param name="variety">Dates of its variety on the estate.</param>
    /// <param name="crop">Dates of its crop on the estate.</param>
    /// <remarks>Source: the estate's own records; common practice.</remarks>
    public static GreenTip? Expected(
        int season,
        IReadOnlyList<SeasonDay> own,
        IReadOnlyList<SeasonDay> variety,
        IReadOnlyList<SeasonDay> crop
    )
    {
        var (dates, basis) =
            own.Count > 0 ? (own, GreenTipBasis.Planting)
            : variety.Count > 0 ? (variety, GreenTipBasis.Variety)
            : (crop, GreenTipBasis.Crop);
        if (dates.Count == 0)
            return null;
        // Counted from 1 March of its season, so that leap years do not shift the spring, and a spring of the south
        // lies in the year before its harvest.
        var mean = dates.Average(d => d.Day.DayNumber - new DateOnly(d.Season, 3, 1).DayNumber);
        return new(new DateOnly(season, 3, 1).AddDays((int)Math.Round(mean)), dates.Count, basis);
    }
}

/// <summary>A day of a season.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Day">The day.</param>
public readonly record struct SeasonDay(int Season, DateOnly Day);

/// <summary>Whose dates an expectation rests on.</summary>
public enum GreenTipBasis
{
    /// <summary>The heat of this season on its site, and of the days ahead in past years.</summary>
    Heat,

    /// <summary>The planting's own.</summary>
    Planting,

    /// <summary>Those of its variety.</summary>
    Variety,

    /// <summary>Those of its crop.</summary>
    Crop,
}
