using Rama.Core.Decide;

namespace Rama.Core.Prescribe;

/// <summary>Cuts of one step on one tree.</summary>
/// <param name="Cuts">How many.</param>
/// <param name="Drop">Floral buds that fell.</param>
internal readonly record struct StepTally(int Cuts, int Drop);

/// <summary>What the steps of a system come to on trees of a class.</summary>
internal sealed class StepSums
{
    private readonly int _trees;
    private readonly Sum[] _steps;

    /// <summary>Adds them up.</summary>
    /// <param name="trees">Floral buds that stood on each tree, and its steps in their order.</param>
    public StepSums(IReadOnlyList<(int Standing, IReadOnlyList<StepTally> Steps)> trees)
    {
        (_trees, _steps) = (trees.Count, new Sum[trees[0].Steps.Count]);
        foreach (var (standing, steps) in trees)
        {
            var before = standing;
            for (var i = 0; i < _steps.Length; i++)
            {
                var (sum, (cuts, drop)) = (_steps[i], steps[i]);
                _steps[i] = new(sum.Cuts + cuts, sum.Drop + drop, sum.Before + before, sum.Trees + (cuts > 0 ? 1 : 0));
                before -= drop;
            }
        }
    }

    /// <summary>Of trees cut with no limits but the system's own.</summary>
    /// <param name="trees">Typical trees of the class.</param>
    /// <param name="decision">Its decision.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="values">Values of the settings.</param>
    public static StepSums Of(
        IReadOnlyList<PreparedTree> trees,
        PruningDecision decision,
        DecisionSettings settings,
        double[] values
    ) =>
        new([
            .. trees.Select(t =>
            {
                var buds = t.Tree.FloralBuds;
                var engine = CuttingEngine.Summing(t, CutAllowance.ByCard(decision, buds, settings), values);
                for (var i = 0; i < t.Rules.Steps.Count; i++)
                    engine.Carry(i);
                return (buds, engine.Steps);
            }),
        ]);

    /// <summary>
    /// Cuts of a step on a mean tree, what they drop of the buds standing before it, and the share of trees it is made
    /// on.
    /// </summary>
    /// <param name="place">Place of the step in the order.</param>
    public (double Cuts, double Share, double Trees) Of(int place) =>
        (
            _steps[place].Cuts / (double)_trees,
            _steps[place] is { Before: > 0 } sum ? sum.Drop / (double)sum.Before : 0,
            _steps[place].Trees / (double)_trees
        );

    private readonly record struct Sum(int Cuts, int Drop, int Before, int Trees);
}
