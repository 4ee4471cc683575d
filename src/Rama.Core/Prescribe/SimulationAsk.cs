using Rama.Core.Decide;
using Rama.Core.Prescribe.Working;

namespace Rama.Core.Prescribe;

/// <summary>What is to be simulated.</summary>
/// <param name="Settings">Tolerance and cap.</param>
/// <param name="Trees">Trees to cut, over all trunk classes; at least ten of each are cut.</param>
/// <param name="Seed">Seed of the trees; the same one gives the same block.</param>
/// <param name="Counted">Counted trees as models of themselves.</param>
/// <param name="Costs">What trees that miss their number cost; null leaves the ways of working out.</param>
/// <param name="Skill">How well the crew reads and judges; as usual when left out.</param>
public sealed record SimulationAsk(
    DecisionSettings Settings,
    int Trees = BlockSimulation.UsualTrees,
    int Seed = 1,
    IReadOnlyList<CountedModel>? Counted = null,
    MissCosts? Costs = null,
    CrewSkill? Skill = null
);
