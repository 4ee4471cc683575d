using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>What the application believes of who asks, and from where.</summary>
public sealed class ProxyTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private const string SignIn =
        $$"""{"email": "reader@larkfold.example", "password": "{{RamaApplication.Password}}"}""";

    // The test server has no network: whoever asks comes from nowhere, which stands for the proxy here.
    private WebApplicationFactory<Program> Behind(string? proxy) =>
        application.WithWebHostBuilder(host =>
        {
            host.UseSetting("Rama:Hosts", "rama.larkfold.example");
            host.UseSetting("SignIn:TriesPerMinute", "2");
            if (proxy is not null)
                host.UseSetting("Rama:Proxy", proxy);
            host.ConfigureTestServices(services => services.AddSingleton<IStartupFilter>(new FromHere("10.1.2.3")));
        });

    private static async Task<HttpResponseMessage> Ask(
        HttpClient client,
        string forwardedFor,
        string json = SignIn,
        string site = "same-origin"
    )
    {
        using HttpRequestMessage request = new(HttpMethod.Post, "/api/v1/session")
        {
            Content = new StringContent(json, System.Text.Encoding.UTF8, "application/json"),
        };
        request.Headers.Host = "rama.larkfold.example";
        request.Headers.Add("X-Forwarded-For", forwardedFor);
        request.Headers.Add("X-Forwarded-Proto", "https");
        request.Headers.Add("Sec-Fetch-Site", site);
        return await client.SendAsync(request, TestContext.Current.CancellationToken);
    }

    [Fact]
    public async Task Behind_a_named_proxy_the_cookie_is_secure_and_the_site_stays_so()
    {
        await using var server = Behind("10.1.0.0/16");
        using var client = server.CreateClient();
        using var answer = await Ask(client, "203.0.113.5");
        Assert.Equal(200, (int)answer.StatusCode);
        Assert.Contains("secure", answer.Headers.GetValues("Set-Cookie").Single(), StringComparison.OrdinalIgnoreCase);
        Assert.Contains(
            "max-age=31536000",
            answer.Headers.GetValues("Strict-Transport-Security").Single(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Tries_are_counted_by_the_true_address()
    {
        await using var server = Behind("10.1.2.3");
        using var client = server.CreateClient();
        // What the sender wrote before the proxy's own entry changes nothing.
        for (var i = 0; i < 2; i++)
            using (var answer = await Ask(client, $"198.51.100.{i}, 203.0.113.5", "{}"))
                Assert.Equal(401, (int)answer.StatusCode);
        using (var answer = await Ask(client, "203.0.113.5"))
            Assert.Equal(429, (int)answer.StatusCode);
        using (var answer = await Ask(client, "203.0.113.6"))
            Assert.Equal(200, (int)answer.StatusCode);
    }

    [Theory]
    [InlineData(null)]
    [InlineData("10.9.9.9")]
    public async Task Nobody_but_the_named_proxy_says_who_asks(string? proxy)
    {
        await using var server = Behind(proxy);
        using var client = server.CreateClient();
        for (var i = 0; i < 2; i++)
            using (var answer = await Ask(client, $"203.0.113.{i}"))
            {
                Assert.DoesNotContain(
                    "secure",
                    answer.Headers.GetValues("Set-Cookie").Single(),
                    StringComparison.OrdinalIgnoreCase
                );
                Assert.False(answer.Headers.Contains("Strict-Transport-Security"));
            }
        using (var answer = await Ask(client, "203.0.113.77"))
            Assert.Equal(429, (int)answer.StatusCode);
    }

    [Theory]
    [InlineData("cross-site")]
    [InlineData("same-site")]
    public async Task What_another_site_s_page_asks_to_change_is_refused(string site)
    {
        await using var server = Behind("10.1.2.3");
        using var client = server.CreateClient();
        using var answer = await Ask(client, "203.0.113.5", site: site);
        Assert.Equal(403, (int)answer.StatusCode);
    }

    [Theory]
    [InlineData("https://elsewhere.example", 403)]
    [InlineData("null", 403)]
    [InlineData("http://localhost:8080", 403)]
    [InlineData("http://localhost", 200)]
    public async Task A_browser_that_tells_the_origin_alone_is_held_to_it(string origin, int status)
    {
        using var client = application.ClientOf(Role.Manager);
        foreach (var (path, content) in Bodies())
            using (content)
            {
                using HttpRequestMessage request = new(HttpMethod.Post, path) { Content = content };
                request.Headers.Add("Origin", origin);
                using var answer = await client.SendAsync(request, TestContext.Current.CancellationToken);
                Assert.Equal(status == 403, (int)answer.StatusCode == 403);
            }
    }

    // A form with a file is what another site's page can send without being asked first.
    private static IEnumerable<(string Path, HttpContent Content)> Bodies()
    {
        yield return (
            "/api/v1/calculations/density",
            new StringContent("{}", System.Text.Encoding.UTF8, "application/json")
        );
        yield return (
            "/api/v1/imports/read",
            new MultipartFormDataContent { { new StringContent("code\nA1\n"), "file", "plantings.csv" } }
        );
    }

    private sealed class FromHere(string address) : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) =>
            app =>
            {
                app.Use(
                    (http, following) =>
                    {
                        http.Connection.RemoteIpAddress = System.Net.IPAddress.Parse(address);
                        return following(http);
                    }
                );
                next(app);
            };
    }
}
