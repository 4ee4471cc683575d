using Rama.Core.Explain;

namespace Rama.Core.Target.Capacity;

/// <summary>What the sun does to a row over a day.</summary>
/// <param name="LeftFaceLit">Share of the daylight in which the sun stands on the left face, looking along the row's
/// direction.</param>
/// <param name="RightFaceLit">The same for the right face.</param>
/// <param name="DaylightHours">Hours from sunrise to sunset.</param>
/// <param name="NoonElevationDeg">Height of the sun at its highest.</param>
/// <param name="NoonShadowM">How far the row's shadow reaches across the alley then, metres.</param>
/// <param name="Place">Where and how the row lies.</param>
/// <param name="HeightM">Its height, metres.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record RowLight(
    double LeftFaceLit,
    double RightFaceLit,
    double DaylightHours,
    double NoonElevationDeg,
    double NoonShadowM,
    RowDirection Place,
    double HeightM,
    IReadOnlyList<Step> Steps
)
{
    private const int MinutesApart = 2;

    /// <summary>Whether nobody knows how the rows lie, so that they are taken to run from north to south.</summary>
    public bool IsAssumed { get; init; }

    /// <summary>Follows the sun over the longest day where the rows lie.</summary>
    /// <param name="rows">Where and how they lie.</param>
    /// <param name="heightM">Height of the row, metres.</param>
    public static RowLight Of(PlacedRows rows, double heightM) =>
        Of(
            rows.Direction.Day,
            rows.Direction.LatitudeDeg,
            rows.Direction.LongitudeDeg,
            rows.Direction.RowAzimuthDeg,
            heightM
        ) with
        {
            IsAssumed = rows.IsAssumed,
        };

    /// <summary>Follows the sun over one day at steps of two minutes.</summary>
    /// <param name="day">Day, by the sun's own noon.</param>
    /// <param name="latitudeDeg">Degrees north, −66 to 66: further the sun may not set.</param>
    /// <param name="longitudeDeg">Degrees east.</param>
    /// <param name="rowAzimuthDeg">Direction of the row, degrees from north over east.</param>
    /// <param name="heightM">Height of the row, metres.</param>
    public static RowLight Of(
        DateOnly day,
        double latitudeDeg,
        double longitudeDeg,
        double rowAzimuthDeg,
        double heightM
    )
    {
        // Begun at the place's own midnight, whatever the clocks say.
        var midnight = new DateTimeOffset(day.ToDateTime(default), TimeSpan.Zero).AddHours(-longitudeDeg / 15);
        var up = Enumerable
            .Range(0, 24 * 60 / MinutesApart)
            .Select(i => SunPosition.At(midnight.AddMinutes(i * MinutesApart), latitudeDeg, longitudeDeg))
            .Where(s => s.ElevationDeg > 0)
            .ToList();
        RowDirection place = new(latitudeDeg, longitudeDeg, rowAzimuthDeg, day);
        if (up.Count == 0)
            return new(0, 0, 0, 0, 0, place, heightM, []);

        // Seen along the row, the sun is to the right where its azimuth is ahead of the row's by less than half a turn.
        double Side(SunPosition sun) => Math.Sin((sun.AzimuthDeg - rowAzimuthDeg) * Math.PI / 180);
        var (left, right) = (
            up.Count(s => Side(s) < 0) / (double)up.Count,
            up.Count(s => Side(s) > 0) / (double)up.Count
        );
        var noon = up.MaxBy(s => s.ElevationDeg);
        var shadow = heightM / Math.Tan(noon.ElevationDeg * Math.PI / 180) * Math.Abs(Side(noon));
        Figure elevation = new("sun at its highest", noon.ElevationDeg, "°");
        return new(
            left,
            right,
            up.Count * MinutesApart / 60.0,
            noon.ElevationDeg,
            shadow,
            place,
            heightM,
            [
                new(
                    "light.noon",
                    "height ÷ tan elevation × |sin (sun − row)|",
                    new("noon shadow", shadow, "m"),
                    [new("height", heightM, "m"), elevation, new("direction of the row", rowAzimuthDeg, "°")],
                    "position of the sun: Astronomical Almanac, low precision"
                ),
                new(
                    "light.faces",
                    "share of the daylight with the sun on that side of the row",
                    new("left face lit", left, "share"),
                    [new("latitude", latitudeDeg, "°"), new("direction of the row", rowAzimuthDeg, "°")],
                    "position of the sun: Astronomical Almanac, low precision"
                ),
            ]
        );
    }
}
