using Rama.Core.Count.Vigour;
using Rama.Core.Crops;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Prescribe;
using Rama.Core.Result.Learning;
using Rama.Core.Result.Thinning;
using Rama.Core.Systems;
using Rama.Core.Training;
using Rama.Core.Training.Rework;

namespace Rama.Core.Season;

/// <summary>What the programme of a planting follows from.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Trees">Bearing trees.</param>
/// <param name="Answers">Answers to the questions of its system.</param>
/// <param name="Days">Days of its year.</param>
/// <param name="Decision">Whether to prune; null before a count, when it is taken to be pruned.</param>
/// <param name="Cuts">What is cut in winter and how long it takes; null before there is a prescription.</param>
/// <param name="Walk">What the walk says; null without one.</param>
/// <param name="IsCounted">Whether trees were counted, to be counted again in bloom.</param>
/// <param name="Site">What its site tells of its year.</param>
/// <param name="Choices">What people decided and reported, by pass.</param>
/// <param name="Today">The day taken as today, which tells where a pass stands; null where nobody asks.</param>
/// <param name="TrainedBy">What the training of a young planting follows from; its usual height and nothing measured
/// when left out.</param>
/// <param name="Sides">What happens to its sides in the season; null without a calendar of sides.</param>
/// <param name="Rework">Its trees in rework and trees to go; null where it has none.</param>
/// <param name="DoneBefore">Passes reported done in the season before, with their day.</param>
/// <param name="Factor">How much longer the planting takes than expected; 1 where nobody knows.</param>
/// <param name="Thinning">What thinning by hand has to take off; null where nobody can tell.</param>
/// <param name="StrongShoots">Whether strong shoots are to be expected after the cuts; null where only the wood cut
/// tells.</param>
public sealed record ProgrammeTerms(
    Planting Planting,
    double Trees,
    IReadOnlyDictionary<string, string> Answers,
    AnchorDays Days,
    DecisionKind? Decision = null,
    CutTimes? Cuts = null,
    WalkFacts? Walk = null,
    bool IsCounted = false,
    SiteYear? Site = null,
    IReadOnlyDictionary<string, PassChoice>? Choices = null,
    DateOnly? Today = null,
    TrainingTerms? TrainedBy = null,
    SideSeason? Sides = null,
    ReworkPlan? Rework = null,
    IReadOnlyDictionary<string, DateOnly>? DoneBefore = null,
    double Factor = 1,
    ThinningLoad? Thinning = null,
    bool? StrongShoots = null
)
{
    // Height of a canopy over its row spacing where nobody says: common practice, no source.
    private const double UsualHeight = 0.9;

    /// <summary>What the training of a young planting follows from.</summary>
    public TrainingTerms Training =>
        TrainedBy ?? TrainingTerms.Of(Planting, Trees, UsualHeight * Planting.Form.RowSpacingM, []);
}

/// <summary>What a vigour walk says of the year of a planting.</summary>
/// <param name="Vigour">How strongly it grows; null where nothing tells.</param>
/// <param name="StrikesSeen">Day fire-blight strikes were marked last; null for none.</param>
/// <param name="LookAgain">The next day to look again at a marked tree; null where none is set.</param>
public sealed record WalkFacts(GrowthVigour? Vigour, DateOnly? StrikesSeen = null, DateOnly? LookAgain = null)
{
    /// <summary>What the marks of a walk say; null where nothing was marked.</summary>
    /// <param name="marks">The marks with the day each was made.</param>
    /// <param name="habit">How the crop bears.</param>
    /// <param name="lookedAgain">Day marked trees were last looked at again; null for never.</param>
    public static WalkFacts? Of(
        IReadOnlyList<(DateOnly Day, VigourMark Mark)> marks,
        BearingHabit habit,
        DateOnly? lookedAgain
    )
    {
        if (VigourSummary.Of([.. marks.Select(m => m.Mark)], habit) is not { } summary)
            return null;
        var strikes = marks.Where(m => m.Mark.Conditions.Contains(TreeCondition.FireBlight)).ToList();
        var looks = marks.Select(m => m.Mark.LookAgain).OfType<DateOnly>().Order().ToList();
        return new(
            summary.Vigour,
            strikes.Count == 0 ? null : strikes.Max(m => m.Day),
                // The first that is still to come; of those all done, the last.
                looks.Count == 0
                    ? null
                : looks.Find(d => !(d <= lookedAgain)) is var next && next != default ? next
                : looks[^1]
        );
    }

