using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew.Cost;
using Rama.Core.Explain;
using Rama.Data.Crew;
using Rama.Web.Accounts;
using Rama.Web.Exchange;

namespace Rama.Web.Crew;

/// <summary>What the work of the year costs, planned and so far.</summary>
/// <param name="Currency">Money of the estate, three letters; null until told.</param>
/// <param name="Total">All of it.</param>
/// <param name="ByPlanting">By planting.</param>
/// <param name="ByPass">By pass.</param>
/// <param name="ByCrew">By crew.</param>
public sealed record CostsView(
    string? Currency,
    WorkCost Total,
    IReadOnlyList<CostRow> ByPlanting,
    IReadOnlyList<CostRow> ByPass,
    IReadOnlyList<CostRow> ByCrew
);

/// <summary>Cost of one planting, pass or crew.</summary>
/// <param name="Planting">The planting; null for none.</param>
/// <param name="Name">Its code and name, or those of the crew or pass; null for work of nobody known.</param>
/// <param name="Cost">What it costs.</param>
public sealed record CostRow(Guid? Planting, LocalText? Name, WorkCost Cost);

/// <summary>Pay by week and person.</summary>
/// <param name="Currency">Money of the estate, three letters; null until told.</param>
/// <param name="Lines">Each with names.</param>
public sealed record PayView(string? Currency, IReadOnlyList<PayRow> Lines);

/// <summary>Pay of somebody for a week.</summary>
/// <param name="Crew">Name of the crew; null for none.</param>
/// <param name="Person">Name; null for those not named.</param>
/// <param name="Line">What they are paid, and for what.</param>
public sealed record PayRow(string? Crew, string? Person, PayLine Line);

internal static class CostEndpoints
{
    public static RouteGroupBuilder MapCosts(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/crew-plan").WithTags("Crew");
        group.MapGet("/costs", Costs).For(Act.Plan).WithSummary("What the work of the year costs, planned and so far");
        group.MapGet("/pay", Pay).For(Act.Plan).WithSummary("What each is paid for each week");
        group
            .MapGet("/costs/file", CostsFile)
            .For(Act.Plan)
            .WithSummary("Costs by planting, pass or crew as CSV or XLSX");
        group.MapGet("/pay/file", PayFile).For(Act.Plan).WithSummary("The pay sheet as CSV or XLSX");
        return api;
    }

    private static async Task<Ok<CostsView>> Costs(EstateWorks works, CancellationToken cancel) =>
        TypedResults.Ok(ViewOf(await works.ReadAsync(cancel)));

    private static async Task<Ok<PayView>> Pay(EstateWorks works, WorkerStore workers, CancellationToken cancel) =>
        TypedResults.Ok(await PayOf(await works.ReadAsync(cancel), workers, cancel));

    private static async Task<Results<FileContentHttpResult, NotFound>> CostsFile(
        EstateWorks works,
        CancellationToken cancel,
        string by = "planting",
        string format = "csv",
        string language = "en"
    )
    {
        var view = ViewOf(await works.ReadAsync(cancel));
        IReadOnlyList<CostRow>? rows = by switch
        {
            "planting" => view.ByPlanting,
            "pass" => view.ByPass,
            "crew" => view.ByCrew,
            _ => null,
        };
        return rows is null || format is not ("csv" or "xlsx")
            ? TypedResults.NotFound()
            : ReportFile.Of(
                $"costs-{by}",
                format,
                language,
                [
                    new("Name", "Nombre"),
                    new("Hours planned", "Horas planificadas"),
                    new("Cost planned", "Coste planificado"),
                    new("Hours so far", "Horas hasta hoy"),
                    new("Cost so far", "Coste hasta hoy"),
                    new("Hours left", "Horas pendientes"),
                    new("Cost left", "Coste pendiente"),
                    new("Expected", "Esperado"),
                    new("Per tree", "Por árbol"),
                    new("Per hectare", "Por hectárea"),
                    new("Per tonne", "Por tonelada"),
                ],
                rows.Select(r =>
                    (IReadOnlyList<object?>)
                        [
                            r.Name?.In(language),
                            r.Cost.PlannedHours,
                            r.Cost.Planned,
                            r.Cost.SoFarHours,
                            r.Cost.SoFar,
                            r.Cost.LeftHours,
                            r.Cost.Left,
                            r.Cost.Value,
                            r.Cost.PerTree,
                            r.Cost.PerHa,
                            r.Cost.PerTonne,
                        ]
                )
            );
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> PayFile(
        EstateWorks works,
        WorkerStore workers,
        CancellationToken cancel,
        string format = "csv",
        string language = "en"
    )
    {
        if (format is not ("csv" or "xlsx"))
            return TypedResults.NotFound();
        var view = await PayOf(await works.ReadAsync(cancel), workers, cancel);
        return ReportFile.Of(
            "pay",
            format,
            language,
            [
                new("Week of", "Semana del"),
                new("Crew", "Cuadrilla"),
                new("Person", "Persona"),
                new("People", "Personas"),
                new("Days", "Días"),
                new("Hours", "Horas"),
                new("Trees", "Árboles"),
                new("Paid by", "Pago por"),
                new("Pay", "Pago"),
                new("Pay per hour", "Pago por hora"),
            ],
            view.Lines.Select(l =>
                (IReadOnlyList<object?>)
                    [
                        l.Line.Week,
                        l.Crew,
                        l.Person,
                        (double)l.Line.People,
                        (double)l.Line.Days,
                        l.Line.Hours,
                        l.Line.Trees,
                        l.Line.ByPiece
                            ? new LocalText("tree", "árbol").In(language)
                            : new LocalText("hour", "hora").In(language),
                        l.Line.Pay,
                        l.Line.PerHour,
                    ]
            )
        );
    }

    private static CostsView ViewOf(EstateWork work)
    {
        var costs = EstateCosts.Of(work);
        static LocalText Same(string name) => new(name, name);
        return new(
            work.Year.Estate.Currency,
            costs.Total,
            [
                .. costs.ByPlanting.Select(c => new CostRow(
                    c.Planting.Planting.Id,
                    Same($"{c.Planting.Planting.Line.Code} {c.Planting.Planting.Line.Name}".Trim()),
                    c.Cost
                )),
            ],
            [.. costs.ByPass.Select(c => new CostRow(null, c.Name, c.Cost))],
            [.. costs.ByCrew.Select(c => new CostRow(null, c.Crew is { } crew ? Same(crew.Sheet.Name) : null, c.Cost))]
        );
    }

    private static async Task<PayView> PayOf(EstateWork work, WorkerStore workers, CancellationToken cancel)
    {
        var names = (await workers.AllAsync(cancel)).ToDictionary(w => w.Id, w => w.Name);
        var crews = work.Year.Crews.ToDictionary(c => c.Record.Id, c => c.Sheet.Name);
        return new(
            work.Year.Estate.Currency,
            [
                .. EstateCosts
                    .Of(work)
                    .Pay.Select(l => new PayRow(
                        l.Crew is { } crew ? crews.GetValueOrDefault(crew) : null,
                        l.Worker is { } worker ? names.GetValueOrDefault(worker) : null,
                        l
                    )),
            ]
        );
    }
}
