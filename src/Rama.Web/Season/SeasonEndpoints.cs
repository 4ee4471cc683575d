using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Core.Season;
using Rama.Core.Weather;
using Rama.Data.Estate;
using Rama.Data.Season;
using Rama.Web.Accounts;

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
            .WithSummary("Heat added up since 1 January, and the stage it brought the buds to");
        return calculations;
    }

    private static async Task<Ok<SeasonView>> Season(
        EstateStore estates,
        SeasonStore seasons,
        CatalogueStore catalogues,
        SeasonLines lines,
        TimeProvider clock,
        CancellationToken cancel,
        int? season = null
    )
    {
        var estate = await estates.ReadAsync(cancel);
        var shown = season ?? estate.Season;
        var today = estate.Today ?? DateOnly.FromDateTime(clock.GetLocalNow().Date);
        var plantings = WorkOrder
            .Of(await lines.ReadAsync(shown, estate.Season, cancel), p =>
                (p.Crop, p.YearPlanted, p.Line.AreaHa ?? 0, p.Line.Code)
            )
            .ToList();
        var crewHours = estate.CrewHoursPerWeek ?? WorkAhead.DefaultCrewHoursPerWeek;
        var tips = new KnownGreenTips(plantings);
        var works = WorkAhead.InTurn(
            today,
            crewHours,
            [
                .. plantings
                    .Select(p => (Planting: p, Tip: tips.Expected(p, shown)))
                    .Select(p => new WorkToDo(
                        p.Planting.Line.BearingTrees ?? 0,
                        p.Planting.Facts?.WinterMinutes ?? p.Planting.Line.MinutesPerTree,
                        p.Tip,
                        PruningWindow.Of(
                            p.Planting.Crop,
                            p.Tip,
                            p.Planting.Facts?.TwoPasses == true,
                            p.Planting.Facts?.Noted
                        )
                    )),
            ]
        );
        return TypedResults.Ok(
            new SeasonView(
                estate.Name,
                shown,
                shown != estate.Season,
                await seasons.SeasonsAsync(estate.Season, cancel),
                today,
                plantings.Sum(p => p.Line.AreaHa ?? 0),
                plantings.Count(p => p.Line.Stage == Stage.Prescribe),
                plantings.Count(p => p.Line is { Stage: Stage.Decide, Ledger.Left: not null }),
                crewHours,
                estate.CrewHoursPerWeek is null,
                estate.Version,
                estate.ToBodyMarks(),
                estate.Currency,
                (await catalogues.ReadAsync(cancel)).Catalogue.Systems.ToDictionary(s => s.Id, s => s.Name),
                [.. works.Select(w => plantings[w.Place].InTurn(w.Work))]
            )
        );
    }

    private static async Task<NoContent> Save(SaveEstate body, EstateStore estates, CancellationToken cancel)
    {
        await estates.SaveAsync(body.Estate, body.Version, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Begin(SeasonEntry entry, EstateStore estates, CancellationToken cancel)
    {
        await estates.BeginSeasonAsync(entry.Season, cancel);
        return TypedResults.NoContent();
    }
}
