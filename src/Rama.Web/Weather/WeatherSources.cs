namespace Rama.Web.Weather;

/// <summary>
/// The sources of weather this server knows, from its settings <c>Weather:Sources</c>. Nobody else names an address, so
/// that nobody makes the server ask where it should not.
/// </summary>
internal sealed class WeatherSources(IConfiguration settings, IHttpClientFactory http)
{
    private readonly IReadOnlyDictionary<string, IWeatherSource> _sources = settings
        .GetSection("Weather:Sources")
        .GetChildren()
        .Select(s => (Name: s["Name"], Address: s["Address"]))
        .Where(s => s.Name is { Length: > 0 } && Uri.TryCreate(s.Address, UriKind.Absolute, out _))
        .DistinctBy(s => s.Name)
        .ToDictionary(
            s => s.Name!,
            IWeatherSource (s) =>
                new HttpWeatherSource(s.Name!, new(s.Address!), http.CreateClient(nameof(HttpWeatherSource)))
        );

    /// <summary>Names people choose from.</summary>
    public IReadOnlyCollection<string> Names => [.. _sources.Keys];

    /// <summary>The source of that name; null where it is no longer there.</summary>
    public IWeatherSource? Find(string? name) => name is null ? null : _sources.GetValueOrDefault(name);
}
