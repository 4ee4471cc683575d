using Rama.Core.Systems;

namespace Rama.Core.Prescribe.Working;

/// <summary>A tree as one way of working leaves it.</summary>
/// <param name="Before">Floral buds it had.</param>
/// <param name="Left">Floral buds it is left with.</param>
/// <param name="Seconds">Seconds it took.</param>
internal readonly record struct WorkedTree(int Before, double Left, double Seconds);

/// <summary>A crew on the trees of one trunk class, in each way of working at once.</summary>
internal sealed class ClassAtWork
{
    private readonly PruningRules _rules;
    private readonly CrewSkill _skill;
    private readonly double _number;
    private readonly GaugePruner _byGauge,
        _byCount;
    private readonly ReadyStep _rub;

    private int _trees;

    private ClassAtWork(
        PruningRules rules,
        CrewSkill skill,
        double number,
        ReadyStep rub,
        GaugePruner byGauge,
        GaugePruner byCount
    ) => (_rules, _skill, _number, _rub, _byGauge, _byCount) = (rules, skill, number, rub, byGauge, byCount);

    /// <summary>A crew that begins; null where the limbs of the class cannot be brought to a number.</summary>
    /// <param name="rules">The system's rules.</param>
    /// <param name="skill">How well the crew reads and judges.</param>
    /// <param name="of">What is prescribed for the class.</param>
    /// <param name="seed">Seed of its errors.</param>
    public static ClassAtWork? On(PruningRules rules, CrewSkill skill, ClassPrescription of, int seed)
    {
        if (
            of is not { StopAt: > 0, BudsPerCm2: { } gauge }
            || rules.Steps.FirstOrDefault(s => SettingSearch.IsSolved(rules, s)) is not { } rub
        )
            return null;
        var big = rules.BigFromMm(rules.Values(of.Settings));
        return new(
            rules,
            skill,
            of.Number,
            rub,
            new(gauge, big, skill, new(seed)),
            new(gauge, big, skill, new(seed + 1))
        );
    }

    /// <summary>Works a tree in each way, in the order of <see cref="WayOfWorking"/>.</summary>
    /// <param name="byAmounts">The tree cut by the card's amounts, single buds and all.</param>
    /// <param name="wood">The tree after the cuts of wood alone.</param>
    public WorkedTree[] WorkedEachWay(TreePruning byAmounts, TreePruning wood)
    {
        var stood = wood.Left.Tree.FloralBuds;
        // A tree below its number is left alone whichever way the crew works.
        double Kept(GaugePruner pruner) => stood < _number ? wood.Left.FloralBuds : pruner.LeftOn(wood.Left);
        var (gauged, counted) = (Kept(_byGauge), Kept(_byCount));
        var seconds = wood.Seconds + wood.Left.Limbs * _skill.SecondsPerLimb;
        var isCounted = _trees++ % _skill.CountedEvery == 0;
        if (isCounted && counted > 0)
        {
            // Half of what was missed is corrected at once: one tree may have been an odd one.
            _byCount.Correction = Math.Clamp(_byCount.Correction * Math.Sqrt(_number / counted), 0.7, 1.4);
            counted = Math.Min(wood.Left.FloralBuds, Math.Min(stood, _number));
        }
        return
        [
            new(stood, byAmounts.Left.FloralBuds, byAmounts.Seconds),
            new(stood, gauged, seconds + Rubbing(wood, gauged)),
            new(stood, counted, seconds + Rubbing(wood, counted) + (isCounted ? 60 * _skill.MinutesPerCount : 0)),
        ];
    }

    private double Rubbing(TreePruning wood, double left) =>
        Math.Max(0, wood.Left.FloralBuds - left) / _rules.System.Form.Typical.BudsPerSite * _rub.Step.SecondsEach;
}
