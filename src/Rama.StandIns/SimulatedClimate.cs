using MathNet.Numerics.Distributions;

namespace Rama.StandIns;

/// <summary>
/// Weather of a place by its latitude alone, made up: a year and a day as sines, spells of warm and cold, and rain on
/// one day in three. The stated climate is in <see cref="MeanC"/>, <see cref="WetDays"/> and the constants; tests hold
/// a year of it against them.
/// </summary>
/// <param name="latitude">Degrees north.</param>
/// <param name="seed">Which of many such years.</param>
public sealed class SimulatedClimate(double latitude, int seed)
{
    /// <summary>Share of days with rain.</summary>
    public const double WetDays = 0.33;

    private const double Year = 365.25,
        SpellC = 3.2,
        // A spell lasts about a week.
        Persistence = 0.82,
        ForecastErrorPerDayC = 0.5;

    private const int SpellDays = 25;

    /// <summary>Mean of the year, °C: 27 at the equator, 11 at 45°.</summary>
    public double MeanC => 27 - 16 * Math.Abs(latitude) / 45;

    /// <summary>Half the swing of the year, °C: a continental valley.</summary>
    public double SwingC => 11 * Math.Min(1, Math.Abs(latitude) / 45);

    /// <summary>The weather of an hour.</summary>
    /// <param name="at">The hour.</param>
    /// <param name="now">The time taken as now; what lies after it is forecast, and the further the less sure.</param>
    public (double TemperatureC, double RainMm, double WindMs) At(DateTimeOffset at, DateTimeOffset now)
    {
        var day = (int)Math.Floor((at - DateTimeOffset.UnixEpoch).TotalDays);
        // Coldest three weeks after midwinter; half a year later in the south.
        var ofYear = (at.DayOfYear - 20 + (latitude < 0 ? Year / 2 : 0)) / Year;
        var season = MeanC - SwingC * Math.Cos(2 * Math.PI * ofYear);
        var isWet = Uniform(day, 3) < WetDays;
        // Clear days swing more.
        var swing = isWet ? 3 : 6;
        var daily = -swing * Math.Cos(2 * Math.PI * (at.UtcDateTime.TimeOfDay.TotalHours - 3) / 24);
        var ahead = Math.Max(0, (at - now).TotalDays);
        var error = Uniform(day, 5) * 2 - 1;
        return (
            season
                + Spell(day, at.UtcDateTime.TimeOfDay.TotalHours / 24)
                + daily
                + error * ForecastErrorPerDayC * ahead,
            isWet && Uniform(day * 24 + at.Hour, 7) < 0.4 ? -0.85 * Math.Log(1 - Uniform(day * 24 + at.Hour, 11)) : 0,
            1 + 2.2 * -Math.Log(1 - Uniform(day, 13))
        );
    }

    // A moving mean of what each day brings, between midnight and midnight on a line.
    private double Spell(int day, double within)
    {
        double OfDay(int of) =>
            SpellC
            * Math.Sqrt(1 - Persistence * Persistence)
            * Enumerable.Range(0, SpellDays).Sum(k => Math.Pow(Persistence, k) * Normal01(of - k));
        return OfDay(day) * (1 - within) + OfDay(day + 1) * within;
    }

    private double Normal01(int of) => Normal.InvCDF(0, 1, Math.Clamp(Uniform(of, 1), 1e-9, 1 - 1e-9));

    // The same number for the same hour, asked in whatever order.
    private double Uniform(int of, int kind)
    {
        unchecked
        {
            var x =
                (ulong)(uint)of * 0x9E3779B97F4A7C15UL ^ (ulong)(uint)seed * 0xC2B2AE3D27D4EB4FUL ^ (ulong)kind << 56;
            x = (x ^ x >> 30) * 0xBF58476D1CE4E5B9UL;
            x = (x ^ x >> 27) * 0x94D049BB133111EBUL;
            return ((x ^ x >> 31) >> 11) * (1.0 / (1UL << 53));
        }
    }
}
