using BenchmarkDotNet.Attributes;
using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Benchmarks;

/// <summary>Trees made and cut, settings searched, a block simulated. Aim: 200 trees under 300 ms.</summary>
[ShortRunJob]
[MemoryDiagnoser]
public class CuttingBenchmark
{
    private static readonly DecisionSettings Settings = new(0.1, 0.5);

    private PruningRules _rules = null!;
    private TreeStock _stock = null!;
    private TreeGenerator _generator = null!;
    private FruitTree _tree = null!;
    private PruningDecision _decision = null!;
    private Prescription _prescription = null!;
    private int _seed;

    /// <summary>The usual system, the one of most limbs, and the one of most buds.</summary>
    [Params("tall-spindle", "multi-leader-wall", "cherry-slender-axe")]
    public string Pack { get; set; } = "";

    [GlobalSetup]
    public void Setup()
    {
        var system = TrainingSystem.Shipped.First(s => s.Id == Pack);
        var buds = system.Form.Typical.Buds;
        (_rules, _decision) = (
            system.RulesFor(),
            PruningDecision.Of(new(buds, 0.9 * buds, 1.1 * buds), 0.65 * buds, Settings)
        );
        _stock = TreeStock.Usual(system, _decision.Standing, null);
        _generator = new(_stock.Shape, _stock.Place);
        _tree = _generator.Make(_stock.Classes[0].Counts, 1);
        _prescription = Prescription.Of(_rules, _stock, _decision, Settings);
    }

    [Benchmark]
    public FruitTree MakeTree() => _generator.Make(_stock.Classes[0].Counts, _seed++);

    [Benchmark]
    public TreePruning CutTree() =>
        TreePruning.Of(_rules, _tree, CutAllowance.Counted(_tree.FloralBuds, _decision.BudsToLeave, Settings));

    [Benchmark]
    public Prescription Prescribe() => Prescription.Of(_rules, _stock, _decision, Settings);

    [Benchmark]
    public BlockSimulation Simulate200Trees() =>
        BlockSimulation.Of(_rules, _stock, _prescription, new(Settings, 200, _seed++));
}
