using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Target;

/// <summary>
/// A target to set in many plantings: which ones, and what. What is left out means any planting, and keeps what a
/// planting has.
/// </summary>
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

    /// <summary>
    /// Whether each planting starts from its own past seasons; what the target says goes over them.
    /// </summary>
    public bool FromRecords { get; init; }

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

    /// <summary>Whether a planting is one of those it is for.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="leaf">Its leaf in the season at hand.</param>
    public bool IsFor(PlantingEntry planting, int leaf) =>
        Is(Variety, planting.Variety)
        && Is(Rootstock, planting.Rootstock)
        && Is(System, planting.System)
        && Is(Site, planting.Site)
        && !(leaf < LeafFrom)
        && !(leaf > LeafTo);

    /// <summary>A planting's target with what the rule sets.</summary>
    /// <param name="before">Its target as it stands.</param>
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
