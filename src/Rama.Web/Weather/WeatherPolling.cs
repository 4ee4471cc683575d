using Rama.Data.Database;
using Rama.Data.Weather;

namespace Rama.Web.Weather;

/// <summary>Reads the weather of every estate that has a source, time and again. Several copies of the server take
/// turns by the claim of a site.</summary>
internal sealed class WeatherPolling(
    IServiceProvider services,
    IConfiguration settings,
    TimeProvider clock,
    ILogger<WeatherPolling> log
) : BackgroundService
{
    private readonly TimeSpan _every = TimeSpan.FromMinutes(settings.GetValue("Weather:EveryMinutes", 30.0));

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (_every <= TimeSpan.Zero)
            return;
        using PeriodicTimer timer = new(_every, clock);
        do try
        {
            await ReadAsync(stoppingToken);
        }
        // A database that is away comes back; what went wrong for one estate keeps no other from its weather.
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogWarning(e, "The weather was not read");
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private async Task ReadAsync(CancellationToken cancel)
    {
        IReadOnlyList<Guid> estates;
        await using (var scope = services.CreateAsyncScope())
            estates = await scope.ServiceProvider.GetRequiredService<WeatherStore>().EstatesAsync(cancel);
        foreach (var estate in estates)
            try
            {
                await using var scope = services.CreateAsyncScope();
                scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = estate;
                // A little early is in time: the timer is never late to its own claim.
                await scope.ServiceProvider.GetRequiredService<WeatherReading>().ReadAsync(_every * 0.9, cancel);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "The weather of an estate was not read");
            }
    }
}
