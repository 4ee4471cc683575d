using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Rama.Data.Count.Scan;
using Rama.Data.Estate;
using Rama.Data.Exchange;
using Rama.Data.People;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Exchange;

/// <summary>
/// Files that machines send by themselves: a scan by its headings, a table as the last one of the same headings was
/// read. Nobody is there to ask: what leaves a question is refused with it, and the first table of a kind is best taken
/// over by hand. A file sent again says the same and changes nothing.
/// </summary>
internal static class MachineFileEndpoints
{
    private static readonly (MachineScope, string Table, string)[] Tables =
    [
        (MachineScope.Weather, "weather", "A station sends the weather of days"),
        (MachineScope.Harvest, "harvest", "A pack-house sends what was harvested"),
    ];

    // What common programs say of a file they are told nothing of.
    private static readonly string[] Sent = ["application/x-www-form-urlencoded", "text/csv"];

    public static RouteGroupBuilder MapMachineFiles(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/machine").WithTags("Machines");
        group
            .MapPost("/scans", Scans)
            .ForMachines(MachineScope.Scans)
            .WithMetadata(new RequestSizeLimitAttribute(ScanImporter.MostBytes))
            .Accepts<Stream>("application/octet-stream", Sent)
            .WithSummary("A scanner sends the trees of one or more plantings");
        foreach (var (scope, table, what) in Tables)
            group
                .MapPost($"/{table}", (HttpRequest request, MachineFile file, string name) =>
                    file.TakeAsync(request, name, table)
                )
                .ForMachines(scope)
                .WithMetadata(new RequestSizeLimitAttribute(SheetReader.MostBytes))
                .Accepts<Stream>("application/octet-stream", Sent)
                .WithSummary(what);
        return api;
    }

    private static async Task<Results<Ok<ScanReport>, UnprocessableEntity<ScanReport>>> Scans(
        HttpRequest request,
        ScanImporter importer,
        HeavyWork gate,
        string name
    )
    {
        // It comes in first: a machine on a slow line keeps nobody from the gate.
        await using var file = await SentFile.KeepAsync(request, request.HttpContext.RequestAborted);
        var report = await gate.InTurnAsync(request.HttpContext, cancel =>
            importer.RunAsync(name, file, null, save: true, null, cancel)
        );
        return report.Saved ? TypedResults.Ok(report) : TypedResults.UnprocessableEntity(report);
    }
}

/// <summary>A table a machine sends: all lines or none.</summary>
internal sealed class MachineFile(Importer importer, ImportMemory memory, CatalogueStore catalogues, HeavyWork gate)
{
    // More than anybody looks through in a machine's log.
    private const int MostProblems = 100;

    /// <summary>Takes a file over; the answer says line by line why not.</summary>
    /// <param name="request">The request with the file.</param>
    /// <param name="name">Name of the file: its ending tells its form.</param>
    /// <param name="table">What it holds.</param>
    public async Task<Results<Ok<ImportReport>, UnprocessableEntity<ImportReport>>> TakeAsync(
        HttpRequest request,
        string name,
        string table
    )
    {
        await using var file = await SentFile.KeepAsync(request, request.HttpContext.RequestAborted);
        var report = await gate.InTurnAsync(request.HttpContext, async cancel =>
        {
            var content = new byte[file.Length];
            await file.ReadExactlyAsync(content, cancel);
            var sheet = SheetReader.Read(Path.GetFileName(name), content, cancel);
            var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
            var mapping = await memory.ReadAsync(sheet, ExchangeTables.Find(table), null, catalogue, cancel);
            return await importer.RunAsync(sheet, mapping, save: true, null, cancel);
        });
        return report.Saved
            ? TypedResults.Ok(report)
            : TypedResults.UnprocessableEntity(report with { Problems = [.. report.Problems.Take(MostProblems)] });
    }
}
