using Rama.Core.Check;
using Rama.Core.Explain;
using Rama.Core.Result.Counts;

namespace Rama.Core.Result.Thinning;

/// <summary>Whether thinners leave the fruit wanted, by trees counted after them.</summary>
/// <param name="All">Of the planting as a whole.</param>
/// <param name="Crews">Of each crew whose rows are reported.</param>
/// <param name="Apart">Counts three times the fruit wanted, or a third of it, that nobody said stand: left out.</param>
public sealed record ThinningChecks(CutVerdict All, IReadOnlyList<ThinnedHand> Crews, int Apart)
{
    /// <summary>Judges counts the way finished trees are judged after pruning.</summary>
    /// <param name="counts">Counts of the crop in the order they were made; of a tree counted twice the later
    /// counts.</param>
    /// <param name="asked">Fruit on a mean tree that are enough, and that are wanted; both above 0, and alike but where
    /// too few clusters hold fruit.</param>
    /// <param name="tolerance">How far off is near enough, as a share.</param>
    /// <param name="crewOfRow">Who thinned a row; null where nobody reported it.</param>
    /// <returns>Null where no tree was counted after thinning.</returns>
    /// <remarks>
    /// Trees are held against the mean tree, since a walk takes small and large ones alike: the spread among them is in
    /// the interval. Source: handbook of the trade 7.3 and 8.3.
    /// </remarks>
    public static ThinningChecks? Of(
        IEnumerable<CropCount> counts,
        (double Least, double Wanted) asked,
        double tolerance,
        Func<int, Guid?> crewOfRow
    )
    {
        List<CropCount> thinned =
        [
            .. counts
                .Where(c => c is { Point: CropPoint.Thinned, Fruit: not null })
                .Reverse()
                .DistinctBy(c => (c.Row, c.Tree))
                .Reverse(),
        ];
        if (thinned.Count == 0 || asked.Least <= 0 || asked.Wanted < asked.Least)
            return null;
        List<(Guid? Crew, double Ratio)> charted =
        [
            .. from count in thinned
            let left = Math.Max(count.Fruit!.Value, 0.5)
            let ratio = Math.Log(left / Math.Clamp(left, asked.Least, asked.Wanted))
            where count.IsSure || Math.Abs(ratio) <= Math.Log(CheckedTree.Believed)
            select (crewOfRow(count.Row), ratio),
        ];
        var hands = charted.GroupBy(c => c.Crew).ToList();
        var spread = CutSpread.Of(hands.Select(h => (IReadOnlyList<double>)[.. h.Select(c => c.Ratio)]));
        CutVerdict Judge(IEnumerable<(Guid? Crew, double Ratio)> of) =>
            Told(CutVerdict.Of([.. of.Select(c => c.Ratio)], spread, tolerance));
        return new(
            Judge(charted),
            [.. hands.Where(h => h.Key is not null).Select(h => new ThinnedHand(h.Key!.Value, Judge(h)))],
            thinned.Count - charted.Count
        );
    }

    // Who thins does not cut.
    private static CutVerdict Told(CutVerdict verdict) =>
        verdict.Kind == VerdictKind.TooFew
            ? verdict with
            {
                Sentence = new Notice(
                    "thinning.too-hard",
                    verdict.Sentence.Message.Replace("Cutting", "Thinning", StringComparison.Ordinal),
                    [.. verdict.Sentence.Figures]
                ),
            }
            : verdict;
}

/// <summary>What is said of a crew that thinned.</summary>
/// <param name="Crew">The crew.</param>
/// <param name="Verdict">What is said.</param>
public sealed record ThinnedHand(Guid Crew, CutVerdict Verdict);
