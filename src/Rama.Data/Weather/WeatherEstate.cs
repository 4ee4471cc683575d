namespace Rama.Data.Weather;

/// <summary>An estate with a site whose weather is read from a source.</summary>
public sealed class WeatherEstate
{
    /// <summary>The estate.</summary>
    public Guid EstateId { get; private set; }
}
