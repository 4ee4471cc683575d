using Rama.Core.Decide;
using Rama.Core.Systems;
using Rama.Core.Target.Sharing;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>How often one step is done on a tree of a trunk class.</summary>
/// <param name="StepId">The step.</param>
/// <param name="CutsPerTree">Cuts on a mean tree.</param>
/// <param name="DropShare">Floral buds it takes, as a share of those standing before it.</param>
/// <param name="Drop">Floral buds it takes.</param>
/// <param name="BudsAfter">Floral buds standing after it.</param>
/// <param name="DemonstrationTrees">Demonstration trees that corrected the drop.</param>
public sealed record ClassCut(string StepId, double CutsPerTree, double DropShare, double Drop, double BudsAfter, int DemonstrationTrees);

/// <summary>What to cut on the trees of one trunk class.</summary>
/// <param name="Class">The class.</param>
/// <param name="Decision">Its decision.</param>
/// <param name="BudsLeft">Floral buds left per tree.</param>
/// <param name="LimbsLeft">Limbs left per tree.</param>
/// <param name="LcsaLeftCm2">Cross-section of the limbs left on a tree, cm².</param>
/// <param name="MinutesPerTree">Working minutes per tree.</param>
/// <param name="WoodShare">Wood cut, as a share of the canopy's.</param>
/// <param name="BigCuts">Big cuts per tree.</param>
/// <param name="ClustersToThinning">Flower clusters per tree over the target, left to hand thinning.</param>
/// <param name="Cuts">Its cuts in order.</param>
/// <param name="Settings">Settings found for the class, by name, in their own unit.</param>
public sealed record ClassPrescription(
    TrunkClass Class, PruningDecision Decision, double BudsLeft, double LimbsLeft, double LcsaLeftCm2, double MinutesPerTree, double WoodShare, double BigCuts,
    double ClustersToThinning, IReadOnlyList<ClassCut> Cuts, IReadOnlyDictionary<string, double> Settings)
{
    // Few trees are enough for means over settings compared on the same trees; the block simulation takes many.
    private const int SearchTrees = 15, CheckTrees = 30;

    /// <summary>Finds what to cut on the classes of a planting.</summary>
    /// <param name="rules">The system's rules.</param>
    /// <param name="stock">The planting's trees.</param>
    /// <param name="decisions">Decision of each class.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="cutting">What the manager holds and what demonstration trees showed.</param>
    internal static IReadOnlyList<ClassPrescription> Of(
        PruningRules rules, TreeStock stock, IReadOnlyList<PruningDecision> decisions, DecisionSettings settings, CuttingTerms cutting)
    {
        var generator = new TreeGenerator(stock.Shape, stock.Place);
        List<PreparedTree> Trees(int of, int trees, int from) =>
            [.. generator.Make(stock.Classes[of].Counts, Math.Max(4, trees / stock.Classes.Count), cutting.Seed + 10 * of + from).Select(t => new PreparedTree(rules, t))];

        var found = SettingSearch.Find(
            rules, [.. stock.Classes.Select((c, i) => new SearchClass(c.Class.Share, decisions[i], Trees(i, SearchTrees, 0)))], settings, cutting.Settings);
        return [
            .. stock.Classes.Select((c, i) =>
            {
                // Told on trees the search has not seen.
                var run = new ClassRun(Trees(i, CheckTrees, 1), decisions[i], settings, SettingSearch.WithoutSolved(rules, found[i]));
                return Account(rules, run, c, decisions[i], found[i], cutting.Observed, stock.Shape.BudsPerSite);
            }),
        ];
    }

    private static ClassPrescription Account(
        PruningRules rules, ClassRun run, StockClass of, PruningDecision decision, Dictionary<string, double> found, IReadOnlyList<ObservedDrops> observed, int perSite)
    {
        var (buds, seconds) = (of.Standing.Mean, rules.System.Labour.BaseSeconds);
        var least = (1 - decision.CapShare) * buds;
        // What has to stay whatever a step is seen to drop: a crew stops at what the card lets fall.
        var stays = Math.Max(least, decision.Kind == DecisionKind.StructureOnly ? buds - decision.RemoveBuds : 0);
        List<ClassCut> cuts = [];
        foreach (var step in rules.Steps.Where(s => s.Step.Under.Contains(decision.Kind)))
        {
            var (made, share) = run.Of(step.Step.Id);
            var seen = observed.FirstOrDefault(o => o.StepId == step.Step.Id)?.Shares ?? [];
            if (seen.Count > 0 && made > 0) share = ObservedDrops.Corrected(share, seen);
            var drop = share * buds;
            if (step.Step.Stop != StepStop.Never && drop > Math.Max(0, buds - stays))
            {
                made *= Math.Max(0, buds - stays) / drop;
                drop = Math.Max(0, buds - stays);
                share = drop / buds;
            }
            if (SettingSearch.IsSolved(rules, step))
            {
                // Bud by bud, or spur by spur: as many as the class is still over, after what the other steps are known to drop.
                var most = rules.Place(step.Step.Most!) is { } place ? rules.Defaults[place] * run.LimbsLeft * perSite : double.PositiveInfinity;
                drop = decision.Kind == DecisionKind.Reduce ? Math.Clamp(buds - Math.Max(decision.BudsToLeave, least), 0, Math.Min(most, buds)) : 0;
                made = drop / perSite;
                found[step.Step.Most!] = run.LimbsLeft > 0 ? made / run.LimbsLeft : 0;
                share = buds > 0 ? drop / buds : 0;
            }
            buds = Math.Max(0, buds - drop);
            seconds += made * step.Step.SecondsEach;
            cuts.Add(new(step.Step.Id, made, share, drop, buds, made > 0 ? seen.Count : 0));
        }
        return new(
            of.Class, decision, buds, Math.Max(1, run.LimbsLeft), run.LcsaLeftCm2, seconds / 60, run.WoodShare, run.BigCuts,
            decision.Kind == DecisionKind.Reduce ? Math.Max(0, buds - decision.BudsToLeave) : 0, cuts, found);
    }
}

