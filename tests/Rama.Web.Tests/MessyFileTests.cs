using System.Text.Json.Nodes;
using Rama.Data.Exchange;
using Rama.Data.Exchange.Reading;

namespace Rama.Web.Tests;

/// <summary>
/// Five files of five hands, made up before there was code to read them: what each column is and in which unit, read
/// by eye from the files themselves.
/// </summary>
public sealed class MessyFileTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static Sheet Read(string name) =>
        SheetReader.Read(
            name,
            File.ReadAllBytes(RamaApplication.RepositoryFile($"tests/Rama.Web.Tests/Files/messy/{name}")),
            TestContext.Current.CancellationToken
        );

    [Theory]
    [InlineData(
        "us-packing-house.csv",
        "plantings",
        "site=Ranch block=Blk # name=Block Name crop=Commodity variety=Variety rootstock=Rootstock system=Training "
            + "yearPlanted=Yr Pltd rowSpacing=Row Spc (ft)|ft treeSpacing=Tree Spc (ft)|ft area=Acres|ac trees=# Trees",
        3
    )]
    [InlineData(
        "european-cooperative.csv",
        "plantings",
        "block=Quarter variety=Sort rootstock=Stock yearPlanted=Yr pl. rowSpacing=Row dist.|cm "
            + "treeSpacing=Dist. in row|cm area=Surface|ha trees=Pieces",
        1
    )]
    [InlineData(
        "spanish.csv",
        "plantings",
        "site=Predio block=Cuartel crop=Especie variety=Variedad rootstock=Portainj. yearPlanted=Año pl. "
            + "spacing=Marco|m area=Sup.|ha trees=N° plantas",
        1
    )]
    [InlineData(
        "years-as-columns.csv",
        "seasons",
        "code=Block yield=2021|bin/ac yield=2022|bin/ac yield=2023|bin/ac yield=2024|bin/ac yield=2025|bin/ac",
        0
    )]
    [InlineData(
        "notes.xlsx",
        "plantings",
        "site=Farm block=Parcel crop=Crop variety=Cultivar rootstock=Stock yearPlanted=year system=system "
            + "rowSpacing=between rows|m treeSpacing=between trees|m area=size|ha trees=no. of trees",
        2
    )]
    public void Columns_and_units_are_found(string file, string table, string columns, int leftOut)
    {
        var sheet = Read(file);
        var guess = MappingGuess.Of(sheet);
        Assert.Equal(table, guess.Table);
        Assert.Equal(
            columns
                .Split(' ')
                .Aggregate("", (all, part) => part.Contains('=') ? $"{all}\n{part}" : $"{all} {part}")
                .Trim()
                .Split('\n')
                .Order(),
            guess
                .Columns.Select(c =>
                    $"{c.Field}={sheet.Headers[c.Column]}"
                    + (c.Unit is null ? "" : "|" + c.Unit)
                    + (c.UnitFrom == UnitSource.Open ? "?" : "")
                )
                .Order()
        );
        Assert.Equal(leftOut, guess.LeftOut.Count);
    }

    /// <summary>In without a column mapped by hand; only names nobody can know are said.</summary>
    [Fact]
    public async Task All_five_come_in_with_the_right_units()
    {
        using var client = await application.InNewEstateAsync(application.ClientOf(), "Messy");
        var us = await Save(client, "us-packing-house.csv");
        Assert.Equal(9, (int)us["added"]!);
        // Measured out by hand: 4.5 ac × 43 560 ft² ÷ (16 × 8 ft) is 1 531, and so on; every line agrees.
        Assert.Empty(us["warnings"]!.AsArray());
        Assert.Equal(
            """{"site":"Upper","block":"101","name":"Gap North","variety":"Elstar"}""",
            Some(await client.PlantingAsync("101"), "site", "block", "name", "variety")
        );
        Assert.Equal(("M.9", "tall-spindle"), await Named(client, "101"));
        await Planted(client, "101", (12, "ft"), (3, "ft"), (5.16, "ac"));
        Assert.Equal(("OHF 87", "central-leader-in-tiers"), await Named(client, "202"));

        Assert.Equal(9, (int)(await Save(client, "european-cooperative.csv"))["added"]!);
        await Planted(client, "Lindenhof 3", (500, "cm"), (300, "cm"), (0.95, "ha"));
        Assert.Equal("Quince C", (await Named(client, "Hang oben")).Rootstock);

        var es = await Save(client, "spanish.csv");
        Assert.Equal(9, (int)es["added"]!);
        // It names no training system, and nothing else is odd.
        Assert.Equal(["usual"], es["warnings"]!.AsArray().Select(w => (string)w!["code"]!));
        await Planted(client, "3A", (3.5, "m"), (1, "m"), (4.1, "ha"));
        await Planted(client, "2", (3.8, "m"), (1.2, "m"), (2.75, "ha"));

        var years = await Save(client, "years-as-columns.csv");
        // Nine blocks in five years, less three empty cells and one "n/a".
        Assert.Equal(41, (int)years["added"]!);
        var fuji = (await client.PlantingAsync("103"))["records"]!["seasons"]!.AsArray();
        Assert.Equal([2021, 2022, 2024, 2025], fuji.Select(s => (int)s!["season"]!).Order());
        // 52 bins of 900 lb.
        Assert.Equal(
            """{"value":46800,"unit":"lb/ac"}""",
            fuji.Single(s => (int)s!["season"]! == 2021)!["yield"]!.ToJsonString()
        );

        var notes = await Save(client, "notes.xlsx", ("block", "2026-04-03", "A-3"));
        Assert.Equal(7, (int)notes["added"]!);
        await Planted(client, "A-3", (3.4, "m"), (1.2, "m"), (0.5, "ha"));
        Assert.Equal(("M.9", "two-axis-short-renewal"), await Named(client, "A-3"));
        Assert.Equal(2017, (int)(await client.PlantingAsync("A-4"))["planting"]!["yearPlanted"]!);
    }

    private static async Task<JsonNode> Save(
        HttpClient client,
        string name,
        params (string Field, string Written, string Name)[] said
    )
    {
        var content = File.ReadAllBytes(RamaApplication.RepositoryFile($"tests/Rama.Web.Tests/Files/messy/{name}"));
        var (_, read) = await client.ReadFileAsync(name, content);
        var mapping = read["guess"]!;
        foreach (var value in mapping["values"]!.AsArray().Where(v => (bool)v!["isGuess"]!))
        {
            var (_, _, meant) = Assert.Single(said, s =>
                (s.Field, s.Written) == ((string)value!["field"]!, (string)value["written"]!)
            );
            (value!["name"], value["isGuess"]) = (meant, false);
        }
        var report = await client.ImportAsync("save", name, content, mapping: mapping.ToJsonString());
        Assert.True((bool)report["saved"]!, $"{name}: {report["problems"]!.ToJsonString()}");
        return report;
    }

    private static string Some(JsonNode planting, params string[] fields) =>
        new JsonObject(
            fields.Select(f => new KeyValuePair<string, JsonNode?>(f, planting["planting"]![f]!.DeepClone()))
        ).ToJsonString();

    private static async Task<(string Rootstock, string System)> Named(HttpClient client, string code)
    {
        var planting = (await client.PlantingAsync(code))["planting"]!;
        return ((string)planting["rootstock"]!, (string)planting["system"]!);
    }

    private static async Task Planted(
        HttpClient client,
        string code,
        (double, string) row,
        (double, string) tree,
        (double, string) area
    )
    {
        var planting = (await client.PlantingAsync(code))["planting"]!;
        (double, string) Of(string field) => ((double)planting[field]!["value"]!, (string)planting[field]!["unit"]!);
        Assert.Equal((row, tree, area), (Of("rowSpacing"), Of("treeSpacing"), Of("area")));
    }
}
