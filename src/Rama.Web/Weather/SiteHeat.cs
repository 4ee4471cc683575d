using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Weather;
using Rama.Web.Passes;

namespace Rama.Web.Weather;

/// <summary>Heat of a season on a site, for a crop whose stages are known by heat.</summary>
/// <param name="Site">Name of the site.</param>
/// <param name="Crop">The crop.</param>
/// <param name="Heat">Degree-days so far.</param>
/// <param name="Stage">The stage they brought the buds to; null before the first.</param>
/// <param name="Next">The stage to come; null after the last.</param>
/// <param name="NextC">Degree-days it takes.</param>
public sealed record SiteHeat(
    string Site,
    LocalText Crop,
    DegreeDays Heat,
    LocalText? Stage,
    LocalText? Next,
    double? NextC
)
{
    internal static IReadOnlyList<SiteHeat> Of(EstateYear year, Catalogue catalogue) =>
        [
            .. from planting in year.Plantings
            group planting by (planting.Planting.SiteId, planting.Planting.Crop) into plantings
            let site = year.Sites.GetValueOrDefault(plantings.Key.SiteId)
            where site is not null
            let heats = FrostTables.Shipped.Heat.Where(h => h.Crop == plantings.Key.Crop).ToList()
            where heats.Count > 0
            let start = DegreeDays.StartOf(year.Season, site.Place.Year.IsSouth)
            let measured = site.Days.Where(d => !d.IsForecast && d.Date >= start && d.Date <= year.Today).ToList()
            where measured.Count > 0
            orderby site.Site.Name, plantings.Key.Crop
            let heat = DegreeDays.Of(measured, start, heats)
            let next = heat.Stages.FirstOrDefault(s => s.Reached is null)
            select new SiteHeat(
                site.Site.Name,
                catalogue.Crop(plantings.Key.Crop).Name,
                heat,
                FrostTables.Shipped.Stage(plantings.Key.Crop, heat.Stage)?.Name,
                FrostTables.Shipped.Stage(plantings.Key.Crop, next?.Stage)?.Name,
                next?.DegreeDaysC
            ),
        ];
}
