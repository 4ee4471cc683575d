using System.Text.Json;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Valid;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Data.Database;

namespace Rama.Data.Exchange;

/// <summary>An outline or a line on the ground, as GeoJSON has it: longitude before latitude, WGS 84.</summary>
public static class Shape
{
    private const int MostPoints = 20_000;

    // Seven decimals of a degree are a centimetre.
    private const double Grid = 1e7;

    /// <summary>Reads an outline: a polygon, or several.</summary>
    public static Geometry? Outline(EntryReader reader, string field, JsonElement json) =>
        Read(reader, field, json) switch
        {
            null => null,
            Geometry outline when outline is Polygon or MultiPolygon => Valid(reader, field, outline),
            _ => Wrong(reader, field, "Expected an outline (Polygon or MultiPolygon), or a line with a row number."),
        };

    /// <summary>Reads a line.</summary>
    public static LineString? Line(EntryReader reader, string field, JsonElement json) =>
        Read(reader, field, json) switch
        {
            null => null,
            LineString { NumPoints: >= 2 } line => line,
            MultiLineString { Count: 1 } lines => (LineString)lines[0],
            _ => (LineString?)Wrong(reader, field, "Expected a line (LineString) for a row."),
        };

    /// <summary>Reads what is stored.</summary>
    public static Geometry Stored(string json) => JsonSerializer.Deserialize<Geometry>(json, StoredJson.Shape)!;

    /// <summary>Writes for storing.</summary>
    public static string Written(Geometry geometry) => JsonSerializer.Serialize(geometry, StoredJson.Shape);

    /// <summary>Area inside an outline, holes taken off, hectares.</summary>
    public static double AreaHa(Geometry outline) =>
        Polygons(outline)
            .Sum(p => Geodesy.AreaHa(Ring(p.ExteriorRing)) - p.InteriorRings.Sum(hole => Geodesy.AreaHa(Ring(hole))));

    /// <summary>The polygons of an outline.</summary>
    public static IEnumerable<Polygon> Polygons(Geometry outline) =>
        outline is Polygon one ? [one] : ((MultiPolygon)outline).Geometries.Cast<Polygon>();

    /// <summary>The points of a ring, without the last one, which closes it.</summary>
    public static IReadOnlyList<GeoPoint> Ring(LineString ring) => [.. Points(ring).SkipLast(1)];

    /// <summary>The points of a line.</summary>
    public static IReadOnlyList<GeoPoint> Points(LineString line) =>
        [.. line.Coordinates.Select(c => new GeoPoint(c.X, c.Y))];

    private static Geometry? Read(EntryReader reader, string field, JsonElement json)
    {
        Geometry? read;
        try
        {
            read = json.Deserialize<Geometry>(StoredJson.Shape);
        }
        catch (Exception e)
            when (e is JsonException or ArgumentException or NotSupportedException or InvalidOperationException)
        {
            return Wrong(reader, field, "This geometry cannot be read.");
        }
        if (read is null || read.IsEmpty)
            return Wrong(reader, field, "This feature has no geometry.");
        if (read.NumPoints > MostPoints)
            return Wrong(reader, field, $"Expected at most {MostPoints:#,0} points.");
        if (read.Coordinates.Any(c => !(Math.Abs(c.X) <= 180 && Math.Abs(c.Y) <= 90)))
            return Wrong(
                reader,
                field,
                "The coordinates are not longitude and latitude. Export the file as WGS 84 (EPSG:4326)."
            );
        read.Apply(new Rounding());
        return read;
    }

    private static Geometry? Valid(EntryReader reader, string field, Geometry outline)
    {
        var check = new IsValidOp(outline);
        if (check.IsValid)
            return outline;
        var at = check.ValidationError.Coordinate;
        var why = check.ValidationError.ErrorType
            is TopologyValidationErrors.SelfIntersection
                or TopologyValidationErrors.RingSelfIntersection
            ? "crosses itself"
            : "is not a closed area";
        return Wrong(
            reader,
            field,
            FormattableString.Invariant(
                $"The outline {why} near {at.X:0.0000}, {at.Y:0.0000}. Mend it in the map program it comes from."
            )
        );
    }

    private static Geometry? Wrong(EntryReader reader, string field, string message)
    {
        reader.Add(field, "geometry", message);
        return null;
    }

    private sealed class Rounding : ICoordinateFilter
    {
        public void Filter(Coordinate coord) =>
            (coord.X, coord.Y) = (Math.Round(coord.X * Grid) / Grid, Math.Round(coord.Y * Grid) / Grid);
    }
}
