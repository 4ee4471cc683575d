using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Issue;
using Rama.Core.Season;
using Rama.Core.Training;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Prescribe;
using Rama.Web.Accounts;
using Rama.Web.Hosting;
using Rama.Web.Passes;
using Rama.Web.Plan;

namespace Rama.Web.Prescribe;

/// <summary>Choices of cutting to save, with the version of the plan they were read at.</summary>
public sealed record SaveCutting(uint Version, CuttingEntry Cutting);

/// <summary>A card to hand out, with the version of the plan it was looked at with.</summary>
/// <param name="Version">Version of the plan.</param>
/// <param name="Language">Language of the card.</param>
/// <param name="Units">Units the crew measures in.</param>
public sealed record IssueCard(uint Version, string Language, UnitSystem Units = UnitSystem.Metric);

/// <summary>
/// What a planting looks like cut another way: answers and settings that stand in for the saved ones.
/// </summary>
public sealed record SimulateRequest
{
    /// <summary>Choices to try instead of the saved ones; the saved ones when left out.</summary>
    public CuttingEntry? Cutting { get; init; }

    /// <summary>Another training system to try; the planting's own when left out.</summary>
    public string? System { get; init; }

    /// <summary>Trees to cut; 200 when left out.</summary>
    public int? Trees { get; init; }

    /// <summary>Seed of the trees.</summary>
    public int Seed { get; init; } = 1;
}

/// <summary>A step of a simulation.</summary>
/// <param name="Share">Share done.</param>
/// <param name="Result">What came out; null until done.</param>
/// <param name="Problem">Why it ended without a result; null when all is well.</param>
/// <param name="Ahead">Simulations that come first, while it waits for its turn; null once it has begun.</param>
public sealed record SimulationStep(double Share, BlockSimulation? Result, string? Problem, int? Ahead = null);

internal static class PrescribeEndpoints
{
    private const int MostTrees = 20_000;

    public static RouteGroupBuilder MapPrescribe(this RouteGroupBuilder api)
    {
        var planting = api.MapGroup("/plantings/{id:guid}").WithTags("Prescribe");
        planting.MapGet("/card", Card).For(Act.Read).WithSummary("The card for the row, in one of the languages");
        planting.MapGet("/cards", Cards).For(Act.Read).WithSummary("Cards handed out this season, the latest first");
        planting.MapGet("/cards/{card:guid}", Issued).For(Act.Read).WithSummary("A card as it was handed out");
        planting
            .MapGet("/prescriptions/{number}", Asked)
            .For(Act.Read)
            .WithSummary("A version of this season's prescription as it was handed out, as data");
        planting
            .MapGet("/passes/{pass}/card", CardOfPass)
            .For(Act.Read)
            .WithSummary("The card of one pass of the year, in one of the languages");
        planting
            .MapPost("/cards", Issue)
            .For(Act.Settings)
            .WithSummary("Hand a card out: it names its prescription version and is kept as printed");
        planting
            .MapPut("/cutting", Save)
            .For(Act.Settings)
            .WithSummary("Save how the system is cut and what demonstration trees showed");
        planting
            .MapPost("/simulation", Simulate)
            .For(Act.Read)
            .WithSummary(
                "The prescription carried out on many trees, told step by step; another system or school can be tried"
            );
        return api.MapPrintRuns().MapBench().MapPractice().MapExercises();
    }

