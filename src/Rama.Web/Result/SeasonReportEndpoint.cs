using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Season;
using Rama.Data.Estate;
using Rama.Web.Accounts;
using Rama.Web.Exchange;
using Rama.Web.Season;

namespace Rama.Web.Result;

/// <summary>What seasons wanted and brought, taken together one way.</summary>
/// <param name="Season">The season told of; null for all on record.</param>
/// <param name="Seasons">Seasons there is a record of, the latest first.</param>
/// <param name="Currency">Money of the estate; null until told.</param>
/// <param name="Total">All of it.</param>
/// <param name="Groups">Season by season, or planting, variety, system or site.</param>
public sealed record SeasonReportView(
    int? Season,
    IReadOnlyList<int> Seasons,
    string? Currency,
    SeasonSum Total,
    IReadOnlyList<SeasonGroup> Groups
);

/// <summary>A season or a planting, or those of one variety, system or site.</summary>
/// <param name="Planting">The planting; null for several.</param>
/// <param name="Name">Its code and name, or those of what they share.</param>
/// <param name="Line">What is told of them.</param>
public sealed record SeasonGroup(Guid? Planting, LocalText Name, SeasonSum Line);

internal static class SeasonReportEndpoint
{
    public static RouteGroupBuilder MapSeasonReport(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Result").For(Act.Plan);
        group
            .MapGet("/seasons", Read)
            .WithSummary("What seasons wanted and brought, by season, planting, variety, system or site");
        group.MapGet("/seasons/file", File).WithSummary("The same as CSV or XLSX");
        return api;
    }

    private static async Task<Results<Ok<SeasonReportView>, NotFound>> Read(
        PlanCache cache,
        EstateStore estates,
        CatalogueStore catalogues,
        CancellationToken cancel,
        string by = "season",
        int? season = null
    ) =>
        await ViewOf(by, season, cache, estates, catalogues, cancel) is { } view
            ? TypedResults.Ok(view)
            : TypedResults.NotFound();

    private static async Task<Results<FileContentHttpResult, NotFound>> File(
        PlanCache cache,
        EstateStore estates,
        CatalogueStore catalogues,
        CancellationToken cancel,
        string by = "season",
        int? season = null,
        string format = "csv",
        string language = "en"
    )
    {
        if (
            format is not ("csv" or "xlsx")
            || await ViewOf(by, season, cache, estates, catalogues, cancel) is not { } view
        )
            return TypedResults.NotFound();
        return ReportFile.Of(
            view.Season is { } of ? $"seasons-{of}-{by}" : $"seasons-{by}",
            format,
            language,
            [
                new("Name", "Nombre"),
                new("Records", "Registros"),
                new("Area, ha", "Superficie, ha"),
                new("Buds to leave per tree", "Yemas que dejar por árbol"),
                new("Buds left per tree", "Yemas dejadas por árbol"),
                new("Fruit wanted per tree", "Frutos deseados por árbol"),
                new("Fruit picked per tree", "Frutos cosechados por árbol"),
                new("Fruit mass, g", "Masa del fruto, g"),
                new("Tonnes wanted, packed", "Toneladas deseadas, comerciales"),
                new("Packed of what was wanted, %", "Comercial de lo deseado, %"),
                new("Tonnes picked", "Toneladas cosechadas"),
                new("Tonnes packed", "Toneladas comerciales"),
                new("Pack-out, %", "Aprovechamiento, %"),
                new("Packed, t/ha", "Comercial, t/ha"),
                new("Price received per kg", "Precio recibido por kg"),
                new("Received per ha", "Recibido por ha"),
            ],
            view.Groups.Select(g => (Name: g.Name.In(language), g.Line))
                .Append((Name: new LocalText("All", "Todo").In(language), Line: view.Total))
                .Select(g =>
                    (IReadOnlyList<object?>)
                        [
                            g.Name,
                            (double)g.Line.Told,
                            g.Line.AreaHa,
                            g.Line.BudsWanted,
                            g.Line.BudsLeft,
                            g.Line.FruitWanted,
                            g.Line.FruitPicked,
                            g.Line.FruitMassG,
                            g.Line.TonnesWanted,
                            g.Line.OfWanted * 100,
                            g.Line.TonnesPicked,
                            g.Line.TonnesPacked,
                            g.Line.PackOut * 100,
                            g.Line.PackedPerHa,
                            g.Line.PricePerKg,
                            g.Line.ReceivedPerHa,
                        ]
                )
        );
    }

    private static async Task<SeasonReportView?> ViewOf(
        string by,
        int? season,
        PlanCache cache,
        EstateStore estates,
        CatalogueStore catalogues,
        CancellationToken cancel
    )
    {
        var byPlanting = ReportGroups.KeyOf(by, (await catalogues.ReadAsync(cancel)).Catalogue.Systems);
        Func<PlantingChains, SeasonPlanting, LocalText>? key =
            by == "season" ? (_, s) => ReportGroups.Same($"{s.Season}")
            : byPlanting is null ? null
            : (p, _) => byPlanting(p.Planting);
        if (key is null)
            return null;
        var estate = await estates.ReadAsync(cancel);
        var records = (await ResultEndpoints.ChainsAsync(cache, estate.Season, cancel))
            .SelectMany(p => p.Seasons, (p, s) => (Planting: p, Record: s))
            .ToList();
        var told = records.Where(r => season is null || r.Record.Season == season).ToList();
        return new(
            season,
            [.. records.Select(r => r.Record.Season).Distinct().OrderDescending()],
            estate.Currency,
            SeasonSum.Of([.. told.Select(r => r.Record)]),
            [
                .. told.GroupBy(r => key(r.Planting, r.Record).En)
                    .OrderBy(g => g.Key, StringComparer.OrdinalIgnoreCase)
                    .Select(g => new SeasonGroup(
                        by == "planting" ? g.First().Planting.Id : null,
                        key(g.First().Planting, g.First().Record),
                        SeasonSum.Of([.. g.Select(r => r.Record)])
                    )),
            ]
        );
    }
}
