using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>A farm or place of an estate that blocks lie on.</summary>
public sealed class SiteRecord : IHistoried
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; } = Guid.CreateVersion7();

    public required string Name { get; init; }

    HistoryPlace IHistoried.Place => new("site", Detail: Name);
}
