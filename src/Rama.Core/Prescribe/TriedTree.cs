using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>What is left of a tree cut by one of the settings tried, and what the cuts take.</summary>
/// <param name="FloralBuds">Floral buds left.</param>
/// <param name="Limbs">Limbs left.</param>
/// <param name="Seconds">Seconds the tree takes.</param>
/// <param name="BigCuts">Big cuts by the system's measure.</param>
internal readonly record struct TriedTree(int FloralBuds, int Limbs, double Seconds, int BigCuts)
{
    /// <summary>
    /// A tree cut by each of these settings, as <see cref="TreePruning"/> cuts it by one. Settings that are alike in
    /// all that a step asks for cut alike up to its end: such cuts are made once, and tries part where they differ.
    /// </summary>
    /// <param name="prepared">The tree.</param>
    /// <param name="allowance">How far it may be cut.</param>
    /// <param name="tries">Values of the settings, one try each.</param>
    public static TriedTree[] Of(PreparedTree prepared, CutAllowance allowance, IReadOnlyList<double[]> tries)
    {
        var told = new TriedTree[tries.Count];
        var steps = prepared.Rules.Steps;
        CutOn(CuttingEngine.Summing(prepared, allowance, tries[0]), 0, [.. tries.Select((_, i) => i)]);
        return told;

        void CutOn(CuttingEngine engine, int from, List<int> alike)
        {
            for (var place = from; place < steps.Count; place++)
            {
                var parting = Parted(alike, steps[place]);
                for (var i = 1; i < parting.Count; i++)
                    CutOn(engine.Apart(tries[parting[i][0]]), place, parting[i]);
                alike = parting[0];
                engine.Carry(place);
            }
            foreach (var one in alike)
                told[one] = engine.Tried;
        }

        List<List<int>> Parted(List<int> alike, ReadyStep step)
        {
            List<List<int>> parts = [];
            foreach (var one in alike)
                if (parts.Find(p => step.Asks.All(s => tries[p[0]][s] == tries[one][s])) is { } part)
                    part.Add(one);
                else
                    parts.Add([one]);
            return parts;
        }
    }
}
