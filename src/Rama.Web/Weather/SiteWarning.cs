using Rama.Core.Explain;
using Rama.Core.Season;
using Rama.Web.Passes;

namespace Rama.Web.Weather;

/// <summary>Weather of a site that holds passes up.</summary>
/// <param name="Site">Name of the site.</param>
/// <param name="By">What holds them up, from when and until when.</param>
/// <param name="Passes">The passes, each once.</param>
/// <param name="Plantings">Codes of the plantings they are of.</param>
public sealed record SiteWarning(
    string Site,
    HeldUp By,
    IReadOnlyList<LocalText> Passes,
    IReadOnlyList<string> Plantings
);

internal static class SiteWarnings
{
    /// <summary>All warnings of an estate, the earliest first.</summary>
    public static IReadOnlyList<SiteWarning> Of(EstateYear year) =>
        [
            .. year
                .Plantings.SelectMany(
                    p => year.OutlookOf(p),
                    (p, o) => (Year: p, Pass: p.Programme!.Passes.First(x => x.Id == o.Key), o.Value.HeldUp)
                )
                .SelectMany(p => p.HeldUp, (p, by) => (p.Year, p.Pass, By: by))
                .GroupBy(p => (p.Year.Planting.SiteId, p.By))
                .Select(g => new SiteWarning(
                    year.Sites[g.Key.SiteId].Site.Name,
                    g.Key.By,
                    [.. g.Select(p => p.Pass.Name).Distinct()],
                    [.. g.Select(p => p.Year.Planting.Line.Code).Distinct().Order(StringComparer.Ordinal)]
                ))
                .OrderBy(w => w.By.From)
                .ThenBy(w => w.Site, StringComparer.Ordinal),
        ];
}
