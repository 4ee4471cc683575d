namespace Rama.Data.History;

/// <summary>
/// Marks a property of an <see cref="IHistoried"/> row whose changes are not told: it follows from others, where the
/// history is.
/// </summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class NotInHistoryAttribute : Attribute;
