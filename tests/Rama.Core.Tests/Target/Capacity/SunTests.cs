using Rama.Core.Target.Capacity;

namespace Rama.Core.Tests.Target.Capacity;

public sealed class SunTests
{
    // suncalc 2.0.2 (npm), getPosition: azimuth, and altitude, which it tells with refraction: 0.01° high up, 0.17° at
    // 5°.
    [Theory]
    [InlineData("2027-06-21T12:00:00Z", 45.6, 9.9, 66.557, 202.246, 0.03)]
    [InlineData("2027-12-21T09:30:00Z", 45.6, 9.9, 16.759, 154.148, 0.08)]
    [InlineData("2027-03-20T17:00:00Z", 45.6, 9.9, 4.996, 264.969, 0.20)]
    [InlineData("2027-06-21T05:00:00Z", 45.6, 9.9, 12.914, 69.497, 0.10)]
    [InlineData("2027-01-10T02:00:00Z", -41.3, 174.8, 62.702, 307.900, 0.03)]
    [InlineData("2027-07-04T20:00:00Z", 46.6, -120.5, 66.209, 176.286, 0.03)]
    public void Stands_where_a_general_library_says(
        string instant,
        double latitude,
        double longitude,
        double elevation,
        double azimuth,
        double refraction
    )
    {
        var sun = SunPosition.At(
            DateTimeOffset.Parse(instant, System.Globalization.CultureInfo.InvariantCulture),
            latitude,
            longitude
        );
        Assert.InRange(elevation - sun.ElevationDeg, -0.02, refraction);
        Assert.Equal(azimuth, sun.AzimuthDeg, 0.03);
    }

    // The obliquity of the ecliptic, 23.44° (any almanac), is the declination at the solstices; at the equinox of 20
    // March 2027,
    // 20:25 UT (from memory), it is 0.
    [Theory]
    [InlineData("2027-06-21T14:11:00Z", 23.44)]
    [InlineData("2027-12-22T02:42:00Z", -23.44)]
    [InlineData("2027-03-20T20:25:00Z", 0)]
    public void Declination_through_the_year(string instant, double declination) =>
        Assert.Equal(
            declination,
            SunPosition
                .At(DateTimeOffset.Parse(instant, System.Globalization.CultureInfo.InvariantCulture), 0, 0)
                .DeclinationDeg,
            0.01
        );

    // At noon of the longest day the sun stands 90° − latitude + 23.44° high. Rows north to south then cast no shadow
    // across the alley and each face has half the day.
    [Fact]
    public void Rows_north_to_south_share_the_day()
    {
        var light = RowLight.Of(new(2027, 6, 21), 45.6, 9.9, 0, 3);
        Assert.Equal(90 - 45.6 + 23.44, light.NoonElevationDeg, 0.05);
        Assert.Equal(0.5, light.LeftFaceLit, 0.01);
        Assert.Equal(0.5, light.RightFaceLit, 0.01);
        Assert.Equal(0, light.NoonShadowM, 0.05);
        // Length of the longest day at 45.6° without refraction, 24/π · acos(−tan φ · tan δ).
        Assert.Equal(
            24 / Math.PI * Math.Acos(-Math.Tan(45.6 * Math.PI / 180) * Math.Tan(23.44 * Math.PI / 180)),
            light.DaylightHours,
            0.06
        );
    }

    [Fact]
    public void Rows_east_to_west_throw_their_shadow_north_and_leave_that_face_dark_at_the_equinox()
    {
        var light = RowLight.Of(new(2027, 3, 20), 45.6, 9.9, 90, 3);
        Assert.True(light.RightFaceLit > 0.98);
        // h ÷ tan(90° − latitude) = h · tan latitude.
        Assert.Equal(3 * Math.Tan(45.6 * Math.PI / 180), light.NoonShadowM, 0.03);
    }

    [Fact]
    public void The_southern_half_lights_the_other_face()
    {
        var light = RowLight.Of(new(2027, 9, 23), -41.3, 174.8, 90, 3);
        Assert.True(light.LeftFaceLit > 0.98);
    }
}
