namespace Rama.Core.Explain;

/// <summary>Thrown where an entry cannot be used; carries every problem found in it, not just the first.</summary>
public sealed class UnusableEntryException(IReadOnlyList<FieldProblem> problems)
    : Exception(string.Join(" ", problems.Select(p => $"{p.Field}: {p.Message}")))
{
    /// <summary>What is wrong, field by field.</summary>
    public IReadOnlyList<FieldProblem> Problems { get; } = problems;
}
