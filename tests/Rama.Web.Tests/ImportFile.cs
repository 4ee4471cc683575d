using System.Text;
using System.Text.Json.Nodes;
using Rama.Data.Exchange;

namespace Rama.Web.Tests;

/// <summary>Sends files to the import as the page does, and hears its steps.</summary>
internal static class ImportFile
{
    public static MultipartFormDataContent Form(
        string name,
        byte[] content,
        string? mapping = null,
        string? table = null
    )
    {
        var form = new MultipartFormDataContent { { new ByteArrayContent(content), "file", name } };
        if (mapping is not null)
            form.Add(new StringContent(mapping), "mapping");
        if (table is not null)
            form.Add(new StringContent(table), "table");
        return form;
    }

    public static async Task<(int Status, JsonNode Body)> ReadFileAsync(
        this HttpClient client,
        string name,
        byte[] content,
        string? table = null
    )
    {
        using var form = Form(name, content, table: table);
        using var answer = await client.PostAsync(
            new Uri("/api/v1/imports/read", UriKind.Relative),
            form,
            TestContext.Current.CancellationToken
        );
        return (
            (int)answer.StatusCode,
            JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!
        );
    }

    /// <summary>Checks or saves a file as Rama guesses it, or with a mapping, and gives the report.</summary>
    public static async Task<JsonNode> ImportAsync(
        this HttpClient client,
        string step,
        string name,
        byte[] content,
        string? table = null,
        string? mapping = null
    )
    {
        if (mapping is null)
        {
            var (status, read) = await client.ReadFileAsync(name, content, table);
            Assert.Equal(200, status);
            mapping = read["guess"]!.ToJsonString();
        }
        using var form = Form(name, content, mapping);
        using var answer = await client.PostAsync(
            new Uri($"/api/v1/imports/{step}", UriKind.Relative),
            form,
            TestContext.Current.CancellationToken
        );
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Equal(200, (int)answer.StatusCode);
        var last = JsonNode.Parse(
            text.Split('\n').Last(l => l.StartsWith("data: ", StringComparison.Ordinal))["data: ".Length..]
        )!;
        return last["report"] ?? throw new InvalidOperationException((string?)last["failure"] ?? text);
    }

    public static Task<JsonNode> ImportAsync(this HttpClient client, string step, string csv, string? table = null) =>
        client.ImportAsync(step, "file.csv", Encoding.UTF8.GetBytes(csv), table);

    public static async Task<byte[]> DownloadAsync(this HttpClient client, string path)
    {
        using var answer = await client.GetAsync(
            new Uri(path, UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(200, (int)answer.StatusCode);
        return await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken);
    }

    public static IReadOnlyList<(int Line, string Field, string Code)> Problems(JsonNode report) =>
        [.. report["problems"]!.AsArray().Select(p => ((int)p!["line"]!, (string)p["field"]!, (string)p["code"]!))];

    /// <summary>A list of plantings made up for size alone.</summary>
    public static string ManyPlantings(int count)
    {
        string[] varieties = ["Elstar", "Jonagold", "Topaz", "Idared", "Pinova", "Fuji"];
        var text = new StringBuilder(
            "Site,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha),Missing trees (%)\r\n"
        );
        for (var i = 0; i < count; i++)
            text.Append(
                FormattableString.Invariant(
                    $"Site {i % 7},P{i},Piece {i},{varieties[i % 6]},M.9,{2005 + i % 20},3.{i % 5},1,{1 + i % 40 / 10.0},{i % 6}\r\n"
                )
            );
        return text.ToString();
    }

    public static Sheet Read(string csv) => SheetReader.Read("file.csv", Encoding.UTF8.GetBytes(csv));
}
