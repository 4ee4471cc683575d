using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Check;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Check;
using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Data.Prescribe;
using Rama.Web.Accounts;
using Rama.Web.Count;
using Rama.Web.Crew;
using Rama.Web.Passes;

namespace Rama.Web.Check;

/// <summary>The checks of a planting and what they say.</summary>
/// <param name="Season">Season they were made in.</param>
/// <param name="Today">The day taken as today.</param>
/// <param name="Passes">Passes whose trees are checked.</param>
/// <param name="Says">What they say; null without any.</param>
/// <param name="Checks">The checks, in the order they were made; each stands at the place of its tree in what is
/// said.</param>
/// <param name="Names">Names of crews and pruners.</param>
/// <param name="Classes">What the card in hand asks for by trunk class; none before one.</param>
/// <param name="Crews">The crews.</param>
/// <param name="Pruners">Pruners to choose from; none for those who are told no names.</param>
/// <param name="Currency">Money of the estate; null for those who are told none.</param>
public sealed record CheckView(
    int Season,
    DateOnly Today,
    IReadOnlyList<string> Passes,
    PlantingChecks? Says,
    IReadOnlyList<KeptCheck> Checks,
    IReadOnlyDictionary<Guid, string> Names,
    IReadOnlyList<KitAsked> Classes,
    IReadOnlyList<KitCrew> Crews,
    IReadOnlyList<TodayPerson> Pruners,
    string? Currency
);

/// <summary>How pruners and crews of the estate cut, practice beside checks.</summary>
/// <param name="Crews">The crews, by name.</param>
/// <param name="Pruners">The pruners, by name: this is no league.</param>
public sealed record HandsView(IReadOnlyList<HandLine> Crews, IReadOnlyList<HandLine> Pruners);

/// <summary>A crew or a pruner.</summary>
/// <param name="Who">Who.</param>
/// <param name="Name">Name or number.</param>
/// <param name="Plantings">What is said of them, planting by planting.</param>
/// <param name="Practice">Their practice on the bench; null for none, and for a crew.</param>
public sealed record HandLine(Guid Who, string Name, IReadOnlyList<HandPlanting> Plantings, PrunerPractice? Practice);

/// <summary>What is said of a crew or a pruner in a planting.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Told">What is said.</param>
public sealed record HandPlanting(Guid Planting, string Code, ToldVerdict Told);

internal static class CheckEndpoints
{
    public static RouteGroupBuilder MapChecks(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Check");
        group
            .MapGet("/plantings/{id:guid}/checks", Read)
            .For(Act.Read)
            .WithSummary("Checks of finished trees of a planting, and what they say of its pruning");
        group
            .MapGet("/checks", Hands)
            .For(Act.Practice)
            .WithSummary("How each crew and pruner cuts, planting by planting, beside their practice");
        return api;
    }

