using System.Text.Json;

namespace Rama.Data.Exchange;

/// <summary>
/// Reads GeoJSON as a sheet: a line a feature, a column a property, and the geometry in a column of its own.
/// </summary>
internal static class GeoJsonSheet
{
    /// <summary>Header of the column with the geometry.</summary>
    public const string GeometryHeader = "geometry";

    private const int Deepest = 32;

    public static Sheet Read(string name, string text)
    {
        try
        {
            using var document = JsonDocument.Parse(text, new() { MaxDepth = Deepest });
            var root = document.RootElement;
            if (
                root.ValueKind != JsonValueKind.Object
                || !root.TryGetProperty("features", out var features)
                || features.ValueKind != JsonValueKind.Array
            )
                throw new UnreadableFileException(
                    "type",
                    "This is JSON and not GeoJSON: expected a collection of features."
                );
            if (root.TryGetProperty("crs", out var crs) && !IsWgs84(crs.ToString()))
                throw new UnreadableFileException(
                    "type",
                    "The coordinates are not longitude and latitude. Export the file as WGS 84 (EPSG:4326)."
                );
            var all = features.EnumerateArray().ToList();
            if (all.Count > SheetReader.MostLines)
                throw new UnreadableFileException(
                    "size",
                    $"The file holds more than {SheetReader.MostLines:#,0} features. Split it."
                );
            // Features may each have names of their own: a column for every one would be more than any map program
            // writes.
            var headers = all.SelectMany(Properties)
                .Select(p => p.Name)
                .Distinct()
                .Take(SheetReader.MostColumns)
                .Append(GeometryHeader)
                .ToList();
            if (headers.Count > SheetReader.MostColumns)
                throw new UnreadableFileException(
                    "columns",
                    $"The features have {SheetReader.MostColumns} properties or more; expected fewer."
                );
            var lines = all.Select(
                    (feature, i) =>
                    {
                        var cells = Properties(feature).ToDictionary(p => p.Name, p => Cell(p.Value));
                        cells[GeometryHeader] =
                            feature.TryGetProperty("geometry", out var geometry)
                            && geometry.ValueKind == JsonValueKind.Object
                                ? geometry.Clone()
                                : null;
                        return new SheetLine(i + 1, [.. headers.Select(h => cells.GetValueOrDefault(h))]);
                    }
                )
                .ToList();
            if (lines.Count == 0)
                throw new UnreadableFileException("empty", "The file holds no features.");
            return new(name, headers, lines, []);
        }
        catch (JsonException e)
        {
            throw new UnreadableFileException(
                "broken",
                $"This is not valid GeoJSON: line {e.LineNumber + 1} cannot be read.",
                e
            );
        }
    }

    private static bool IsWgs84(string crs) =>
        crs.Contains("CRS84", StringComparison.OrdinalIgnoreCase) || crs.Contains("4326", StringComparison.Ordinal);

    private static IEnumerable<JsonProperty> Properties(JsonElement feature) =>
        feature.ValueKind == JsonValueKind.Object
        && feature.TryGetProperty("properties", out var properties)
        && properties.ValueKind == JsonValueKind.Object
            ? properties.EnumerateObject()
            : [];

    private static object? Cell(JsonElement value) =>
        value.ValueKind switch
        {
            JsonValueKind.Null => null,
            JsonValueKind.Number => value.GetDouble(),
            JsonValueKind.String => value.GetString()!.Trim(),
            _ => value.ToString(),
        };
}
