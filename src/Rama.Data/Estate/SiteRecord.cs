using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>A farm or place of an estate that blocks lie on.</summary>
public sealed class SiteRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Key within the estate.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>As its people call it.</summary>
    public required string Name { get; init; }

    HistoryPlace IHistoried.Place => new("site", Detail: Name);
}
