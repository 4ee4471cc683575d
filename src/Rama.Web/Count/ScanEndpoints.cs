using System.Net.ServerSentEvents;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;
using Rama.Core.Count.Scan;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Target.Capacity;
using Rama.Core.Training.Rework;
using Rama.Data.Count;
using Rama.Data.Count.Scan;
using Rama.Data.Exchange;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Hosting;
using Rama.Web.Passes;
using JsonOptions = Microsoft.AspNetCore.Http.Json.JsonOptions;

namespace Rama.Web.Count;

/// <summary>A scan as Rama understands it.</summary>
/// <param name="Headers">Headers of the file.</param>
/// <param name="Guess">Which column is which.</param>
/// <param name="Fields">What a scan may hold.</param>
/// <param name="TrunkUnits">Units of trunk diameters.</param>
public sealed record ScanFileView(
    IReadOnlyList<string> Headers,
    ScanMapping Guess,
    IReadOnlyList<string> Fields,
    IReadOnlyList<string> TrunkUnits
);

/// <summary>A step of taking a scan in.</summary>
/// <param name="Lines">Lines taken so far.</param>
/// <param name="Report">What became of it.</param>
/// <param name="Failure">Why it stopped; nothing is saved then.</param>
/// <param name="Ahead">Pieces of long work before it, while it waits for its turn.</param>
public sealed record ScanStep(int? Lines = null, ScanReport? Report = null, string? Failure = null, int? Ahead = null);

/// <summary>A row of the row sheet: a number per tree place, null where nothing is known.</summary>
/// <param name="Row">Row number.</param>
/// <param name="FirstTree">Its first tree.</param>
/// <param name="Status">How each place stands, as a number of <see cref="TreeSheetView.Statuses"/>.</param>
/// <param name="Class">Trunk class of each tree, as a number of <see cref="TreeSheetView.Classes"/>.</param>
/// <param name="Buds">Floral buds of each tree.</param>
/// <param name="Surplus">Buds over its own target.</param>
/// <param name="Imbalance">Leader imbalance of each tree.</param>
/// <param name="Rework">How each tree in rework or to go stands, as a number of
/// <see cref="TreeSheetView.Standings"/>; empty where there is none in the planting.</param>
public sealed record SheetRow(
    int Row,
    int FirstTree,
    IReadOnlyList<int> Status,
    IReadOnlyList<int?> Class,
    IReadOnlyList<double?> Buds,
    IReadOnlyList<double?> Surplus,
    IReadOnlyList<double?> Imbalance,
    IReadOnlyList<int?> Rework
);

/// <summary>The trees of a planting, row by row.</summary>
/// <param name="Code">Code of the planting.</param>
/// <param name="Name">Its name.</param>
/// <param name="Statuses">Names of the statuses.</param>
/// <param name="Classes">Names of the trunk classes.</param>
/// <param name="BudsToLeave">Floral buds to leave on the mean tree; null without a target.</param>
/// <param name="Calibration">What stands behind scanned buds; null without a scan.</param>
/// <param name="Standings">Names of the standings of trees in rework and trees to go.</param>
/// <param name="Ribbons">Colour of their ribbon by standing.</param>
/// <param name="Rows">The rows.</param>
public sealed record TreeSheetView(
    string Code,
    string Name,
    IReadOnlyList<TreeStatus> Statuses,
    IReadOnlyList<string> Classes,
    double? BudsToLeave,
    Notice? Calibration,
    IReadOnlyList<ReworkStanding> Standings,
    IReadOnlyDictionary<ReworkStanding, string> Ribbons,
    IReadOnlyList<SheetRow> Rows
);

