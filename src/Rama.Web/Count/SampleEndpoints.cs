using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;
using Rama.Core.Crew;
using Rama.Core.Crew.Progress;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Season;
using Rama.Core.Training.Rework;
using Rama.Data.Count;
using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Data.Estate.Notes;
using Rama.Data.Plan;
using Rama.Data.Training.Rework;
using Rama.Web.Accounts;
using Rama.Web.Check;
using Rama.Web.Passes;
using Rama.Web.Prescribe;
using Rama.Web.Result;
using Rama.Web.Training;

namespace Rama.Web.Count;

/// <summary>A row a counter may walk to.</summary>
/// <param name="Row">Row number.</param>
/// <param name="FirstTree">Its first tree.</param>
/// <param name="LastTree">Its last tree.</param>
public sealed record KitRow(int Row, int FirstTree, int LastTree);

/// <summary>A tree that is counted already.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="FloralBuds">Its floral buds; null while the floral share is not known.</param>
public sealed record KitTree(int Row, int Tree, double? FloralBuds);

/// <summary>Share of a kind of bud that is floral, for the running mean.</summary>
/// <param name="Kind">Kind of bud.</param>
/// <param name="Share">Floral share.</param>
/// <param name="Low">Lower end of its 95 % interval.</param>
/// <param name="High">Upper end.</param>
/// <param name="MoreToCut">Buds still to cut.</param>
public sealed record KitShare(string Kind, double Share, double Low, double High, int MoreToCut);

/// <summary>All a device needs to count a planting without signal.</summary>
/// <param name="Id">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="Habit">How it bears, for the words of what is counted.</param>
/// <param name="Season">Season it is counted for.</param>
/// <param name="Kinds">Kinds of bud to count, the usual first.</param>
/// <param name="Rows">Its rows; empty where none are listed.</param>
/// <param name="Route">Trees to count in walking order; empty without a row list.</param>
/// <param name="Pace">How to walk where no rows are listed; null where they are.</param>
/// <param name="Classes">Trunk classes; empty where not known.</param>
/// <param name="GirthFromCm">A girth below this is likely a slip, cm; null where no trunk is known.</param>
/// <param name="GirthToCm">A girth above this is likely a slip, cm.</param>
/// <param name="BudsFrom">Fewer floral buds on a tree are likely a slip.</param>
/// <param name="BudsTo">More floral buds on a tree are likely a slip.</param>
/// <param name="Counted">Trees counted already.</param>
/// <param name="FloralShare">Share typed for buds whose kind was not cut.</param>
/// <param name="Shares">Floral share by kind.</param>
/// <param name="Stop">The stop rule as a table.</param>
/// <param name="Passes">Passes at hand, those that can be done or are late.</param>
/// <param name="Today">The day they are told for.</param>
/// <param name="Rework">Trees in rework and trees to go; null where there are none.</param>
/// <param name="Work">What reporting work needs.</param>
/// <param name="Check">What checking finished trees needs; null where nothing is to be checked.</param>
/// <param name="Crop">What counting the crop in the course of the season needs.</param>
/// <param name="Notes">Open notes for whoever works in the row.</param>
public sealed record FieldKit(
    Guid Id,
    string Code,
    string Name,
    string Variety,
    BearingHabit Habit,
    int Season,
    IReadOnlyList<string> Kinds,
    IReadOnlyList<KitRow> Rows,
    IReadOnlyList<SampleTree> Route,
    Notice? Pace,
    IReadOnlyList<TrunkShare> Classes,
    double? GirthFromCm,
    double? GirthToCm,
    double? BudsFrom,
    double? BudsTo,
    IReadOnlyList<KitTree> Counted,
    double? FloralShare,
    IReadOnlyList<KitShare> Shares,
    FieldStop Stop,
    IReadOnlyList<KitPass> Passes,
    DateOnly Today,
    KitRework? Rework,
    KitWork Work,
    KitCheck? Check,
    KitCrop Crop,
    IReadOnlyList<string> Notes
);

/// <summary>What reporting work needs.</summary>
/// <param name="Crews">The crews; none for those who do not report.</param>
/// <param name="Done">Rows done whole by pass, as far as reported.</param>
/// <param name="Shares">How far each pass is, as a share, by pass.</param>
/// <param name="MostHours">Most hours a day somebody works.</param>
public sealed record KitWork(
    IReadOnlyList<KitCrew> Crews,
    IReadOnlyDictionary<string, IReadOnlyList<int>> Done,
    IReadOnlyDictionary<string, double> Shares,
    double MostHours
)
{
    internal static KitWork Of(IReadOnlyList<KeptCrew> crews, PlantingYear? year)
    {
        var progress = year?.Progress ?? new Dictionary<string, WorkProgress>();
        return new(
            [.. crews.Select(KitCrew.Of)],
            progress.ToDictionary(p => p.Key, p => p.Value.RowsDone),
            progress.ToDictionary(p => p.Key, p => p.Value.Value),
            WorkCalendar.MostHours
        );
    }
}

