using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>One management unit of ground. It may hold several plantings.</summary>
public sealed class BlockRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Key within the estate.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>Site it lies on.</summary>
    public Guid SiteId { get; private set; }

    /// <summary>The same, where it was read with it.</summary>
    public SiteRecord? Site { get; private set; }

    /// <summary>Short name, one of its kind in the estate.</summary>
    public required string Code { get; init; }

    /// <summary>
    /// The outline as a GeoJSON polygon or multipolygon in longitude and latitude; null where none is known.
    /// </summary>
    public string? Outline { get; set; }

    HistoryPlace IHistoried.Place => new("block", Detail: Code);

    internal void LieOn(SiteRecord site) => (SiteId, Site) = (site.Id, site);
}
