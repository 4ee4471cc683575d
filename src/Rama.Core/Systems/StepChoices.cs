using Rama.Core.Crops;
using Rama.Core.Passes;
using Rama.Core.Systems.Language;

namespace Rama.Core.Systems;

/// <summary>What a step can be put together from, for whoever writes one.</summary>
/// <param name="Subjects">What it may look for.</param>
/// <param name="Units">Units of each kind of quantity.</param>
/// <param name="Cuts">Kinds of cut.</param>
/// <param name="Begin">A step to begin with.</param>
/// <param name="Passes">Passes of all systems a step may belong to.</param>
/// <param name="Traits">Traits of varieties an answer may suit.</param>
/// <param name="Facts">What is measured on trees and may be expected of them.</param>
public sealed record StepChoices(
    IReadOnlyList<string> Subjects,
    IReadOnlyDictionary<Dimension, IReadOnlyList<string>> Units,
    IReadOnlyList<CutChoice> Cuts,
    CuttingStep Begin,
    IReadOnlyList<string> Passes,
    IReadOnlyList<string> Traits,
    IReadOnlyList<string> Facts
)
{
    /// <summary>All there is to choose from.</summary>
    public static StepChoices All { get; } =
        new(
            Selector.Names,
            RuleUnits.ByDimension,
            CutChoice.All,
            RulePack.CommonStep("new-step"),
            PassIds.OfSteps,
            [.. VarietyTraits.Known],
            TreeFact.Codes
        );
}

/// <summary>A kind of cut, and what goes with it.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Leaves">What it leaves where nothing is said, a rule; null for one that leaves nothing to say.</param>
/// <param name="OnlyFor">The one subject it is for, which is cut in no other way; null for any other.</param>
/// <param name="First">Where to start on that subject.</param>
public sealed record CutChoice(CutKind Kind, string? Leaves = null, string? OnlyFor = null, string? First = null)
{
    /// <summary>All kinds. Lengths are handbook 3.1's: a stub of 1–2 cm, a tip of a third.</summary>
    public static IReadOnlyList<CutChoice> All { get; } =
    [
        new(CutKind.Collar),
        new(CutKind.RenewalStub, "2 cm"),
        new(CutKind.ToSideShoot, "height-limit"),
        new(CutKind.Single, OnlyFor: "forks", First: "height up"),
        new(CutKind.RubOff, OnlyFor: "buds", First: "along down"),
        new(CutKind.Shorten, "20 cm"),
        new(CutKind.Tip, "2 / 3 * length"),
        new(CutKind.Head, "height-limit"),
    ];

    internal static CutChoice Of(CutKind kind) => All.First(c => c.Kind == kind);
}
