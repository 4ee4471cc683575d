using Rama.Core.Explain;
using Rama.Core.Result.Thinning;

namespace Rama.Core.Result.Forecast;

/// <summary>The crop of a season as it is known today: what to expect, and what thinning has to take off.</summary>
/// <param name="FruitWanted">Fruit wanted per tree.</param>
/// <param name="Forecasts">The crop as it was known at each point of the year; the last one is what is known
/// now.</param>
/// <param name="Thinning">What thinning has to take off; null for a crop that is not thinned by hand.</param>
/// <param name="SetApart">Counts that wait for somebody to count again.</param>
public sealed record CropOnTrees(
    double FruitWanted,
    IReadOnlyList<CropForecast> Forecasts,
    ThinningLoad? Thinning,
    IReadOnlyList<Notice> SetApart
)
{
    /// <summary>What is known now.</summary>
    public CropForecast Now => Forecasts[^1];

    /// <summary>Works it out.</summary>
    /// <param name="terms">What the plan says.</param>
    /// <param name="found">What was found on the trees.</param>
    /// <param name="setApart">Counts that wait.</param>
    public static CropOnTrees Of(CropTerms terms, CropFound found, IReadOnlyList<Notice>? setApart = null) =>
        new(
            terms.FruitWanted,
            CropForecast.AllOf(terms, found),
            terms.IsThinned ? LoadOf(terms, found) : null,
            setApart ?? []
        );

    private static ThinningLoad LoadOf(CropTerms terms, CropFound found) =>
        found switch
        {
            { Set: not null } => ThinningLoad.Counted(terms, found),
            { Bloom: { } bloom } => ThinningLoad.Expected(terms, bloom.Mean, terms.Outcome(bloom.Share, null)),
            { Left: { } left } => ThinningLoad.Expected(
                terms,
                left.Mean * terms.Kept,
                terms.Outcome(left.Share, terms.Risk)
            ),
            _ => ThinningLoad.Expected(terms, terms.BudsLeft * terms.Kept, terms.Outcome(terms.PruningSd, terms.Risk)),
        };
}