/// <summary>A crew.</summary>
/// <param name="Id">The crew.</param>
/// <param name="Name">Its name.</param>
/// <param name="People">People in it.</param>
public sealed record KitCrew(Guid Id, string Name, int People)
{
    internal static KitCrew Of(KeptCrew crew) => new(crew.Record.Id, crew.Record.Name, crew.ToCrew().People);
}

/// <summary>Trees in rework and trees to go, with what this winter asks of them.</summary>
/// <param name="Grafts">Kinds of grafts.</param>
/// <param name="Tasks">Tasks there are this winter.</param>
/// <param name="Ribbons">Colour of the ribbon by standing.</param>
/// <param name="Trees">The trees in rework, by row and number.</param>
/// <param name="ToGo">The trees to go, row by row.</param>
/// <param name="ToGoTasks">What this winter asks for at each of them.</param>
/// <param name="Known">Those in rework as they are known, with the version a phone tells more over.</param>
public sealed record KitRework(
    IReadOnlyList<GraftKind> Grafts,
    IReadOnlyList<ReworkTask> Tasks,
    IReadOnlyDictionary<ReworkStanding, string> Ribbons,
    IReadOnlyList<ReworkLine> Trees,
    IReadOnlyList<RowTrees> ToGo,
    IReadOnlyList<string> ToGoTasks,
    IReadOnlyList<ReworkTreeView> Known
);

/// <summary>A pass at hand.</summary>
/// <param name="Id">The pass.</param>
/// <param name="State">Where it stands.</param>
/// <param name="Card">Its card, without the drawing.</param>
/// <param name="Outlook">What the days at hand say; null where they need nothing.</param>
public sealed record KitPass(string Id, PassState State, PassCard Card, PassOutlook? Outlook);

internal static class SampleEndpoints
{
    public static RouteGroupBuilder MapSample(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/plantings/{id:guid}").WithTags("Count").For(Act.Read);
        group
            .MapPost("/sample", Sample)
            .WithSummary("Which trees to count with these settings, and the walk to them; nothing is saved");
        group.MapGet("/kit", Kit).WithSummary("All a device needs to count the planting without signal");
        return api;
    }

    private static async Task<Results<Ok<SamplePlan>, NotFound>> Sample(
        Guid id,
        SampleSettingsEntry entry,
        PlantingStore plantings,
        MeasuredTreesStore counts,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        return TypedResults.Ok(await PlanAsync(stored, entry.Read(), counts, cancel));
    }

