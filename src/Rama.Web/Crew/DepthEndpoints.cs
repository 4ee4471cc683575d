using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew.Depth;
using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Crew;

/// <summary>How deep each planting would be pruned when the hours do not reach for all.</summary>
/// <param name="Hours">Hours it is worked out for.</param>
/// <param name="HoursReached">Hours of the winter that are worked in time in the plan in force.</param>
/// <param name="HoursFull">Hours with every planting pruned to its number.</param>
/// <param name="HoursLeast">Hours with hazards alone everywhere.</param>
/// <param name="WagePerHour">What an hour costs, mean of the crews, money.</param>
/// <param name="Currency">Money of the estate, three letters; null until told.</param>
/// <param name="MarginLost">Margin given up by all of it, money.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Plantings">Plantings with winter work and buds to cut; first what is given up, the cheapest hour
/// first.</param>
/// <param name="Held">Plantings somebody decided on instead of the count.</param>
public sealed record DepthView(
    double Hours,
    double HoursReached,
    double HoursFull,
    double HoursLeast,
    double WagePerHour,
    string? Currency,
    double MarginLost,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<DepthLine> Plantings,
    IReadOnlyList<HeldLine> Held
);

/// <summary>A planting in the trade.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Version">Version of its plan, to be sent back when it is taken.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Chosen">How deep it would be pruned.</param>
/// <param name="Depths">What each depth takes, saves and gives up.</param>
public sealed record DepthLine(
    Guid Planting,
    uint Version,
    string Code,
    string Name,
    CutDepth Chosen,
    IReadOnlyList<DepthCost> Depths
);

/// <summary>What one depth of a planting takes, saves and gives up.</summary>
/// <param name="At">What is left to do of it.</param>
/// <param name="Steps">How the margin given up came about, for the planting whole.</param>
public sealed record DepthCost(PlantingDepth At, IReadOnlyList<Step> Steps);

/// <summary>A planting decided on instead of its count.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Held">What was decided.</param>
/// <param name="Reason">Why.</param>
public sealed record HeldLine(Guid Planting, string Code, string Name, DecisionKind Held, string? Reason);

/// <summary>Depths to take.</summary>
/// <param name="Reason">Why, as it is kept with each decision.</param>
/// <param name="Plantings">The plantings.</param>
public sealed record TakeDepths(string? Reason, IReadOnlyList<TakenDepth> Plantings);

/// <summary>A depth to take.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Version">Version of its plan it was shown for.</param>
/// <param name="Depth">How deep.</param>
public sealed record TakenDepth(Guid Planting, uint Version, CutDepth Depth);

internal static class DepthEndpoints
{
    private const double MostHours = 10_000_000;

    private const int MostTaken = 500;

    public static RouteGroupBuilder MapDepths(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Crew");
        group
            .MapGet("/crew-plan/depth", Read)
            .For(Act.Plan)
            .WithSummary("How deep each planting would be pruned, so that least margin is given up within the hours");
        group
            .MapPut("/crew-plan/depth", Take)
            .For(Act.Plan)
            .WithSummary("Have plantings pruned less deep, because the hours do not reach");
        return api;
    }

    private static async Task<Ok<DepthView>> Read(
        double? hours,
        EstateWorks works,
        EstateDepths depths,
        HeavyWork heavy,
        HttpContext http,
        CancellationToken cancel
    )
    {
        var reader = new EntryReader();
        reader.Optional("hours", "Hours", hours, "h", 0, MostHours);
        reader.ThrowIfAny();
        var work = await works.ReadAsync(cancel);
        // Each planting is planned three times when nobody asked before.
        var known = await heavy.InTurnAsync(http, gone => depths.ReadAsync(work, gone));
        var plan = work.Plan().Tasks.ToDictionary(t => t.Task);
        var trade = known.Select(k => (Depths: k, Choice: k.ToChoice())).Where(k => k.Choice is not null).ToList();
        var reached = trade
            .SelectMany(k => k.Depths.Winter)
            .Sum(t => t.Hours * (plan.GetValueOrDefault(t.Id)?.ShareInTime(work.Problem, t.Due) ?? 0));
        double At(CutDepth depth) => trade.Sum(k => k.Choice!.Options.First(o => o.Depth == depth).Hours);
        var (least, full) = (At(CutDepth.Hazard), At(CutDepth.Full));
        // What hazards alone take there must be.
        if (hours is { } told)
            reader.InRange("hours", "Hours", told, "h", Math.Ceiling(least), MostHours);
        reader.ThrowIfAny();
        var asked = hours ?? Math.Max(reached, least);
        var answer = DepthTrade.Of([.. trade.Select(k => k.Choice!)], asked);
        return TypedResults.Ok(
            new DepthView(
                asked,
                reached,
                full,
                least,
                work.Wage,
                work.Year.Estate.Currency,
                answer.Full - answer.Margin,
                answer.Steps,
                [
                    .. trade
                        .Zip(answer.Plantings)
                        .OrderBy(k => k.Second.Depth == CutDepth.Full)
                        .ThenBy(k => k.Second.LostPerHour ?? CheapestHour(k.First.Choice!))
                        .Select(k => LineOf(k.First.Depths, k.First.Choice!, k.Second)),
                ],
                [
                    .. known
                        .Where(k => k.Known.Held is not null)
                        .Select(k => new HeldLine(
                            k.Planting.Planting.Id,
                            k.Planting.Planting.Line.Code,
                            k.Planting.Planting.Line.Name,
                            k.Known.Held!.Value,
                            k.Known.HeldReason
                        )),
                ]
            )
        );
    }

    private static double? CheapestHour(DepthChoice choice) =>
        choice.Options.Min(o => PlantingDepth.Of(choice, o.Depth).LostPerHour);

    private static DepthLine LineOf(WorkDepths work, DepthChoice choice, PlantingDepth chosen) =>
        new(
            work.Planting.Planting.Id,
            work.Version,
            work.Planting.Planting.Line.Code,
            work.Planting.Planting.Line.Name,
            chosen.Depth,
            [
                .. choice.Options.Select(o => new DepthCost(
                    PlantingDepth.Of(choice, o.Depth),
                    work.Known.Depths!.At(o.Depth).Steps
                )),
            ]
        );

    private static async Task<NoContent> Take(TakeDepths body, PlantingStore store, CancellationToken cancel)
    {
        var reader = new EntryReader();
        if (body.Plantings is not { Count: > 0 and <= MostTaken })
            reader.Add("plantings", "range", $"Plantings: expected 1 to {MostTaken}.");
        reader.ThrowIfAny();
        await store.HoldAsync(
            [
                .. body.Plantings!.DistinctBy(p => p.Planting)
                    .Select(p => (p.Planting, p.Version, PlantingDepths.HeldAt(p.Depth))),
            ],
            body.Reason,
            cancel
        );
        return TypedResults.NoContent();
    }
}
