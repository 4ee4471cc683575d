using System.Globalization;
using System.Net.ServerSentEvents;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Exchange;
using Rama.Data.Exchange.Reading;
using Rama.Web.Accounts;
using Rama.Web.Hosting;
using JsonOptions = Microsoft.AspNetCore.Http.Json.JsonOptions;

namespace Rama.Web.Exchange;

/// <summary>
/// Files in. Nothing is kept between the steps: the file comes along with each, so that no half-done import is left on
/// the server and any copy of the application can take the next step. An import runs while its answer is open; who
/// closes it, cancels it.
/// </summary>
internal static class ImportEndpoints
{
    private const int SampleLines = 4;

    // More than anybody reads on a screen; the file of problems has them all.
    private const int MostProblems = 500;

    private const int MostPast = 100;

    public static RouteGroupBuilder MapImport(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/imports").WithTags("Import").For(Act.Exchange);
        group.MapGet("/tables", () => TypedResults.Ok(Options())).WithSummary("What can be imported");
        api.MapGet("/imports", Past)
            .WithTags("Import")
            .For(Act.Exchange)
            .WithSummary("Files taken over, the latest first");
        api.MapDelete("/imports/{id:guid}", Undo)
            .WithTags("Import")
            .For(Act.Exchange)
            .WithSummary("Undo an import as a whole, while nothing of it was changed since");
        // A form needs no token here: the cookie is not sent along from other sites.
        var files = group
            .MapGroup("")
            .DisableAntiforgery()
            .WithMetadata(new RequestSizeLimitAttribute(SheetReader.MostBytes + 100_000));
        files
            .MapPost("/read", Read)
            .WithSummary(
                "Read a file's headers and guess what it holds; with a table named, which column is which in it"
            );
        files.MapPost("/check", Check).WithSummary("Tell what importing a file would do, while it is worked out");
        files.MapPost("/save", Save).WithSummary("Import a file: all lines or none");
        files
            .MapPost("/problems", Problems)
            .WithSummary("The lines that cannot be used, with the reason, as a file to mend");
        files.MapPost("/estate", Estate).WithSummary("Read an exported estate into this empty one");
        return api;
    }

    private static async Task<Ok<IReadOnlyList<PastImport>>> Past(ImportMemory memory, CancellationToken cancel) =>
        TypedResults.Ok(await memory.PastAsync(MostPast, cancel));

    private static Task<Results<NoContent, NotFound>> Undo(
        Guid id,
        ImportUndo undo,
        HttpContext http,
        HeavyWork gate
    ) =>
        gate.InTurnAsync<Results<NoContent, NotFound>>(http, async cancel =>
            await undo.RunAsync(id, cancel) ? TypedResults.NoContent() : TypedResults.NotFound()
        );

    private static ImportOptions Options() =>
        new([.. ExchangeTables.All.Select(ImportTableView.Of)], SheetReader.MostBytes, SheetReader.MostLines);

    private static Task<Ok<FileView>> Read(
        IFormFile file,
        HttpContext http,
        CatalogueStore catalogues,
        ImportMemory memory,
        IOptions<JsonOptions> json,
        HeavyWork gate,
        [FromForm] string? table = null,
        [FromForm] string? said = null
    ) =>
        gate.InTurnAsync(http, cancel =>
            ReadAsync(file, table, said is null ? null : ReadMapping(said, json), catalogues, memory, cancel)
        );

    private static async Task<Ok<FileView>> ReadAsync(
        IFormFile file,
        string? table,
        ImportMapping? said,
        CatalogueStore catalogues,
        ImportMemory memory,
        CancellationToken cancel
    )
    {
        var sheet = await SheetOf(file, cancel);
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        return TypedResults.Ok(
            new FileView(
                sheet.Name,
                [.. sheet.Headers.Select((_, i) => sheet.FullHeader(i))],
                [
                    .. sheet
                        .Lines.Take(SampleLines)
                        .Select(l => (IReadOnlyList<string>)[.. sheet.Headers.Select((_, i) => Shown(l[i]))]),
                ],
                sheet.Lines.Count,
                sheet.Notes,
                sheet.Titles,
                LeftOutLines.Of(sheet),
                await memory.ReadAsync(sheet, ExchangeTables.Find(table), said, catalogue, cancel)
            )
        );
    }

    private static ServerSentEventsResult<ImportStep> Check(
        IFormFile file,
        [FromForm] string mapping,
        Importer importer,
        IOptions<JsonOptions> json,
        ILogger<Importer> log,
        HttpContext http,
        HeavyWork gate
    ) =>
        TypedResults.ServerSentEvents(
            Steps(file, ReadMapping(mapping, json), save: false, importer, log, gate.JoinFor(http))
        );

