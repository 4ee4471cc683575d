using Rama.Core.Explain;

namespace Rama.Core.Prescribe;

/// <summary>Who a card is written for.</summary>
/// <param name="Language">Their language, a code of <see cref="LocalText.Languages"/>.</param>
/// <param name="Units">The units they measure in.</param>
/// <param name="Marks">Measures they take with the body; none when left out.</param>
/// <param name="Pass">The pass it is for: of two passes of a winter <c>detail</c>, which goes to the number; all cuts
/// when left out.</param>
/// <param name="KnockedOff">Share of the floral buds that is knocked off by working among them now, 0 to below 1; 0 up
/// to green tip.</param>
public sealed record CardReader(
    string Language,
    UnitSystem Units = UnitSystem.Metric,
    BodyMarks? Marks = null,
    string? Pass = null,
    double KnockedOff = 0
);
