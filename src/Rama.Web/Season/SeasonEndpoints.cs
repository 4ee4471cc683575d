using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Weather;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Season;
using Rama.Web.Accounts;
using Rama.Web.Result;

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
        SeasonDesk desk,
        KeptSeason kept,
        SeasonStore seasons,
        EstateScope scope,
        CancellationToken cancel,
        int? season = null
    ) =>
        TypedResults.Ok(
            await seasons.CountAsync(cancel) <= SeasonDesk.Few
                ? await desk.WorkAsync(scope.EstateId, season, cancel)
                : await desk.ReadAsync(scope.EstateId, season, cancel) ?? await kept.ReadAsync(season, cancel)
        );

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
