using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>
/// A prescription carried out on many trees of a planting, as a crew would by its card: without counting each tree.
/// </summary>
/// <param name="System">The system.</param>
/// <param name="Answers">Answers to its questions, by question.</param>
/// <param name="Trees">Trees cut.</param>
/// <param name="Seed">Seed of the trees.</param>
/// <param name="Outcome">What cutting came to, trunk classes by their share of the trees.</param>
/// <param name="Spread">Share of the trees by buds left, in classes of a fifth of their number, the middle one around
/// it.</param>
/// <param name="Classes">By trunk class.</param>
/// <param name="Ways">What each way of working to the number comes to; empty where nothing is brought to one, or
/// nothing is known of costs.</param>
/// <param name="Skill">How well the crew was taken to read and judge.</param>
/// <param name="Counted">What the card does to each counted tree that could be modelled.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record BlockSimulation(
    LocalText System,
    IReadOnlyDictionary<string, string> Answers,
    int Trees,
    int Seed,
    CutOutcome Outcome,
    IReadOnlyList<double> Spread,
    IReadOnlyList<SimulatedClass> Classes,
    IReadOnlyList<WayResult> Ways,
    CrewSkill Skill,
    IReadOnlyList<CountedCut> Counted,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Outcome.InBand, "share", Steps, Warnings)
{
    private const string OnTrees = "the card carried out on typical trees of the planting";

    /// <summary>Trees cut unless another number is asked for.</summary>
    public const int UsualTrees = 200;

    // Trees of the simulation are none of those the settings were found on.
    private const int HeldOut = 7_000,
        TellEvery = 20;

    /// <summary>Carries a prescription out.</summary>
    /// <param name="rules">The system's rules.</param>
    /// <param name="stock">The trees.</param>
    /// <param name="prescription">The prescription.</param>
    /// <param name="ask">What is to be simulated.</param>
    /// <param name="progress">Told the share done.</param>
    /// <param name="cancel">Stops it.</param>
    public static BlockSimulation Of(
        PruningRules rules,
        TreeStock stock,
        Prescription prescription,
        SimulationAsk ask,
        Action<double>? progress = null,
        CancellationToken cancel = default
    )
    {
        var (settings, trees, seed, counted, costs, known) = ask;
        var skill = known ?? new();
        var generator = new TreeGenerator(stock.Shape, stock.Place);
        var done = 0;
        List<SimulatedClass> classes = [];
        var ways = costs is null ? null : new WaysOfWorking(costs);
        var chosen = prescription.Way ?? WayOfWorking.Amounts;
        foreach (var (c, cut) in stock.Classes.Zip(prescription.Classes))
        {
            var (values, limits) = (rules.Values(cut.Settings), cut.LimitsFor(rules));
            var wood = SettingSearch.WithoutSolved(rules, cut.Settings);
            var crew =
                ways is null && chosen == WayOfWorking.Amounts
                    ? null
                    : ClassAtWork.On(rules, skill, cut, unchecked(HeldOut + seed));
            var tallies = crew is null ? null : ways?.Begin(cut);
            ClassTally tally = new(cut);
            var mine = Math.Max(10, (int)Math.Round(trees * c.Class.Share));
            for (var i = 0; i < mine; i++)
            {
                if (i % TellEvery == 0)
                {
                    cancel.ThrowIfCancellationRequested();
                    progress?.Invoke(Math.Min(1, done / (double)trees));
                }
                var tree = generator.Make(c.Counts, unchecked(HeldOut + seed * 100_003 + done));
                var (prepared, allowance) = (
                    new PreparedTree(rules, tree),
                    CutAllowance.ByCard(cut.Decision, tree.FloralBuds, settings)
                );
                var pruning = TreePruning.Of(prepared, allowance, values, limits);
                WorkedTree worked = new(tree.FloralBuds, pruning.Left.FloralBuds, pruning.Seconds);
                if (crew?.WorkedEachWay(pruning, TreePruning.Of(prepared, allowance, wood, limits)) is { } byWay)
                {
                    worked = byWay[(int)chosen];
                    foreach (var (way, of) in (tallies ?? []).Zip(byWay))
                        way.Add(of);
                }
                tally.Add(pruning, worked);
                done++;
            }
            classes.Add(tally.Result());
        }
        progress?.Invoke(1);
        return Of(
            rules,
            ask with
            {
                Trees = done,
                Skill = skill,
            },
            classes,
            ways?.Results() ?? [],
            [.. (counted ?? []).Select(m => OnModel(rules, prescription, settings, m))]
        );
    }

    private static BlockSimulation Of(
        PruningRules rules,
        SimulationAsk cut,
        List<SimulatedClass> classes,
        IReadOnlyList<WayResult> ways,
        List<CountedCut> counted
    )
    {
        var trees = cut.Trees;
        List<Step> steps = [];
        Figure[] Parts(
            Func<SimulatedClass, double> of,
            string unit,
            string weight,
            Func<SimulatedClass, double> weighs
        ) => [.. classes.SelectMany(c => new Figure[] { new(c.Name, of(c), unit), new(weight, weighs(c), "share") })];
        double Mean(string code, string name, string unit, Func<SimulatedClass, double> of)
        {
            Figure mean = new(name, classes.Sum(c => c.Share * of(c)), unit);
            steps.Add(
                classes.Count == 1
                    ? new(code, "mean of the trees cut", mean, [new("trees cut", trees, "tree")], OnTrees)
                    : new(
                        code,
                        "Σ share of the trees × mean of the trunk class",
                        mean,
                        Parts(of, unit, "share of the trees", c => c.Share),
                        OnTrees
                    )
            );
            return mean.Value;
        }
        var below = Mean("simulation.below", "trees below their number already", "share", c => c.Outcome.BelowBefore);
        var left = Mean("simulation.left", "buds left", "bud/tree", c => c.Outcome.BudsLeft);
        var sd = Math.Sqrt(classes.Sum(c => c.Share * c.Outcome.BudsLeftSd * c.Outcome.BudsLeftSd));
        steps.Add(
            new(
                "simulation.left",
                "√(Σ share of the trees × variance within the trunk class)",
                new("standard deviation among trees", sd, "bud/tree"),
                Parts(c => c.Outcome.BudsLeftSd, "bud/tree", "share of the trees", c => c.Share),
                OnTrees
            )
        );
        var limbs = Mean("simulation.limbs", "limbs left", "limb/tree", c => c.Outcome.LimbsLeft);
        var big = Mean("simulation.big-cuts", "big cuts", "cut/tree", c => c.Outcome.BigCuts);
        var wood = Mean("simulation.wood", "wood cut, of the canopy's", "share", c => c.Outcome.WoodShare);
        var minutes = Mean("simulation.minutes", "time per tree", "min/tree", c => c.Outcome.Minutes);
        var thinning = Mean("simulation.thinning", "clusters left to thinning", "cluster/tree", c =>
            c.Outcome.ClustersToThinning
        );
        // A tree that stood below its number cannot be brought to it by cutting.
        var meant = 1 - below;
        var inBand = meant > 0 ? classes.Sum(c => c.Share * (1 - c.Outcome.BelowBefore) * c.Outcome.InBand) / meant : 1;
        steps.Add(
            new(
                "simulation.in-band",
                "trees from above their number that end within the tolerance ÷ trees from above it",
                new("trees ending on target", inBand, "share"),
                Parts(
                    c => c.Outcome.InBand,
                    "share",
                    "share of the trees, from above their number",
                    c => c.Share * (1 - c.Outcome.BelowBefore)
                ),
                OnTrees
            )
        );

        List<Notice> warnings = [];
        if (rules.System.Caps.AreNear(wood, classes.Max(c => c.Outcome.BigCuts)))
            warnings.Add(
                new(
                    "simulation.regrowth",
                    $"{wood * 100:0} % of the wood goes: expect strong shoots near the big cuts.",
                    new Figure("wood", wood, "share")
                )
            );
        return new(
            rules.System.Name,
            rules.ByQuestion,
            trees,
            cut.Seed,
            new(inBand, below, left, sd, limbs, big, wood, minutes, thinning),
            [
                .. Enumerable
                    .Range(0, ClassTally.Bins)
                    .Select(i => classes.Sum(c => c.Share * c.Spread[i].Trees / c.Trees)),
            ],
            classes,
            ways,
            cut.Skill!,
            counted,
            steps,
            warnings
        );
    }

    // One tree at hand is read and judged without error.
    private static CountedCut OnModel(
        PruningRules rules,
        Prescription prescription,
        DecisionSettings settings,
        CountedModel model
    )
    {
        var (of, tree) = (prescription.Classes[model.Class], model.Counted);
        TreePruning By(double[] values) =>
            TreePruning.Of(
                new PreparedTree(rules, model.Tree),
                CutAllowance.ByCard(of.Decision, model.Tree.FloralBuds, settings),
                values,
                of.LimitsFor(rules)
            );
        var left =
            prescription.Way?.ReadsLimbs() == true
            && ClassAtWork.On(rules, CrewSkill.Faultless, of, 0) is { } crew
            && By(SettingSearch.WithoutSolved(rules, of.Settings)) is var wood
                ? crew.WorkedEachWay(wood, wood)[(int)WayOfWorking.Gauge].Left
                : By(rules.Values(of.Settings)).Left.FloralBuds;
        return new(
            tree.Row,
            tree.Tree,
            of.Class.Name,
            CountedModel.LimbsMeasured(tree),
            tree.FloralBuds,
            (int)Math.Round(left),
            of.Number,
            of.IsOnTarget(left),
            tree.FloralBuds < of.Number
        );
    }
}
