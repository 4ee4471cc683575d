namespace Rama.Core.Quantities;

/// <summary>
/// An amount as a person typed it: a number and the code of a unit from <see cref="Units"/>.
/// It is kept as typed; the core converts it to SI where it is read.
/// </summary>
/// <param name="Value">The number, or null where nothing was typed.</param>
/// <param name="Unit">The code of the unit, such as <c>m</c>, <c>ft</c> or <c>t/ha</c>.</param>
public sealed record Amount(double? Value = null, string? Unit = null);
