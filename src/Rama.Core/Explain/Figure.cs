namespace Rama.Core.Explain;

/// <summary>A named number with its unit: an input or a result of a step.</summary>
/// <param name="Name">The name of the quantity in the words of the trade.</param>
/// <param name="Value">The value, not rounded.</param>
/// <param name="Unit">The unit, <c>1</c> where there is none.</param>
public sealed record Figure(string Name, double Value, string Unit);
