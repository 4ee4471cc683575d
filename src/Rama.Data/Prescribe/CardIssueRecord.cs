using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>A card handed out, for the prescription it names. It is kept as it was printed.</summary>
public sealed class CardIssueRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Key within the estate.</summary>
    public Guid Id { get; init; }

    /// <summary>Prescription it says.</summary>
    public Guid PrescriptionId { get; init; }

    /// <summary>The same, where it was read with it.</summary>
    public IssuedPrescriptionRecord? Prescription { get; init; }

    /// <summary>Language it is printed in.</summary>
    public required string Language { get; init; }

    /// <summary>The card as JSON.</summary>
    public required string Card { get; init; }

    /// <summary>When it was handed out.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Who did it, as they were then called; null where no account did.</summary>
    public string? Person { get; init; }
}
