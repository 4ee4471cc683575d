namespace Rama.Core.Passes;

/// <summary>What of the year of a planting its site tells.</summary>
/// <param name="IsSouth">Whether it lies south of the equator.</param>
/// <param name="Snow">Whether low limbs lie under snow in winter.</param>
/// <param name="StormMonth">Month its storm season begins in, 1 to 12; null without one.</param>
/// <param name="HotMonth">Month its hot season begins in; null where summers do no harm.</param>
public sealed record SiteYear(bool IsSouth = false, bool Snow = false, int? StormMonth = null, int? HotMonth = null)
{
    private const int FirstMonthOfSouth = 7;

    /// <summary>Facts that passes are for.</summary>
    public IEnumerable<string> Facts()
    {
        if (Snow)
            yield return "snow";
        if (StormMonth is not null)
            yield return "storm";
    }

    /// <summary>Days of it in a season: in the south a season begins in July of the year before its harvest.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    public IEnumerable<(Anchor Anchor, DateOnly Day)> Days(int season)
    {
        if (StormMonth is { } storm)
            yield return (Anchor.StormSeason, First(storm, season));
        // Where summers do no harm, nothing has to be done before them.
        if ((HotMonth ?? StormMonth) is { } hot)
            yield return (Anchor.HotSeason, First(hot, season));
    }

    private DateOnly First(int month, int season) =>
        new(IsSouth && month >= FirstMonthOfSouth ? season - 1 : season, month, 1);
}
