using Rama.Core.Crew;
using Rama.Core.Crew.Cost;
using Rama.Core.Crew.Progress;
using Rama.Core.Estate;
using Rama.Core.Passes;
using Rama.Core.Result.Counts;
using Rama.Core.Result.Forecast;
using Rama.Core.Result.Learning;
using Rama.Core.Season;
using Rama.Core.Training;
using Rama.Core.Training.Rework;
using Rama.Core.Weather;
using Rama.Data.Count;
using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Data.Field;
using Rama.Data.Passes;
using Rama.Data.Training;
using Rama.Data.Training.Rework;
using Rama.Web.Result;
using Rama.Web.Season;
using Rama.Web.Weather;

namespace Rama.Web.Passes;

/// <summary>
/// The year of every planting of the estate in scope: its days, its passes and what the weather says to them. Season
/// page, programme, year and weather are told from here.
/// </summary>
internal sealed class PlantingYears(
    SeasonLines lines,
    SiteWeather weather,
    PassStore passes,
    TrainingStore training,
    ReworkStore rework,
    FieldInbox inbox,
    FieldHandlers handlers,
    CrewStore crews,
    EstateCrops crops,
    EstateStore estates,
    TimeProvider clock
)
{
    /// <summary>All plantings in a season, the one at hand when left out.</summary>
    public async Task<EstateYear> ReadAsync(CancellationToken cancel, int? season = null)
    {
        var estate = await estates.ReadAsync(cancel);
        var today = estate.TodayBy(clock);
        var shown = season ?? estate.Season;
        var plantings = await lines.ReadAsync(shown, estate.Season, cancel);
        var sites = await weather.ReadAsync(today, cancel);
        var choices = await passes.ReadAsync(shown, cancel);
        var before = await passes.ReadAsync(shown - 1, cancel);
        var marks = await inbox.InForceAsync(FieldKind.Mark, shown, cancel);
        var reports = await inbox.InForceAsync(FieldKind.Work, shown, cancel);
        var young = await training.ReadAsync(cancel);
        var sides = await training.SidesAsync(cancel);
        var held = await rework.HeldAsync(cancel);
        GreenTipKin kin = new(plantings);
        var years = plantings
            .AsParallel()
            .AsOrdered()
            .WithCancellation(cancel)
            .Select(p => YearOf(p, sites.GetValueOrDefault(p.SiteId), [.. choices[p.Id]], [.. marks[p.Id]]))
            .ToList();
        // What was logged tells of all plantings: what is expected of each comes first.
        List<(DateOnly Day, WorkLog Log)> logs = [.. years.SelectMany(y => y.Logs())];
        LearnedHours learned = new(LearnedMinutes.Of([.. logs.Select(l => l.Log)]), HoursForesight.Of(logs));
        EstateYear all = new(
            estate,
            shown,
            today,
            sites,
            await crews.AllAsync(cancel),
            learned,
            [.. years.Select(y => y.With(learned))]
        );
        // What was counted is told of trees, checks of the work on them: both come after it.
        var counted = await crops.ReadAsync(all, cancel);
        return counted.Count == 0
            ? all
            : all with
            {
                Plantings =
                [
                    .. all.Plantings.Select(p =>
                        counted.GetValueOrDefault(p.Planting.Id) is { } crop ? p.With(crop) : p
                    ),
                ],
            };

        PlantingYear YearOf(
            PlannedPlanting planting,
            KnownSite? site,
            IReadOnlyList<PassChoiceRecord> chosen,
            IReadOnlyList<FieldEntryRecord> marked
        )
        {
            var noted = planting.Facts?.Noted ?? new Dictionary<Anchor, DateOnly>();
            var byHeat = shown == estate.Season ? site : null;
            var tip = kin.Expected(planting, shown, noted, dates => byHeat?.ByHeat(planting.Crop, shown, today, dates));
            var place = site?.Place.Year;
            var walk = WalkFacts.Of(
                [
                    .. marked.Select(e =>
                        (DateOnly.FromDateTime(e.At.UtcDateTime), handlers.Of<MarksFromField>().BodyOf(e).Read())
                    ),
                ],
                planting.Line.Habit,
                chosen.FirstOrDefault(c => c.Pass == PassIds.LookAgain)?.Done
            );
            Dictionary<Anchor, DateOnly> events = new(
                (place?.Days(shown) ?? []).Concat(walk?.Days() ?? []).Select(d => KeyValuePair.Create(d.Anchor, d.Day))
            );
            var days = AnchorDays.Of(planting.Crop, tip, noted, events);
            var night = byHeat is null ? null : ColdNight.Last(planting.Crop, days, byHeat.Days, today);
            if (night is not null)
            {
                events[Anchor.ColdNight] = night.Day;
                days = AnchorDays.Of(planting.Crop, tip, noted, events);
            }
            var trained = planting.Facts?.Terms.Training is { } usual
                ? usual with
                {
                    Measured =
                    [
                        .. young[planting.Id]
                            // Measures from before a year that was corrected since are kept and not told.
                            .Where(r => r.Season >= planting.YearPlanted)
                            .Select(r => r.ToTrees()),
                    ],
                }
                : null;
            var reworked = held.GetValueOrDefault(planting.Id)
                ?.PlanOf(shown, place?.IsSouth ?? false, planting.Facts?.Terms.Trees ?? 0);
            var comesAgain = planting
                .Facts?.Terms.Planting.System.AllPasses()
                .Where(p => p.EveryDays is not null)
                .ToDictionary(p => p.Id, p => p.EveryDays!.Value)
                ?? [];
            var told = ReportsOf([.. reports[planting.Id]]);
            var progress = ProgressOf(planting, told, today, comesAgain);
            return new(
                planting,
                tip,
                days,
                night,
                chosen.ToDictionary(c => c.Pass),
                told,
                progress,
                trained,
                reworked,
                planting.Facts is { Terms: var terms }
                    ? Programme.Of(
                        terms with
                        {
                            TrainedBy = trained,
                            Rework = reworked,
                            DoneBefore = before[planting.Id]
                                .Where(c => c.Done is not null)
                                .ToDictionary(c => c.Pass, c => c.Done!.Value),
                            Sides = sides.GetValueOrDefault(planting.Id)?.In(planting.Rows, shown),
                            Days = days,
                            Site = place,
                            Walk = walk,
                            Choices = Told(chosen, progress, comesAgain),
                            Today = today,
                        }
                    )
                    : null
            );
        }

        // A pass is done on the day its last tree was reported, unless somebody said when.
        static Dictionary<string, PassChoice> Told(
            IReadOnlyList<PassChoiceRecord> chosen,
            IReadOnlyDictionary<string, WorkProgress> progress,
            IReadOnlyDictionary<string, int> comesAgain
        )
        {
            var told = chosen.ToDictionary(c => c.Pass, c => c.ToChoice());
            foreach (var (pass, work) in progress.Where(p => p.Value.IsDone && !comesAgain.ContainsKey(p.Key)))
                if ((told.GetValueOrDefault(pass) ?? new(pass)) is { Done: null, LeftOut: null } choice)
                    told[pass] = choice with { Done = work.Last };
            return told;
        }

        // By pass, in the order of the days.
        IReadOnlyDictionary<string, IReadOnlyList<WorkReport>> ReportsOf(IReadOnlyList<FieldEntryRecord> told) =>
            told.OrderBy(e => e.At)
                .Select(e => handlers.Of<WorkFromField>().BodyOf(e).Read())
                .GroupBy(r => r.Pass)
                .ToDictionary(g => g.Key, g => (IReadOnlyList<WorkReport>)[.. g.OrderBy(r => r.Day)]);

        static IReadOnlyDictionary<string, WorkProgress> ProgressOf(
            PlannedPlanting planting,
            IReadOnlyDictionary<string, IReadOnlyList<WorkReport>> told,
            DateOnly day,
            IReadOnlyDictionary<string, int> again
        ) =>
            told.Select(t =>
                    (
                        Pass: t.Key,
                        // Of what comes again the round at hand counts.
                        Reports: t.Value.Where(r =>
                                !again.TryGetValue(t.Key, out var every) || r.Day > day.AddDays(-every)
                            )
                            .ToList()
                    )
                )
                .Where(t => t.Reports.Count > 0)
                .ToDictionary(
                    t => t.Pass,
                    t => WorkProgress.Of(t.Reports, planting.TreesByRow, planting.Facts?.Terms.Trees ?? 0, day)
                );
    }
}

