namespace Rama.Core.Target.Capacity;

/// <summary>Where the rows of a planting lie.</summary>
/// <param name="Direction">Place, direction and the longest day there.</param>
/// <param name="IsAssumed">Whether nobody knows how they lie, so that they are taken to run from north to
/// south.</param>
public sealed record PlacedRows(RowDirection Direction, bool IsAssumed)
{
    // Nearer to a pole the sun may not set on the longest day.
    private const double FarthestDeg = 66;

    /// <summary>Rows along a line on the map; where there is none, from north to south at their site.</summary>
    /// <param name="line">Longitude and latitude of its points, degrees, first to last; null for none.</param>
    /// <param name="latitudeDeg">Degrees north of the site; null where nobody says.</param>
    /// <param name="longitudeDeg">Degrees east of the site.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <returns>Null where neither tells, or too near to a pole.</returns>
    public static PlacedRows? Of(double[]? line, double? latitudeDeg, double? longitudeDeg, int season)
    {
        if (season < 1)
            return null;
        if (line is { Length: >= 4 })
        {
            var (west, south, east, north) = (line[0], line[1], line[^2], line[^1]);
            var azimuth = Math.Atan2((east - west) * Math.Cos(south * Math.PI / 180), north - south) * 180 / Math.PI;
            return At(south, west, (azimuth + 360) % 360, false);
        }
        return latitudeDeg is { } latitude && longitudeDeg is { } longitude ? At(latitude, longitude, 0, true) : null;

        PlacedRows? At(double latitude, double longitude, double azimuth, bool isAssumed) =>
            Math.Abs(latitude) > FarthestDeg
                ? null
                : new(new(latitude, longitude, azimuth, new DateOnly(season, latitude >= 0 ? 6 : 12, 21)), isAssumed);
    }
}