internal static class ScanEndpoints
{
    public static RouteGroupBuilder MapScans(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Scans");
        group
            .MapGet("/plantings/{id:guid}/trees", Trees)
            .For(Act.Read)
            .WithSummary("Every tree of a planting, row by row");
        var files = group
            .MapGroup("/scans")
            .For(Act.Exchange)
            .WithMetadata(new RequestSizeLimitAttribute(ScanImporter.MostBytes));
        files
            .MapPost("/read", Read)
            .Accepts<Stream>("application/octet-stream")
            .WithSummary("Read the beginning of a scan and guess which column is which");
        files
            .MapPost("/check", Check)
            .Accepts<Stream>("application/octet-stream")
            .WithSummary("Tell what taking a scan in would do, while it is worked out");
        files
            .MapPost("/save", Save)
            .Accepts<Stream>("application/octet-stream")
            .WithSummary("Take a scan in: a planting's scan of the season is replaced");
        return api;
    }

    private static async Task<Ok<ScanFileView>> Read(HttpRequest request, CancellationToken cancel)
    {
        await using var file = await SentFile.KeepAsync(request, cancel);
        var (headers, guess) = await ScanImporter.ReadAsync(file, cancel);
        return TypedResults.Ok(
            new ScanFileView(headers, guess, [.. ScanColumns.All.Select(c => c.Field)], ScanColumns.TrunkUnits)
        );
    }

    private static ServerSentEventsResult<ScanStep> Check(
        HttpRequest request,
        ScanImporter importer,
        IOptions<JsonOptions> json,
        ILogger<ScanImporter> log,
        HeavyWork gate,
        CancellationToken cancel,
        string name = "scan",
        string? mapping = null
    ) =>
        TypedResults.ServerSentEvents(
            Steps(
                request,
                name,
                ReadMapping(mapping, json),
                save: false,
                importer,
                log,
                gate.JoinFor(request.HttpContext),
                cancel
            )
        );

    private static ServerSentEventsResult<ScanStep> Save(
        HttpRequest request,
        ScanImporter importer,
        IOptions<JsonOptions> json,
        ILogger<ScanImporter> log,
        HeavyWork gate,
        CancellationToken cancel,
        string name = "scan",
        string? mapping = null
    ) =>
        TypedResults.ServerSentEvents(
            Steps(
                request,
                name,
                ReadMapping(mapping, json),
                save: true,
                importer,
                log,
                gate.JoinFor(request.HttpContext),
                cancel
            )
        );

    private static IAsyncEnumerable<SseItem<ScanStep>> Steps(
        HttpRequest request,
        string name,
        ScanMapping? mapping,
        bool save,
        ScanImporter importer,
        ILogger log,
        HeavyWork.Turn turn,
        CancellationToken cancel
    ) =>
        StepStream.InTurn<ScanStep>(
            turn,
            ahead => new(Ahead: ahead),
            async (tell, gone) =>
            {
                await using var file = await SentFile.KeepAsync(request, gone);
                await tell(
                    new(
                        Report: await importer.RunAsync(
                            name,
                            file,
                            mapping,
                            save,
                            lines => tell(new(Lines: lines)),
                            gone
                        )
                    )
                );
            },
            e => new(Failure: Reason(e, log)),
            cancel
        );

    private static string Reason(Exception e, ILogger log)
    {
        if (e is UnreadableFileException)
            return e.Message;
        log.LogError(e, "A scan could not be taken in.");
        return "The scan could not be taken in and nothing was saved. Try again in a moment.";
    }

    private static ScanMapping? ReadMapping(string? mapping, IOptions<JsonOptions> json)
    {
        if (mapping is null)
            return null;
        try
        {
            return JsonSerializer.Deserialize<ScanMapping>(mapping, json.Value.SerializerOptions);
        }
        catch (JsonException)
        {
            throw new UnusableEntryException([
                new("mapping", "text", "Mapping: expected JSON with decimal, trunkUnit and columns."),
            ]);
        }
    }

