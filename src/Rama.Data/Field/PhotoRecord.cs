using Rama.Data.Database;

namespace Rama.Data.Field;

/// <summary>A photograph from the field, without where it was taken.</summary>
public sealed class PhotoRecord : IEstateOwned
{
    /// <summary>Largest photograph kept.</summary>
    public const int MostBytes = 900_000;

    /// <summary>Longest caption.</summary>
    public const int LongestCaption = 200;

    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by the device, so that a photograph sent twice is one.</summary>
    public Guid Id { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <summary>Number of the row; null where it belongs to none.</summary>
    public int? Row { get; init; }

    /// <summary>Number of the tree in the row; null where it belongs to none.</summary>
    public int? Tree { get; init; }

    /// <summary>When it was taken, by the device's clock.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Account of who did it; null where no account did.</summary>
    public Guid? PersonId { get; init; }

    /// <summary>Who did it, as they were then called; null where no account did.</summary>
    public string? Person { get; init; }

    /// <summary>What it shows, in the words of whoever took it; null for nothing.</summary>
    public string? Caption { get; init; }

    /// <summary>The picture as JPEG.</summary>
    public byte[] Picture { get; init; } = [];
}
