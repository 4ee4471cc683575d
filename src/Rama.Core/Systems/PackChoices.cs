using Rama.Core.Crops;
using Rama.Core.Passes;
using Rama.Core.Systems.Language;

namespace Rama.Core.Systems;

/// <summary>What a system can be put together from, for whoever writes one.</summary>
/// <param name="Subjects">What a step may look for.</param>
/// <param name="Units">Units of each kind of quantity.</param>
/// <param name="Cuts">Kinds of cut.</param>
/// <param name="Begin">A step to begin with.</param>
/// <param name="Passes">Passes of all systems a step may belong to.</param>
/// <param name="Traits">Traits of varieties an answer may suit.</param>
/// <param name="Renewal">A renewal to begin with.</param>
/// <param name="Facts">What is measured on trees and may be expected of them.</param>
public sealed record PackChoices(
    IReadOnlyList<string> Subjects,
    IReadOnlyDictionary<Dimension, IReadOnlyList<string>> Units,
    IReadOnlyList<CutChoice> Cuts,
    CuttingStep Begin,
    IReadOnlyList<string> Passes,
    IReadOnlyList<string> Traits,
    SystemRenewal Renewal,
    IReadOnlyList<string> Facts
)
{
    /// <summary>All there is to choose from.</summary>
    public static PackChoices All { get; } =
        new(
            Selector.Names,
            RuleUnits.ByDimension,
            CutChoice.All,
            RulePack.CommonStep("new-step"),
            PassIds.OfSteps,
            [.. VarietyTraits.Known],
            // Fruit wood on short renewal; whoever writes another system says otherwise.
            new(RenewedWood.Limb, 2, 10, 3, null, "assumption, to be replaced by your own records"),
            TreeFact.Codes
        );
}
