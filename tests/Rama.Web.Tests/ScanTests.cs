using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using Parquet;
using Parquet.Schema;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Files of every tree, from scanners and censuses.</summary>
public sealed class ScanTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    /// <summary>A planting of three rows of 40 trees, tree 5 of each missing.</summary>
    private async Task<JsonNode> Added(string code)
    {
        var (status, body) = await _client.PostAsync(
            "/api/v1/plantings",
            $$$"""
            {"code": "{{{code}}}", "name": "Scan test", "variety": "Elstar", "rootstock": "M.9", "system": "tall-spindle", "yearPlanted": 2018,
             "rowSpacing": {"value": 3.2, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 0.04, "unit": "ha"}}
            """
        );
        Assert.Equal(201, status);
        var rows = string.Join(
            ",",
            Enumerable.Range(1, 3).Select(r => $$"""{"row": {{r}}, "trees": 40, "missing": "5"}""")
        );
        (status, body) = await _client.PutAsync(
            $"/api/v1/plantings/{body["id"]}/rows",
            $$$"""{"version": {{{body["plantingVersion"]}}}, "rows": {"rows": [{{{rows}}}]}}"""
        );
        Assert.Equal(200, status);
        return body;
    }

    private async Task<JsonNode> Send(string step, byte[] content, HttpClient? client = null, string query = "")
    {
        using ByteArrayContent body = new(content);
        body.Headers.ContentType = new("application/octet-stream");
        using var answer = await (client ?? _client).PostAsync(
            new Uri($"/api/v1/scans/{step}?name=scan.csv{query}", UriKind.Relative),
            body,
            TestContext.Current.CancellationToken
        );
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        return JsonNode.Parse(
            text.TrimEnd().Split('\n').Last(l => l.StartsWith("data: ", StringComparison.Ordinal))["data: ".Length..]
        )!;
    }

    private async Task<JsonNode> Report(string step, string csv) =>
        (await Send(step, Encoding.UTF8.GetBytes(csv)))["report"]!;

    private static string Csv(string code, Func<int, int, string> rest) =>
        "Planting,Row,Tree,Trunk (mm),Limbs,Buds\n"
        + string.Join(
            "\n",
            Enumerable
                .Range(1, 3)
                .SelectMany(r => Enumerable.Range(1, 40).Where(t => t != 5).Select(t => $"{code},{r},{t},{rest(r, t)}"))
        );

    [Fact]
    public async Task Every_tree_finds_its_place_and_the_row_sheet_shows_it()
    {
        var planting = await Added("S1");
        var report = await Report(
            "save",
            Csv("S1", (r, t) => string.Create(CultureInfo.InvariantCulture, $"{40 + t},22,{100 + r * 10 + t}"))
        );
        Assert.Equal((117, 117, true), ((int)report["lines"]!, (int)report["matched"]!, (bool)report["saved"]!));

        var sheet = await application.ClientOf(Role.Reader).ReadAsync($"/api/v1/plantings/{planting["id"]}/trees");
        Assert.Equal(3, sheet["rows"]!.AsArray().Count);
        var second = sheet["rows"]![1]!;
        Assert.Equal(40, second["status"]!.AsArray().Count);
        Assert.Equal("missing", (string)sheet["statuses"]![(int)second["status"]![4]!]!);
        // Trunks of 41 to 80 mm: tree 40 is among the largest quarter, tree 1 among the smallest.
        Assert.Equal((0, 2), ((int)second["class"]![0]!, (int)second["class"]![39]!));
        // Nobody counted a tree by hand: scanned buds stand for nothing yet.
        Assert.Null(second["buds"]![0]);
        var measured = (await _client.ReadAsync($"/api/v1/plantings/{planting["id"]}"))["measured"]!;
        Assert.Equal((117, 117), ((int)measured["trunks"]!, (int)measured["scanned"]!));
    }

    [Fact]
    public async Task Nonsense_is_left_out_by_reason_and_the_rest_is_taken()
    {
        await Added("S2");
        var csv =
            Csv("S2", (_, t) => $"{40 + t},22,150")
            + """

                S2,1,5,50,20,100
                S2,1,41,50,20,100
                S2,9,1,50,20,100
                S2,1,1,50,20,100
                NONE,1,1,50,20,100
                S2,x,2,50,20,100
                S2,2,6,9000,20,100
                """;
        var report = await Report("check", csv);
        Assert.Equal(117, (int)report["matched"]!);
        Assert.Equal(
            (1, 2, 2, 1, 1),
            (
                (int)report["byReason"]!["missing-tree"]!,
                (int)report["byReason"]!["no-tree"]!,
                (int)report["byReason"]!["duplicate"]! + (int)report["byReason"]!["range"]!,
                (int)report["byReason"]!["planting"]!,
                (int)report["byReason"]!["text"]!
            )
        );
        Assert.Contains(report["problems"]!.AsArray(), p => (int)p!["line"]! == 119 && (string)p["value"]! == "5");
        Assert.False((bool)report["saved"]!);
    }

    [Fact]
    public async Task A_file_that_mostly_fits_nowhere_is_not_saved()
    {
        await Added("S3");
        var report = await Report(
            "save",
            "Planting,Row,Tree,Buds\n"
                + string.Join(
                    "\n",
                    Enumerable.Range(1, 100).Select(t => $"S3,{(t % 4 == 0 ? 77 : 1)},{t % 40 + 1},150")
                )
        );
        Assert.False((bool)report["usable"]!);
        Assert.False((bool)report["saved"]!);
    }

    [Theory]
    [InlineData("", "The file is empty.")]
    [InlineData("Planting,Row,Tree\nS9,1,1\n", "Expected a column of trunks, limbs, buds or leaders.")]
    [InlineData("Planting,Buds\nS9,100\n", "Expected columns for row and tree, or for longitude and latitude.")]
    public async Task A_file_that_cannot_be_used_says_why(string csv, string why) =>
        Assert.Equal(why, (string)(await Send("check", Encoding.UTF8.GetBytes(csv)))["failure"]!);

    [Fact]
    public async Task Hand_counts_calibrate_the_scan()
    {
        var planting = await Added("S4");
        await Report("save", Csv("S4", (r, t) => $"{40 + t},22,{100 + (r * 37 + t * 13) % 90}"));
        // Counted: exactly twice what was scanned, less 30. R: lm gives that line.
        var trees = string.Join(
            ",",
            Enumerable
                .Range(6, 9)
                .Select(t =>
                    $$"""{"row": 2, "tree": {{t}}, "floralBuds": {{2 * (100 + (74 + t * 13) % 90) - 30 + (t % 2 == 0 ? 1 : -1)}}}"""
                )
        );
        var version = (await _client.ReadAsync($"/api/v1/plantings/{planting["id"]}"))["planVersion"];
        var (status, saved) = await _client.PutAsync(
            $"/api/v1/plantings/{planting["id"]}/count",
            $$$"""{"version": {{{version}}}, "count": {"trees": [{{{trees}}}]}}"""
        );
        Assert.Equal(200, status);
        var calibration = saved["plan"]!["survey"]!["calibration"]!;
        Assert.True((bool)calibration["usable"]!);
        Assert.Equal(2, (double)calibration["line"]!["slope"]!, 0.05);
        Assert.Equal("regressionOnScan", (string)saved["plan"]!["survey"]!["method"]!);
        Assert.NotNull((await _client.ReadAsync($"/api/v1/plantings/{planting["id"]}/trees"))["rows"]![0]!["buds"]![0]);
    }

    [Fact]
    public async Task Positions_fall_on_the_rows_they_lie_on()
    {
        var planting = await Added("S5");
        // Three rows 3.2 m apart and 39 m long, running north (1° of latitude is 111.14 km, of longitude 77.9 km at
        // 45.6°).
        static string At(double eastM, double northM) =>
            string.Create(
                CultureInfo.InvariantCulture,
                $"{9.9 + eastM / 77_900:0.0000000}, {45.6 + northM / 111_140:0.0000000}"
            );
        var lines = string.Join(
            ",",
            Enumerable
                .Range(1, 3)
                .Select(r =>
                    $$$$"""{"type": "Feature", "properties": {"block": "S5", "row": {{{{r}}}}}, "geometry": {"type": "LineString", "coordinates": [[{{{{At((r - 1) * 3.2, 0)}}}}], [{{{{At((r - 1) * 3.2, 39)}}}}]]}}"""
                )
        );
        var report = await _client.ImportAsync(
            "save",
            "ground.geojson",
            Encoding.UTF8.GetBytes($$"""{"type": "FeatureCollection", "features": [{{lines}}]}"""),
            "ground"
        );
        Assert.True((bool)report["saved"]!, report.ToJsonString());

        // A metre along, half a metre across: still tree 12 of row 2; and one far away.
        var points = $$$$"""
            {"type": "FeatureCollection", "features": [
             {"type": "Feature", "properties": {"buds": 140}, "geometry": {"type": "Point", "coordinates": [{{{{At(
                3.7,
                11.2
            )}}}}]}},
             {"type": "Feature", "properties": {"buds": 150}, "geometry": {"type": "Point", "coordinates": [{{{{At(
                6.4,
                39.3
            )}}}}]}},
             {"type": "Feature", "properties": {"buds": 160}, "geometry": {"type": "Point", "coordinates": [{{{{At(
                0.1,
                20
            )}}}}]}},
             {"type": "Feature", "properties": {"buds": 170}, "geometry": {"type": "Point", "coordinates": [{{{{At(
                -0.2,
                21
            )}}}}]}},
             {"type": "Feature", "properties": {"buds": 180}, "geometry": {"type": "Point", "coordinates": [{{{{At(
                0.3,
                22
            )}}}}]}},
             {"type": "Feature", "properties": {"buds": 99}, "geometry": {"type": "Point", "coordinates": [{{{{At(
                40,
                20
            )}}}}]}}]}
            """;
        var scan = (await Send("save", Encoding.UTF8.GetBytes(points)))["report"]!;
        Assert.Equal((5, 1, true), ((int)scan["matched"]!, (int)scan["byReason"]!["off-row"]!, (bool)scan["saved"]!));
        Assert.Equal("S5", (string)Assert.Single(scan["plantings"]!.AsArray())!["code"]!);
        Assert.Equal(160, (double)scan["plantings"]![0]!["meanBuds"]!);
        Assert.NotNull(planting);
    }

    [Fact]
    public async Task Parquet_and_decimal_commas_are_read()
    {
        await Added("S6");
        using var stream = new MemoryStream();
        ParquetSchema schema = new(
            new DataField<string>("Planting"),
            new DataField<int>("Row"),
            new DataField<long>("Tree"),
            new DataField<double?>("Trunk mm"),
            new DataField<float>("Buds")
        );
        var fields = schema.GetDataFields();
        await using (
            var writer = await ParquetWriter.CreateAsync(
                schema,
                stream,
                cancellationToken: TestContext.Current.CancellationToken
            )
        )
        {
            using var group = writer.CreateRowGroup();
            await group.WriteAsync(fields[0], new[] { "S6", "S6", "S6" });
            await group.WriteAsync<int>(
                fields[1],
                new[] { 1, 2, 3 },
                cancellationToken: TestContext.Current.CancellationToken
            );
            await group.WriteAsync<long>(
                fields[2],
                new long[] { 7, 8, 9 },
                cancellationToken: TestContext.Current.CancellationToken
            );
            await group.WriteAsync<double>(
                fields[3],
                new double?[] { 51.5, null, 48.5 },
                cancellationToken: TestContext.Current.CancellationToken
            );
            await group.WriteAsync<float>(
                fields[4],
                new[] { 140f, 150f, 160f },
                cancellationToken: TestContext.Current.CancellationToken
            );
            group.CompleteValidate();
        }
        var report = (await Send("check", stream.ToArray()))["report"]!;
        Assert.True((int)report["matched"]! == 3, report.ToJsonString());
        Assert.Equal(
            (3, 50.0, 150.0),
            (
                (int)report["matched"]!,
                (double)report["plantings"]![0]!["meanTrunkMm"]!,
                (double)report["plantings"]![0]!["meanBuds"]!
            )
        );

        var comma = await Report(
            "check",
            "Plantación;Fila;Árbol;Diámetro de tronco (cm);Yemas\nS6;1;7;5,15;140\nS6;2;8;4,85;150\n"
        );
        Assert.Equal(
            (2, 50.0),
            ((int)comma["matched"]!, Math.Round((double)comma["plantings"]![0]!["meanTrunkMm"]!, 3))
        );
    }

    [Fact]
    public async Task Another_estate_s_trees_are_not_found_and_the_crew_may_not_take_scans_in()
    {
        var planting = await Added("S7");
        using var elsewhere = await application.InNewEstateAsync(application.ClientOf(), "Scan Elsewhere");
        var report = (await Send("save", Encoding.UTF8.GetBytes(Csv("S7", (_, _) => "50,20,100")), elsewhere))[
            "report"
        ]!;
        Assert.Equal((0, false), ((int)report["matched"]!, (bool)report["saved"]!));
        Assert.Equal(
            404,
            (await elsewhere.SendAsync(HttpMethod.Get, $"/api/v1/plantings/{planting["id"]}/trees")).Status
        );
    }

    [Fact]
    [SuppressMessage("Reliability", "CA2000", Justification = "Disposed with the client.")]
    public async Task Counting_leaves_with_the_estate_and_comes_back_equal()
    {
        var planting = await _client.PlantingAsync("W1");
        var (status, _) = await _client.PutAsync(
            $"/api/v1/plantings/{planting["id"]}/count",
            $$$"""
            {"version": {{{planting["planVersion"]}}}, "count": {"trees": [
              {"row": 2, "tree": 3, "kinds": [{"kind": "spur", "buds": 200}, {"kind": "terminal", "buds": 12}], "limbSizes": [{"diameter": {"value": 14, "unit": "mm"}, "forked": true, "buds": 40}], "note": "canker low"},
              {"row": 2, "tree": 9, "buds": 260}, {"row": 3, "tree": 1, "floralBuds": 140}],
             "budCuts": [{"row": 2, "tree": 3, "kind": "spur", "floral": 11, "vegetative": 8, "dead": 1}, {"row": 2, "tree": 3, "kind": "terminal", "floral": 5, "vegetative": 5}],
             "sample": {"trees": 24, "seed": 5}, "method": "simple"}}
            """
        );
        Assert.Equal(200, status);
        var before = (await _client.PlantingAsync("W1"))["count"]!.ToJsonString();
        // What a spreadsheet would run as a formula leaves with a mark, and comes back without it.
        await Added("=S9");
        await Report("save", Csv("=S9", (_, t) => $"{40 + t},22,150"));
        var zip = await _client.GetByteArrayAsync(
            new Uri("/api/v1/exports/estate", UriKind.Relative),
            TestContext.Current.CancellationToken
        );

        using var copy = await application.InNewEstateAsync(application.ClientOf(), "Copy of counting");
        using var form = new MultipartFormDataContent { { new ByteArrayContent(zip), "file", "estate.zip" } };
        using var answer = await copy.PostAsync(
            new Uri("/api/v1/imports/estate", UriKind.Relative),
            form,
            TestContext.Current.CancellationToken
        );
        Assert.Equal(204, (int)answer.StatusCode);
        Assert.Equal(before, (await copy.PlantingAsync("W1"))["count"]!.ToJsonString());
        // The scan of the demo (demo/larkfold/scans-2027.csv) went along.
        Assert.Equal(
            (int)(await _client.PlantingAsync("H2"))["measured"]!["scanned"]!,
            (int)(await copy.PlantingAsync("H2"))["measured"]!["scanned"]!
        );
        Assert.Equal(117, (int)(await copy.PlantingAsync("=S9"))["measured"]!["scanned"]!);
        using var archive = new ZipArchive(new MemoryStream(zip));
        using var scans = new StreamReader(archive.GetEntry("scans-2027.csv")!.Open());
        var lines = (await scans.ReadToEndAsync(TestContext.Current.CancellationToken)).Split("\r\n");
        Assert.Contains("'=S9,1,1,41,22,150", lines.Select(l => l.TrimEnd(',')));
    }
}
