using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>A version of a prescription that was handed out, as data. Cards in each language hang on it.</summary>
public sealed class IssuedPrescriptionRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Key within the estate.</summary>
    public Guid Id { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <summary>Version, from 1 in each season.</summary>
    public int Number { get; init; }

    /// <summary>
    /// The <see cref="Rama.Core.Prescribe.Issue.IssuedPrescription"/> as JSON; null for those handed out before they
    /// were kept as data.
    /// </summary>
    public string? Content { get; init; }

    /// <summary>When it was first handed out.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Who did it, as they were then called; null where no account did.</summary>
    public string? Person { get; init; }
}
