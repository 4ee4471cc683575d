using Rama.Core.Explain;
using Rama.Core.Target;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Plan;

/// <summary>How far a target is, and what it may start from.</summary>
/// <param name="School">School of insurance it follows.</param>
/// <param name="Lacks">
/// The one entry to make next for a number of buds, such as <c>yield</c>, or <c>planting</c>; null where none lacks.
/// </param>
/// <param name="Proposed">A target from past seasons; null where the planting itself cannot be used.</param>
public sealed record TargetStart(School School, string? Lacks, ProposedTarget? Proposed)
{
    private const string Part = "target.";

    internal static TargetStart Of(
        TargetEntry entry,
        TargetKnown known,
        ProposedTarget? proposed,
        IReadOnlyList<FieldProblem> problems
    ) =>
        new(
            entry.ChosenSchool(known),
            proposed is null ? "planting"
                : entry.IsUntouched ? "yield"
                : problems
                    .FirstOrDefault(p => p.Code == "missing" && p.Field.StartsWith(Part, StringComparison.Ordinal))
                    ?.Field[Part.Length..],
            proposed
        );
}