    /// <summary>Days of the year it tells.</summary>
    public IEnumerable<(Anchor Anchor, DateOnly Day)> Days()
    {
        if (StrikesSeen is { } seen)
            yield return (Anchor.StrikeSeen, seen);
        if (LookAgain is { } look)
            yield return (Anchor.Mark, look);
    }
}

/// <summary>The cuts of a prescription as far as a programme needs them.</summary>
/// <param name="Cuts">The cuts.</param>
/// <param name="WoodShare">Wood cut, as a share of the canopy's.</param>
/// <param name="ReadingSeconds">Seconds a tree for finding the number, where the crew reads limbs or counts.</param>
public sealed record CutTimes(IReadOnlyList<CutTime> Cuts, double WoodShare, double ReadingSeconds)
{
    /// <summary>Those of a prescription; null for none.</summary>
    /// <param name="prescription">The prescription.</param>
    /// <param name="walkingSeconds">Seconds to walk to a tree and look at it, which are in its minutes.</param>
    public static CutTimes? Of(Prescription? prescription, double walkingSeconds) =>
        prescription is null
            ? null
            : new(
                [.. prescription.Cuts.Select(c => new CutTime(c.StepId, c.IsMade, c.CutsPerTree, c.Seconds))],
                prescription.WoodShare,
                Math.Max(0, prescription.MinutesPerTree * 60 - walkingSeconds - prescription.CuttingSeconds)
            );
}

/// <summary>One cut of it.</summary>
/// <param name="StepId">Step of the system.</param>
/// <param name="IsMade">Whether it is made this winter.</param>
/// <param name="CutsPerTree">Cuts on a mean tree.</param>
/// <param name="Seconds">Seconds of them.</param>
public sealed record CutTime(string StepId, bool IsMade, double CutsPerTree, double Seconds);

