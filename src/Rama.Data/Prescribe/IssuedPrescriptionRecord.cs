using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>A version of a prescription that was handed out, as data. Cards in each language hang on it.</summary>
public sealed class IssuedPrescriptionRecord : IEstateOwned
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; }

    public Guid PlantingId { get; init; }

    public int Season { get; init; }

    /// <summary>Version, from 1 in each season.</summary>
    public int Number { get; init; }

    /// <summary>
    /// The <see cref="Rama.Core.Prescribe.Issue.IssuedPrescription"/> as JSON; null for those handed out before they
    /// were kept as data.
    /// </summary>
    public string? Content { get; init; }

    public DateTimeOffset At { get; init; }

    public string? Person { get; init; }
}
