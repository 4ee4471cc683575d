using Rama.Core.Systems;

namespace Rama.Core.Prescribe.Working;

/// <summary>Trees of one trunk class as each way of working leaves them.</summary>
/// <param name="rules">The system's rules.</param>
/// <param name="skill">How well the crew reads and judges.</param>
/// <param name="number">Floral buds to leave.</param>
/// <param name="byGauge">Who works by gauge alone.</param>
/// <param name="byCount">Who is corrected by counts.</param>
/// <param name="tallies">What the trees add up to, by way.</param>
internal sealed class ClassAtWork(
    PruningRules rules, CrewSkill skill, double number, GaugePruner byGauge, GaugePruner byCount, WayTally[] tallies)
{
    private readonly ReadyStep? _rub = rules.Steps.FirstOrDefault(s => SettingSearch.IsSolved(rules, s));

    private int _trees;

    /// <summary>Takes a tree in.</summary>
    /// <param name="byAmounts">The tree cut by the card's amounts, single buds and all.</param>
    /// <param name="wood">The tree after the cuts of wood alone.</param>
    public void Take(TreePruning byAmounts, TreePruning wood)
    {
        var stood = wood.Left.Tree.FloralBuds;
        Add(WayOfWorking.Amounts, stood, byAmounts.Left.FloralBuds, byAmounts.Seconds);
        // A tree below its number is left alone whichever way the crew works.
        double Kept(GaugePruner pruner) => stood < number ? wood.Left.FloralBuds : pruner.LeftOn(wood.Left);
        var (gauged, counted) = (Kept(byGauge), Kept(byCount));
        var seconds = wood.Seconds + wood.Left.Limbs * skill.SecondsPerLimb;
        Add(WayOfWorking.Gauge, stood, gauged, seconds + Rubbing(wood, gauged));
        var isCounted = _trees++ % skill.CountedEvery == 0;
        if (isCounted && counted > 0)
        {
            // Half of what was missed is corrected at once: one tree may have been an odd one.
            byCount.Correction = Math.Clamp(byCount.Correction * Math.Sqrt(number / counted), 0.7, 1.4);
            counted = Math.Min(wood.Left.FloralBuds, Math.Min(stood, number));
        }
        Add(WayOfWorking.Count, stood, counted, seconds + Rubbing(wood, counted)
            + (isCounted ? 60 * skill.MinutesPerCount : 0));
    }

    private double Rubbing(TreePruning wood, double left) => _rub is null ? 0
        : Math.Max(0, wood.Left.FloralBuds - left) / rules.System.Form.Typical.BudsPerSite * _rub.Step.SecondsEach;

    private void Add(WayOfWorking way, double stood, double left, double seconds) =>
        tallies[(int)way].Add(stood, left, seconds);
}
