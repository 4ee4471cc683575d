using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Check;

/// <summary>Whether trees on which no number is asked for are cut as little as the card says.</summary>
/// <param name="Kind">What is said.</param>
/// <param name="Trees">Trees looked at.</param>
/// <param name="Asked">Most big cuts the card asks for on a tree; null where it names no number.</param>
/// <param name="Made">Big cuts made on a tree.</param>
/// <param name="Sentence">The sentence.</param>
public sealed record AmountsVerdict(VerdictKind Kind, int Trees, double? Asked, MeanInterval Made, Notice Sentence)
{
    internal static AmountsVerdict? Of(IReadOnlyList<CheckedTree> trees)
    {
        var told = trees.Where(t => t.Check.BigCuts is not null).ToList();
        if (told.Count == 0)
            return null;
        static double? AskedOn(CheckedTree tree)
        {
            var steps = tree.Of!.Steps.Where(s => s.Order > 0).ToList();
            return steps.Count > 0 && steps.All(s => s.Most is null) ? null : steps.Sum(s => s.Most ?? 0);
        }
        var made = MeanInterval.Of([.. told.Select(t => t.Check.BigCuts!.Value)]);
        var asked = told.Select(AskedOn).Average();
        var kind =
            asked is null || told.Count < CutVerdict.Fewest ? VerdictKind.TooFewCounts
            : made.Low > asked ? VerdictKind.TooFew
            : made.High <= asked ? VerdictKind.OnTarget
            : VerdictKind.TooFewCounts;
        Figure[] figures =
        [
            new("cuts made", made.Mean, "cut/tree"),
            new("cuts asked", asked ?? 0, "cut/tree"),
            new("trees", told.Count, "1"),
        ];
        return new(
            kind,
            told.Count,
            asked,
            made,
            kind switch
            {
                VerdictKind.TooFew => new(
                    "amounts.too-many-cuts",
                    $"Cutting too much: {made.Mean:0.#} big cuts a tree where the card has at most {asked:0.#}.",
                    figures
                ),
                VerdictKind.OnTarget => new(
                    "amounts.as-asked",
                    $"As asked: {made.Mean:0.#} big cuts a tree on {told.Count} trees.",
                    figures
                ),
                _ => new(
                    "amounts.too-few-trees",
                    $"Too early to say: {made.Mean:0.#} big cuts a tree on {told.Count} trees.",
                    figures
                ),
            }
        );
    }
}
