using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Target;

namespace Rama.Core.Plan;

/// <summary>What a rule does to the target of one planting.</summary>
/// <param name="Entry">Its target after the rule.</param>
/// <param name="Changes">Whether the rule changes anything.</param>
/// <param name="Before">The plan as it stands.</param>
/// <param name="After">The plan after the rule.</param>
/// <param name="Problems">Why the target after the rule cannot be used; fields told from the target on.</param>
public sealed record RuledTarget(
    TargetEntry Entry,
    bool Changes,
    PruningPlan Before,
    PruningPlan After,
    IReadOnlyList<FieldProblem> Problems
)
{
    /// <summary>Works it out.</summary>
    /// <param name="plan">All that was entered for the planting.</param>
    /// <param name="rule">The rule.</param>
    /// <param name="catalogue">The estate's catalogue.</param>
    public static RuledTarget Of(PlanEntry plan, TargetRule rule, Catalogue catalogue)
    {
        const string Part = "target.";
        var before = PlanReading.Of(plan, catalogue);
        var start = rule.FromRecords ? before.Start.Proposed?.Target : null;
        var ruled = rule.Over(
            start is null
                ? plan.Target
                : new TargetRule { Target = start }
                    .Over(plan.Target)
                    .Afresh()
        );
        // One the rule leaves alone stays as it was set, even where it took no set over.
        var entry = ruled == plan.Target ? ruled : ruled.Settled(before.Known);
        var reading = PlanReading.Of(plan with { Target = entry }, catalogue);
        List<FieldProblem> problems =
        [
            .. reading
                .Problems.Where(p => p.Field.StartsWith(Part, StringComparison.Ordinal))
                .Select(p => p with { Field = p.Field[Part.Length..] }),
        ];
        if (rule.FromRecords && start?.Yield is null && rule.Target.Yield?.Value is null)
            problems.Add(new("yield", "records", "Yield: no past season of this planting has one."));
        else if (entry.IsUntouched)
            problems.Add(new("yield", "missing", "Yield: please fill this in."));
        return new(entry, entry != plan.Target, PruningPlan.Of(before), PruningPlan.Of(reading), problems);
    }
}
