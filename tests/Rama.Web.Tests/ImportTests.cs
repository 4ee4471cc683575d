using System.Text;
using System.Text.Json.Nodes;
using Rama.Data.Exchange;

namespace Rama.Web.Tests;

/// <summary>Files into the real database: all lines or none, updates by key, problems by line.</summary>
public sealed class ImportTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private const string Header =
        "Site,Block,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha)\n";

    private readonly HttpClient _client = application.ClientOf();

    private static string Line(
        string code,
        string name = "Piece",
        string variety = "Topaz",
        string site = "Home Farm",
        string year = "2018",
        string area = "2"
    ) => $"{site},{code},{code},{name},{variety},M.9,{year},3.5,1,{area}\n";

    private async Task<bool> Knows(string code) =>
        (await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray().Any(p => (string)p!["code"]! == code);

    [Fact]
    public async Task A_file_is_checked_then_taken_over_and_a_second_time_changes_nothing()
    {
        var csv = Header + Line("A1") + Line("A2", site: "New Ground");
        var check = await _client.ImportAsync("check", csv);
        Assert.Equal(
            (2, 0, 0, false),
            ((int)check["added"]!, (int)check["changed"]!, (int)check["problemCount"]!, (bool)check["saved"]!)
        );
        Assert.False(await Knows("A1"));

        Assert.True((bool)(await _client.ImportAsync("save", csv))["saved"]!);
        var planting = await _client.PlantingAsync("A2");
        Assert.Equal("New Ground", (string)planting["planting"]!["site"]!);
        Assert.Equal("""{"value":3.5,"unit":"m"}""", planting["planting"]!["rowSpacing"]!.ToJsonString());

        var again = await _client.ImportAsync("save", csv);
        Assert.Equal((0, 0, 2), ((int)again["added"]!, (int)again["changed"]!, (int)again["same"]!));
        Assert.Equal((uint)planting["plantingVersion"]!, (uint)(await _client.PlantingAsync("A2"))["plantingVersion"]!);
    }

    [Fact]
    public async Task A_later_file_updates_by_key_and_leaves_alone_what_it_does_not_have()
    {
        await _client.ImportAsync("save", Header + Line("B1", area: "2"));
        var report = await _client.ImportAsync(
            "save",
            "Planting,Variety,Rootstock,Year planted,Row spacing (ft),Tree spacing (m),Area "
                + "(ac)\nb1,topaz,m9,2018,11,1,5\n"
        );
        Assert.Equal(1, (int)report["changed"]!);
        var planting = (await _client.PlantingAsync("b1"))["planting"]!;
        Assert.Equal(
            ("Home Farm", "Piece", "Topaz", "M.9"),
            (
                (string)planting["site"]!,
                (string)planting["name"]!,
                (string)planting["variety"]!,
                (string)planting["rootstock"]!
            )
        );
        Assert.Equal("""{"value":11,"unit":"ft"}""", planting["rowSpacing"]!.ToJsonString());
        Assert.Single((await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray(), p =>
            string.Equals((string)p!["code"]!, "b1", StringComparison.OrdinalIgnoreCase)
        );
    }

    [Fact]
    public async Task One_bad_line_keeps_all_out_and_every_problem_is_told_by_line_and_field()
    {
        var csv =
            Header
            + Line("C1")
            + Line("C2", year: "2050")
            + Line("C3", variety: "Nobody")
            + Line("C4", area: "two")
            + Line("C1")
            + Line("C5", area: "");
        var report = await _client.ImportAsync("save", csv);
        Assert.False((bool)report["saved"]!);
        Assert.Equal(
            [
                (0, "variety", "value"),
                (3, "yearPlanted", "range"),
                (5, "area", "text"),
                (6, "code", "duplicate"),
                (7, "area", "missing"),
            ],
            ImportFile.Problems(report)
        );
        Assert.False(await Knows("C1"));
    }

    [Fact]
    public async Task The_lines_to_mend_come_back_as_a_file()
    {
        var csv = Header + Line("D1") + Line("D2", name: "=HYPERLINK(1)", year: "2050");
        var mapping = (await _client.ReadFileAsync("d.csv", Encoding.UTF8.GetBytes(csv))).Body["guess"]!.ToJsonString();
        using var form = ImportFile.Form("d.csv", Encoding.UTF8.GetBytes(csv), mapping);
        using var answer = await _client.PostAsync(
            new Uri("/api/v1/imports/problems", UriKind.Relative),
            form,
            TestContext.Current.CancellationToken
        );
        Assert.Equal("d-problems.csv", answer.Content.Headers.ContentDisposition!.FileName);
        var file = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        var sheet = ImportFile.Read(file);
        Assert.Equal([.. Header.Trim().Split(','), "Line", "Problem"], sheet.Headers);
        Assert.Equal("3", sheet.Lines.Single()[10]);
        Assert.Contains("Year planted", (string)sheet.Lines.Single()[11]!, StringComparison.Ordinal);
        Assert.Contains("'=HYPERLINK", file, StringComparison.Ordinal);
    }

    // A spreadsheet that wrote semicolons, decimal commas and Western European opens them again.
    [Fact]
    public async Task The_lines_to_mend_come_back_as_they_came()
    {
        var csv =
            "Parcela;Variedad;Patrón;Año;Entre filas (m);Sobre fila (m);Superficie (ha)\r\n"
            + "Peñón;Nobody;M.9;2050;3,5;1;1,25\r\n";
        var content = Encoding.Latin1.GetBytes(csv);
        var (_, read) = await _client.ReadFileAsync("e.csv", content);
        using var form = ImportFile.Form("e.csv", content, read["guess"]!.ToJsonString());
        using var answer = await _client.PostAsync(
            new Uri("/api/v1/imports/problems", UriKind.Relative),
            form,
            TestContext.Current.CancellationToken
        );
        var file = Encoding.Latin1.GetString(
            await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)
        );
        Assert.StartsWith(csv.Split("\r\n")[0] + ";Line;Problem\r\n", file, StringComparison.Ordinal);
        Assert.Contains("Peñón;Nobody;M.9;2050;3,5;1;1,25;2;", file, StringComparison.Ordinal);
    }

    [Fact]
    public async Task All_that_is_wrong_with_a_line_is_told_at_once()
    {
        var report = await _client.ImportAsync("check", Header + Line("G1", year: "2050", area: "two"));
        Assert.Equal([(2, "area", "text"), (2, "yearPlanted", "range")], ImportFile.Problems(report).Order());
    }

    [Fact]
    public async Task A_file_of_nothing_but_names_is_refused_with_what_is_missing()
    {
        await _client.ImportAsync("save", Header + Line("G2"));
        var report = await _client.ImportAsync("save", "Planting,Season\nG2,2025\n", "seasons");
        Assert.Equal([(0, "yield", "missing")], ImportFile.Problems(report));
    }

    // The list comes again next year, and in another estate it is another list.
    [Fact]
    public async Task A_file_of_the_same_headings_is_read_as_the_last_was()
    {
        const string header = "Block,Variety,Rootstock,Planted,Row spacing,Tree spacing,Area,Older name\n";
        var csv = Encoding.UTF8.GetBytes(header + "G5,Red one,M.9,2018,12,3,5.16,x\n");
        var mapping = (await _client.ReadFileAsync("f.csv", csv)).Body["guess"]!;
        mapping["values"]![0]!["name"] = "Topaz";
        mapping["values"]![0]!["isGuess"] = false;
        var area = mapping["columns"]!.AsArray().Single(c => (string)c!["field"]! == "area")!;
        (area["unit"], area["unitFrom"]) = ("ha", "chosen");
        Assert.True((bool)(await _client.ImportAsync("save", "f.csv", csv, mapping: mapping.ToJsonString()))["saved"]!);

        var next = Encoding.UTF8.GetBytes(header + "G6,red one,M.9,2018,12,3,3.3,y\nG7,Blue one,M.9,2018,12,3,3.3,y\n");
        var guess = (await _client.ReadFileAsync("g.csv", next)).Body["guess"]!;
        Assert.Equal("ha", (string)guess["columns"]!.AsArray().Single(c => (string)c!["field"]! == "area")!["unit"]!);
        Assert.Equal(["Topaz", null], guess["values"]!.AsArray().Select(v => (string?)v!["name"]));
        // The same template, filled in by somebody who measures in metres: last year's feet are not taken over.
        var metres = Encoding.UTF8.GetBytes(header + "G6,Topaz,M.9,2018,3.5,1,3.3,y\n");
        Assert.Equal(
            ["rowSpacing", "treeSpacing"],
            (await _client.ReadFileAsync("h.csv", metres)).Body["guess"]!["columns"]!
                .AsArray()
                .Where(c => (string?)c!["unitFrom"] == "open")
                .Select(c => (string)c!["field"]!)
                .Order()
        );
        using var elsewhere = await application.InNewEstateAsync(_client, "Another list");
        var strange = (await elsewhere.ReadFileAsync("g.csv", next)).Body["guess"]!;
        Assert.All(strange["values"]!.AsArray(), v => Assert.Null((string?)v!["name"]));
    }

    [Fact]
    public async Task A_mapping_of_no_end_is_refused()
    {
        var csv = Encoding.UTF8.GetBytes("Block,2021,2022\nH4,40,50\n");
        var mapping = (await _client.ReadFileAsync("i.csv", csv, "seasons")).Body["guess"]!;
        for (var n = 0; n < 900; n++)
            mapping["values"]!
                .AsArray()
                .Add(JsonNode.Parse($$"""{"field": "code", "written": "{{n}}", "name": "H4"}"""));
        var report = await _client.ImportAsync("check", "i.csv", csv, mapping: mapping.ToJsonString());
        Assert.Equal([(0, "mapping", "range")], ImportFile.Problems(report));
    }

    [Fact]
    public async Task Trees_that_do_not_fit_the_area_are_told_by_line()
    {
        const string header = "Planting,Variety,Rootstock,Planted,Rows (ft),Trees (ft),Acres,Trees\n";
        // 5.16 ac × 43 560 ft²/ac ÷ 36 ft² is 6 244.
        var report = await _client.ImportAsync(
            "check",
            header + "G3,Topaz,M.9,2018,12,3,5.16,6240\nG4,Topaz,M.9,2018,12,3,5.16,5000\n"
        );
        var warning = Assert.Single(report["warnings"]!.AsArray(), w => (string)w!["code"]! == "trees")!;
        Assert.Equal(3, (int)warning["line"]!);
        Assert.Contains(
            "5.16 ac at 12 ft × 3 ft has room for 6,244",
            (string)warning["message"]!,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Files_taken_over_are_listed_with_who_and_what_and_not_in_another_estate()
    {
        var csv = Encoding.UTF8.GetBytes(Header + Line("G8") + Line("G9"));
        await _client.ImportAsync("save", "autumn list.csv", csv);
        var past = (await _client.ReadAsync("/api/v1/imports")).AsArray()[0]!;
        Assert.Equal(
            ("autumn list.csv", "plantings", 2, 0, "Manager"),
            (
                (string)past["file"]!,
                (string)past["table"]!,
                (int)past["added"]!,
                (int)past["changed"]!,
                (string)past["person"]!
            )
        );
        using var elsewhere = await application.InNewEstateAsync(_client, "No files yet");
        Assert.Empty((await elsewhere.ReadAsync("/api/v1/imports")).AsArray());
    }

    [Fact]
    public async Task What_changed_is_in_the_history_as_one_batch()
    {
        await _client.ImportAsync("save", Header + Line("E1", area: "2"));
        await _client.ImportAsync("save", Header + Line("E1", area: "2.5"));
        var view = await _client.PlantingAsync("E1");
        var change = (await _client.ReadAsync($"/api/v1/plantings/{view["id"]}/history")).AsArray().Single()!;
        Assert.Equal(
            ("area", "2 ha", "2.5 ha", true),
            ((string)change["field"]!, (string)change["old"]!, (string)change["new"]!, (bool)change["imported"]!)
        );
    }

    [Fact]
    public async Task Rows_seasons_trunks_and_counts_come_in_after_their_plantings()
    {
        await _client.ImportAsync("save", Header + Line("F1"));
        Assert.Equal(
            2,
            (int)
                (await _client.ImportAsync("save", "Parcela,Fila,Árboles,Faltantes\nF1,1,100,\"3, 7-9\"\nF1,2,100,\n"))[
                    "added"
                ]!
        );
        Assert.Equal(
            2,
            (int)
                (
                    await _client.ImportAsync(
                        "save",
                        "Planting;Season;Yield (t/ha);Fruit size (g);Pack-out;Green "
                            + "tip\nF1;2025;48,5;180;85;2025-03-12\nF1;2026;30;200;88;\n"
                    )
                )["added"]!
        );
        Assert.Equal(
            2,
            (int)
                (await _client.ImportAsync("save", "Planting,Row,Tree,Girth (mm)\nF1,1,1,152\nF1,1,2,148\n", "trunks"))[
                    "added"
                ]!
        );
        Assert.Equal(
            2,
            (int)
                (
                    await _client.ImportAsync(
                        "save",
                        "Planting,Row,Tree,Girth (cm),Limbs,Floral buds\nF1,1,10,15.2,22,310\nF1,2,40,14.8,21,295\n"
                    )
                )["added"]!
        );

        var view = await _client.PlantingAsync("F1");
        Assert.Equal("3, 7-9", (string)view["rows"]!["rows"]![0]!["missing"]!);
        Assert.Equal(48.5, (double)view["records"]!["seasons"]![0]!["yield"]!["value"]!);
        Assert.Equal(18.5 / 78.5, (double)view["ahead"]!["alternation"]!["value"]!, 9); // |30 − 48.5| ÷ (30 + 48.5)
        Assert.Equal(302.5, (double)view["plan"]!["survey"]!["buds"]!["mean"]!); // (310 + 295) ÷ 2
        var trunks = Encoding.UTF8.GetString(await _client.DownloadAsync("/api/v1/exports/trunks"));
        Assert.Contains("F1,2027,1,1,15.2,cm", trunks, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Planting,Row,Trees\nNOWHERE,1,100\n", 2, "code", "unknown")]
    [InlineData("Planting,Row,Trees\nG1,1,100\nG1,1,50\n", 3, "", "duplicate")]
    [InlineData("Planting,Row,First tree,Trees\nG1,1,1,100\nG1,1,100,50\n", 3, "row", "duplicate")]
    [InlineData("Planting,Row,Trees,Missing\nG1,1,100,101\n", 2, "missing", "outside")]
    [InlineData("Planting,Season,Yield (t/ha)\nG1,2031,40\n", 2, "season", "range")]
    [InlineData("Planting,Season,Yield (t/ha),Green tip\nG1,2025,40,12/03/2025\n", 2, "greenTip", "date")]
    [InlineData("Planting,Season,Yield (t/ha),Green tip\nG1,2025,40,2024-03-12\n", 2, "greenTip", "conflict")]
    [InlineData("Planting,Row,Tree,Floral buds\nG1,1,1,-5\n", 2, "floralBuds", "range")]
    [InlineData("Planting,Row,Tree,Floral buds,All buds\nG1,1,1,10,20\n", 2, "buds", "conflict")]
    public async Task A_line_that_cannot_be_is_told(string csv, int line, string field, string code)
    {
        await _client.ImportAsync("save", Header + Line("G1"));
        Assert.Equal([(line, field, code)], ImportFile.Problems(await _client.ImportAsync("check", csv)));
    }

    [Fact]
    public async Task Temperatures_and_weighed_fruit_come_in_with_their_units()
    {
        using var client = await application.InNewEstateAsync(_client, "Weather");
        await client.ImportAsync(
            "save",
            "Planting,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area "
                + "(ha)\nF1,Topaz,M.9,2018,3.4,1,2\n",
            "plantings"
        );
        Assert.Equal(
            2,
            (int)
                (
                    await client.ImportAsync(
                        "save",
                        "Date,Min (°F),Max (°F)\n2027-01-01,23,50\n2027-01-02,32,41\n",
                        "weather"
                    )
                )["added"]!
        );
        Assert.Contains(
            "2027-01-01,-5,°C,10,°C",
            Encoding.UTF8.GetString(await client.DownloadAsync("/api/v1/exports/weather")),
            StringComparison.Ordinal
        );
        // Rain and wind in whatever they are read off in; a file of temperatures leaves them alone. An inch is 25.4 mm,
        // 36 km/h are 10 m/s.
        Assert.Equal(
            1,
            (int)
                (
                    await client.ImportAsync(
                        "save",
                        "Date,Min (°C),Max (°C),Rain (in),Wind (km/h)\n2027-01-01,-5,10,0.5,36\n",
                        "weather"
                    )
                )["changed"]!
        );
        Assert.Contains(
            "2027-01-01,-5,°C,10,°C,12.7,mm,10,m/s",
            Encoding.UTF8.GetString(await client.DownloadAsync("/api/v1/exports/weather")),
            StringComparison.Ordinal
        );
        Assert.Equal(
            1,
            (int)(await client.ImportAsync("save", "Date,Min (°C),Max (°C)\n2027-01-01,-5,10\n", "weather"))["same"]!
        );
        // The same day again changes it, the same file again nothing.
        Assert.Equal(
            1,
            (int)(await client.ImportAsync("save", "Date,Min (°C),Max (°C)\n2027-01-02,1,5\n", "weather"))["changed"]!
        );
        Assert.Equal(
            [(2, "maxC", "conflict")],
            ImportFile.Problems(
                await client.ImportAsync("check", "Date,Min (°C),Max (°C)\n2027-01-03,9,5\n", "weather")
            )
        );
        Assert.Equal(
            [(2, "site", "unknown")],
            ImportFile.Problems(
                await client.ImportAsync("check", "Site,Date,Min (°C),Max (°C)\nMoon,2027-01-03,1,5\n", "weather")
            )
        );
        Assert.Equal(
            [(3, "date", "duplicate")],
            ImportFile.Problems(
                await client.ImportAsync("check", "Date,Min (°C),Max (°C)\n2027-01-03,1,5\n2027-01-03,1,5\n", "weather")
            )
        );

        Assert.Equal(
            2,
            (int)
                (await client.ImportAsync("save", "Planting,Diameter (mm),Mass (g)\nF1,70,150\nF1,75,185\n", "fruit"))[
                    "added"
                ]!
        );
        Assert.Contains(
            "F1,70,mm,150,g",
            Encoding.UTF8.GetString(await client.DownloadAsync("/api/v1/exports/fruit")),
            StringComparison.Ordinal
        );
        Assert.Equal(
            [(2, "diameter", "range")],
            ImportFile.Problems(
                await client.ImportAsync("check", "Planting,Diameter (mm),Mass (g)\nF1,700,150\n", "fruit")
            )
        );
    }

    // The links of a target that only a target has, and its words, come in by name.
    [Fact]
    public async Task A_target_held_in_buds_with_its_school_comes_in()
    {
        using var client = await application.InNewEstateAsync(_client, "Targets");
        await client.ImportAsync(
            "save",
            "Planting,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area "
                + "(ha)\nF1,Topaz,M.9,2018,3.4,1,2\n",
            "plantings"
        );
        const string Header =
            "Planting,Target yield,Target yield unit,Target fruit size (g),Bud factor,Insurance school,Years "
            + "crop is reached (%)\n";
        Assert.Equal(
            1,
            (int)
                (await client.ImportAsync("save", Header + "F1,180,bud/tree,170,1.8,serviceLevel,85\n", "plans"))[
                    "added"
                ]!
        );
        var view = await client.PlantingAsync("F1");
        Assert.Equal(180, (double)view["plan"]!["buds"]!["budsPerTree"]!, 9);
        Assert.Equal("serviceLevel", (string)view["target"]!["insurance"]!["school"]!);
        Assert.Single((await client.ReadAsync($"/api/v1/plantings/{view["id"]}/target/versions")).AsArray());
        Assert.Equal(
            [(2, "insurance.school", "unknown")],
            ImportFile.Problems(
                await client.ImportAsync("check", Header + "F1,180,bud/tree,170,1.8,head,85\n", "plans")
            )
        );
    }

    [Fact]
    public async Task A_block_on_two_sites_is_told()
    {
        var csv =
            Header + "Home Farm,K1,K1a,x,Topaz,M.9,2018,3.5,1,2\n" + "Weir Bank,K1,K1b,x,Topaz,M.9,2018,3.5,1,2\n";
        Assert.Equal([(3, "site", "conflict")], ImportFile.Problems(await _client.ImportAsync("check", csv)));
    }

    [Fact]
    public async Task A_tree_in_two_plantings_of_a_block_is_told()
    {
        await _client.ImportAsync(
            "save",
            Header + "Home Farm,L1,L1a,x,Topaz,M.9,2018,3.5,1,2\n" + "Home Farm,L1,L1b,x,Topaz,M.9,2018,3.5,1,2\n"
        );
        var report = await _client.ImportAsync("check", "Planting,Row,First tree,Trees\nL1a,1,1,60\nL1b,1,60,40\n");
        Assert.Contains("L1a and L1b", (string)report["problems"]![0]!["message"]!, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(
        """{"table": "plantings", "decimal": ".", "columns": [{"field": "code", "column": 99}]}""",
        "code",
        "unknown"
    )]
    [InlineData(
        """{"table": "plantings", "decimal": ";", "columns": [{"field": "code", "column": 0}]}""",
        "decimal",
        "unknown"
    )]
    [InlineData(
        """{"table": "plantings", "decimal": ".", "columns": [{"field": "nothing", "column": 0}]}""",
        "nothing",
        "unknown"
    )]
    [InlineData(
        """{"table": "plantings", "decimal": ".", "columns": [{"field": "code", "column": 0}, {"field": "code", "column": 1}]}""",
        "code",
        "duplicate"
    )]
    public async Task A_mapping_that_does_not_fit_is_told(string mapping, string field, string code)
    {
        var report = await _client.ImportAsync(
            "check",
            "x.csv",
            Encoding.UTF8.GetBytes(Header + Line("M1")),
            mapping: mapping
        );
        Assert.Contains((0, field, code), ImportFile.Problems(report));
    }

    [Fact]
    public async Task A_file_larger_than_allowed_is_refused()
    {
        using var form = ImportFile.Form("large.csv", new byte[SheetReader.MostBytes + 200_000]);
        var act = async () =>
        {
            using var answer = await _client.PostAsync(
                new Uri("/api/v1/imports/read", UriKind.Relative),
                form,
                TestContext.Current.CancellationToken
            );
            return (int)answer.StatusCode;
        };
        Assert.Equal(400, await act()); // told at the field; a real server cuts it off with 413 before reading it all
    }

    [Fact]
    public async Task Who_leaves_in_the_middle_of_an_import_cancels_it()
    {
        var csv = Encoding.UTF8.GetBytes(ImportFile.ManyPlantings(4_000));
        var mapping = (await _client.ReadFileAsync("many.csv", csv)).Body["guess"]!.ToJsonString();
        using var form = ImportFile.Form("many.csv", csv, mapping);
        using (var cancel = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken))
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/v1/imports/save") { Content = form };
            using var answer = await _client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, cancel.Token);
            await using var stream = await answer.Content.ReadAsStreamAsync(cancel.Token);
            using var reader = new StreamReader(stream);
            Assert.Contains("progress", await reader.ReadLineAsync(cancel.Token), StringComparison.Ordinal);
        }
        Assert.False(await Knows("P0"));
        // And nothing of it comes later.
        await _client.ImportAsync("check", "n.csv", Encoding.UTF8.GetBytes(Header + Line("N1")));
        Assert.False(await Knows("P0"));
    }

    [Fact]
    public async Task A_thousand_plantings_and_fifty_thousand_lines_go_in()
    {
        await using var large = new RamaApplication();
        await large.InitializeAsync();
        using var client = large.ClientOf();
        Assert.Equal(1_000, (int)(await client.ImportAsync("save", ImportFile.ManyPlantings(1_000)))["added"]!);
        var trunks = new StringBuilder("Planting,Row,Tree,Girth (cm)\n");
        for (var i = 0; i < 50_000; i++)
            trunks.Append(
                FormattableString.Invariant($"P{i % 100},{1 + i / 100 / 50},{1 + i / 100 % 50},{12 + i % 70 / 10.0}\n")
            );
        Assert.Equal(50_000, (int)(await client.ImportAsync("save", trunks.ToString(), "trunks"))["added"]!);
        Assert.Equal(1_024, (await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray().Count); // with the demo's 24
    }
}