/// <summary>An estate with the year of every planting.</summary>
/// <param name="Estate">The estate.</param>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Today">The day taken as today.</param>
/// <param name="Sites">Its sites.</param>
/// <param name="Crews">Its crews.</param>
/// <param name="Hours">How much longer plantings and crews take than expected.</param>
/// <param name="Plantings">Its plantings.</param>
internal sealed record EstateYear(
    EstateRecord Estate,
    int Season,
    DateOnly Today,
    IReadOnlyDictionary<Guid, KnownSite> Sites,
    IReadOnlyList<KeptCrew> Crews,
    LearnedHours Hours,
    IReadOnlyList<PlantingYear> Plantings
)
{
    /// <summary>How much longer plantings and crews take than expected.</summary>
    public LearnedMinutes Learned => Hours.Minutes;

    /// <summary>Hours all crews together work in a week: those of the crews there are, else as told, else as
    /// usual.</summary>
    public double CrewHoursPerWeek =>
        Crews.Count > 0
            ? Crews.Sum(c => c.ToCrew().HoursPerWeek)
            : Estate.CrewHoursPerWeek ?? WorkAhead.DefaultCrewHoursPerWeek;

    /// <summary>What an hour costs in the mean of the crews, money.</summary>
    public double Wage =>
        Crews.Count == 0 ? CrewSheet.UsualWage : Crews.Average(c => c.Sheet.WagePerHour ?? CrewSheet.UsualWage);

    /// <summary>The planting of that identifier; null for none.</summary>
    /// <param name="planting">Its identifier.</param>
    public PlantingYear? Find(Guid planting) => Plantings.FirstOrDefault(p => p.Planting.Id == planting);

    /// <summary>
    /// Share of its floral buds that is knocked off by working among them today: a late pass must leave more, and a card
    /// says so on the day it is written.
    /// </summary>
    public double KnockedOff(Guid planting) => Find(planting)?.Late(Today)?.Share ?? 0;

    /// <summary>What the days at hand say to the passes of a planting.</summary>
    public IReadOnlyDictionary<string, PassOutlook> OutlookOf(PlantingYear planting) =>
        Sites.GetValueOrDefault(planting.Planting.SiteId) is not { } site || planting.Programme is null
            ? new Dictionary<string, PassOutlook>()
            : planting
                .Programme.Passes.Where(p => p.IsAhead)
                .Select(p =>
                    (p.Id, Outlook: PassOutlook.Of(site.Judge(planting.Planting.Crop), p.On, p.From, p.To, Today))
                )
                .Where(p => p.Outlook is not null)
                .ToDictionary(p => p.Id, p => p.Outlook!);
}