    private static async Task<Results<Ok<TreeSheetView>, NotFound>> Trees(
        Guid id,
        PlantingStore plantings,
        MeasuredTreesStore counts,
        PlantingYears years,
        CancellationToken cancel,
        int? season = null
    )
    {
        if (await plantings.FindAsync(id, cancel, season) is not { } stored)
            return TypedResults.NotFound();
        var year = await years.ReadAsync(cancel, stored.Plan.Season);
        var rework = year.Find(id)?.Rework;
        var standings = rework?.Trees.ToDictionary(t => (t.Row, t.Tree), t => t.Standing) ?? [];
        foreach (var going in rework?.ToGo ?? [])
        foreach (var tree in going.Trees)
            standings[(going.Row, tree)] = ReworkStanding.ToRemove;
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        var plan = PruningPlan.Of(reading);
        var measured = stored.Plan.ToMeasured();
        var girths = await counts.GirthsAsync(id, stored.Plan.Season, cancel);
        var scans = (await counts.ScanAsync(id, stored.Plan.Season, cancel)).ToDictionary(s => s.Row);
        var counted = reading.Counted?.Trees.ToDictionary(t => ((int)t.Row, (int)t.Tree), t => t.FloralBuds) ?? [];
        var exponent = reading.Target?.Sharing.Exponent ?? 1;
        TreeSheetTerms terms = new(
            measured.Classes,
            plan.Survey?.Calibration,
            plan.Buds?.BudsPerTree,
            exponent,
            girths.Count == 0 ? null : girths.Values.Average(g => Math.Pow(Trunk.CrossSectionCm2(g), exponent))
        );

        List<SheetRow> rows = [];
        foreach (
            var row in reading.Rows?.Rows
                ??
                [
                    .. scans.Values.Select(s => new Core.Estate.TreeRow(
                        s.Row,
                        s.FirstTree,
                        s.Buds.Length,
                        [],
                        [],
                        [],
                        []
                    )),
                ]
        )
        {
            var scan = scans.GetValueOrDefault(row.Number);
            var trees = Enumerable
                .Range(row.FirstTree, row.Trees)
                .Select(tree =>
                {
                    var at = scan is null ? -1 : tree - scan.FirstTree;
                    double? Seen(float[] values) =>
                        at >= 0 && at < values.Length && !float.IsNaN(values[at]) ? values[at] : null;
                    double? girth = girths.TryGetValue((row.Number, tree), out var g) ? g : null;
                    IReadOnlyList<double> leaders =
                        scan is { Leaders: > 0 } && at >= 0 && (at + 1) * scan.Leaders <= scan.LeaderBuds.Length
                            ?
                            [
                                .. scan
                                    .LeaderBuds.Skip(at * scan.Leaders)
                                    .Take(scan.Leaders)
                                    .Where(b => !float.IsNaN(b))
                                    .Select(b => (double)b),
                            ]
                            : [];
                    double? hand = counted.TryGetValue((row.Number, tree), out var c) ? c : null;
                    return terms.Of(
                        TreeSheetTerms.StatusOf(row, tree, hand is not null),
                        new(girth, hand, scan is null ? null : Seen(scan.Buds), leaders)
                    );
                })
                .ToList();
            double? Rounded(double? value, int digits) => value is { } v ? Math.Round(v, digits) : null;
            rows.Add(
                new(
                    row.Number,
                    row.FirstTree,
                    [.. trees.Select(t => (int)t.Status)],
                    [.. trees.Select(t => t.Class)],
                    [.. trees.Select(t => Rounded(t.FloralBuds, 0))],
                    [.. trees.Select(t => Rounded(t.Surplus, 0))],
                    [.. trees.Select(t => Rounded(t.Imbalance, 2))],
                    standings.Count == 0
                        ? []
                        :
                        [
                            .. Enumerable
                                .Range(row.FirstTree, row.Trees)
                                .Select(tree =>
                                    standings.TryGetValue((row.Number, tree), out var stands) ? (int)stands : (int?)null
                                ),
                        ]
                )
            );
        }
        return TypedResults.Ok(
            new TreeSheetView(
                stored.Planting.Code,
                stored.Planting.Name,
                Enum.GetValues<TreeStatus>(),
                [.. measured.Classes.Select(c => c.Name)],
                plan.Buds?.BudsPerTree,
                plan.Survey?.Calibration?.Verdict,
                Enum.GetValues<ReworkStanding>(),
                year.Estate.ToRibbons().Colours,
                [.. rows.OrderBy(r => r.Row).ThenBy(r => r.FirstTree)]
            )
        );
    }
}
