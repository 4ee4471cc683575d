using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using Rama.Data.Database;

namespace Rama.Web.Hosting;

/// <summary>
/// Whether a copy of Rama lives (<c>/health/live</c>: start it anew if not) and whether it can serve
/// (<c>/health/ready</c>: send it nobody if not). Both tell a word, nothing of the estate, and need no sign-in.
/// </summary>
internal static class Health
{
    private const string OfDatabase = "database";

    public static IServiceCollection AddHealth(this IServiceCollection services)
    {
        services.AddHealthChecks().AddCheck<DatabaseCheck>(OfDatabase);
        return services;
    }

    public static void MapHealth(this WebApplication app)
    {
        app.MapHealthChecks("/health/live", new() { Predicate = _ => false });
        app.MapHealthChecks("/health/ready");
    }

    /// <summary>The database answers, and is of this version or a later one.</summary>
    private sealed class DatabaseCheck(RamaContext database) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancel)
        {
            try
            {
                var missing = await database.Database.GetPendingMigrationsAsync(cancel);
                return missing.FirstOrDefault() is { } first
                    ? HealthCheckResult.Unhealthy($"The database lacks {first}: bring it up to date with prepare.")
                    : HealthCheckResult.Healthy();
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                return HealthCheckResult.Unhealthy("The database does not answer.", e);
            }
        }
    }
}
