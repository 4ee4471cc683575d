using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew.Schedule;
using Rama.Core.Plan;
using Rama.Core.Season;
using Rama.Core.Weather;
using Rama.Data.Estate;
using Rama.Data.Season;
using Rama.Web.Accounts;
using Rama.Web.Check;
using Rama.Web.Crew;
using Rama.Web.Passes;
using Rama.Web.Result;
using Rama.Web.Weather;

namespace Rama.Web.Season;

/// <summary>The season to plan for.</summary>
public sealed record SeasonEntry
{
    /// <summary>Calendar year of the harvest.</summary>
    public double? Season { get; init; }
}

internal static class SeasonEndpoints
{
    public static RouteGroupBuilder MapSeason(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Season").For(Act.Read);
        group
            .MapGet("/season", Season)
            .WithSummary(
                "Every planting with its stage, decision and numbers, of the season at hand unless another is named"
            );
        group.MapPut("/season", Begin).For(Act.Season).WithSummary("Close the season at hand and plan for another");
        group
            .MapGet("/season/closing", Closing)
            .For(Act.Season)
            .WithSummary("What closing the season at hand fixes in the records, and what is still missing");
        group.MapPut("/estate", Save).For(Act.Season).WithSummary("Save what is told of the estate as a whole");
        return api;
    }

    public static RouteGroupBuilder MapSeasonCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/frost-loss", (FrostLossEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Share of flowers and clusters a cold night is expected to cost");
        calculations
            .MapPost("/degree-days", (DegreeDaysEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Heat added up since midwinter, and the stage it brought the buds to");
        return calculations;
    }

    private static async Task<Ok<SeasonView>> Season(
        PlantingYears years,
        SeasonStore seasons,
        CatalogueStore catalogues,
        EstateWorks crewWork,
        EstateChecks checks,
        CancellationToken cancel,
        int? season = null
    )
    {
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
        return TypedResults.Ok(
            new SeasonView(
                estate.Name,
                year.Season,
                year.Season != estate.Season,
                await seasons.SeasonsAsync(estate.Season, cancel),
                year.Today,
                plantings.Sum(p => p.Year.Planting.Line.AreaHa ?? 0),
                plantings.Count(p => p.Year.Planting.Line.Stage == Stage.Prescribe),
                plantings.Count(p => p.Year.Planting.Line is { Stage: Stage.Decide, Ledger.Left: not null }),
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
                [
                    .. works.Select(w => LineOf(ahead[w.Place].Year, w.Work)),
                    .. plantings.Where(p => p.Work is null).Select(p => LineOf(p.Year, null)),
                ]
            )
        );
    }

    private static async Task<NoContent> Save(SaveEstate body, EstateStore estates, CancellationToken cancel)
    {
        await estates.SaveAsync(body.Estate, body.Version, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Begin(SeasonEntry entry, SeasonCloser closer, CancellationToken cancel)
    {
        await closer.BeginAsync(entry.Season, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<ClosingView>> Closing(SeasonCloser closer, CancellationToken cancel) =>
        TypedResults.Ok(await closer.ReadAsync(cancel));
}
