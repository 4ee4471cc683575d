namespace Rama.Core.Explain;

/// <summary>
/// What every calculator answers: the number asked for with its unit, the steps that led to it, and warnings.
/// </summary>
/// <param name="Value">The number, not rounded.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Steps">The arithmetic in order; the last step gives <paramref name="Value"/> unless said
/// otherwise.</param>
/// <param name="Warnings">What the manager should know before relying on it.</param>
public abstract record Calculated(double Value, string Unit, IReadOnlyList<Step> Steps, IReadOnlyList<Notice> Warnings);
