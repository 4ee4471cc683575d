using Rama.Core.Explain;

namespace Rama.Core.Result;

/// <summary>How much a planting's yield swings from year to year.</summary>
/// <param name="Index">Biennial bearing index, 0 (every year alike) to 1 (every other year nothing).</param>
/// <param name="Pairs">Pairs of neighbouring seasons it rests on.</param>
/// <param name="Alternates">Whether the planting is called alternating.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record Alternation(
    double Index,
    int Pairs,
    bool Alternates,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Index, "1", Steps, Warnings)
{
    /// <summary>
    /// Above this index, and only if highs and lows take turns, a planting is called alternating: noise alone gives
    /// about 0.09 at a coefficient of variation of 15 % and 0.15 at 25 %.
    /// </summary>
    public const double Threshold = 0.25;

    /// <summary>Fewest pairs of seasons that can show turns.</summary>
    private const int FewestPairs = 2;

    /// <summary>Biennial bearing index = mean of |y(t) − y(t−1)| ÷ (y(t) + y(t−1)) over neighbouring seasons.</summary>
    /// <param name="yields">Yield by season, in any one unit, at least 0. Seasons without a record simply lack.</param>
    /// <returns>Null where no two neighbouring seasons have a yield.</returns>
    /// <remarks>Source: Hoblyn, Grubb, Painter and Wates 1936. Pairs that sum to 0 are skipped.</remarks>
    public static Alternation? Of(IEnumerable<(int Season, double Yield)> yields)
    {
        var ordered = yields.OrderBy(y => y.Season).ToList();
        var pairs = ordered
            .Zip(ordered.Skip(1))
            .Where(p => p.Second.Season == p.First.Season + 1 && p.First.Yield + p.Second.Yield > 0)
            .ToList();
        if (pairs.Count == 0)
            return null;

        var index = pairs.Average(p => Math.Abs(p.Second.Yield - p.First.Yield) / (p.Second.Yield + p.First.Yield));
        var turns = pairs
            .Zip(pairs.Skip(1))
            .All(p => (p.First.Second.Yield > p.First.First.Yield) != (p.Second.Second.Yield > p.Second.First.Yield));
        var alternates = index > Threshold && pairs.Count >= FewestPairs && turns;
        Figure result = new("alternation index", index, "1");
        return new(
            index,
            pairs.Count,
            alternates,
            [
                new(
                    "result.alternation",
                    "mean of the difference ÷ the sum of neighbouring seasons' yields",
                    result,
                    [new("pairs of seasons", pairs.Count, "1")],
                    "Hoblyn et al. 1936"
                ),
            ],
            alternates
                ?
                [
                    new(
                        "result.alternates",
                        $"Heavy and light years take turns (index {index:0.00}, above {Threshold}). Hold the "
                            + "crop down in heavy years, and prune lightly or not at all in light ones.",
                        result
                    ),
                ]
                : []
        );
    }
}
