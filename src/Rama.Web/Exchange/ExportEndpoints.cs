using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Data.Estate;
using Rama.Data.Exchange;
using Rama.Web.Accounts;

namespace Rama.Web.Exchange;

/// <summary>Files out: the whole estate, or one table.</summary>
internal static class ExportEndpoints
{
    private const string Workbook = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    public static RouteGroupBuilder MapExport(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/exports").WithTags("Export");
        group
            .MapGet("/estate", Estate)
            .For(Act.Exchange)
            .WithSummary("Everything the estate owns, as one zip of open files");
        group.MapGet("/{table}", Table).For(Act.Export).WithSummary("One table as CSV or XLSX; outlines as GeoJSON");
        return api;
    }

    // Put together in memory: an answer that has begun cannot tell that it failed.
    private static async Task<FileContentHttpResult> Estate(
        EstateArchive archive,
        EstateStore estates,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        using var content = new MemoryStream();
        await archive.WriteAsync(content, cancel);
        var name = string.Concat(
                (await estates.ReadAsync(cancel)).Name.Where(c => char.IsLetterOrDigit(c) || c is ' ' or '-')
            )
            .Trim();
        return TypedResults.File(content.ToArray(), "application/zip", $"{name} {clock.GetLocalNow():yyyy-MM-dd}.zip");
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> Table(
        string table,
        EstateArchive archive,
        CancellationToken cancel,
        string format = "csv"
    )
    {
        if (ExchangeTables.Find(table) is not { } found || format is not ("csv" or "xlsx"))
            return TypedResults.NotFound();
        using var content = new MemoryStream();
        var name = await archive.WriteAsync(found, format == "xlsx", content, cancel);
        var type = Path.GetExtension(name) switch
        {
            ".xlsx" => Workbook,
            ".geojson" => "application/geo+json",
            _ => "text/csv",
        };
        return TypedResults.File(content.ToArray(), type, name);
    }
}