/// <summary>The passes of one planting in one season, in the order of the year.</summary>
/// <param name="Passes">The passes.</param>
/// <param name="PaidHours">Hours paid for all of them that can be told.</param>
/// <param name="Months">Those hours by month, spread evenly over the days of each window.</param>
/// <param name="CanAdd">Passes a manager may add.</param>
/// <param name="Warnings">Where what is planned does not fit together.</param>
/// <param name="LastYear">What was done last season and is felt in this one.</param>
public sealed record Programme(
    IReadOnlyList<PlannedPass> Passes,
    double PaidHours,
    IReadOnlyList<MonthHours> Months,
    IReadOnlyList<AddablePass> CanAdd,
    IReadOnlyList<Notice> Warnings,
    IReadOnlyList<FeltThisYear> LastYear
)
{
    // Cuts of a step on a tree where nothing is prescribed: assumption.
    private const double AssumedCuts = 2;

    // Of the assumed minutes, what the major cuts take where there are two passes: assumption.
    private const double MajorShare = 0.4;

    private const double SecondsPerMinute = 60;

    /// <summary>The programme of a planting.</summary>
    /// <param name="terms">What it follows from.</param>
    /// <remarks>Source: handbook of the trade, the passes themselves with their own sources.</remarks>
    public static Programme Of(ProgrammeTerms terms)
    {
        var trained = TrainingState.Of(terms.Training) is { IsOn: true } on ? on : null;
        var facts = FactsOf(terms, trained);
        List<PlannedPass> passes = [];
        var training = trained is null ? null : TrainingPlan.Of(terms.Training);
        var all = terms.Planting.System.AllPasses();
        foreach (var definition in all)
        {
            var choice = terms.Choices?.GetValueOrDefault(definition.Id);
            var isAdded = choice is { IsAdded: true } && definition.CanBeAdded && definition.IsForKind(facts);
            if (!definition.IsFor(facts) && !isAdded)
                continue;
            var follows = passes.Where(p => definition.Window.AfterPass.Contains(p.Id)).ToList();
            // Where nothing is cut there is no brush; detail is cut all the same where the major cuts are left out.
            if (!definition.CarriesSteps && follows.Count > 0 && follows.All(p => p.State == PassState.LeftOut))
                continue;
            var window = PassWindow.Of(
                definition.Window,
                terms.Days,
                follows.FirstOrDefault(p => p.State != PassState.LeftOut)?.AsWorked
            );
            // What cannot be done after harvest any more waits for bud swell.
            if (definition.Id == PassIds.AfterHarvest && window.NeverOpens)
                facts.Add("after-harvest-closed");
            var steps = StepsOf(definition, terms);
            passes.Add(
                PlannedPass.Of(
                    definition,
                    window,
                    steps,
                    HoursOf(definition, steps, terms),
                    choice,
                    terms.Today,
                    PlannedTask.For(definition, training)
                )
            );
        }
        var planned = passes.Where(p => p.State != PassState.LeftOut).ToList();
        return new(
            [.. passes.OrderBy(p => p.From ?? DateOnly.MaxValue)],
            planned.Sum(p => p.Hours?.Paid ?? 0),
            MonthHours.Of(planned),
            [
                .. all.Where(d => d.CanBeAdded && d.IsForKind(facts) && passes.All(p => p.Id != d.Id))
                    .Select(d => new AddablePass(d.Id, d.Name)),
            ],
            SidesSay(terms) is { } sides ? [sides] : [],
            [
                .. from done in terms.DoneBefore ?? new Dictionary<string, DateOnly>()
                from pass in all.Where(p => p.Id == done.Key)
                where pass.NextYear is not null
                orderby done.Value
                select new FeltThisYear(pass.Id, pass.Name, done.Value, pass.NextYear!),
            ]
        );
    }

    /// <summary>The same with the hours of winter as the planting was found to take them.</summary>
    /// <param name="factor">Hours over those expected, above 0.</param>
    /// <param name="logs">Row sets that rests on.</param>
    public Programme Learned(double factor, int logs) =>
        With(p => p.IsWinter ? p with { Hours = p.Hours?.Learned(factor, logs) } : p);

    /// <summary>The same with the hours of its winter as a person pinned them.</summary>
    /// <param name="factor">Hours over those expected, above 0.</param>
    public Programme Pinned(double factor) => With(p => p.IsWinter ? p with { Hours = p.Hours?.Pinned(factor) } : p);

    /// <summary>The same with the hours of hand thinning as the trees ask for them.</summary>
    /// <param name="trees">Bearing trees.</param>
    /// <param name="load">What is to be taken off.</param>
    public Programme Thinned(double trees, ThinningLoad load) =>
        With(p => PassIds.IsThinning(p.Id) ? p with { Hours = ThinningHours(trees, load) } : p);

    // Where hardly anything is to be taken off nobody is sent.
    private static PassHours? ThinningHours(double trees, ThinningLoad? load) =>
        load is null ? null
        : load.IsWorthIt ? PassHours.Of(trees, ThinningLoad.BaseSeconds, load.CuttingSeconds, assumed: !load.IsCounted)
        : PassHours.Of(trees, 0, 0);

    private Programme With(Func<PlannedPass, PlannedPass> change)
    {
        IReadOnlyList<PlannedPass> passes = [.. Passes.Select(change)];
        var planned = passes.Where(p => p.State != PassState.LeftOut).ToList();
        return this with
        {
            Passes = passes,
            PaidHours = planned.Sum(p => p.Hours?.Paid ?? 0),
            Months = MonthHours.Of(planned),
        };
    }

    // The calendar of sides and the cuts chosen tell the same, or it is said.
    private static Notice? SidesSay(ProgrammeTerms terms)
    {
        if (terms is not { Sides: { } season, Planting.System.Sides: { } sides })
            return null;
        var cuts = sides.Renewing.Contains(terms.Answers.GetValueOrDefault(sides.Question) ?? "");
        var renews = season.Any(SideState.Renewed);
        return (renews, cuts) switch
        {
            (true, false) => new(
                "sides.not-cut",
                "The calendar of sides renews alleys this season, but the cuts chosen renew no side."
            ),
            (false, true) => new(
                "sides.rest",
                "The calendar of sides renews no alley this season, but the cuts chosen renew a side."
            ),
            _ => null,
        };
    }

    private static HashSet<string> FactsOf(ProgrammeTerms terms, TrainingState? training)
    {
        var (planting, crop) = (terms.Planting, terms.Planting.Variety.Crop);
        var isYoung = planting.IsYoung;
        var isPruned = terms.Decision != DecisionKind.NoPrune && !(isYoung && terms.Decision is null);
        var strong = terms.Walk?.Vigour == GrowthVigour.Strong;
        var later = terms.Planting.System.StepsByPass(terms.Answers).Any(s => s.Pass == PassIds.AfterHarvest);
        HashSet<string> facts = [.. CropKinds.Of(crop), .. terms.Site?.Facts() ?? []];
        void If(bool holds, string fact)
        {
            if (holds)
                facts.Add(fact);
        }
        If(isYoung, "young");
        If(planting is { Leaf: 1, System.Training: null }, "bare");
        If(!isYoung, "bearing");
        If(isPruned, "cuts");
        If(terms.Decision == DecisionKind.NoPrune, "noPrune");
        If(terms.Planting.System.InTwoPasses(terms.Answers), "twoPasses");
        // A first crop is thinned to its own limit, and not once more with the grown plantings.
        var isFirst = training is not null && planting.System.Training!.At(training.Leaf).Crop < 1;
        If(!isYoung && !isFirst && Catalogue.Shipped.Crop(crop).IsThinned, "thins");
        If(planting.Variety.Traits.BiennialProne, "biennial");
        If(terms.IsCounted, "counted");
        If(strong, "strong");
        If(strong || (terms.StrongShoots ?? terms.Cuts?.WoodShare >= ShootAnswer.SevereWood), "uprights");
        If(isPruned && !isYoung && later, "carries-after-harvest");
        If(terms.Walk?.StrikesSeen is not null, "strikes");
        If(terms.Walk?.LookAgain is not null, "marks");
        If(planting.System.Sides is not null, "sides");
        If(terms.Sides?.Any(SideState.Chosen) == true, "sides-chosen");
        If(terms.Rework is { Work.Count: > 0 }, "reworked");
        If(planting.System.Training is not null, PassTask.HasProgramme);
        if (training is not null)
            facts.UnionWith([
                PassTask.InTraining,
                .. PassTask.FactsOf(training.Leaf),
                .. TrainingTask.TraitsOf(planting.Variety, planting.Rootstock),
            ]);
        return facts;
    }

    private static IReadOnlyList<CarriedStep> StepsOf(PassDefinition definition, ProgrammeTerms terms)
    {
        if (!definition.CarriesSteps)
            return [];
        string[] of =
            definition.IsWinter && !PassIds.IsWinter(definition.Id)
                ? [PassIds.Major, PassIds.Detail]
                : [PassIds.OfCuts(definition.Id)];
        return
        [
            .. from step in terms.Planting.System.StepsByPass(terms.Answers)
            where of.Contains(step.Pass)
            let cut = terms.Cuts?.Cuts.FirstOrDefault(c => c.StepId == step.Step.Id)
            // What is made on any trunk class is carried, whatever the mean tree needs.
            where cut?.IsMade ?? step.Step.Under.Contains(terms.Decision ?? DecisionKind.Reduce)
            select new CarriedStep(
                step.Step.Id,
                step.Step.Name,
                cut?.CutsPerTree,
                cut?.Seconds ?? step.Step.SecondsEach * AssumedCuts,
                cut is null
            ),
        ];
    }

    private static PassHours? HoursOf(PassDefinition definition, IReadOnlyList<CarriedStep> steps, ProgrammeTerms terms)
    {
        // Its tasks hang on single trees.
        if (definition.Id == PassIds.Rework)
            return terms.Rework?.Hours;
        if (PassIds.IsThinning(definition.Id))
            return ThinningHours(terms.Trees, terms.Thinning);
        var visits = definition.Times ?? 1;
        if (!definition.CarriesSteps)
            return definition.SecondsPerTree is { } each
                ? PassHours.Of(terms.Trees, each, 0, terms.Factor, assumed: true, visits: visits)
                : null;
        var walking = terms.Planting.System.Labour.BaseSeconds;
        if (!definition.IsWinter)
            return PassHours.Of(
                terms.Trees,
                walking,
                steps.Sum(s => s.Seconds),
                terms.Factor,
                assumed: steps.Any(s => s.Assumed)
            );
        if (terms.Cuts is { } cuts)
            return PassHours.Of(
                terms.Trees,
                walking,
                // The number is found where the last cuts are made.
                steps.Sum(s => s.Seconds) + (definition.Id == PassIds.Major ? 0 : cuts.ReadingSeconds),
                terms.Factor
            );
        var share = definition.Id switch
        {
            PassIds.Major => MajorShare,
            PassIds.Detail => 1 - MajorShare,
            _ => 1,
        };
        var cutting = Math.Max(0, WorkAhead.AssumedMinutesPerTree * SecondsPerMinute - walking) * share;
        return PassHours.Of(terms.Trees, walking, cutting, terms.Factor, assumed: true);
    }
}

/// <summary>A pass of last season that is felt in this one.</summary>
/// <param name="Id">The pass.</param>
/// <param name="Name">The pass in two or three words.</param>
/// <param name="Done">Day it was done.</param>
/// <param name="Effect">What it does to this year.</param>
public sealed record FeltThisYear(string Id, LocalText Name, DateOnly Done, LocalText Effect);
