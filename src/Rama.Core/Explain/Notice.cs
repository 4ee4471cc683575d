namespace Rama.Core.Explain;

/// <summary>A warning: what is unusual, why it matters and what to do. It never blocks.</summary>
/// <param name="Code">Stable name, such as <c>bud-factor.unusual</c>.</param>
/// <param name="Message">The warning in English.</param>
/// <param name="Figures">The numbers the message speaks of, for showing it in another language or unit.</param>
public sealed record Notice(string Code, string Message, params IReadOnlyList<Figure> Figures);
