using Rama.Core.Crew.Schedule;
using Rama.Core.Season;
using Rama.Data.Estate;
using Rama.Data.Season;
using Rama.Web.Check;
using Rama.Web.Crew;
using Rama.Web.Passes;
using Rama.Web.Weather;

namespace Rama.Web.Season;

/// <summary>Puts the season page of the estate in scope together.</summary>
internal sealed class SeasonPage(
    PlantingYears years,
    SeasonStore seasons,
    CatalogueStore catalogues,
    EstateWorks crewWork,
    EstateChecks checks
)
{
    /// <summary>The page of a season, the one at hand when left out, with the versions its lines rest on.</summary>
    public async Task<WorkedSeason> WorkAsync(int? season, CancellationToken cancel)
    {
        await using var held = await seasons.HoldAsync(cancel);
        var year = await years.ReadAsync(cancel, season);
        var estate = year.Estate;
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        var plantings = WorkOrder
            .Of(year.Plantings, p =>
                (p.Planting.Crop, p.Planting.YearPlanted, p.Planting.Line.AreaHa ?? 0, p.Planting.Line.Code)
            )
            .Select(p => (Year: p, Work: p.Programme is null ? null : WorkToDo.Of(p.Programme, p.Tip, p.Done)))
            .ToList();
        var ahead = plantings.Where(p => p.Work is not null).ToList();
        var works = WorkAhead.InTurn(year.Today, year.CrewHoursPerWeek, [.. ahead.Select(p => p.Work!)]);
        // Where there are crews, their plan tells the days.
        IReadOnlyDictionary<Guid, (IReadOnlyList<PlacedTask> Winter, bool IsWhole)> winters =
            new Dictionary<Guid, (IReadOnlyList<PlacedTask>, bool)>();
        if (year.Crews.Count > 0 && year.Season == estate.Season)
        {
            var crews = await crewWork.OfAsync(year, cancel);
            winters = crews.Winters(crews.Plan());
        }
        var said = await checks.ReadAsync(year, cancel);
        SeasonLine LineOf(PlantingYear p, WorkAhead? work) =>
            p.Planting.InTurn(
                winters.TryGetValue(p.Planting.Id, out var planned)
                    ? work?.Planned(planned.Winter, planned.IsWhole)
                    : work,
                PassGlance.AllOf(p),
                CheckGlance.Of(said.GetValueOrDefault(p.Planting.Id), year)
            );
        SeasonView view = new(
            estate.Name,
            year.Season,
            year.Season != estate.Season,
            await seasons.SeasonsAsync(estate.Season, cancel),
            year.Today,
            // What the lines below come to.
            0,
            0,
            0,
            year.CrewHoursPerWeek,
            estate.CrewHoursPerWeek,
            year.Crews.Count > 0,
            estate.Version,
            estate.ToBodyMarks(),
            estate.Currency,
            catalogue.Systems.ToDictionary(s => s.Id, s => s.Name),
            PassGlance.NamesOf(year.Plantings),
            year.Season == estate.Season ? SiteWarnings.Of(year) : [],
            year.Season == estate.Season ? SiteHeat.Of(year, catalogue) : [],
            []
        );
        view = view.With([
            .. works.Select(w => LineOf(ahead[w.Place].Year, w.Work)),
            .. plantings.Where(p => p.Work is null).Select(p => LineOf(p.Year, null)),
        ]);
        return new(view, year.Plantings.ToDictionary(p => p.Planting.Id, p => p.Planting.Version));
    }
}

/// <summary>A season page and what it rests on.</summary>
/// <param name="View">The page.</param>
/// <param name="Versions">Versions of the plantings and their plans.</param>
internal sealed record WorkedSeason(SeasonView View, IReadOnlyDictionary<Guid, PlantingVersion> Versions);
