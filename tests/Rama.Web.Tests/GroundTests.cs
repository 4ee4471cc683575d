using System.Text;
using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>Outlines and row lines from GeoJSON.</summary>
public sealed class GroundTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    // 0.002° × 0.004° at 45.6° N: 6.93697 ha by GeographicLib 2.1's Planimeter; block W6 states 2.4 ha, H4 with its
    // edge rows 4.5 ha.
    private const string Square = "[[9.9,45.6],[9.904,45.6],[9.904,45.602],[9.9,45.602],[9.9,45.6]]";

    private static string Feature(string block, string geometry, string row = "null") =>
        $$"""{"type": "Feature", "properties": {"block": "{{block}}", "row": {{row}}}, "geometry": {{geometry}}}""";

    private static string Polygon(string ring) => $$"""{"type": "Polygon", "coordinates": [{{ring}}]}""";

    private Task<JsonNode> Import(string step, params string[] features) =>
        _client.ImportAsync(
            step,
            "ground.geojson",
            Encoding.UTF8.GetBytes($$"""{"type": "FeatureCollection", "features": [{{string.Join(",", features)}}]}""")
        );

    [Fact]
    public async Task An_outline_far_from_the_stated_area_is_told_and_taken()
    {
        var report = await Import("check", Feature("W6", Polygon(Square)));
        Assert.Equal(0, (int)report["problemCount"]!);
        var warning = report["warnings"]![0]!;
        Assert.Equal("area-differs", (string)warning["code"]!);
        Assert.Contains("6.94 ha", (string)warning["message"]!, StringComparison.Ordinal);
        Assert.Contains("2.40 ha", (string)warning["message"]!, StringComparison.Ordinal);
    }

    // H2 lists rows 1 to 52; the map says of W6 what the import said.
    [Fact]
    public async Task A_row_nobody_lists_is_told_and_the_map_tells_areas_that_differ()
    {
        var report = await Import(
            "check",
            Feature("H2", """{"type": "LineString", "coordinates": [[9.9, 45.6], [9.901, 45.6]]}""", "999")
        );
        Assert.Equal(0, (int)report["problemCount"]!);
        var warning = Assert.Single(report["warnings"]!.AsArray(), w => (string)w!["code"]! == "no-row")!;
        Assert.Contains("Row 999", (string)warning["message"]!, StringComparison.Ordinal);
        Assert.Contains("1 to 52", (string)warning["message"]!, StringComparison.Ordinal);

        await Import("save", Feature("W6", Polygon(Square)));
        var blocks = (await _client.ReadAsync("/api/v1/map"))["blocks"]!.AsArray();
        Assert.True((bool)blocks.Single(b => (string)b!["code"]! == "W6")!["areasDiffer"]!);
        Assert.False((bool)blocks.Single(b => (string)b!["code"]! == "H4")!["areasDiffer"]!);
    }

    [Theory]
    [InlineData("""[[9.9,45.6],[9.904,45.602],[9.904,45.6],[9.9,45.602],[9.9,45.6]]""", "geometry")] // a bow tie
    [InlineData("""[[150.1,-33.6],[150.104,-33.6],[150.104,-33.598],[150.1,-33.6]]""", "far")] // another continent
    [InlineData("""[[45.6,9.9],[45.602,9.9],[45.602,9.904],[45.6,9.9]]""", "far")] // latitude before longitude
    [InlineData("""[[512000,5050000],[512100,5050000],[512100,5050100],[512000,5050000]]""", "geometry")] // metres
    [InlineData("""[[9.9,45.6],[9.904,45.6]]""", "geometry")]
    public async Task An_outline_that_cannot_be_is_told(string ring, string code)
    {
        var problem = Assert.Single(ImportFile.Problems(await Import("save", Feature("H4", Polygon(ring)))));
        Assert.Equal((1, "geometry", code), problem);
    }

    [Fact]
    public async Task A_block_nobody_knows_and_a_feature_without_shape_are_told()
    {
        var problems = ImportFile.Problems(
            await Import(
                "check",
                Feature("NONE", Polygon(Square)),
                Feature("H4", "null"),
                Feature("H2", """{"type": "Point", "coordinates": [9.9, 45.6]}""")
            )
        );
        Assert.Equal([(1, "block", "unknown"), (2, "geometry", "missing"), (3, "geometry", "geometry")], problems);
    }

    [Fact]
    public async Task A_row_line_is_kept_and_compared_with_its_trees()
    {
        // Row 1 of H3 lists 140 trees 1 m apart; the line is 0.004° of longitude, 312 m, long.
        var report = await Import(
            "save",
            Feature("H3", """{"type": "LineString", "coordinates": [[9.9,45.603],[9.904,45.603]]}""", "1")
        );
        Assert.True((bool)report["saved"]!);
        Assert.Equal("length-differs", (string)report["warnings"]![0]!["code"]!);
        Assert.Contains("312 m", (string)report["warnings"]![0]!["message"]!, StringComparison.Ordinal);
        Assert.Equal(
            1,
            (int)
                (
                    await Import(
                        "save",
                        Feature("H3", """{"type": "LineString", "coordinates": [[9.9,45.603],[9.904,45.603]]}""", "1")
                    )
                )["same"]!
        );
    }

    [Fact]
    public async Task The_map_draws_outlines_in_metres_and_blocks_without_one_by_their_rows()
    {
        await _client.PostAsync(
            "/api/v1/plantings",
            """
            {"code": "BARE", "name": "x", "variety": "Topaz", "rootstock": "M.9", "system": "tall-spindle", "yearPlanted": 2019,
             "rowSpacing": {"value": 3.5, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 1, "unit": "ha"}}
            """
        );
        await _client.ImportAsync("save", "Planting,Row,Trees\nBARE,1,90\nBARE,2,80\n");
        var blocks = (await _client.ReadAsync("/api/v1/map"))["blocks"]!.AsArray();
        JsonNode Block(string code) => blocks.Single(b => (string)b!["code"]! == code)!;
        Assert.Null(Block("BARE")["outlineHa"]);
        Assert.Equal([90, 80], Block("BARE")["rows"]!.AsArray().Select(r => (int)r!["trees"]!));
        // The drawn ring of H2 in the plane has the area of the outline: shoelace over its corners.
        var ring = Block("H2")["rings"]![0]!.AsArray().Select(p => (X: (double)p!["x"]!, Y: (double)p["y"]!)).ToList();
        var plane =
            Math.Abs(ring.Zip(ring.Skip(1).Append(ring[0]), (a, b) => a.X * b.Y - b.X * a.Y).Sum()) / 2 / 10_000;
        Assert.Equal((double)Block("H2")["outlineHa"]!, plane, 0.01);
        Assert.Equal(2.6, (double)Block("H2")["statedHa"]!);
    }
}
