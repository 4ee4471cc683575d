using Rama.Core.Crops;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Quantities;
using Rama.Core.Result.Learning;
using Rama.Core.Target;
using Rama.Core.Target.Margin;

namespace Rama.Core.Plan;

/// <summary>What the seasons of a planting taught, which of it holds, and what that does to its plan.</summary>
/// <param name="Lines">Number by number.</param>
/// <param name="With">The plan with what holds.</param>
/// <param name="Without">The same plan by the shipped numbers alone.</param>
/// <param name="SetTaken">Mean set the target was set with, where another would be taken now; null where not.</param>
public sealed record PlantingLearning(
    IReadOnlyList<LearnedLine> Lines,
    PlanGlance With,
    PlanGlance Without,
    double? SetTaken
)
{
    /// <summary>Works both plans out.</summary>
    /// <param name="entry">All that was typed.</param>
    /// <param name="catalogue">The estate's catalogue.</param>
    /// <param name="returns">Return bloom by season.</param>
    /// <returns>Null where the planting cannot be used.</returns>
    public static PlantingLearning? Of(
        PlanEntry entry,
        Catalogue catalogue,
        IReadOnlyDictionary<int, ResponsePair> returns
    )
    {
        var reading = PlanReading.Of(entry, catalogue);
        if (reading.Planting is not { Variety: var variety })
            return null;
        return new(
            LearnedLine.AllOf(SeasonLearning.AllOf(reading, returns), variety, reading.Learned),
            PlanGlance.Of(reading),
            PlanGlance.Of(
                PlanReading.Of(
                    entry with
                    {
                        Learning = new(),
                        Target = entry.Target.Afresh(),
                    },
                    catalogue with
                    {
                        KeptTo = Enum.GetValues<LearnedQuantity>().ToHashSet(),
                    }
                )
            ),
            SeasonLearning.TakenOtherwise(reading)
        );
    }
}

/// <summary>A number that seasons teach.</summary>
/// <param name="Quantity">Which.</param>
/// <param name="Value">What they taught; null for nothing yet.</param>
/// <param name="Standing">Which number holds, and why.</param>
/// <param name="Held">The number that holds.</param>
/// <param name="Shipped">The number Rama comes with.</param>
/// <param name="Unit">Unit of both.</param>
/// <param name="Choice">What a person chose; null for nothing.</param>
public sealed record LearnedLine(
    LearnedQuantity Quantity,
    LearnedValue? Value,
    LearnedStanding Standing,
    double Held,
    double Shipped,
    string Unit,
    LearnedChoice? Choice
)
{
    /// <summary>Every number that seasons teach of a planting.</summary>
    /// <param name="values">What they taught.</param>
    /// <param name="variety">Its variety.</param>
    /// <param name="standings">What is used of it.</param>
    public static IReadOnlyList<LearnedLine> AllOf(
        IReadOnlyList<LearnedValue> values,
        Variety variety,
        LearnedStandings standings
    ) =>
        [
            // Hours are learned of the rows done this season, and told with them.
            .. Enum.GetValues<LearnedQuantity>()
                .Where(q => q != LearnedQuantity.Hours)
                .Select(q =>
                    Of(q, values.FirstOrDefault(v => v.Quantity == q), ShippedNumber.Of(q, variety), standings)
                ),
        ];

    private static LearnedLine Of(
        LearnedQuantity quantity,
        LearnedValue? value,
        double shipped,
        LearnedStandings standings
    ) =>
        new(
            quantity,
            value,
            standings.Of(quantity, value is not null),
            standings.Held(quantity, value?.Learned, shipped)!.Value,
            shipped,
            ShippedNumber.UnitOf(quantity),
            standings.ChoiceOf(quantity)
        );
}

/// <summary>The numbers of a plan that what was learned may change, and what is proposed for a target.</summary>
/// <param name="ProposedYield">Yield proposed, tonnes packed per hectare; null without past yields.</param>
/// <param name="ProposedPackOut">Pack-out proposed; null where none is known.</param>
/// <param name="Factor">Buds to leave for each fruit; null before a target.</param>
/// <param name="BudsWanted">Buds to leave per tree.</param>
/// <param name="Decision">What to do; null before a count.</param>
/// <param name="BudsOff">Buds the cuts take from a tree; null before a prescription.</param>
/// <param name="ClustersToThinning">Clusters per tree left to hand thinning.</param>
/// <param name="MinutesPerTree">Working minutes per tree.</param>
/// <param name="ShootsCm">Length of shoots to be expected next summer, cm.</param>
public sealed record PlanGlance(
    double? ProposedYield,
    double? ProposedPackOut,
    double? Factor,
    double? BudsWanted,
    DecisionKind? Decision,
    double? BudsOff,
    double? ClustersToThinning,
    double? MinutesPerTree,
    double? ShootsCm
)
{
    private const double KgPerTonne = 1_000;

    internal static PlanGlance Of(PlanReading reading)
    {
        var (plan, proposed) = (PruningPlan.Of(reading), reading.Start.Proposed?.Target);
        return new(
            proposed?.Yield is { Value: { } yield, Unit: { } unit }
                ? yield * YieldTarget.UnitOf(unit) / KgPerTonne
                : null,
            proposed?.PackOut is { Value: { } share, Unit: { } of } ? Units.Share[of].ToBase(share) : null,
            plan.Buds?.Factor,
            plan.Buds?.BudsPerTree,
            plan.Decision?.Kind,
            plan.Prescription?.BudsDropped,
            plan.Prescription?.ClustersToThinning,
            plan.Prescription?.MinutesPerTree,
            plan.Shoots?.Length.Mean
        );
    }
}