/// <summary>The year of one planting.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Tip">Its green tip; null without an estimate.</param>
/// <param name="Days">Days of its year.</param>
/// <param name="ColdNight">The last night its buds are looked at after; null without one.</param>
/// <param name="Choices">What was decided and reported, by pass.</param>
/// <param name="Reports">Work reported, by pass, in the order of the days.</param>
/// <param name="Progress">How far passes are that work was reported of, by pass.</param>
/// <param name="Training">What the training of its young trees follows from; null before it can be planned.</param>
/// <param name="Rework">Its trees in rework and trees to go; null where it has none.</param>
/// <param name="Programme">Its passes; null before it can be planned.</param>
/// <param name="Counted">What was found of its crop; null where nothing was.</param>
internal sealed record PlantingYear(
    PlannedPlanting Planting,
    GreenTip? Tip,
    AnchorDays Days,
    ColdNight? ColdNight,
    IReadOnlyDictionary<string, PassChoiceRecord> Choices,
    IReadOnlyDictionary<string, IReadOnlyList<WorkReport>> Reports,
    IReadOnlyDictionary<string, WorkProgress> Progress,
    TrainingTerms? Training,
    ReworkPlan? Rework,
    Programme? Programme,
    CountedCrop? Counted = null
)
{
    /// <summary>The crop of the season as it is known today; null before there is a target.</summary>
    public CropOnTrees? Crop => Counted is null ? Planting.Facts?.Planned : Counted.Crop;

    /// <summary>The point of the year at which its crop would be counted on a day.</summary>
    /// <param name="today">The day.</param>
    public CropPoint CropPointOn(DateOnly today) =>
        CropAtHand.Of(Days, today, Planting.Facts?.OnTrees?.IsThinned ?? true);

    /// <summary>Share of a pass that is reported done.</summary>
    /// <param name="pass">The pass.</param>
    public double Done(string pass) => Progress.GetValueOrDefault(pass)?.Value ?? 0;

    /// <summary>Who did each row of these passes, as first reported.</summary>
    /// <param name="passes">The passes.</param>
    public IReadOnlyDictionary<int, Guid> CrewOfRow(IEnumerable<string> passes)
    {
        Dictionary<int, Guid> crews = [];
        foreach (var report in passes.SelectMany(p => Reports.GetValueOrDefault(p) ?? []))
            if (report.Crew is { } crew)
                foreach (var row in report.Rows)
                    crews.TryAdd(row, crew);
        return crews;
    }

    /// <summary>Row sets of its winter that tell their hours, against those expected of them.</summary>
    public IEnumerable<(DateOnly Day, WorkLog Log)> Logs() =>
        from pass in Programme?.Passes ?? []
        where pass is { IsWinter: true, Hours.Assumed: false }
        from work in PaidWork.Of(Reports.GetValueOrDefault(pass.Id) ?? [], Planting.TreesByRow, _ => new(0))
        let trees = Planting.Facts!.Terms.Trees
        let log = WorkLog.Of(
            Planting.Id,
            work.Report.Crew,
            work.Hours,
            pass.Hours!.Paid * work.Trees / trees,
            work.Trees
        )
        where log is not null
        select (work.Report.Day, log.Value);

    /// <summary>The same with the hours of its winter as they were found to be.</summary>
    /// <param name="learned">What the logs of the estate tell.</param>
    public PlantingYear With(LearnedHours learned)
    {
        var (standing, factor) = learned.Of(this);
        return standing switch
        {
            LearnedStanding.Used => this with { Programme = Programme?.Learned(factor, learned.Minutes.Logs) },
            LearnedStanding.Pinned => this with { Programme = Programme?.Pinned(factor) },
            _ => this,
        };
    }

    /// <summary>The same with what was found of its crop: thinning takes the hours that asks for.</summary>
    /// <param name="counted">What was found.</param>
    public PlantingYear With(CountedCrop counted) =>
        this with
        {
            Counted = counted,
            Programme = counted.Crop?.Thinning is { } load
                ? Programme?.Thinned(Planting.Facts!.Terms.Trees, load)
                : Programme,
        };

    /// <summary>What pruning on a day costs; null where it costs nothing, or nobody can tell.</summary>
    /// <param name="day">The day.</param>
    public LateCost? Late(DateOnly day) => LateCost.Of(day, Planting.Crop, Days);
}

/// <summary>How much longer plantings and crews take than expected, and whether that may be used.</summary>
/// <param name="Minutes">What row sets done taught.</param>
/// <param name="Test">Whether it foretells them; null before there are row sets of two days.</param>
internal sealed record LearnedHours(LearnedMinutes Minutes, BackTest? Test)
{
    /// <summary>How the hours of a planting stand, and the factor on those expected that holds.</summary>
    /// <param name="planting">The planting.</param>
    public (LearnedStanding Standing, double Factor) Of(PlantingYear planting)
    {
        LearnedStandings standings = new(
            planting.Planting.Facts?.Learned.Choices ?? [],
            Test is { Refused: true } ? new HashSet<LearnedQuantity> { LearnedQuantity.Hours } : []
        );
        double? learned = Minutes.Logs == 0 ? null : Minutes.OfPlanting(planting.Planting.Id).Factor;
        return (
            standings.Of(LearnedQuantity.Hours, learned is not null),
            standings.Held(LearnedQuantity.Hours, learned, 1)!.Value
        );
    }
}
