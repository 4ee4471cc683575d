using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Rama.Web.Tests.Fuzz;

/// <summary>
/// Everything the API's document tells of, asked by those it is not for: a manager of another estate who knows every
/// identifier, somebody who belongs to none, and nobody. What each role may do in its own estate walks
/// <see cref="RoleTests"/>.
/// </summary>
public sealed class StrangerTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly string[] Open =
    [
        "GET /session",
        "POST /session",
        "DELETE /session",
        "POST /first-manager",
        "POST /invitations/offer",
        "POST /invitations/account",
    ];

    private static bool IsOneself(ApiOperation operation) =>
        operation.Path.StartsWith("/session", StringComparison.Ordinal)
        || operation.Path.StartsWith("/calculations/", StringComparison.Ordinal)
        || operation.Path == "/invitations/accept";

    private async Task<IReadOnlyList<ApiOperation>> ClosedAsync() =>
        [.. (await ApiDocument.OfAsync(application)).Operations().Where(o => !Open.Contains(o.Name))];

    [Fact]
    public async Task Nobody_is_answered_nothing()
    {
        using var nobody = application.CreateClient();
        foreach (var operation in await ClosedAsync())
            Assert.Equal((operation.Name, 401), (operation.Name, await Status(nobody, operation, Guid.NewGuid())));
    }

    [Fact]
    public async Task Whoever_belongs_to_no_estate_is_answered_nothing_of_any()
    {
        var (id, email, password) = await application.JoinedAsync("manager");
        using var alone = application.ClientWith(await application.SignInAsync(email, password));
        using var manager = application.ClientOf();
        await manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{id}");
        var planting = Guid.Parse((string)(await manager.PlantingAsync("H4"))["id"]!);
        foreach (var operation in (await ClosedAsync()).Where(o => !IsOneself(o)))
            Assert.Equal((operation.Name, 403), (operation.Name, await Status(alone, operation, planting)));
    }

    [Fact]
    public async Task A_manager_of_another_estate_reaches_nothing_of_this_one()
    {
        var (id, email, password) = await application.JoinedAsync("manager");
        using var before = application.ClientWith(await application.SignInAsync(email, password));
        using var stranger = await application.InNewEstateAsync(before, "Stranger's own");
        using var manager = application.ClientOf();
        await manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{id}");
        var ours = await manager.PlantingAsync("H4");
        var document = await ApiDocument.OfAsync(application);
        Dictionary<string, JsonNode> real = new() { ["version"] = ours["planVersion"]!.DeepClone() };
        foreach (
            var part in new[] { "planting", "rows", "records", "target", "count", "settings", "cutting", "season" }
        )
            real[part] = ours[part]!.DeepClone();
        var historyBefore = (await manager.ReadAsync($"/api/v1/plantings/{ours["id"]}/history")).ToJsonString();
        var secrets = new[] { (string)ours["planting"]!["name"]!, (string)ours["id"]!, "manager@larkfold.example" };
        foreach (var operation in (await ClosedAsync()).Where(o => !IsOneself(o)))
            for (var attempt = 0; attempt < 2; attempt++)
            {
                BodyMaker maker = new(document, real, new(attempt));
                using var request = Request(operation, Guid.Parse((string)ours["id"]!), maker);
                using var answer = await stranger.SendAsync(request, TestContext.Current.CancellationToken);
                var body = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
                var status = (int)answer.StatusCode;
                Assert.True(status < 500, $"{operation.Name}: {status} {body}");
                // What is asked for by its identifier is not there; history of nothing is empty.
                if (
                    operation.Path.Contains("{id}", StringComparison.Ordinal)
                    && operation.Name != "GET /plantings/{id}/history"
                )
                    Assert.True(
                        status is 400 or 404 or 415
                            || operation.Name.StartsWith("PUT /workers", StringComparison.Ordinal),
                        $"{operation.Name}: {status} {body}"
                    );
                foreach (var secret in secrets)
                    Assert.False(
                        body.Contains(secret, StringComparison.OrdinalIgnoreCase) && !Sent(secret, request),
                        $"{operation.Name} tells {secret}: {body[..Math.Min(300, body.Length)]}"
                    );
            }
        var after = await manager.PlantingAsync("H4");
        Assert.Equal(ours.ToJsonString(), after.ToJsonString());
        Assert.Equal(
            historyBefore,
            (await manager.ReadAsync($"/api/v1/plantings/{ours["id"]}/history")).ToJsonString()
        );
    }

    // What somebody sends may come back to them.
    private static bool Sent(string secret, HttpRequestMessage request) =>
        request
            .Content?.ReadAsStringAsync()
            .GetAwaiter()
            .GetResult()
            .Contains(secret, StringComparison.OrdinalIgnoreCase) == true
        || request.RequestUri!.ToString().Contains(secret, StringComparison.OrdinalIgnoreCase);

    private static async Task<int> Status(HttpClient client, ApiOperation operation, Guid id)
    {
        using var request = Request(operation, id, null);
        using var answer = await client.SendAsync(request, TestContext.Current.CancellationToken);
        return (int)answer.StatusCode;
    }

    private static HttpRequestMessage Request(ApiOperation operation, Guid id, BodyMaker? maker)
    {
        var path = Regex.Replace(operation.Path, @"\{(\w+)\}", place => place.Groups[1].Value switch
            {
                "number" => "1",
                "table" => "plantings",
                "system" => "tall-spindle",
                "variety" or "name" => "Topaz",
                _ => id.ToString(),
            });
        var query =
            operation.Query.ContainsKey("version") ? "?version=1"
            : operation.Query.ContainsKey("at") ? "?at=2027-01-27T10:00:00Z"
            : "";
        HttpRequestMessage request = new(new(operation.Method), $"/api/v1{path}{query}");
        if (operation.Body is { } schema)
            request.Content = new StringContent(
                maker?.Body(schema)?.ToJsonString() ?? "{}",
                Encoding.UTF8,
                "application/json"
            );
        else if (operation.Media == "multipart/form-data")
            request.Content = new MultipartFormDataContent
            {
                { new StringContent("a,b\n1,2\n"), "file", "a.csv" },
                { new StringContent("{}"), "mapping" },
            };
        else if (operation.Media is { } media)
            request.Content = new ByteArrayContent([1])
            {
                Headers = { ContentType = MediaTypeHeaderValue.Parse(media) },
            };
        return request;
    }
}
