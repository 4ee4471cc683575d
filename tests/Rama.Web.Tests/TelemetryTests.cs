using System.Collections.Concurrent;
using System.Net;
using System.Text;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Rama.Web.Tests;

/// <summary>What is sent to a collector of traces, metrics and logs, and what is not.</summary>
public sealed class TelemetryTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_collector_gets_traces_metrics_and_logs_without_anybody_s_name_or_entry()
    {
        ConcurrentDictionary<string, string> got = new();
        await using var collector = await CollectorAsync(got);
        var address = collector
            .Services.GetRequiredService<IServer>()
            .Features.Get<IServerAddressesFeature>()!
            .Addresses.Single();
        await using (
            var watched = application.WithWebHostBuilder(host =>
                host.UseSetting("OTEL_EXPORTER_OTLP_ENDPOINT", address)
                    .UseSetting("OTEL_EXPORTER_OTLP_PROTOCOL", "http/protobuf")
                    .UseSetting("OTEL_METRIC_EXPORT_INTERVAL", "500")
                    // More than is logged by itself: each request with its address.
                    .UseSetting("Logging:LogLevel:Microsoft.AspNetCore", "Information")
            )
        )
        {
            using var client = watched.CreateClient(new() { BaseAddress = application.ClientOptions.BaseAddress });
            using var wrong = await SignIn(client, "wrong-guess-of-mine");
            Assert.NotEqual(HttpStatusCode.OK, wrong.StatusCode);
            using var right = await SignIn(client, RamaApplication.Password);
            Assert.Equal(HttpStatusCode.OK, right.StatusCode);
            foreach (var path in new[] { "/api/v1/season", "/api/v1/people", "/health/ready" })
                using (await client.GetAsync(new Uri(path, UriKind.Relative), Cancel)) { }
            using StringContent body = new(
                """{"version": 0, "worker": {"name": "Unmistakable Pruner", "language": "en"}}""",
                Encoding.UTF8,
                "application/json"
            );
            using var saved = await client.PutAsync(
                new Uri($"/api/v1/workers/{Guid.NewGuid()}", UriKind.Relative),
                body,
                Cancel
            );
            Assert.Equal(HttpStatusCode.OK, saved.StatusCode);
            using var patience = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
            patience.CancelAfter(TimeSpan.FromSeconds(60));
            // Nothing is sent again that did not arrive in time: asked for anew it comes with the next.
            while (got.Count < 3 || !got["/v1/traces"].Contains("/api/v1/season", StringComparison.Ordinal))
            {
                await Task.Delay(1_000, patience.Token);
                using (await client.GetAsync(new Uri("/api/v1/season", UriKind.Relative), patience.Token)) { }
            }
        }

        // What waited was sent as it ended.
        Assert.Equal(["/v1/logs", "/v1/metrics", "/v1/traces"], got.Keys.Order());
        var traces = got["/v1/traces"];
        Assert.Contains("/api/v1/season", traces, StringComparison.Ordinal);
        Assert.Contains("SELECT", traces, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("/health", traces, StringComparison.Ordinal);
        Assert.Contains("http.server.request.duration", got["/v1/metrics"], StringComparison.Ordinal);
        var all = string.Concat(got.Values);
        foreach (
            var personal in new[]
            {
                // Of an address and of the estate; the server's own name comes from tests beside this one.
                "@larkfold",
                "Larkfold Orchards",
                "Unmistakable",
                "Pruner",
                "wrong-guess-of-mine",
                RamaApplication.Password,
                "Bookkeeper",
            }
        )
            Assert.DoesNotContain(personal, all, StringComparison.OrdinalIgnoreCase);
    }

    private static Task<HttpResponseMessage> SignIn(HttpClient client, string password)
    {
        StringContent body = new(
            $$"""{"email": "manager@larkfold.example", "password": "{{password}}"}""",
            Encoding.UTF8,
            "application/json"
        );
        return client.PostAsync(new Uri("/api/v1/session", UriKind.Relative), body, Cancel);
    }

    // Keeps what it is sent as letters, a byte each: texts of a protocol buffer stand in it as they are.
    private static async Task<WebApplication> CollectorAsync(ConcurrentDictionary<string, string> got)
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        builder.Logging.ClearProviders();
        var collector = builder.Build();
        collector.MapPost("/v1/{what}", async (HttpRequest request, string what) =>
        {
            using MemoryStream body = new();
            await request.Body.CopyToAsync(body);
            var told = Encoding.Latin1.GetString(body.ToArray());
            got.AddOrUpdate($"/v1/{what}", told, (_, before) => before + told);
            return Results.Ok();
        });
        await collector.StartAsync(Cancel);
        return collector;
    }
}
