using Rama.Data.Database;

namespace Rama.Data.Weather;

/// <summary>
/// Lowest and highest temperature of a day on a site, °C. A measured series: files replace days, nobody types them.
/// </summary>
public sealed class WeatherDayRecord : IEstateOwned
{
    public Guid EstateId { get; init; }

    public Guid SiteId { get; init; }

    public DateOnly Date { get; init; }

    public double MinC { get; set; }

    public double MaxC { get; set; }
}
