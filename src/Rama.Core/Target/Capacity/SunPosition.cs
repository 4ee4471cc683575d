namespace Rama.Core.Target.Capacity;

/// <summary>Where the sun stands.</summary>
/// <param name="ElevationDeg">Degrees above the horizon, without refraction.</param>
/// <param name="AzimuthDeg">Degrees from north over east, 0 to 360.</param>
/// <param name="DeclinationDeg">Degrees north of the equator.</param>
public readonly record struct SunPosition(double ElevationDeg, double AzimuthDeg, double DeclinationDeg)
{
    /// <summary>The sun at an instant and place, to about 0.02° between 1950 and 2050.</summary>
    /// <param name="instant">Instant.</param>
    /// <param name="latitudeDeg">Degrees north, −90 to 90.</param>
    /// <param name="longitudeDeg">Degrees east, −180 to 180.</param>
    /// <remarks>
    /// Source: low-precision formulas of the Astronomical Almanac, page C5 (mean longitude and anomaly, equation of
    /// centre, obliquity), and the spherical triangle; sidereal time from the same page.
    /// </remarks>
    public static SunPosition At(DateTimeOffset instant, double latitudeDeg, double longitudeDeg)
    {
        // Days from noon of 1 January 2000, the epoch of the almanac's formulas.
        var days = (instant.UtcDateTime - new DateTime(2000, 1, 1, 12, 0, 0, DateTimeKind.Utc)).TotalDays;
        var meanLongitude = 280.460 + 0.9856474 * days;
        var anomaly = Radians(357.528 + 0.9856003 * days);
        var longitude = Radians(meanLongitude + 1.915 * Math.Sin(anomaly) + 0.020 * Math.Sin(2 * anomaly));
        var obliquity = Radians(23.439 - 0.0000004 * days);
        var rightAscension = Math.Atan2(Math.Cos(obliquity) * Math.Sin(longitude), Math.Cos(longitude));
        var declination = Math.Asin(Math.Sin(obliquity) * Math.Sin(longitude));

        var sidereal = Radians(280.46062 + 360.985647 * days + longitudeDeg);
        var hourAngle = sidereal - rightAscension;
        var latitude = Radians(latitudeDeg);
        var elevation = Math.Asin(
            Math.Sin(latitude) * Math.Sin(declination)
                + Math.Cos(latitude) * Math.Cos(declination) * Math.Cos(hourAngle)
        );
        var azimuth = Math.Atan2(
            -Math.Sin(hourAngle),
            Math.Tan(declination) * Math.Cos(latitude) - Math.Sin(latitude) * Math.Cos(hourAngle)
        );
        return new(Degrees(elevation), (Degrees(azimuth) + 360) % 360, Degrees(declination));
    }

    private static double Radians(double degrees) => degrees * Math.PI / 180;

    private static double Degrees(double radians) => radians * 180 / Math.PI;
}
