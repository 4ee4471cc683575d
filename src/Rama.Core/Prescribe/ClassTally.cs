using Rama.Core.Decide;
using Rama.Core.Prescribe.Working;

namespace Rama.Core.Prescribe;

/// <summary>Trees of one trunk class cut by the card, added up as they come: no tree is kept.</summary>
/// <param name="of">What is prescribed for the class.</param>
internal sealed class ClassTally(ClassPrescription of)
{
    /// <summary>Classes of a fifth of the number, the middle one around it.</summary>
    public const int Bins = 9;

    private readonly int[] _spread = new int[Bins];
    private readonly double _width = Math.Max(1, of.Number / 5);
    private int _trees,
        _below,
        _onTarget;
    private double _mean,
        _squares,
        _limbs,
        _bigCuts,
        _wood,
        _seconds,
        _over;

    private double FirstFrom => Math.Max(0, of.Number - _width * (Bins / 2 + 0.5));

    /// <summary>Takes a tree in.</summary>
    /// <param name="cut">What was cut.</param>
    /// <param name="worked">What it came to in the hands of the crew.</param>
    public void Add(TreePruning cut, WorkedTree worked)
    {
        var left = worked.Left;
        _trees++;
        // Welford's way: no difference of large sums.
        var off = left - _mean;
        _mean += off / _trees;
        _squares += off * (left - _mean);
        _over += Math.Max(0, left - of.Decision.BudsToLeave);
        _limbs += cut.Left.Limbs;
        _bigCuts += cut.BigCuts;
        _wood += cut.Left.WoodCutShare;
        _seconds += worked.Seconds;
        // On target is what the card asks for: where the cap binds, the number it leaves.
        if (worked.Before < of.Number)
            _below++;
        else if (of.IsOnTarget(left))
            _onTarget++;
        _spread[Math.Clamp((int)Math.Floor((left - FirstFrom) / _width), 0, Bins - 1)]++;
    }

    /// <summary>What it came to; at least one tree was taken in.</summary>
    public SimulatedClass Result()
    {
        var meant = _trees - _below;
        return new(
            of.Class.Name,
            of.Class.Share,
            of.Decision.Kind,
            of.Decision.BudsToLeave,
            new(
                meant == 0 ? 1 : _onTarget / (double)meant,
                _below / (double)_trees,
                _mean,
                Math.Sqrt(_squares / Math.Max(1, _trees - 1)),
                _limbs / _trees,
                _bigCuts / _trees,
                _wood / _trees,
                _seconds / 60 / _trees,
                of.Decision.Kind == DecisionKind.NoPrune ? 0 : _over / _trees
            ),
            [
                .. _spread.Select(
                    (trees, i) => new BudsLeftClass(FirstFrom + i * _width, FirstFrom + (i + 1) * _width, trees)
                ),
            ],
            of.Settings
        );
    }
}
