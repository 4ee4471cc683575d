using Npgsql;
using OpenTelemetry;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace Rama.Web.Hosting;

/// <summary>
/// Traces, metrics and logs by OTLP, where <c>OTEL_EXPORTER_OTLP_ENDPOINT</c> says to whom; nothing is gathered else.
/// </summary>
/// <remarks>
/// What is sent holds addresses with identifiers, SQL without its parameters, and times. It holds nobody's name, e-mail
/// or entry; a test reads all of it for them.
/// </remarks>
internal static class Telemetry
{
    private const string Endpoint = "OTEL_EXPORTER_OTLP_ENDPOINT";

    public static WebApplicationBuilder AddTelemetry(this WebApplicationBuilder builder)
    {
        if (string.IsNullOrWhiteSpace(builder.Configuration[Endpoint]))
            return builder;
        builder
            .Services.AddOpenTelemetry()
            .ConfigureResource(of =>
                of.AddService(
                    "rama",
                    serviceVersion: typeof(Telemetry).Assembly.GetName().Version?.ToString(3),
                    serviceInstanceId: $"{Environment.MachineName}-{Environment.ProcessId}"
                )
            )
            .WithTracing(traces =>
                traces
                    // Asked every few seconds, and nobody's request.
                    .AddAspNetCoreInstrumentation(o =>
                        o.Filter = http => !http.Request.Path.StartsWithSegments("/health")
                    )
                    .AddNpgsql()
            )
            .WithMetrics(metrics =>
                metrics.AddAspNetCoreInstrumentation().AddRuntimeInstrumentation().AddNpgsqlInstrumentation()
            )
            .WithLogging()
            .UseOtlpExporter();
        return builder;
    }
}