    private static async Task<Results<Ok<FieldKit>, NotFound>> Kit(
        Guid id,
        PlantingStore plantings,
        MeasuredTreesStore counts,
        PlantingYears years,
        EstateStore estates,
        ReworkStore rework,
        EstateChecks checks,
        NoteStore notes,
        HttpContext http,
        CancellationToken cancel,
        string language = "en",
        string units = "metric"
    )
    {
        CardReader reader = new(
            PrescribeEndpoints.Known(language),
            PrescribeEndpoints.UnitsOf(units),
            (await estates.ReadAsync(cancel)).ToBodyMarks().Read()
        );
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        var entry = stored.ToEntry();
        var reading = PlanReading.Of(entry, stored.Catalogue);
        var plan = PruningPlan.ToCount(reading);
        var settings = reading.Counted?.Sample ?? Setting(entry.Count.Sample);
        var sample = await PlanAsync(stored, settings, counts, cancel);
        var all = await years.ReadAsync(cancel);
        var mayReport = SignedInPerson.RoleOf(http.User) is { } role && Permissions.May(role, Act.Report);
        var trees = reading.Density?.BearingTrees ?? double.NaN;
        var floral = reading.Counted?.Trees.ToDictionary(t => (t.Row, t.Tree), t => t.FloralBuds) ?? [];
        var terms = plan.Buds is { } buds ? PruningPlan.TermsOf(reading, buds.BudsPerTree) : null;
        var cut = entry
            .Count.BudCuts.Select(c => c.Kind)
            .Concat(entry.Count.Trees.SelectMany(t => t.Kinds).Select(k => k.Kind))
            .OfType<string>()
            .Select(k => k.Trim().ToLowerInvariant());
        var measured = stored.Plan.ToMeasured();
        var usual = measured.MeanTcsaCm2 is { } tcsa ? Math.Sqrt(4 * Math.PI * tcsa) : plan.Survey?.Means.GirthCm;
        var likely = reading.Planting is { } planting
            ? LikelyBuds.Of([.. floral.Values.OfType<double>()], planting.System.Form.Typical.Buds)
            : null;
        return TypedResults.Ok(
            new FieldKit(
                id,
                stored.Planting.Code,
                stored.Planting.Name,
                stored.Planting.Variety,
                reading.Crop?.Habit ?? BearingHabit.MixedBud,
                entry.Season,
                [.. BudKind.Usual.Concat(cut).Where(k => k != BudKind.Any).Distinct().Take(BudKind.Most)],
                [.. reading.Rows?.Rows.Select(r => new KitRow(r.Number, r.FirstTree, r.LastTree)) ?? []],
                sample.Route,
                sample.Paced?.Told(sample.Trees),
                measured.Classes,
                usual / CountOutliers.WrongUnit,
                usual * CountOutliers.WrongUnit,
                likely?.Low,
                likely?.High,
                [
                    .. entry.Count.Trees.Select(t => new KitTree(
                        (int)t.Row!.Value,
                        (int)t.Tree!.Value,
                        floral.TryGetValue((t.Row!.Value, t.Tree!.Value), out var f) ? f : null
                    )),
                ],
                reading.Counted?.FloralShare,
                [
                    .. reading.Counted?.Shares.Select(s => new KitShare(s.Kind, s.Share, s.Low, s.High, s.MoreToCut))
                        ?? [],
                ],
                FieldStop.Of(
                    settings.Planned(double.IsNaN(trees) ? SurveyEntry.MostTrees : trees),
                    double.IsNaN(trees) ? double.PositiveInfinity : trees,
                    terms
                ),
                PassesOf(all, id, stored, reader),
                all.Today,
                all.Find(id)?.Rework is { } work
                    ? new(
                        ReworkRules.Shipped.Grafts,
                        [.. work.Work.Select(w => w.Task)],
                        all.Estate.ToRibbons().Colours,
                        work.Trees,
                        work.ToGo,
                        work.ToGoTasks,
                        [.. (await rework.OfAsync(id, cancel)).Select(ReworkTreeView.Of)]
                    )
                    : null,
                KitWork.Of(mayReport ? all.Crews : [], all.Find(id)),
                mayReport ? await checks.KitAsync(all, id, cancel) : null,
                KitCrop.Of(all.Find(id), all.Today),
                [.. (await notes.OfAsync(id, cancel)).Where(n => n is { InRow: true, Done: null }).Select(n => n.Text)]
            )
        );
    }

    private static IReadOnlyList<KitPass> PassesOf(EstateYear all, Guid id, StoredPlanting stored, CardReader reader)
    {
        if (all.Find(id) is not { Programme: { } programme } year)
            return [];
        var (outlook, toPrune) = (all.OutlookOf(year), stored.ToPrune());
        return
        [
            .. programme
                .Passes.Where(p => p.State is PassState.Open or PassState.Late)
                .Select(p => new KitPass(
                    p.Id,
                    p.State,
                    PassCard.Of(
                        p,
                        year.Planting.Facts!.Terms.Planting,
                        toPrune,
                        reader,
                        thinning: year.Crop?.Thinning
                    ) with
                    {
                        Drawing = null,
                    },
                    outlook.GetValueOrDefault(p.Id)
                )),
        ];
    }

    private static async Task<SamplePlan> PlanAsync(
        StoredPlanting stored,
        SampleSettings settings,
        MeasuredTreesStore counts,
        CancellationToken cancel
    )
    {
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        var girths = await counts.GirthsAsync(stored.Planting.Id, stored.Plan.Season, cancel);
        return SamplePlan.Of(
            reading.Density?.BearingTrees ?? SurveyEntry.MostTrees,
            reading.Rows,
            reading.Density is null ? null : reading.Planting?.Form,
            settings,
            stored.Plan.ToMeasured().Classes,
            girths.Count == 0 ? null : (row, tree) => girths.TryGetValue((row, tree), out var girth) ? girth : null
        );
    }

    // A count that cannot be used yet, such as one waiting for its floral share, still says which trees to walk to.
    private static SampleSettings Setting(SampleSettingsEntry entry)
    {
        try
        {
            return entry.Read();
        }
        catch (UnusableEntryException)
        {
            return new();
        }
    }
}
