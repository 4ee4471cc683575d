using Rama.Core.Weather;

namespace Rama.Core.Passes;

/// <summary>A night cold enough that buds are looked at after it.</summary>
/// <param name="Day">The day it was measured on.</param>
/// <param name="LowestC">Lowest of it, °C.</param>
/// <param name="LooksAtC">What it was held against, °C: the cold that kills 10 % at the stage the buds were in.</param>
/// <param name="Loss">What it is expected to have cost, until cut buds say; null while buds rest, of which no table
/// tells.</param>
public sealed record ColdNight(DateOnly Day, double LowestC, double LooksAtC, FrostLoss? Loss)
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
            .OrderByDescending(d => d.Date)
            .Select(d => (Day: d, Stage: StageOn(d.Date)))
            .Select(d =>
                (
                    d.Day,
                    d.Stage,
                    Kills: d.Stage is { } stage ? FrostLoss.Celsius(stage.TenPercentF)
                    : d.Day.Date < silver ? rest
                    : null
                )
            )
            .Where(d => d.Day.MinC <= d.Kills)
            .Select(d => new ColdNight(
                d.Day.Date,
                d.Day.MinC,
                d.Kills!.Value,
                d.Stage is { } stage ? FrostLoss.Of(stage, FrostLoss.Fahrenheit(d.Day.MinC)) : null
            ))
            .FirstOrDefault();

        BudStage? StageOn(DateOnly day)
        {
            if (day < silver || stages.Count == 0)
                return null;
            var way = (double)(day.DayNumber - silver.DayNumber) / Math.Max(1, bloom.DayNumber - silver.DayNumber);
            return stages[Math.Min(stages.Count - 1, (int)(way * stages.Count))];
        }
    }

    // From full bloom the fruitlets are looked at anyway: assumption.
    private const int DaysOfBloom = 10;
}
