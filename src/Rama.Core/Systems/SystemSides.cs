namespace Rama.Core.Systems;

/// <summary>A system whose sides are renewed in turn: the question that says which one, and its answers.</summary>
/// <param name="Question">The question.</param>
/// <param name="Renewing">Answers under which a side is renewed.</param>
public sealed record SystemSides(string Question, IReadOnlyList<string> Renewing);
