namespace Rama.Data.Prescribe;

/// <summary>A card handed out, with the version of the prescription it names. It is kept as it was printed.</summary>
public sealed class CardIssueRecord : IEstateOwned
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; }

    public Guid PlantingId { get; init; }

    public int Season { get; init; }

    /// <summary>Version of the prescription, from 1 in each season.</summary>
    public int Number { get; init; }

    /// <summary>What the prescription said, as a short text: two that say the same are one version.</summary>
    public required string Basis { get; init; }

    public required string Language { get; init; }

    /// <summary>The card as JSON.</summary>
    public required string Card { get; init; }

    public DateTimeOffset At { get; init; }

    public string? Person { get; init; }
}
