using Rama.Data.Database;

namespace Rama.Data.Field;

/// <summary>A photograph from the field, without where it was taken.</summary>
public sealed class PhotoRecord : IEstateOwned
{
    /// <summary>Largest photograph kept.</summary>
    public const int MostBytes = 900_000;

    public Guid EstateId { get; init; }

    /// <summary>Given by the device, so that a photograph sent twice is one.</summary>
    public Guid Id { get; init; }

    public Guid PlantingId { get; init; }

    public int Season { get; init; }

    public int? Row { get; init; }

    public int? Tree { get; init; }

    public DateTimeOffset At { get; init; }

    public Guid? PersonId { get; init; }

    public string? Person { get; init; }

    /// <summary>The picture as JPEG.</summary>
    public byte[] Picture { get; init; } = [];
}
