using Rama.Core.Decide;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Working;

/// <summary>Trees cut in each of the ways a crew can work, added up as they come: no tree is kept.</summary>
internal sealed class WaysOfWorking(PruningRules rules, MissCosts costs, CrewSkill skill, double tolerance)
{
    private static readonly WayOfWorking[] Ways = Enum.GetValues<WayOfWorking>();

    private readonly List<(double Share, Tally[] Ways)> _classes = [];

    /// <summary>Begins a trunk class; null where its trees are not brought to a number.</summary>
    /// <param name="of">What is prescribed for it.</param>
    /// <param name="seed">Seed of the errors.</param>
    public OfClass? Begin(ClassPrescription of, int seed)
    {
        if (of is not { StopAt: { } number, BudsPerCm2: { } gauge } || number <= 0) return null;
        var tallies = Ways.Select(_ => new Tally()).ToArray();
        _classes.Add((of.Class.Share, tallies));
        var big = rules.Place("big-from") is { } place ? rules.Values(of.Settings)[place] * 1_000 : double.PositiveInfinity;
        return new(this, number, new(gauge, big, skill, new(seed)), new(gauge, big, skill, new(seed + 1)), tallies);
    }

    /// <summary>What each way comes to; empty where no class is brought to a number.</summary>
    public IReadOnlyList<WayResult> Results()
    {
        var all = _classes.Sum(c => c.Share);
        if (all <= 0) return [];
        List<WayResult> results = [];
        foreach (var (i, way) in Ways.Index())
        {
            double Mean(Func<Tally, double> of) => _classes.Sum(c => c.Share * of(c.Ways[i])) / all;
            var meant = Mean(t => t.Meant / (double)t.Trees);
            var (minutes, isShort, over) = (Mean(t => t.Seconds / t.Trees / 60), Mean(t => t.Short / t.Trees), Mean(t => t.Over / t.Trees));
            results.Add(new(
                way, meant > 0 ? Mean(t => t.OnTarget / (double)t.Trees) / meant : 1, Mean(t => t.Left / t.Trees), Math.Sqrt(Mean(t => t.Variance)), minutes, isShort, over,
                minutes / 60 * costs.WagePerHour + isShort * costs.CostUnder + over * costs.SetMean * costs.CostOver, false));
        }
        var cheapest = results.MinBy(r => r.CostPerTree)!.Way;
        return [.. results.Select(r => r with { IsProposed = r.Way == cheapest })];
    }

    /// <summary>Trees of one class.</summary>
    internal sealed class OfClass(WaysOfWorking all, double number, GaugePruner byGauge, GaugePruner byCount, Tally[] tallies)
    {
        private int _trees;

        /// <summary>Takes a tree in.</summary>
        /// <param name="byAmounts">The tree cut by the card's amounts, single buds and all.</param>
        /// <param name="wood">The tree after the cuts of wood alone.</param>
        public void Take(TreePruning byAmounts, TreePruning wood)
        {
            var stood = wood.Left.Tree.FloralBuds;
            Add(WayOfWorking.Amounts, stood, byAmounts.Left.FloralBuds, SecondsOf(byAmounts));
            // A tree below its number is left alone whichever way the crew works.
            var (gauged, counted) = (Kept(wood, stood, byGauge), Kept(wood, stood, byCount));
            var reading = wood.Left.Limbs * all.Skill.SecondsPerLimb;
            Add(WayOfWorking.Gauge, stood, gauged, SecondsOf(wood) + reading + RubbingOf(wood, gauged));
            var isCounted = _trees++ % all.Skill.CountedEvery == 0;
            if (isCounted && counted > 0)
            {
                // Half of what was missed is corrected at once: one tree may have been an odd one.
                byCount.Correction = Math.Clamp(byCount.Correction * Math.Sqrt(number / counted), 0.7, 1.4);
                counted = Math.Min(wood.Left.FloralBuds, Math.Min(stood, number));
            }
            Add(WayOfWorking.Count, stood, counted, SecondsOf(wood) + reading + RubbingOf(wood, counted) + (isCounted ? 60 * all.Skill.MinutesPerCount : 0));
        }

        private double Kept(TreePruning wood, double stood, GaugePruner pruner) => stood < number ? wood.Left.FloralBuds : pruner.LeftOn(wood.Left);

        private double SecondsOf(TreePruning pruning) => all.Rules.System.Labour.BaseSeconds + pruning.Cuts.Sum(c => all.Rules.Seconds(c.StepId));

        private double RubbingOf(TreePruning wood, double left) =>
            all.Rules.Steps.FirstOrDefault(s => SettingSearch.IsSolved(all.Rules, s)) is { } rub
                ? Math.Max(0, wood.Left.FloralBuds - left) / all.Rules.System.Form.Typical.BudsPerSite * rub.Step.SecondsEach : 0;

        private void Add(WayOfWorking way, double stood, double left, double seconds) =>
            tallies[(int)way].Add(left, stood, number, all.Tolerance, seconds, all.Costs.FruitShort(left, number));
    }

    private PruningRules Rules => rules;

    private MissCosts Costs => costs;

    private CrewSkill Skill => skill;

    private double Tolerance => tolerance;

    /// <summary>Sums over the trees of one class and way.</summary>
    internal sealed class Tally
    {
        private double _squares;

        public int Trees { get; private set; }

        public int Meant { get; private set; }

        public int OnTarget { get; private set; }

        public double Left { get; private set; }

        public double Seconds { get; private set; }

        public double Short { get; private set; }

        public double Over { get; private set; }

        public double Variance => Trees < 2 ? 0 : Math.Max(0, (_squares - Left * Left / Trees) / (Trees - 1));

        public void Add(double left, double stood, double number, double tolerance, double seconds, double isShort)
        {
            Trees++;
            Left += left;
            _squares += left * left;
            Seconds += seconds;
            Over += Math.Max(0, left - number);
            // A tree that stood below its number cannot be brought to it by cutting, nor is it short for being cut.
            if (stood < number) return;
            Short += isShort;
            Meant++;
            if (Math.Abs(left - number) <= tolerance * number) OnTarget++;
        }
    }
}
