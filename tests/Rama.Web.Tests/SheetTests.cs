using System.IO.Compression;
using System.Text;
using Rama.Data.Exchange;
using Rama.Data.Exchange.Reading;

namespace Rama.Web.Tests;

/// <summary>Files as spreadsheets write them, and files that are none.</summary>
public sealed class SheetTests
{
    private static byte[] File(string name) =>
        System.IO.File.ReadAllBytes(RamaApplication.RepositoryFile($"tests/Rama.Web.Tests/Files/{name}"));

    private static Sheet Read(string name, byte[] content) =>
        SheetReader.Read(name, content, TestContext.Current.CancellationToken);

    // RFC 4180 and the dialects spreadsheets write: byte order mark, semicolons, quotes, line breaks in cells.
    [Theory]
    [InlineData("a,b\n1,x\n", "1|x")]
    [InlineData("\uFEFFa,b\r\n1,x\r\n", "1|x")]
    [InlineData("a;b\r\n1,5;x\r\n", "1,5|x")]
    [InlineData("a\tb\n1\tx\n", "1|x")]
    [InlineData("sep=;\r\na;b\r\n1;x\r\n", "1|x")]
    [InlineData("a,b\r\n\"1\",\"x, \"\"y\"\"\"\r\n", "1|x, \"y\"")]
    [InlineData("a,b\r\n1,\"two\nlines\"\r\n", "1|two\nlines")]
    [InlineData("My orchard\r\n\r\na,b\r\n1,x\r\n", "1|x")]
    [InlineData("a,b\r\n1\r\n\r\n,\r\n", "1")]
    public void A_csv_is_read_in_any_dialect(string text, string line) =>
        Assert.Equal(line, string.Join('|', ImportFile.Read(text).Lines.Single().Cells));

    [Fact]
    public void Lines_are_counted_as_a_person_sees_them()
    {
        var sheet = ImportFile.Read("a,b\r\n1,\"two\nlines\"\r\n\r\n2,x\r\n");
        Assert.Equal([2, 5], sheet.Lines.Select(l => l.Number));
    }

    // Written by R 4.2 write.csv and write.csv2 and by LibreOffice 7.4 from one table;
    // tests/Rama.Web.Tests/Files/make.sh says how.
    [Theory]
    [InlineData("r-utf8.csv")]
    [InlineData("r-semicolon-comma.csv")]
    [InlineData("r-latin1.csv")]
    [InlineData("r-utf16.csv")]
    [InlineData("calc-semicolon.csv")]
    [InlineData("calc.xlsx")]
    public void A_file_of_a_spreadsheet_is_read_with_its_accents_and_decimals(string name)
    {
        var sheet = Read(name, File(name));
        var mapping = MappingGuess.Of(sheet);
        Assert.Equal("plantings", mapping.Table);
        var line = new LineReader(mapping, sheet.Lines[1]);
        Assert.Equal("Ñandú, \"alto\"", line.Text("name"));
        Assert.Equal(("Topaz", 2019.0), (line.Text("variety"), line.Number("yearPlanted")));
        Assert.Equal(new(3.25, "m"), line.Amount("rowSpacing"));
        Assert.Equal(new(1234.5 / 1000, "ha"), line.Amount("area"));
        Assert.Empty(line.Problems.Problems);
    }

    [Fact]
    public void A_number_means_what_its_decimal_sign_says()
    {
        static double? Number(string text, string sign) =>
            new LineReader(new ImportMapping("plantings", sign, [new("area", 0)]), new(2, [text])).Number("area");
        Assert.Equal(1234.5, Number("1,234.5", "."));
        Assert.Equal(1234.5, Number("1.234,5", ","));
        Assert.Equal(1234.5, Number("1 234,5", ","));
        Assert.Equal(3.5, Number("3.5 %", "."));
        Assert.Equal(-2, Number("−2", "."));
        Assert.Null(Number("3,5", "."));
        Assert.Null(Number("3.5", ","));
        Assert.Null(Number("1,23,456", "."));
        Assert.Null(Number("abc", "."));
        Assert.Null(Number("1e5", "."));
    }

