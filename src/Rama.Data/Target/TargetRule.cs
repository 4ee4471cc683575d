using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Target;
using Rama.Data.Plan;

namespace Rama.Data.Target;

/// <summary>A target to set in many plantings: which ones, and what. What is left out means any planting, and keeps what a planting has.</summary>
public sealed record TargetRule
{
    /// <summary>Only this variety.</summary>
    public string? Variety { get; init; }

    /// <summary>Only this rootstock.</summary>
    public string? Rootstock { get; init; }

    /// <summary>Only this training system.</summary>
    public string? System { get; init; }

    /// <summary>Only this site.</summary>
    public string? Site { get; init; }

    /// <summary>Only from this leaf on.</summary>
    public double? LeafFrom { get; init; }

    /// <summary>Only up to this leaf.</summary>
    public double? LeafTo { get; init; }

    /// <summary>What to set; fields left empty keep what each planting has.</summary>
    public TargetEntry Target { get; init; } = new();

    /// <summary>Throws where the rule itself cannot be used.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public void Check()
    {
        var reader = new EntryReader();
        reader.OptionalWhole("leafFrom", "From leaf", LeafFrom, "", 1, 200);
        reader.OptionalWhole("leafTo", "To leaf", LeafTo, "", 1, 200);
        if (LeafFrom > LeafTo)
            reader.Add("leafTo", "conflict", "To leaf: expected at least “from leaf”.");
        reader.ThrowIfAny();
    }

    /// <summary>Whether it means a planting.</summary>
    public bool Means(PlantingEntry planting, int leaf) =>
        Is(Variety, planting.Variety)
        && Is(Rootstock, planting.Rootstock)
        && Is(System, planting.System)
        && Is(Site, planting.Site)
        && !(leaf < LeafFrom)
        && !(leaf > LeafTo);

    /// <summary>A planting's target with what the rule sets.</summary>
    public TargetEntry Over(TargetEntry before) =>
        before with
        {
            Yield = Target.Yield?.Value is null ? before.Yield : Target.Yield,
            FruitSize = Target.FruitSize?.Value is null ? before.FruitSize : Target.FruitSize,
            PackOut = Target.PackOut?.Value is null ? before.PackOut : Target.PackOut,
            BudFactor = Target.BudFactor ?? before.BudFactor,
            Insurance = Target.Insurance?.School is null
                ? before.Insurance
                : (before.Insurance ?? new()) with
                {
                    School = Target.Insurance.School,
                    Reached = Target.Insurance.Reached ?? before.Insurance?.Reached,
                    Reason = Target.Insurance.Reason ?? before.Insurance?.Reason,
                },
        };

    private static bool Is(string? wanted, string? value) => string.IsNullOrEmpty(wanted) || wanted == value;
}

/// <summary>What a rule does to one planting.</summary>
/// <param name="Stored">The planting with its plan as it stands.</param>
/// <param name="Entry">Its target after the rule.</param>
/// <param name="Before">The plan as it stands.</param>
/// <param name="After">The plan after the rule.</param>
/// <param name="Problems">Why the target after the rule cannot be used.</param>
public sealed record RuledTarget(
    StoredPlanting Stored,
    TargetEntry Entry,
    PruningPlan Before,
    PruningPlan After,
    IReadOnlyList<FieldProblem> Problems
)
{
    /// <summary>Whether the rule changes anything.</summary>
    public bool Changes => Entry != Stored.Plan.ToTarget();

    internal static RuledTarget Of(StoredPlanting stored, TargetRule rule)
    {
        var entry = rule.Over(stored.Plan.ToTarget());
        var reading = PlanReading.Of(stored.ToEntry() with { Target = entry }, stored.Catalogue);
        List<FieldProblem> problems =
        [
            .. reading
                .Problems.Where(p => p.Field.StartsWith("target.", StringComparison.Ordinal))
                .Select(p => p with { Field = p.Field["target.".Length..] }),
        ];
        if (entry.IsUntouched)
            problems.Add(new("yield", "missing", "Yield: please fill this in."));
        return new(stored, entry, stored.ToPlan(), PruningPlan.Of(reading), problems);
    }
}
