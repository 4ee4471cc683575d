namespace Rama.Core.Prescribe;

/// <summary>A number on a strip of the card's bud tape.</summary>
/// <param name="FromMm">Where it begins, mm from the end that is laid on the limb.</param>
/// <param name="ToMm">Where it ends, mm.</param>
/// <param name="Buds">The number as written.</param>
public sealed record CardTapeCell(double FromMm, double ToMm, string Buds);

/// <summary>One strip, for the trees of one trunk class.</summary>
/// <param name="Name">Code of the planting and the class: cut out, a strip has nothing else to tell it by.</param>
/// <param name="Trunk">How its trunks are told.</param>
/// <param name="Cells">Its numbers.</param>
/// <param name="LengthMm">Length of the strip, mm.</param>
public sealed record CardTapeStrip(string Name, string Trunk, IReadOnlyList<CardTapeCell> Cells, double LengthMm);

/// <summary>The bud tape: the second sheet of a card, printed true to scale and cut into strips.</summary>
/// <param name="Heading">Heading of the sheet.</param>
/// <param name="How">How to use a strip, in sentences.</param>
/// <param name="TakeOut">Word at the end of a strip.</param>
/// <param name="CheckMm">Length of the line that checks the printer, mm.</param>
/// <param name="Check">What to do with it.</param>
/// <param name="Strips">One strip for each trunk class.</param>
public sealed record CardTape(
    string Heading,
    IReadOnlyList<string> How,
    string TakeOut,
    double CheckMm,
    string Check,
    IReadOnlyList<CardTapeStrip> Strips
);
