using System.Globalization;
using System.Net;
using MathNet.Numerics.Distributions;

namespace Rama.StandIns;

/// <summary>
/// A simulated trunk caliper. Like the program that comes with a real one, it tells each reading as a server-sent event
/// <c>{"girthMm": 163.4}</c> on the loopback address, to pages of this machine only.
/// </summary>
internal static class CaliperStandIn
{
    /// <summary>Where Rama's page listens; its content-security policy allows this one address.</summary>
    public const int Port = 5077;

    public static async Task<int> RunAsync(Options options)
    {
        var (mean, sd) = (options.Number("mean-mm", 52, 10, 300), options.Number("sd-mm", 7, 0, 100));
        var pause = TimeSpan.FromSeconds(options.Number("every-seconds", 6, 0.2, 600));
        var random = new Random((int)options.Number("seed", 1, 0, int.MaxValue));

        var builder = WebApplication.CreateSlimBuilder();
        builder.WebHost.ConfigureKestrel(server => server.Listen(IPAddress.Loopback, Port));
        builder.Logging.ClearProviders();
        var app = builder.Build();
        app.MapGet("/readings", async (HttpContext http, CancellationToken cancel) =>
        {
            var origin = http.Request.Headers.Origin.ToString();
            // Pages from elsewhere have no business with a device on this machine.
            if (!Uri.TryCreate(origin, UriKind.Absolute, out var page) || !page.IsLoopback)
                return Results.StatusCode(StatusCodes.Status403Forbidden);
            http.Response.Headers.AccessControlAllowOrigin = origin;
            http.Response.Headers.CacheControl = "no-store";
            http.Response.ContentType = "text/event-stream";
            while (!cancel.IsCancellationRequested)
            {
                var girth = Math.PI * Math.Max(8, Normal.Sample(random, mean, sd));
                Console.WriteLine($"reading {girth:0.0} mm of girth");
                await http.Response.WriteAsync(
                    string.Create(CultureInfo.InvariantCulture, $"data: {{\"girthMm\": {girth:0.0}}}\n\n"),
                    cancel
                );
                await http.Response.Body.FlushAsync(cancel);
                await Task.Delay(pause, cancel);
            }
            return Results.Empty;
        });
        Console.WriteLine(
            $"Simulated trunk caliper: {mean:0} ± {sd:0} mm of diameter, a reading every "
                + $"{pause.TotalSeconds:0.#} s at http://127.0.0.1:{Port}/readings (Ctrl-C stops it)"
        );
        await app.RunAsync();
        return 0;
    }
}
