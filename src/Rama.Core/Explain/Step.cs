namespace Rama.Core.Explain;

/// <summary>One line of the arithmetic behind an answer: what was worked out, from what, and on whose word.</summary>
/// <param name="Code">Stable name of the step, such as <c>crop-target.fruit-per-tree</c>.</param>
/// <param name="Formula">The formula in words; its terms are the names of <paramref name="Inputs"/>.</param>
/// <param name="Result">What came out.</param>
/// <param name="Inputs">What went in.</param>
/// <param name="Source">Where the formula or an assumed value comes from.</param>
public sealed record Step(string Code, string Formula, Figure Result, IReadOnlyList<Figure> Inputs, string Source);
