namespace Rama.Core.Prescribe.Working;

/// <summary>Means over the trees of one trunk class worked in one way.</summary>
/// <param name="of">What is prescribed for the class.</param>
/// <param name="costs">What missing the number costs.</param>
internal sealed class WayTally(ClassPrescription of, MissCosts costs)
{
    private int _trees,
        _meant,
        _onTarget;
    private double _left,
        _squares,
        _seconds,
        _short,
        _over;

    /// <summary>Share of the trees that stood above their number.</summary>
    public double Meant => _meant / (double)_trees;

    /// <summary>Share of all trees that stood above their number and end within its tolerance.</summary>
    public double OnTarget => _onTarget / (double)_trees;

    public double Left => _left / _trees;

    public double Variance => _trees < 2 ? 0 : Math.Max(0, (_squares - _left * _left / _trees) / (_trees - 1));

    public double Seconds => _seconds / _trees;

    public double FruitShort => _short / _trees;

    /// <summary>Clusters over the number.</summary>
    public double Over => _over / _trees;

    /// <summary>Takes a tree in.</summary>
    public void Add(WorkedTree tree)
    {
        var (stood, left, seconds) = tree;
        _trees++;
        _left += left;
        _squares += left * left;
        _seconds += seconds;
        _over += Math.Max(0, left - of.Number);
        // A tree that stood below its number cannot be brought to it by cutting, nor is it short for being cut.
        if (stood < of.Number)
            return;
        _short += costs.FruitShort(left, of.Number);
        _meant++;
        if (of.IsOnTarget(left))
            _onTarget++;
    }
}
