using Rama.Core.Prescribe.Working;

namespace Rama.Core.Check;

/// <summary>What is known of a planting whose trees are checked.</summary>
/// <param name="Ground">Its rows, passes and what is reported.</param>
/// <param name="Done">Share of its trees that is pruned.</param>
/// <param name="Trees">Its bearing trees.</param>
/// <param name="BudsWanted">Floral buds the target asks for on a mean tree, whatever the rest is left with; null
/// without a target.</param>
/// <param name="FruitPerBud">Fruit wanted for each bud to leave.</param>
/// <param name="Costs">The set of the years and what missing costs; null without a target.</param>
/// <param name="Fruit">What fruit weighs per hectare; null where not known.</param>
/// <param name="CrewOfRow">Crew that reported a row.</param>
public sealed record CheckTerms(
    CheckGround Ground,
    double Done,
    double Trees,
    double? BudsWanted,
    double FruitPerBud,
    MissCosts? Costs,
    CropGround? Fruit,
    IReadOnlyDictionary<int, Guid> CrewOfRow
)
{
    internal CropEffect? EffectOf(double asked, double left, CutSpread spread) =>
        Costs is null
            ? null
            : CropEffect.Of(
                new(
                    asked * FruitPerBud,
                    asked,
                    left,
                    Math.Sqrt(Math.Exp(spread.Sigma * spread.Sigma) - 1),
                    Costs,
                    Fruit
                )
            );
}

/// <summary>What checks are held against beside the card.</summary>
/// <param name="Rows">First and last tree of each listed row; empty where rows are not listed.</param>
/// <param name="Passes">Passes that cut to the card.</param>
/// <param name="RowsDone">Rows reported done, by pass.</param>
public sealed record CheckGround(
    IReadOnlyList<(int Row, int First, int Last)> Rows,
    IReadOnlySet<string> Passes,
    IReadOnlyDictionary<string, IReadOnlyList<int>> RowsDone
)
{
    internal bool Holds(int row, int tree) =>
        Rows.Count == 0 || Rows.Any(r => r.Row == row && tree >= r.First && tree <= r.Last);

    // Where nobody reports rows, whoever checks a tree knows that it is pruned.
    internal bool IsPruned(TreeCheck check) =>
        check.AfterPruning
        || RowsDone.GetValueOrDefault(check.Pass) is not { Count: > 0 } done
        || done.Contains(check.Row);
}