    [Theory]
    [InlineData(
        "Finca;Parcela;Código;Nombre;Variedad;Patrón;Año de plantación;Entre filas (m);Sobre fila (m);Superficie (ha)"
    )]
    [InlineData("Farm,Block,Planting,Name,Cultivar,Rootstock,Planted,Row spacing [m],In-row spacing [m],Hectares (ha)")]
    public void Headers_in_english_and_spanish_are_known(string headers)
    {
        var sheet = ImportFile.Read(
            $"{headers}\n1{string.Concat(headers.Where(c => c is ',' or ';').Select(c => $"{c}1"))}\n"
        );
        var guess = MappingGuess.Of(sheet);
        Assert.Equal("plantings", guess.Table);
        Assert.Equal(
            [
                "area",
                "block",
                "code",
                "name",
                "rootstock",
                "rowSpacing",
                "site",
                "treeSpacing",
                "variety",
                "yearPlanted",
            ],
            guess.Columns.Select(c => c.Field).Order()
        );
        Assert.Equal("m", guess.Columns.Single(c => c.Field == "rowSpacing").Unit);
    }

    [Fact]
    public void Units_are_taken_from_the_header()
    {
        var guess = MappingGuess.Of(
            ImportFile.Read(
                "Planting,Variety,Rootstock,Planted,Row spacing (ft),Tree spacing ft,Area (ac)\n1,1,1,1,1,1,1\n"
            )
        );
        Assert.Equal(
            ["ft", "ft", "ac"],
            new[] { "rowSpacing", "treeSpacing", "area" }.Select(f => guess.Columns.Single(c => c.Field == f).Unit!)
        );
    }

    public static TheoryData<string, byte[], string> NoTables() =>
        new()
        {
            { "empty.csv", [], "empty" },
            { "header.csv", "a,b\n"u8.ToArray(), "empty" },
            { "one.csv", "just a line of text\n"u8.ToArray(), "header" },
            { "paper.pdf", "%PDF-1.7 …"u8.ToArray(), "type" },
            { "old.xls", [0xD0, 0xCF, 0x11, 0xE0, 0xA1, 0xB1, 0x1A, 0xE1], "type" },
            { "picture.csv", [0x89, (byte)'P', (byte)'N', (byte)'G', 0, 1, 2, 3], "type" },
            { "half.xlsx", [.. File("calc.xlsx").Take(900)], "broken" },
            { "other.zip", Zip("readme.txt", "hello"u8.ToArray()), "type" },
            { "nonsense.xlsx", Zip("xl/workbook.xml", "<not-a-workbook/>"u8.ToArray()), "broken" },
            { "list.json", """{"plantings": []}"""u8.ToArray(), "type" },
            { "broken.geojson", """{"type": "FeatureCollection", "features": [{"""u8.ToArray(), "broken" },
            { "deep.geojson", Encoding.UTF8.GetBytes(new string('[', 5_000)).Prepend((byte)'{').ToArray(), "broken" },
            {
                "wide.geojson",
                Encoding.UTF8.GetBytes(
                    "{\"features\": ["
                        + string.Join(",", Enumerable.Range(0, 300).Select(i => $"{{\"properties\": {{\"p{i}\": 1}}}}"))
                        + "]}"
                ),
                "columns"
            },
            {
                "projected.geojson",
                """{"type": "FeatureCollection", "crs": {"properties": {"name": "EPSG:32632"}}, "features": [{}]}"""u8.ToArray(),
                "type"
            },
        };

    [Theory]
    [MemberData(nameof(NoTables))]
    public void A_file_that_is_no_table_is_refused_with_its_reason(string name, byte[] content, string code) =>
        Assert.Equal(code, Assert.Throws<UnreadableFileException>(() => Read(name, content)).Code);