    private static ServerSentEventsResult<ImportStep> Save(
        IFormFile file,
        [FromForm] string mapping,
        Importer importer,
        IOptions<JsonOptions> json,
        ILogger<Importer> log,
        HttpContext http,
        HeavyWork gate
    ) =>
        TypedResults.ServerSentEvents(
            Steps(file, ReadMapping(mapping, json), save: true, importer, log, gate.JoinFor(http))
        );

    private static Task<FileContentHttpResult> Problems(
        IFormFile file,
        [FromForm] string mapping,
        Importer importer,
        IOptions<JsonOptions> json,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync(http, cancel => ProblemsAsync(file, ReadMapping(mapping, json), importer, cancel));

    private static async Task<FileContentHttpResult> ProblemsAsync(
        IFormFile file,
        ImportMapping mapping,
        Importer importer,
        CancellationToken cancel
    )
    {
        var sheet = await SheetOf(file, cancel);
        var report = await importer.RunAsync(sheet, mapping, save: false, null, cancel);
        var problems = report.Problems.ToLookup(p => p.Line);
        using var content = new MemoryStream();
        SheetWriter.WriteLike(
            content,
            sheet.Form,
            mapping.Decimal,
            [.. sheet.Headers, "Line", "Problem"],
            sheet
                .Lines.Where(l => problems.Contains(l.Number))
                .Select(l =>
                    (IReadOnlyList<object?>)
                        [
                            .. sheet.Headers.Select((_, i) => l[i]),
                            l.Number,
                            string.Join(" ", problems[l.Number].Select(p => p.Message)),
                        ]
                )
        );
        var (type, ending) = sheet.Form.Delimiter is null
            ? ("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "xlsx")
            : ($"text/csv; charset={sheet.Form.Encoding}", "csv");
        return TypedResults.File(
            content.ToArray(),
            type,
            $"{Path.GetFileNameWithoutExtension(file.FileName)}-problems.{ending}"
        );
    }

    private static Task<Results<NoContent, ProblemHttpResult>> Estate(
        IFormFile file,
        EstateArchive archive,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync(http, cancel => EstateAsync(file, archive, cancel));

    private static async Task<Results<NoContent, ProblemHttpResult>> EstateAsync(
        IFormFile file,
        EstateArchive archive,
        CancellationToken cancel
    )
    {
        try
        {
            await archive.ReadAsync(ArchiveFiles.OfZip(await Content(file, cancel), cancel), null, cancel);
            return TypedResults.NoContent();
        }
        catch (ArchiveProblemException e)
        {
            throw new UnusableEntryException([new("file", e.Problem.Code, $"File: {e.Message}")]);
        }
    }

    /// <summary>Runs an import and tells its steps as they come.</summary>
    private static IAsyncEnumerable<SseItem<ImportStep>> Steps(
        IFormFile file,
        ImportMapping mapping,
        bool save,
        Importer importer,
        ILogger log,
        HeavyWork.Turn turn
    ) =>
        StepStream.InTurn<ImportStep>(
            turn,
            ahead => new(Ahead: ahead),
            async (tell, gone) =>
            {
                var sheet = await SheetOf(file, gone);
                var report = await importer.RunAsync(sheet, mapping, save, p => tell(new(Progress: p)), gone);
                await tell(new(Report: report with { Problems = [.. report.Problems.Take(MostProblems)] }));
            },
            e => new(Failure: Reason(e, log)),
            // The end of the answer ends the work.
            CancellationToken.None
        );

    private static string Reason(Exception e, ILogger log)
    {
        switch (e)
        {
            case UnreadableFileException:
                return e.Message;
            case UnusableEntryException entry:
                return entry.Problems[0].Message;
            case DbUpdateException save when save.IsOthersSave():
                return "Someone changed the same plantings meanwhile. Nothing was saved; check the file again.";
            default:
                log.LogError(e, "An import failed.");
                return "The import failed and nothing was saved. Try again in a moment.";
        }
    }

    private static async Task<Sheet> SheetOf(IFormFile file, CancellationToken cancel) =>
        SheetReader.Read(Path.GetFileName(file.FileName), await Content(file, cancel), cancel);

    private static async Task<byte[]> Content(IFormFile file, CancellationToken cancel)
    {
        using var content = new MemoryStream((int)file.Length);
        await file.CopyToAsync(content, cancel);
        return content.ToArray();
    }

    private static ImportMapping ReadMapping(string mapping, IOptions<JsonOptions> json)
    {
        try
        {
            return JsonSerializer.Deserialize<ImportMapping>(mapping, json.Value.SerializerOptions)
                ?? throw new JsonException();
        }
        catch (JsonException)
        {
            throw new UnusableEntryException([
                new("mapping", "text", "Mapping: expected JSON with table, decimal and columns."),
            ]);
        }
    }

    private static string Shown(object? cell) =>
        cell switch
        {
            null => "",
            JsonElement geometry => geometry.TryGetProperty("type", out var type) ? type.ToString() : "",
            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            IFormattable number => number.ToString(null, CultureInfo.InvariantCulture),
            _ => cell.ToString()!,
        };
}