    public static RouteGroupBuilder MapPrescribeCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/prescription", (PrescriptionEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Cuts in order with what each is expected to drop");
        calculations
            .MapPost("/limb-gauge", (LimbGaugeEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Buds to leave on a limb by its diameter");
        calculations
            .MapPost("/cut-tree", async (CutTreeEntry entry, CatalogueStore catalogues, CancellationToken cancel) =>
                TypedResults.Ok(entry.Calculate((await catalogues.ReadAsync(cancel)).Catalogue))
            )
            .WithSummary("One tree cut by a system, or by hand and scored");
        calculations
            .MapPost("/plan", async (PlanEntry entry, CatalogueStore catalogues, CancellationToken cancel) =>
                TypedResults.Ok(PruningPlan.Of(entry, (await catalogues.ReadAsync(cancel)).Catalogue))
            )
            .WithSummary("The whole plan of one planting, as far as the entries reach, with the problems of the rest");
        return calculations;
    }

    internal static string Known(string language) =>
        LocalText.Languages.Contains(language)
            ? language
            : throw new UnusableEntryException([
                new("language", "unknown", $"Language: expected one of {string.Join(", ", LocalText.Languages)}."),
            ]);

    private static void KnownPass(string? pass)
    {
        if (pass is not (null or PassIds.Detail))
            throw new UnusableEntryException([new("pass", "unknown", "Pass: expected detail, or nothing.")]);
    }

    // A query tells them as the body of a request does.
    internal static UnitSystem UnitsOf(string units) =>
        units switch
        {
            "metric" => UnitSystem.Metric,
            "us" => UnitSystem.Us,
            _ => throw new UnusableEntryException([new("units", "unknown", "Units: expected metric or us.")]),
        };

    private static async Task<Results<Ok<PruningCard>, NotFound>> Card(
        Guid id,
        PlantingStore store,
        EstateStore estates,
        PlantingYears years,
        CancellationToken cancel,
        string language = "en",
        string units = "metric",
        int? season = null,
        string? pass = null
    )
    {
        Known(language);
        KnownPass(pass);
        if (await store.FindAsync(id, cancel, season) is not { } stored)
            return TypedResults.NotFound();
        if (stored.ToPrune() is not { } toPrune)
            return TypedResults.NotFound();
        CardReader reader = new(
            language,
            UnitsOf(units),
            await MarksAsync(estates, cancel),
            pass,
            stored.Plan.Season == stored.Season ? (await years.ReadAsync(cancel)).KnockedOff(id) : 0
        );
        return TypedResults.Ok(PruningCard.Of(toPrune, reader));
    }

    private static async Task<Results<Ok<PassCard>, NotFound>> CardOfPass(
        Guid id,
        string pass,
        PlantingYears years,
        PlantingStore store,
        EstateStore estates,
        CancellationToken cancel,
        string language = "en",
        string units = "metric",
        string branches = "buds"
    )
    {
        Known(language);
        BranchWay way = branches switch
        {
            "buds" => BranchWay.Buds,
            "agent" => BranchWay.Agent,
            _ => throw new UnusableEntryException([new("branches", "unknown", "Branches: expected buds or agent.")]),
        };
        var year = (await years.ReadAsync(cancel)).Find(id);
        if (year?.Programme?.Passes.FirstOrDefault(p => p.Id == pass) is not { } planned)
            return TypedResults.NotFound();
        if (await store.FindAsync(id, cancel) is not { } stored || year.Planting.Facts is not { } facts)
            return TypedResults.NotFound();
        CardReader reader = new(language, UnitsOf(units), await MarksAsync(estates, cancel));
        return TypedResults.Ok(
            PassCard.Of(planned, facts.Terms.Planting, stored.ToPrune(), reader, way, year.Crop?.Thinning)
        );
    }

    private static async Task<Results<Ok<IReadOnlyList<IssuedCard>>, NotFound>> Cards(
        Guid id,
        PlantingStore plantings,
        PrescribeStore store,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        return TypedResults.Ok(await store.CardsAsync(stored, cancel));
    }

    private static async Task<BodyMarks> MarksAsync(EstateStore estates, CancellationToken cancel) =>
        (await estates.ReadAsync(cancel)).ToBodyMarks().Read();

    private static async Task<Results<Ok<PruningCard>, NotFound>> Issued(
        Guid id,
        Guid card,
        PrescribeStore store,
        CancellationToken cancel
    ) => await store.CardAsync(id, card, cancel) is { } issued ? TypedResults.Ok(issued) : TypedResults.NotFound();

    private static async Task<Results<Ok<IssuedPrescription>, NotFound>> Asked(
        Guid id,
        int number,
        PlantingStore plantings,
        PrescribeStore store,
        CancellationToken cancel,
        int? season = null
    )
    {
        if (await plantings.FindAsync(id, cancel, season) is not { } stored)
            return TypedResults.NotFound();
        return await store.PrescriptionAsync(id, stored.Plan.Season, number, cancel) is { } asked
            ? TypedResults.Ok(asked)
            : TypedResults.NotFound();
    }

    private static async Task<Results<Ok<IssuedCard>, NotFound, Conflict<EditConflict>>> Issue(
        Guid id,
        IssueCard body,
        PlantingStore plantings,
        EstateStore estates,
        PrescribeStore store,
        PlantingYears years,
        CancellationToken cancel
    )
    {
        Known(body.Language);
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        try
        {
            CardReader reader = new(
                body.Language,
                body.Units,
                await MarksAsync(estates, cancel),
                KnockedOff: (await years.ReadAsync(cancel)).KnockedOff(id)
            );
            return await store.IssueAsync(stored, body.Version, [reader], cancel) is [var handedOut]
                ? TypedResults.Ok(handedOut.Issue)
                : TypedResults.NotFound();
        }
        catch (EditConflictException e)
        {
            return TypedResults.Conflict(EditConflict.Of(e));
        }
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SaveCutting body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Cutting, cancel));

    private static async Task<Results<ServerSentEventsResult<SimulationStep>, NotFound>> Simulate(
        Guid id,
        SimulateRequest body,
        PlantingStore store,
        HeavyWork heavy,
        HttpContext http,
        CancellationToken cancel
    )
    {
        if (await store.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        var entry = stored.ToEntry();
        entry = entry with
        {
            Cutting = body.Cutting ?? entry.Cutting,
            Planting = entry.Planting with { System = body.System ?? entry.Planting.System },
        };
        var reading = PlanReading.Of(entry, stored.Catalogue);
        reading.ThrowIfWrong("cutting", "planting");
        var trees = body.Trees ?? BlockSimulation.UsualTrees;
        if (trees is < 20 or > MostTrees)
            throw new UnusableEntryException([
                new("trees", "range", $"Trees: expected 20 to {MostTrees}.", 20, MostTrees),
            ]);
        var plan = PruningPlan.Of(reading);
        if (plan is not { Stock: { } stock, Prescription: { } prescription, Planting: { } planting })
            return TypedResults.NotFound();
        var rules = planting.System.RulesFor(reading.Cutting.Answers);
        var costs =
            SignedInPerson.RoleOf(http.User) is { } role && Permissions.May(role, Act.Money)
                ? plan.CostsOf(reading)
                : null;
        var turn = heavy.JoinFor(http);
        return TypedResults.ServerSentEvents(
            StepStream.InTurn<SimulationStep>(
                turn,
                ahead => new(0, null, null, ahead),
                async (tell, gone) =>
                {
                    List<Task> told = [];
                    var result = BlockSimulation.Of(
                        rules,
                        stock,
                        prescription,
                        new(reading.Settings, trees, body.Seed, CountedModel.Of(stock, reading.Counted!), costs),
                        share =>
                        {
                            if (told.Count == 0 || told[^1].IsCompleted)
                                told.Add(tell(new(share, null, null)));
                        },
                        gone
                    );
                    await Task.WhenAll(told);
                    await tell(new(1, result, null));
                },
                e => new(1, null, Failed(e, http)),
                cancel
            )
        );
    }

    // What the core says of an entry is meant for people; what else went wrong is for the log.
    private static string Failed(Exception e, HttpContext http)
    {
        if (e is UnusableEntryException)
            return e.Message;
        http.RequestServices.GetRequiredService<ILogger<SimulationStep>>().LogError(e, "A simulation failed.");
        return "The simulation broke off on the server. What is saved is as it was.";
    }
}