    [Fact]
    public void A_file_that_unpacks_to_far_more_than_its_size_is_not_read()
    {
        var bomb = Zip("xl/workbook.xml", new byte[500 * 1024 * 1024]);
        Assert.True(bomb.Length < SheetReader.MostBytes / 4);
        Assert.Equal("bomb", Assert.Throws<UnreadableFileException>(() => Read("bomb.xlsx", bomb)).Code);
    }

    [Fact]
    public void A_text_that_would_run_as_a_formula_is_made_harmless_and_comes_back_as_it_was()
    {
        string[] nasty = ["=1+1", "+1", "-1", "@SUM(A1)", "=cmd|' /C calc'!A0", "'=1", "plain", "it's", "'tis"];
        using var csv = new MemoryStream();
        SheetWriter.WriteCsv(csv, ["a", "b"], nasty.Select(n => (IReadOnlyList<object?>)[n, 1.5]));
        var text = Encoding.UTF8.GetString(csv.ToArray());
        Assert.DoesNotMatch(@"(?m)^""?[=+\-@]", text);
        Assert.Equal(nasty, Read("x.csv", csv.ToArray()).Lines.Select(l => l[0]));

        using var xlsx = new MemoryStream();
        SheetWriter.WriteXlsx(xlsx, "t", ["a", "b"], nasty.Select(n => (IReadOnlyList<object?>)[n, 1.5]));
        Assert.Equal(nasty, Read("x.xlsx", xlsx.ToArray()).Lines.Select(l => l[0]));
        Assert.All(Read("x.xlsx", xlsx.ToArray()).Lines, l => Assert.Equal(1.5, l[1]));
    }

    // Told from the file alone, before a table is made of it: memory stays within a few times the file's size.
    [Fact]
    public void A_file_of_millions_of_empty_cells_takes_no_memory_to_refuse()
    {
        var commas = Encoding.UTF8.GetBytes("a,b\n" + new string(',', 29_000_000));
        var square = Encoding.UTF8.GetBytes(
            "a,b\n" + string.Concat(Enumerable.Repeat("1" + new string(',', 900) + "\n", 20_000))
        );
        foreach (var (content, code) in new[] { (commas, "columns"), (square, "size") })
        {
            var before = GC.GetAllocatedBytesForCurrentThread();
            Assert.Equal(code, Assert.Throws<UnreadableFileException>(() => Read("x.csv", content)).Code);
            Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, 20L * content.Length);
        }
    }

    [Fact]
    public void A_workbook_as_wide_as_they_can_be_is_refused_at_its_first_line()
    {
        using var xlsx = new MemoryStream();
        string[] wide = [.. Enumerable.Range(0, 16_384).Select(i => $"c{i}")];
        SheetWriter.WriteXlsx(xlsx, "t", wide, Enumerable.Repeat((IReadOnlyList<object?>)[.. wide], 30));
        var before = GC.GetAllocatedBytesForCurrentThread();
        Assert.Equal("columns", Assert.Throws<UnreadableFileException>(() => Read("x.xlsx", xlsx.ToArray())).Code);
        Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, 40_000_000);
    }

    [Fact]
    public void A_file_of_an_archive_is_not_read_as_a_whole_when_it_is_huge()
    {
        var zip = ArchiveFiles.OfZip(
            Zip("counting.json", new byte[70 * 1024 * 1024]),
            TestContext.Current.CancellationToken
        );
        var before = GC.GetAllocatedBytesForCurrentThread();
        Assert.Equal("size", Assert.Throws<UnreadableFileException>(() => zip.Read("counting.json")).Code);
        Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, 2_000_000);
        Assert.Null(zip.Read("other.json"));
    }

    private static byte[] Zip(string name, byte[] content)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create))
        using (var entry = zip.CreateEntry(name, CompressionLevel.Fastest).Open())
            entry.Write(content);
        return stream.ToArray();
    }
}
