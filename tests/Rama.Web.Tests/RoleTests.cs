using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Walks the table of docs/roles.md: every endpoint, every role.</summary>
public sealed class RoleTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly Role[] Columns = [Role.Reader, Role.Counter, Role.CrewLead, Role.Manager];

    private static readonly IReadOnlyList<(string Endpoint, string[] Cells)> Table =
    [
        .. File.ReadLines(RamaApplication.RepositoryFile("docs/roles.md"))
            .Where(l => Regex.IsMatch(l, @"^\| (GET|POST|PUT|DELETE) "))
            .Select(l => l.Trim('|', ' ').Split('|', StringSplitOptions.TrimEntries))
            .Select(c => (c[0], c[1..])),
    ];

    private IEnumerable<string> Endpoints() =>
        application
            .Services.GetRequiredService<IEnumerable<EndpointDataSource>>()
            .SelectMany(s => s.Endpoints)
            .OfType<RouteEndpoint>()
            .Where(e => e.RoutePattern.RawText!.TrimStart('/').StartsWith("api/v1/", StringComparison.Ordinal))
            .SelectMany(
                e => e.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods,
                (e, method) =>
                    $"{method} /{Regex.Replace(e.RoutePattern.RawText!.TrimStart('/')["api/v1/".Length..], ":guid", "")}"
            )
            .Distinct();

    public static TheoryData<string, string, string, string, string> Rows()
    {
        var data = new TheoryData<string, string, string, string, string>();
        foreach (var (endpoint, cells) in Table)
            data.Add(endpoint, cells[0], cells[1], cells[2], cells[3]);
        return data;
    }

    [Fact]
    public void The_table_is_the_whole_api()
    {
        string Listed(string endpoint) =>
            endpoint.StartsWith("POST /calculations/", StringComparison.Ordinal) ? "POST /calculations/…" : endpoint;
        Assert.Equal(Table.Select(r => r.Endpoint).Order(), Endpoints().Select(Listed).Distinct().Order());
    }

    [Theory]
    [MemberData(nameof(Rows))]
    public async Task Each_role_may_do_what_the_table_says(
        string endpoint,
        string reader,
        string counter,
        string crewLead,
        string manager
    )
    {
        var cells = new[] { reader, counter, crewLead, manager };
        Assert.All(cells, c => Assert.Contains(c, new[] { "yes", "no", "anyone", "oneself" }));
        foreach (var (role, cell) in Columns.Zip(cells))
        {
            // What ends sessions is tried by somebody who has no other.
            using var client = endpoint.StartsWith("DELETE /session", StringComparison.Ordinal)
                ? await Somebody(role)
                : application.ClientOf(role);
            var status = await Call(client, endpoint);
            if (cell == "no")
                Assert.Equal(403, status);
            // A throw-away call: allowed, and refused for what it says, or done. An empty sign-in is refused as one.
            else if (endpoint == "POST /session")
                Assert.Equal(401, status);
            else
                Assert.True(status is >= 200 and < 300 or 400 or 404 or 409, $"{endpoint} as {role}: {status}");
        }
        using var nobody = application.CreateClient();
        if (reader == "anyone")
            Assert.NotEqual(403, await Call(nobody, endpoint));
        else
            Assert.Equal(401, await Call(nobody, endpoint));
    }

    private async Task<HttpClient> Somebody(Role role)
    {
        var (_, email, password) = await application.JoinedAsync(
            JsonNamingPolicy.CamelCase.ConvertName(role.ToString())
        );
        return application.ClientWith(await application.SignInAsync(email, password));
    }

    private static async Task<int> Call(HttpClient client, string endpoint)
    {
        var (method, path) = (endpoint.Split(' ')[0], endpoint.Split(' ')[1]);
        path = Regex
            .Replace(path.Replace("…", "density", StringComparison.Ordinal), @"\{(id|entry|photo|card|note)\}", _ =>
                Guid.NewGuid().ToString()
            )
            .Replace("{number}", "1", StringComparison.Ordinal);
        using var request = new HttpRequestMessage(
            new(method),
            $"/api/v1{path}{(method == "DELETE" ? "?version=1" : "")}"
        );
        if (path.StartsWith("/imports/", StringComparison.Ordinal) && method == "POST")
            request.Content = new MultipartFormDataContent
            {
                { new StringContent("a,b"), "file", "empty.csv" },
                { new StringContent("{}"), "mapping" },
            };
        else if (
            path.Contains("/scans/", StringComparison.Ordinal)
            || path.StartsWith("/machine/", StringComparison.Ordinal)
            || (method == "PUT" && path.Contains("/photos/", StringComparison.Ordinal))
        )
            request.Content = new ByteArrayContent([])
            {
                Headers =
                {
                    ContentType = new(
                        path.Contains("/photos/", StringComparison.Ordinal) ? "image/jpeg" : "application/octet-stream"
                    ),
                },
            };
        else if (method is "POST" or "PUT")
            request.Content = new StringContent("{}", System.Text.Encoding.UTF8, "application/json");
        using var response = await client.SendAsync(request, TestContext.Current.CancellationToken);
        return (int)response.StatusCode;
    }
}
