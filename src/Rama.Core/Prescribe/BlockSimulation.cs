using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>Trees whose buds left lie in one class.</summary>
/// <param name="From">Smallest number of buds.</param>
/// <param name="To">Number from which the next class begins.</param>
/// <param name="Trees">Trees.</param>
public sealed record BudsLeftClass(double From, double To, int Trees);

/// <summary>What a card does to the trees of one trunk class.</summary>
/// <param name="Name">The class.</param>
/// <param name="Share">Share of the planting's trees.</param>
/// <param name="Kind">Its decision.</param>
/// <param name="Trees">Trees cut.</param>
/// <param name="BudsToLeave">Floral buds wanted.</param>
/// <param name="BudsLeft">Mean of the floral buds left.</param>
/// <param name="BudsLeftSd">Their standard deviation.</param>
/// <param name="InBand">Share of the trees above their number before that end within the tolerance of it.</param>
/// <param name="BelowBefore">Share of the trees that stood below their number before.</param>
/// <param name="LimbsLeft">Limbs left per tree.</param>
/// <param name="WoodShare">Wood cut, as a share of the canopy's.</param>
/// <param name="BigCuts">Big cuts per tree.</param>
/// <param name="Minutes">Minutes per tree.</param>
/// <param name="ClustersToThinning">Clusters over the number per tree, left to thinning.</param>
/// <param name="Spread">Trees by buds left.</param>
/// <param name="Settings">Settings used, by name, in their own unit.</param>
public sealed record SimulatedClass(
    string Name, double Share, DecisionKind Kind, int Trees, double BudsToLeave, double BudsLeft, double BudsLeftSd, double InBand, double BelowBefore, double LimbsLeft, double WoodShare, double BigCuts,
    double Minutes, double ClustersToThinning, IReadOnlyList<BudsLeftClass> Spread, IReadOnlyDictionary<string, double> Settings);

