namespace Rama.Core.Result.Chain;

/// <summary>What one step of the year, or several not counted apart, made of the crops of an estate.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Kinds">The steps.</param>
/// <param name="Plantings">Plantings that tell of it.</param>
/// <param name="MadeMost">Those of them where it made most of the miss.</param>
/// <param name="Tonnes">Tonnes packed that it made more (above 0) or fewer (below) than wanted, by its share of each
/// miss.</param>
public sealed record LinkSum(string Name, IReadOnlyList<LinkKind> Kinds, int Plantings, int MadeMost, double Tonnes)
{
    /// <summary>The links of many plantings, the one that cost most first.</summary>
    /// <param name="chains">Their chains, with the tonnes packed more than wanted; null where not known.</param>
    public static IReadOnlyList<LinkSum> AllOf(IEnumerable<(SeasonChain Chain, double? Tonnes)> chains) =>
        [
            .. chains
                .SelectMany(c =>
                    c.Chain.Links.Select(
                        (link, place) =>
                            (
                                Link: link,
                                MadeMost: c.Chain.Most == place,
                                // Where the crop came as wanted there is nothing to share out.
                                Tonnes: link.Share * c.Tonnes ?? 0
                            )
                    )
                )
                .GroupBy(l => l.Link.Name)
                .Select(g => new LinkSum(
                    g.Key,
                    g.First().Link.Kinds,
                    g.Count(),
                    g.Count(l => l.MadeMost),
                    g.Sum(l => l.Tonnes)
                ))
                .OrderBy(s => s.Tonnes),
        ];
}