/// <summary>Trees of a class cut by its card, summed up.</summary>
internal sealed class ClassRun
{
    private readonly Dictionary<string, (double Cuts, double Drop, double Before)> _steps = [];

    public ClassRun(IReadOnlyList<PreparedTree> trees, PruningDecision decision, DecisionSettings settings, double[] values)
    {
        Prunings = [.. trees.Select(t => TreePruning.Of(t, CutAllowance.ByCard(decision, t.Tree.FloralBuds, settings), values))];
        var rules = trees[0].Rules;
        foreach (var pruning in Prunings)
        {
            var (before, next) = (pruning.Left.Tree.FloralBuds, 0);
            foreach (var step in rules.Steps)
            {
                var (cuts, drop) = (0, 0);
                for (; next < pruning.Cuts.Count && pruning.Cuts[next].StepId == step.Step.Id; next++)
                {
                    cuts++;
                    drop += pruning.Cuts[next].Drop;
                }
                var sum = _steps.GetValueOrDefault(step.Step.Id);
                _steps[step.Step.Id] = (sum.Cuts + cuts, sum.Drop + drop, sum.Before + before);
                before -= drop;
            }
        }
        LimbsLeft = Prunings.Average(p => p.Left.Limbs);
        WoodShare = Prunings.Average(p => p.Left.WoodCutShare);
        BigCuts = Prunings.Average(p => (double)p.Cuts.Count(c => c.DiameterMm >= rules.System.Caps.BigCutMm));
        LcsaLeftCm2 = Prunings.Average(p => p.Left.Tree.Index.Limbs.Where(p.Left.Stands).Sum(l => p.Left.Tree.Branches[l].CrossSectionCm2));
    }

    public IReadOnlyList<TreePruning> Prunings { get; }

    public double LimbsLeft { get; }

    public double LcsaLeftCm2 { get; }

    public double WoodShare { get; }

    public double BigCuts { get; }

    /// <summary>Cuts of a step on a mean tree, and what they drop of the buds standing before it.</summary>
    public (double Cuts, double Share) Of(string step) =>
        _steps.TryGetValue(step, out var sum) ? (sum.Cuts / Prunings.Count, sum.Before > 0 ? sum.Drop / sum.Before : 0) : (0, 0);
}