/// <summary>A prescription carried out on many trees of a planting, as a crew would by its card: without counting each tree.</summary>
/// <param name="System">The system.</param>
/// <param name="Answers">Answers to its questions, by question.</param>
/// <param name="Trees">Trees cut.</param>
/// <param name="Seed">Seed of the trees.</param>
/// <param name="InBand">Share of the trees above their number before that end within the tolerance of it.</param>
/// <param name="BudsLeft">Mean of the floral buds left.</param>
/// <param name="Minutes">Minutes per tree.</param>
/// <param name="Classes">By trunk class.</param>
/// <param name="Counted">What the card does to each counted tree that could be modelled.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record BlockSimulation(
    LocalText System, IReadOnlyDictionary<string, string> Answers, int Trees, int Seed, double InBand, double BudsLeft, double Minutes, IReadOnlyList<SimulatedClass> Classes, IReadOnlyList<CountedCut> Counted,
    IReadOnlyList<Notice> Warnings)
{
    /// <summary>Trees cut unless another number is asked for.</summary>
    public const int UsualTrees = 200;

    // Trees of the simulation are none of those the settings were found on.
    private const int HeldOut = 7_000, Step = 20, Bins = 9;

    /// <summary>Carries a prescription out.</summary>
    /// <param name="rules">The system's rules.</param>
    /// <param name="stock">The trees.</param>
    /// <param name="prescription">The prescription.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="trees">Trees to cut, over all classes.</param>
    /// <param name="seed">Seed.</param>
    /// <param name="counted">Counted trees as models of themselves.</param>
    /// <param name="progress">Told the share done.</param>
    /// <param name="cancel">Stops it.</param>
    public static BlockSimulation Of(
        PruningRules rules, TreeStock stock, Prescription prescription, DecisionSettings settings, int trees = UsualTrees, int seed = 1,
        IReadOnlyList<CountedModel>? counted = null, Action<double>? progress = null, CancellationToken cancel = default)
    {
        var generator = new TreeGenerator(stock.Shape, stock.Place);
        var done = 0;
        List<SimulatedClass> classes = [];
        foreach (var (c, cut) in stock.Classes.Zip(prescription.Classes))
        {
            var values = rules.Values(cut.Settings);
            List<TreePruning> cutTrees = [];
            var mine = Math.Max(10, (int)Math.Round(trees * c.Class.Share));
            for (var i = 0; i < mine; i++)
            {
                if (i % Step == 0)
                {
                    cancel.ThrowIfCancellationRequested();
                    progress?.Invoke(Math.Min(1, done / (double)trees));
                }
                var tree = generator.Make(c.Counts, unchecked(HeldOut + seed * 100_003 + done));
                cutTrees.Add(TreePruning.Of(new PreparedTree(rules, tree), CutAllowance.ByCard(cut.Decision, tree.FloralBuds, settings), values));
                done++;
            }
            classes.Add(Summed(rules, cut, cutTrees));
        }
        progress?.Invoke(1);
        double Mean(Func<SimulatedClass, double> of) => classes.Sum(c => c.Share * of(c));
        var meant = classes.Sum(c => c.Share * (1 - c.BelowBefore));
        var wood = Mean(c => c.WoodShare);
        List<Notice> warnings = [];
        if (wood > 0.8 * rules.System.Caps.ShareOfWood || classes.Any(c => c.BigCuts > 0.8 * rules.System.Caps.BigCuts))
            warnings.Add(new("simulation.regrowth", $"{wood * 100:0} % of the wood goes: expect strong shoots near the big cuts.", new Figure("wood", wood, "share")));
        return new(
            rules.System.Name, rules.ByQuestion, done, seed,
            meant > 0 ? classes.Sum(c => c.Share * (1 - c.BelowBefore) * c.InBand) / meant : 1, Mean(c => c.BudsLeft), Mean(c => c.Minutes), classes,
            [.. (counted ?? []).Select(m => OnModel(rules, prescription, settings, m))], warnings);
    }

    private static SimulatedClass Summed(PruningRules rules, ClassPrescription cut, List<TreePruning> trees)
    {
        var decision = cut.Decision;
        var left = trees.Select(t => (double)t.Left.FloralBuds).ToList();
        var mean = left.Average();
        return new(
            cut.Class.Name, cut.Class.Share, decision.Kind, trees.Count, decision.BudsToLeave, mean, Math.Sqrt(left.Sum(l => (l - mean) * (l - mean)) / Math.Max(1, left.Count - 1)),
            InBandOf(trees, decision), trees.Count(t => t.Left.Tree.FloralBuds < decision.BudsToLeave) / (double)trees.Count, trees.Average(t => t.Left.Limbs), trees.Average(t => t.Left.WoodCutShare),
            trees.Average(t => (double)t.Cuts.Count(c => c.DiameterMm >= rules.System.Caps.BigCutMm)),
            trees.Average(t => rules.System.Labour.BaseSeconds + t.Cuts.Sum(c => rules.Seconds(c.StepId))) / 60,
            decision.Kind == DecisionKind.NoPrune ? 0 : left.Average(l => Math.Max(0, l - decision.BudsToLeave)), SpreadOf(left, decision.BudsToLeave), cut.Settings);
    }

    private static double InBandOf(IEnumerable<TreePruning> trees, PruningDecision decision)
    {
        var meant = trees.Where(t => t.Left.Tree.FloralBuds >= decision.BudsToLeave).ToList();
        return meant.Count == 0 ? 1 : meant.Count(t => t.Left.FloralBuds >= decision.BandLow && t.Left.FloralBuds <= decision.BandHigh) / (double)meant.Count;
    }

    private static CountedCut OnModel(PruningRules rules, Prescription prescription, DecisionSettings settings, CountedModel model)
    {
        var (of, decision) = (prescription.Classes[model.Class], prescription.Classes[model.Class].Decision);
        var left = TreePruning.Of(
            new PreparedTree(rules, model.Tree), CutAllowance.ByCard(decision, model.Tree.FloralBuds, settings), rules.Values(of.Settings)).Left.FloralBuds;
        return new(
            model.Counted.Row, model.Counted.Tree, of.Class.Name, CountedModel.LimbsMeasured(model.Counted), model.Counted.FloralBuds, left, decision.BudsToLeave,
            left >= decision.BandLow && left <= decision.BandHigh, model.Counted.FloralBuds < decision.BudsToLeave);
    }

    private static List<BudsLeftClass> SpreadOf(List<double> left, double target)
    {
        // Classes of a fifth of the number, the middle one around it.
        var width = Math.Max(1, target / 5);
        var from = Math.Max(0, target - width * (Bins / 2 + 0.5));
        return [
            .. Enumerable.Range(0, Bins).Select(i => new BudsLeftClass(
                from + i * width, from + (i + 1) * width, left.Count(l => (i == 0 || l >= from + i * width) && (i == Bins - 1 || l < from + (i + 1) * width)))),
        ];
    }
}
