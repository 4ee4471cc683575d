using Rama.Core.Weather;

namespace Rama.Core.Passes;

/// <summary>A night cold enough that buds are looked at after it.</summary>
/// <param name="Day">The day it was measured on.</param>
/// <param name="LowestC">Lowest of it, °C.</param>
/// <param name="LooksAtC">What it was held against, °C: the cold that kills 10 % at the stage the buds were in.</param>
public sealed record ColdNight(DateOnly Day, double LowestC, double LooksAtC)
{
    /// <summary>The last such night of a season; null where none was measured.</summary>
    /// <param name="crop">The crop.</param>
    /// <param name="days">Days of the year of the planting, which tell the stage.</param>
    /// <param name="weather">Days measured on its site.</param>
    /// <param name="today">The day taken as today.</param>
    /// <remarks>
    /// Before silver tip the setting for buds at rest; from there to bloom the stages of the crop's table, spread
    /// evenly over the days between (assumption). Source of the temperatures: the frost tables.
    /// </remarks>
    public static ColdNight? Last(string crop, AnchorDays days, IEnumerable<WeatherDay> weather, DateOnly today)
    {
        if (
            days.Find(Anchor.LeafFallBefore)?.Day is not { } from
            || days.Find(Anchor.SilverTip)?.Day is not { } silver
            || days.Find(Anchor.Bloom)?.Day is not { } bloom
        )
            return null;
        var stages = FrostTables.Shipped.Of(crop);
        var rest = FrostTables.Shipped.Dormant.FirstOrDefault(d => d.Crop == crop)?.LowestC;
        var end = bloom.AddDays(DaysOfBloom) < today ? bloom.AddDays(DaysOfBloom) : today;
        return weather
            .Where(d => !d.IsForecast && d.Date >= from && d.Date <= end)
            .Select(d => (d.Date, d.MinC, Kills: Kills(d.Date)))
            .Where(d => d.MinC <= d.Kills)
            .OrderByDescending(d => d.Date)
            .Select(d => new ColdNight(d.Date, d.MinC, d.Kills!.Value))
            .FirstOrDefault();

        double? Kills(DateOnly day)
        {
            if (day < silver)
                return rest;
            if (stages.Count == 0)
                return null;
            var way = (double)(day.DayNumber - silver.DayNumber) / Math.Max(1, bloom.DayNumber - silver.DayNumber);
            var stage = Math.Min(stages.Count - 1, (int)(way * stages.Count));
            return FrostLoss.Celsius(stages[stage].TenPercentF);
        }
    }

    // From full bloom the fruitlets are looked at anyway: assumption.
    private const int DaysOfBloom = 10;
}
