using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Prescribe;

/// <summary>Cards of many plantings, to be printed in one run.</summary>
public sealed record PrintRunEntry
{
    /// <summary>Most plantings of a run.</summary>
    public const int MostPlantings = 1_000;

    /// <summary>The plantings, in the order their cards are printed in.</summary>
    public IReadOnlyList<Guid> Plantings { get; init; } = [];

    /// <summary>Languages; each planting has a card in each.</summary>
    public IReadOnlyList<string> Languages { get; init; } = ["en"];

    /// <summary>Units the crew measures in.</summary>
    public UnitSystem Units { get; init; } = UnitSystem.Metric;

    internal void ThrowIfWrong()
    {
        List<FieldProblem> problems = [];
        if (Plantings is not { Count: > 0 and <= MostPlantings })
            problems.Add(new("plantings", "range", $"Plantings: expected 1 to {MostPlantings:#,0}.", 1, MostPlantings));
        if (Languages is not { Count: > 0 } || Languages.Except(LocalText.Languages).Any())
            problems.Add(
                new("languages", "unknown", $"Languages: expected one of {string.Join(", ", LocalText.Languages)}.")
            );
        if (problems.Count > 0)
            throw new UnusableEntryException(problems);
    }
}

/// <summary>A step of a print run.</summary>
/// <param name="Done">Plantings done.</param>
/// <param name="Of">Plantings of the run.</param>
/// <param name="Planting">The planting whose cards are told; null for none.</param>
/// <param name="Cards">Its cards, a language each; none where it has no prescription.</param>
/// <param name="Problem">Why the run ended early; null when all is well.</param>
/// <param name="Ahead">Pieces of long work before it, while it waits for its turn; null once it has begun.</param>
public sealed record PrintStep(
    int Done,
    int Of,
    Guid? Planting,
    IReadOnlyList<PruningCard> Cards,
    string? Problem = null,
    int? Ahead = null
);

internal static class PrintRunEndpoints
{
    public static RouteGroupBuilder MapPrintRuns(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/cards").WithTags("Prescribe");
        group
            .MapPost("/print", Print)
            .For(Act.Read)
            .WithSummary("The cards of many plantings, told one planting after the other");
        group
            .MapPost("/hand-out", HandOut)
            .For(Act.Settings)
            .WithSummary(
                "Hand out the cards of many plantings: each names its prescription version and is kept as printed"
            );
        return api;
    }

    private static ServerSentEventsResult<PrintStep> Print(
        PrintRunEntry entry,
        PrintRun run,
        ILogger<PrintRun> log,
        HeavyWork gate,
        HttpContext http
    ) => Steps(entry, (tell, gone) => run.RunAsync(entry, handOut: false, tell, gone), log, gate, http);

    private static ServerSentEventsResult<PrintStep> HandOut(
        PrintRunEntry entry,
        PrintRun run,
        ILogger<PrintRun> log,
        HeavyWork gate,
        HttpContext http
    ) => Steps(entry, (tell, gone) => run.RunAsync(entry, handOut: true, tell, gone), log, gate, http);

    private static ServerSentEventsResult<PrintStep> Steps(
        PrintRunEntry entry,
        Func<Func<PrintStep, Task>, CancellationToken, Task> work,
        ILogger log,
        HeavyWork gate,
        HttpContext http
    )
    {
        entry.ThrowIfWrong();
        var of = entry.Plantings.Distinct().Count();
        return TypedResults.ServerSentEvents(
            StepStream.InTurn<PrintStep>(
                gate.JoinFor(http),
                ahead => new(0, of, null, [], Ahead: ahead),
                work,
                e => new(0, of, null, [], Problem: Reason(e, log)),
                http.RequestAborted
            )
        );
    }

    private static string Reason(Exception e, ILogger log)
    {
        log.LogError(e, "A print run failed.");
        return "The run stopped. Cards shown are whole; try the others again in a moment.";
    }
}