    public static RouteGroupBuilder MapCheckCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/check-verdict", (CheckVerdictEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("What counts of finished trees say of who pruned them");
        calculations
            .MapPost("/crop-effect", (CropEffectEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("What trees left with other than their number do to the crop");
        calculations
            .MapPost("/rest-of-block", (RestOfBlockEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("What the trees still to be pruned must average for the planting to end at its number");
        return calculations;
    }

    private static async Task<Results<Ok<CheckView>, NotFound>> Read(
        Guid id,
        PlantingYears years,
        EstateChecks checks,
        WorkerStore workers,
        EstateStore estates,
        HttpContext http,
        CancellationToken cancel,
        int? season = null
    )
    {
        var current = (await estates.ReadAsync(cancel)).Season;
        var year = await years.ReadAsync(cancel, season ?? current);
        if (year.Find(id) is not { } planting)
            return TypedResults.NotFound();
        var role = SignedInPerson.RoleOf(http.User);
        var (names, money) = (
            role is { } r && Permissions.May(r, Act.Practice),
            role is { } m && Permissions.May(m, Act.Money)
        );
        var said = (await checks.ReadAsync(year, cancel)).GetValueOrDefault(id);
        var people = names ? await workers.AllAsync(cancel) : [];
        return TypedResults.Ok(
            new CheckView(
                year.Season,
                year.Today,
                EstateChecks.PassesOf(planting),
                said is null ? null : For(said.Says, names, money),
                said is null ? []
                    : names ? said.Kept
                    : [.. said.Kept.Select(WithoutNames)],
                year.Crews.Select(c => (c.Record.Id, c.Record.Name))
                    .Concat(people.Select(p => (p.Id, p.Name)))
                    .DistinctBy(n => n.Item1)
                    .ToDictionary(n => n.Item1, n => n.Item2),
                await checks.AskedAsync(year.Season, id, cancel),
                [.. year.Crews.Select(KitCrew.Of)],
                names ? TodayPerson.AllOf(year.Crews) : [],
                money ? year.Estate.Currency : null
            )
        );
    }

    // Names of pruners are for those who lead them, and money for those who are told it.
    private static PlantingChecks For(PlantingChecks says, bool names, bool money) =>
        says with
        {
            Pruners = names ? says.Pruners : [],
            Trees = names ? says.Trees : [.. says.Trees.Select(t => t with { Check = WithoutNames(t.Check) })],
            Crews = money ? says.Crews : [.. says.Crews.Select(c => c with { Effect = WithoutMoney(c.Effect) })],
            Effect =
                money || says.Effect is not { } effect
                    ? says.Effect
                    : new(
                        WithoutMoney(effect.PerTree)!,
                        effect.Done with
                        {
                            Cost = null,
                        },
                        effect.GoesOn with
                        {
                            Cost = null,
                        }
                    ),
        };

    private static CropEffect? WithoutMoney(CropEffect? effect) =>
        effect is null ? null : effect with { CostPerTree = null };

    private static TreeCheck WithoutNames(TreeCheck check) => check with { Pruner = null, Note = null };

    private static KeptCheck WithoutNames(KeptCheck check) =>
        check with
        {
            Person = null,
            Entry = check.Entry with { Pruner = null, Note = null },
        };

    private static async Task<Ok<HandsView>> Hands(
        PlantingYears years,
        EstateChecks checks,
        WorkerStore workers,
        PracticeStore practised,
        CancellationToken cancel
    )
    {
        var year = await years.ReadAsync(cancel);
        var said = await checks.ReadAsync(year, cancel);
        var practice = (await practised.PrunersAsync(year.Season, cancel)).ToDictionary(p => p.Worker);
        IReadOnlyList<HandPlanting> Of(Guid who, Func<PlantingChecks, IReadOnlyList<CheckedHand>> hands) =>
            [
                .. year
                    .Plantings.Where(p => said.ContainsKey(p.Planting.Id))
                    .SelectMany(p =>
                        hands(said[p.Planting.Id].Says)
                            .Where(h => h.Who == who)
                            .Select(h => new HandPlanting(
                                p.Planting.Id,
                                p.Planting.Line.Code,
                                ToldVerdict.Of(h.Verdict)!
                            ))
                    )
                    .OrderBy(p => p.Code, StringComparer.OrdinalIgnoreCase),
            ];
        return TypedResults.Ok(
            new HandsView(
                [
                    .. year
                        .Crews.Select(c => new HandLine(
                            c.Record.Id,
                            c.Record.Name,
                            Of(c.Record.Id, s => s.Crews),
                            null
                        ))
                        .Where(h => h.Plantings.Count > 0),
                ],
                [
                    .. (await workers.AllAsync(cancel))
                        .Select(w => new HandLine(
                            w.Id,
                            w.Name,
                            Of(w.Id, s => s.Pruners),
                            practice.GetValueOrDefault(w.Id)
                        ))
                        .Where(h => h.Plantings.Count > 0 || h.Practice is not null)
                        .OrderBy(h => h.Name, StringComparer.CurrentCultureIgnoreCase),
                ]
            )
        );
    }
}
