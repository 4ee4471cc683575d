using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Result.Chain;
using Rama.Core.Result.Learning;
using Rama.Core.Season;
using Rama.Web.Exchange;

namespace Rama.Web.Result;

/// <summary>What came of a season over the estate, and which step of the year made most of what was missed.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Seasons">Seasons there is a record of, the latest first.</param>
/// <param name="Lines">Its plantings, the one that missed most tonnes first.</param>
/// <param name="Links">What each step made of the crops, the one that cost most first.</param>
/// <param name="BackTests">Whether what all plantings taught foretells better than the numbers Rama comes with.</param>
/// <param name="WantedT">Tonnes wanted of the plantings where both are known.</param>
/// <param name="CameT">Tonnes packed of them.</param>
public sealed record ResultsView(
    int Season,
    IReadOnlyList<int> Seasons,
    IReadOnlyList<ResultLine> Lines,
    IReadOnlyList<LinkSum> Links,
    IReadOnlyList<BackTest> BackTests,
    double WantedT,
    double CameT
)
{
    internal static ResultsView Of(
        int? season,
        int current,
        IReadOnlyList<PlantingChains> plantings,
        IReadOnlyList<BackTest> tests
    )
    {
        List<int> seasons = [.. plantings.SelectMany(p => p.Chains).Select(c => c.Season).Distinct().OrderDescending()];
        // The season at hand is picked late; until it is told, the one before it is what there is to look at.
        var shown = season ?? (seasons.Count > 0 ? seasons[0] : current);
        List<ResultLine> lines =
        [
            .. plantings
                .SelectMany(p => p.Chains.Where(c => c.Season == shown), ResultLine.Of)
                .OrderBy(l => l.OverT ?? double.PositiveInfinity)
                .ThenBy(l => l.Code, StringComparer.OrdinalIgnoreCase),
        ];
        var both = lines.Where(l => l.OverT is not null).ToList();
        return new(
            shown,
            seasons,
            lines,
            LinkSum.AllOf(
                from planting in plantings
                from chain in planting.Chains
                where chain.Season == shown && chain.Chain is not null
                select (chain.Chain, (chain.CameTPerHa - chain.WantedTPerHa) * planting.AreaHa)
            ),
            tests,
            both.Sum(l => l.WantedT!.Value),
            both.Sum(l => l.CameT!.Value)
        );
    }
}

/// <summary>What came of a planting in a season.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="WantedT">Tonnes wanted, packed; null where that is not known.</param>
/// <param name="CameT">Tonnes packed; null where that is not known.</param>
/// <param name="Sentence">What made the difference; null where nothing is known of both.</param>
public sealed record ResultLine(
    Guid Planting,
    string Code,
    string? Name,
    string Variety,
    double? WantedT,
    double? CameT,
    Notice? Sentence
)
{
    /// <summary>Tonnes more than wanted; null where one of them is not known.</summary>
    public double? OverT => CameT - WantedT;

    internal static ResultLine Of(PlantingChains of, PastChain season) =>
        new(
            of.Id,
            of.Planting.Code,
            of.Planting.Name,
            of.Planting.Variety,
            season.WantedTPerHa * of.AreaHa,
            season.CameTPerHa * of.AreaHa,
            season.Chain?.Sentence
        );
}

/// <summary>The seasons on record of a planting.</summary>
internal sealed record PlantingChains(
    Guid Id,
    ReportedPlanting Planting,
    double AreaHa,
    IReadOnlyList<PastChain> Chains,
    IReadOnlyList<SeasonPlanting> Seasons
);
