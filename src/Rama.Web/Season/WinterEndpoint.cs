using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Check;
using Rama.Core.Crew.Cost;
using Rama.Core.Explain;
using Rama.Core.Season;
using Rama.Data.Estate;
using Rama.Web.Accounts;
using Rama.Web.Check;
using Rama.Web.Crew;
using Rama.Web.Exchange;
using Rama.Web.Passes;

namespace Rama.Web.Season;

/// <summary>A winter on one page: what was wanted, what was done, what it cost and what is to come of it.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Estate">The estate.</param>
/// <param name="Today">The day it is told of.</param>
/// <param name="Currency">Money of the estate; null until told.</param>
/// <param name="Total">All of it.</param>
/// <param name="Groups">Planting by planting, or those of a variety, system or site together.</param>
public sealed record WinterView(
    int Season,
    string Estate,
    DateOnly Today,
    string? Currency,
    WinterLine Total,
    IReadOnlyList<WinterGroup> Groups
);

/// <summary>A planting, or those of one variety, system or site.</summary>
/// <param name="Planting">The planting; null for several.</param>
/// <param name="Name">Its code and name, or those of what they share.</param>
/// <param name="Line">What is told of them.</param>
public sealed record WinterGroup(Guid? Planting, LocalText Name, WinterLine Line);

internal static class WinterEndpoint
{
    public static RouteGroupBuilder MapWinter(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Season").For(Act.Plan);
        group.MapGet("/winter", Read).WithSummary("The winter on one page, by planting, variety, system or site");
        group.MapGet("/winter/file", File).WithSummary("The same as CSV or XLSX");
        return api;
    }

    private static async Task<Results<Ok<WinterView>, NotFound>> Read(
        EstateWorks works,
        EstateChecks checks,
        CatalogueStore catalogues,
        CancellationToken cancel,
        string by = "planting"
    ) =>
        await ViewOf(by, works, checks, catalogues, cancel) is { } view
            ? TypedResults.Ok(view)
            : TypedResults.NotFound();

    private static async Task<Results<FileContentHttpResult, NotFound>> File(
        EstateWorks works,
        EstateChecks checks,
        CatalogueStore catalogues,
        CancellationToken cancel,
        string by = "planting",
        string format = "csv",
        string language = "en"
    )
    {
        if (format is not ("csv" or "xlsx") || await ViewOf(by, works, checks, catalogues, cancel) is not { } view)
            return TypedResults.NotFound();
        return ReportFile.Of(
            $"winter-{view.Season}-{by}",
            format,
            language,
            [
                new("Name", "Nombre"),
                new("Plantings", "Plantaciones"),
                new("Area, ha", "Superficie, ha"),
                new("Trees", "Árboles"),
                new("Buds wanted per tree", "Yemas deseadas por árbol"),
                new("Left of what was asked, %", "Dejado de lo pedido, %"),
                new("Hours planned", "Horas planificadas"),
                new("Hours so far", "Horas hasta hoy"),
                new("Cost planned", "Coste planificado"),
                new("Cost expected", "Coste esperado"),
                new("Per tree", "Por árbol"),
                new("Per hectare", "Por hectárea"),
                new("Per tonne", "Por tonelada"),
                new("Tonnes wanted", "Toneladas deseadas"),
                new("Tonnes to come", "Toneladas previstas"),
            ],
            view.Groups.Select(g => (g.Name.In(language), g.Line))
                .Append((new LocalText("All", "Todo").In(language), view.Total))
                .Select(g =>
                    (IReadOnlyList<object?>)
                        [
                            g.Item1,
                            (double)g.Item2.Plantings,
                            g.Item2.AreaHa,
                            g.Item2.Trees,
                            g.Item2.BudsWanted,
                            g.Item2.LeftOfAsked * 100,
                            g.Item2.Cost.PlannedHours,
                            g.Item2.Cost.SoFarHours,
                            g.Item2.Cost.Planned,
                            g.Item2.Cost.Value,
                            g.Item2.Cost.PerTree,
                            g.Item2.Cost.PerHa,
                            g.Item2.Cost.PerTonne,
                            g.Item2.TonnesWanted,
                            g.Item2.TonnesToCome,
                        ]
                )
        );
    }

    private static async Task<WinterView?> ViewOf(
        string by,
        EstateWorks works,
        EstateChecks checks,
        CatalogueStore catalogues,
        CancellationToken cancel
    )
    {
        var key = ReportGroups.KeyOf(by, (await catalogues.ReadAsync(cancel)).Catalogue.Systems);
        if (key is null)
            return null;
        var work = await works.ReadAsync(cancel);
        var said = await checks.ReadAsync(work.Year, cancel);
        var costs = EstateCosts.Of(work).ByPlanting.ToDictionary(c => c.Planting.Planting.Id, c => c.Cost);
        var all = work
            .Year.Plantings.Where(p => p.Planting.Line.AreaHa is not null)
            .Select(p => (Year: p, Told: Told(p, costs, said.GetValueOrDefault(p.Planting.Id)?.Says)))
            .ToList();
        return new(
            work.Year.Season,
            work.Year.Estate.Name,
            work.Year.Today,
            work.Year.Estate.Currency,
            WinterLine.Of([.. all.Select(p => p.Told)]),
            [
                .. all.GroupBy(p => key(Reported(p.Year)).En)
                    .OrderBy(g => g.Key, StringComparer.OrdinalIgnoreCase)
                    .Select(g => new WinterGroup(
                        by == "planting" ? g.First().Year.Planting.Id : null,
                        key(Reported(g.First().Year)),
                        WinterLine.Of([.. g.Select(p => p.Told)])
                    )),
            ]
        );
    }

    private static ReportedPlanting Reported(PlantingYear of) =>
        new(
            of.Planting.Line.Code,
            of.Planting.Line.Name,
            of.Planting.Line.Variety,
            of.Planting.Line.System,
            of.Planting.Site
        );

    private static WinterPlanting Told(PlantingYear of, Dictionary<Guid, WorkCost> costs, PlantingChecks? says)
    {
        var area = of.Planting.Line.AreaHa!.Value;
        return new(
            area,
            of.Planting.Line.BearingTrees ?? 0,
            of.Planting.Line.Ledger?.Wanted,
            // The walk stands for the planting; trees drawn for their pruners for what they pruned.
            says switch
            {
                { AfterPruning: { Asked: > 0 } walk } => walk.Left / walk.Asked,
                { All.Counts: > 0 } => 1 + says.All.Off,
                _ => null,
            },
            costs.GetValueOrDefault(of.Planting.Id) ?? WorkCost.Of([], new()),
            of.Planting.Facts?.TonnesWanted,
            of.Crop?.Now.PackedTPerHa * area
        );
    }
}
