using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>A card handed out, for the prescription it names. It is kept as it was printed.</summary>
public sealed class CardIssueRecord : IEstateOwned
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; }

    public Guid PrescriptionId { get; init; }

    public IssuedPrescriptionRecord? Prescription { get; init; }

    public required string Language { get; init; }

    /// <summary>The card as JSON.</summary>
    public required string Card { get; init; }

    public DateTimeOffset At { get; init; }

    public string? Person { get; init; }
}
