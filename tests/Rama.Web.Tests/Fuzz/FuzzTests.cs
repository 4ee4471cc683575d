using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Rama.Data.People;

namespace Rama.Web.Tests.Fuzz;

/// <summary>
/// Asks everything the API's own document tells of, with what nobody should send. Nothing of it may end in an error of
/// the server, an answer that is no problem of the usual form, or a wait. <c>./rama test fuzz --requests 50000</c> asks
/// more of it.
/// </summary>
public sealed class FuzzTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    // Many sign-ins are meant to be refused; the rest would end the sessions the test itself works with.
    private static readonly string[] LeftOut = ["DELETE /session", "DELETE /sessions", "PUT /session/password"];

    // Five seconds on a quiet machine, as the long run asks; in the ordinary one others work beside it.
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(Setting("RAMA_FUZZ_SECONDS", 30));

    private static int Setting(string name, int usual) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), out var set) ? set : usual;

    [Fact]
    public async Task Nothing_anybody_sends_is_an_error_of_the_server()
    {
        var (requests, seed) = (Setting("RAMA_FUZZ_REQUESTS", 3_000), Setting("RAMA_FUZZ_SEED", 16));
        var document = await ApiDocument.OfAsync(application);
        var operations = document.Operations().Where(o => !LeftOut.Contains(o.Name)).ToList();
        var (ids, real) = await RealAsync();
        ConcurrentQueue<string> faults = [];
        ConcurrentDictionary<string, int> answered = [];
        await Parallel.ForEachAsync(
            Enumerable.Range(0, requests),
            new ParallelOptions
            {
                MaxDegreeOfParallelism = 6,
                CancellationToken = TestContext.Current.CancellationToken,
            },
            async (number, cancel) =>
            {
                // Each request from its own seed, so that it can be made again alone.
                Random random = new(unchecked(seed * 1_000_003 + number));
                var operation = operations[number % operations.Count];
                using var client = application.ClientOf((Role)random.Next(random.Next(3) == 0 ? 0 : 3, 4));
                HttpRequestMessage made;
                // JSON nodes read themselves when they are first asked, and not for two at once.
                lock (document)
                    made = Request(operation, new(document, real, random), ids, random);
                using var request = made;
                var clock = Stopwatch.StartNew();
                using var answer = await client.SendAsync(request, cancel);
                var body = await answer.Content.ReadAsStringAsync(cancel);
                var status = (int)answer.StatusCode;
                answered.AddOrUpdate($"{status / 100}xx", 1, (_, n) => n + 1);
                string? fault =
                    status >= 500 || FailedInside(body) ? body
                    : status >= 400 && !IsProblem(answer, body) ? "no problem of the usual form: " + body
                    : clock.Elapsed > Longest ? $"{clock.Elapsed.TotalSeconds:0.0} s"
                    : null;
                if (fault is not null)
                    faults.Enqueue(
                        $"{number} {operation.Name} {request.RequestUri} → {status}: "
                            + fault[..Math.Min(300, fault.Length)]
                    );
            }
        );
        Assert.True(
            faults.IsEmpty,
            $"{faults.Count} of {requests} (seed {seed}):\n{string.Join("\n", faults.OrderBy(f => f).Take(25))}"
        );
        // That it reaches further than the door.
        Assert.True(answered["2xx"] > requests / 10, string.Join(", ", answered));
        Assert.True(answered["4xx"] > requests / 10, string.Join(", ", answered));
    }

    private async Task<(IReadOnlyList<string> Ids, IReadOnlyDictionary<string, JsonNode> Real)> RealAsync()
    {
        using var manager = application.ClientOf();
        var season = await manager.ReadAsync("/api/v1/season");
        var ids = season["plantings"]!.AsArray().Select(p => (string)p!["id"]!).ToList();
        var view = await manager.PlantingAsync("H2");
        var card = await manager.ReadAsync($"/api/v1/plantings/{view["id"]}/card");
        Dictionary<string, JsonNode> real = [];
        foreach (
            var part in new[]
            {
                "planting",
                "rows",
                "records",
                "fruitSample",
                "target",
                "count",
                "settings",
                "cutting",
                "season",
            }
        )
            if (view[part] is { } held)
                real[part] = held.DeepClone();
        foreach (var (name, value) in view["target"]!.AsObject())
            if (value is not null)
                real[name] = value.DeepClone();
        real["version"] = view["planVersion"]!.DeepClone();
        real["system"] = (await manager.ReadAsync("/api/v1/catalogue/systems/tall-spindle"))["system"]!.DeepClone();
        real["variety"] = "Jonagold";
        real["language"] = "en";
        real["device"] = Guid.NewGuid().ToString();
        real["sentAt"] = "2027-01-27T11:00:00Z";
        Assert.NotNull(card["drawing"]);
        return (ids, real);
    }

    private static HttpRequestMessage Request(
        ApiOperation operation,
        BodyMaker maker,
        IReadOnlyList<string> ids,
        Random random
    )
    {
        string Place(Match parameter) =>
            Uri.EscapeDataString(
                parameter.Value switch
                {
                    "{id}" when random.Next(8) > 0 => ids[random.Next(ids.Count)],
                    "{system}" when random.Next(2) == 0 => "tall-spindle",
                    "{variety}" or "{name}" when random.Next(2) == 0 => "Topaz",
                    "{table}" when random.Next(2) == 0 => "plantings",
                    "{number}" when random.Next(2) == 0 => "1",
                    _ when random.Next(2) == 0 => Guid.NewGuid().ToString(),
                    // The server itself refuses a NUL there, before the application sees it.
                    _ => maker.Parameter(new JsonObject()).Replace("\0", "") is { Length: > 0 and < 500 } odd
                        ? odd
                        : "x",
                }
            );
        var path = Regex.Replace(operation.Path, @"\{\w+\}", Place);
        var query = string.Join(
            '&',
            operation
                .Query.Where(_ => random.Next(3) > 0)
                .Select(q => $"{q.Key}={Uri.EscapeDataString(Short(maker.Parameter(q.Value)))}")
        );
        HttpRequestMessage request = new(
            new(operation.Method),
            $"/api/v1{path}{(query.Length > 0 ? "?" + query : "")}"
        );
        if (operation.Body is { } schema)
            request.Content = new StringContent(
                Spoilt(maker.Body(schema)?.ToJsonString() ?? "null", random),
                Encoding.UTF8,
                "application/json"
            );
        else if (operation.Media == "multipart/form-data")
            request.Content = new MultipartFormDataContent
            {
                { new ByteArrayContent(FileOf(random)), "file", "plantings.csv" },
                {
                    new StringContent(
                        """{"table": "plantings", "decimal": ".", "columns": [{"field": "code", "column": 0}]}"""
                    ),
                    "mapping"
                },
            };
        else if (operation.Media is { } media)
            request.Content = new ByteArrayContent(FileOf(random))
            {
                Headers = { ContentType = MediaTypeHeaderValue.Parse(media) },
            };
        return request;
    }

    // What failed after the answer had begun is told in it.
    private static bool FailedInside(string body) =>
        body.Contains("Try again in a moment.", StringComparison.Ordinal)
        || body.Contains("broke off on the server", StringComparison.Ordinal);

    // A conflict of two saves brings what is saved along, beside title and status.
    private static bool IsProblem(HttpResponseMessage answer, string body) =>
        answer.Content.Headers.ContentType?.MediaType == "application/problem+json"
        || answer.StatusCode == System.Net.HttpStatusCode.Conflict
            && body.Contains("\"title\":", StringComparison.Ordinal);

    private static string Short(string text) => text.Length > 400 ? text[..400] : text;

    // Now and then what is sent is no JSON at all.
    private static string Spoilt(string json, Random random) =>
        random.Next(25) switch
        {
            0 => json[..(json.Length / 2)],
            1 => json.Replace("0", "\\ud800", StringComparison.Ordinal),
            2 => new string('[', 2_000),
            3 => "",
            _ => json,
        };

    private static byte[] FileOf(Random random)
    {
        switch (random.Next(6))
        {
            case 0:
                return [];
            case 1:
                return Encoding.UTF8.GetBytes(
                    "Site,Planting,Row spacing (m)\nHome Farm,H4,3.4\nHome Farm,=cmd,1e400\n"
                );
            case 2:
                return Encoding.UTF8.GetBytes("Planting,Row,Tree,Buds\nH4,1,1,180\nH4,1,-5,\n,,,\n");
            case 3:
                return Encoding.UTF8.GetBytes(
                    """
                    {"type": "FeatureCollection", "features": [
                      {"type": "Feature", "geometry": {"type": "Point", "coordinates": [1e9, null]}}]}
                    """
                );
            case 4:
                return [0x50, 0x4B, 3, 4, 0, 0, 1, 2, 3];
            default:
                var bytes = new byte[random.Next(4_000)];
                random.NextBytes(bytes);
                return bytes;
        }
    }
}
