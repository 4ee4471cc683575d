namespace Rama.Core.Weather;

/// <summary>
/// When green tip comes by the heat of a season so far and of the days ahead in past years.
/// </summary>
public static class HeatAhead
{
    // Heat measured last week says nothing of the weeks before; an older end is no measurement of this season.
    private const int MostDaysOld = 4;

    private const int MostDaysAhead = 240;

    /// <summary>
    /// Green tip by heat; null where the season is not measured up to now, or past years do not reach so far.
    /// </summary>
    /// <param name="days">Days measured and forecast on the site, of all years.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="today">The day taken as today.</param>
    /// <param name="heats">Stages of the crop with their heat.</param>
    /// <param name="isSouth">Whether the site lies south of the equator.</param>
    /// <param name="greenTips">Days of green tip noted in past seasons, which shift the heat of the table.</param>
    /// <remarks>
    /// Ahead of the days measured and forecast, the mean heat of the same day in past years. Source: handbook of the
    /// trade, degree-days; the days ahead: assumption.
    /// </remarks>
    public static GreenTip? GreenTip(
        IReadOnlyList<WeatherDay> days,
        int season,
        DateOnly today,
        IReadOnlyList<StageHeat> heats,
        bool isSouth = false,
        IReadOnlyList<DateOnly>? greenTips = null
    )
    {
        if (heats.FirstOrDefault(h => h.Stage == DegreeDays.GreenTipStage) is not { } table)
            return null;
        var start = DegreeDays.StartOf(season, isSouth);
        var measured = days.Where(d => !d.IsForecast).ToList();
        var shift = DegreeDays.ShiftOf(measured, greenTips ?? [], heats, isSouth);
        var soFar = DegreeDays.Of(measured.Where(d => d.Date <= today), start, [table], shift);
        var past = measured
            .Where(d => d.Date < start)
            .ToLookup(d => (d.Date.Month, d.Date.Day), d => DegreeDays.OfDay(d.MinC, d.MaxC));
        if (soFar.Stages[0].Reached is { } reached)
            return new(reached, 1, GreenTipBasis.Heat);
        if (soFar.Until is not { } until || today.DayNumber - until.DayNumber > MostDaysOld)
            return null;
        var ahead = days.Where(d => d.IsForecast && d.Date > until)
            .GroupBy(d => d.Date)
            .ToDictionary(g => g.Key, g => DegreeDays.OfDay(g.Last().MinC, g.Last().MaxC));
        var (total, needed, years) = (soFar.TotalC, soFar.Stages[0].DegreeDaysC, 0);
        for (var day = until.AddDays(1); day.DayNumber - until.DayNumber <= MostDaysAhead; day = day.AddDays(1))
        {
            if (ahead.TryGetValue(day, out var heat))
                total += heat;
            else if (
                past[(day.Month, day.Day == 29 && day.Month == 2 ? 28 : day.Day)].ToList() is { Count: > 0 } before
            )
                (total, years) = (total + before.Average(), Math.Max(years, before.Count));
            else
                return null;
            if (total >= needed)
                return new(day, Math.Max(1, years), GreenTipBasis.Heat);
        }
        return null;
    }
}
