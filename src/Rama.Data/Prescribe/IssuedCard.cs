using Rama.Core.Prescribe;

namespace Rama.Data.Prescribe;

/// <summary>A card that was handed out.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Number">Version of the prescription.</param>
/// <param name="Language">Language.</param>
/// <param name="At">When.</param>
/// <param name="Person">By whom.</param>
/// <param name="OutOfDate">Whether the prescription says something else now.</param>
public sealed record IssuedCard(
    Guid Id,
    int Number,
    string Language,
    DateTimeOffset At,
    string? Person,
    bool OutOfDate
);

/// <summary>A card just handed out, with what is printed on it.</summary>
/// <param name="Issue">That it was handed out.</param>
/// <param name="Card">What is printed on it.</param>
public sealed record HandedOut(IssuedCard Issue, PruningCard Card);
