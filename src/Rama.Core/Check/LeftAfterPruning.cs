using Rama.Core.Prescribe.Issue;
using Rama.Core.Statistics;

namespace Rama.Core.Check;

/// <summary>What the walk after pruning says: trees drawn from the whole planting, whoever cut them.</summary>
/// <param name="Trees">Trees counted.</param>
/// <param name="Asked">Floral buds asked for on a mean tree.</param>
/// <param name="Left">Floral buds left on a mean tree.</param>
/// <param name="HalfWidth">Half its 95 % interval; null for fewer than two trees.</param>
/// <param name="LeftLow">Low end of its 95 % interval; null for fewer than two trees.</param>
/// <param name="LeftHigh">High end.</param>
/// <param name="Classes">By trunk class.</param>
/// <param name="Crews">Left ÷ asked by crew.</param>
public sealed record LeftAfterPruning(
    int Trees,
    double Asked,
    double Left,
    double? HalfWidth,
    double? LeftLow,
    double? LeftHigh,
    IReadOnlyList<CheckedClass> Classes,
    IReadOnlyList<CrewAfterPruning> Crews
)
{
    // Trees of the walk stand for the planting in their shares; left ÷ asked has the classes in it already.
    internal static LeftAfterPruning? Of(
        IReadOnlyList<CheckedTree> trees,
        IssuedPrescription? card,
        IReadOnlyDictionary<int, Guid> crewOfRow
    )
    {
        if (card is null || trees.Count == 0 || AskedOfTree.Of(card, null) is not { } asked)
            return null;
        var share = MeanInterval.Of([.. trees.Select(t => t.Share!.Value)]);
        return new(
            trees.Count,
            asked.Buds,
            asked.Buds * share.Mean,
            asked.Buds * share.HalfWidth,
            asked.Buds * share.Low,
            asked.Buds * share.High,
            CheckedClass.AllOf(trees, card),
            [
                .. trees
                    .Where(t => crewOfRow.ContainsKey(t.Check.Row))
                    .GroupBy(t => crewOfRow[t.Check.Row])
                    .Select(g => new CrewAfterPruning(g.Key, MeanInterval.Of([.. g.Select(t => t.Share!.Value)]))),
            ]
        );
    }
}

/// <summary>Left ÷ asked on the trees of a crew.</summary>
/// <param name="Crew">The crew.</param>
/// <param name="Share">Left ÷ asked.</param>
public sealed record CrewAfterPruning(Guid Crew, MeanInterval Share);
