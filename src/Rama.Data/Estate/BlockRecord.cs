using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>One management unit of ground. It may hold several plantings.</summary>
public sealed class BlockRecord : IHistoried
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid SiteId { get; private set; }

    public SiteRecord? Site { get; private set; }

    public required string Code { get; init; }

    /// <summary>
    /// The outline as a GeoJSON polygon or multipolygon in longitude and latitude; null where none is known.
    /// </summary>
    public string? Outline { get; set; }

    HistoryPlace IHistoried.Place => new("block", Detail: Code);

    internal void LieOn(SiteRecord site) => (SiteId, Site) = (site.Id, site);
}
