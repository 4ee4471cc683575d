using Rama.Core.Count.Vigour;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Prescribe;

namespace Rama.Core.Season;

/// <summary>What the programme of a planting follows from.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Trees">Bearing trees.</param>
/// <param name="Answers">Answers to the questions of its system.</param>
/// <param name="Days">Days of its year.</param>
/// <param name="Decision">Whether to prune; null before a count, when it is taken to be pruned.</param>
/// <param name="Cuts">What is cut in winter and how long it takes; null before there is a prescription.</param>
/// <param name="Vigour">What the walk says; null without one.</param>
/// <param name="IsCounted">Whether trees were counted, to be counted again in bloom.</param>
/// <param name="SiteFacts">What holds of its site: <c>snow</c>, <c>storm</c>.</param>
public sealed record ProgrammeTerms(
    Planting Planting,
    double Trees,
    IReadOnlyDictionary<string, string> Answers,
    AnchorDays Days,
    DecisionKind? Decision = null,
    CutTimes? Cuts = null,
    VigourSummary? Vigour = null,
    bool IsCounted = false,
    IReadOnlyList<string>? SiteFacts = null
);

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
public sealed record Programme(IReadOnlyList<PlannedPass> Passes, double PaidHours, IReadOnlyList<MonthHours> Months)
{
    // Wood taken from which strong regrowth is to be expected: assumption.
    private const double SevereShare = 0.2;

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
        var facts = FactsOf(terms);
        Dictionary<string, PassWindow> windows = [];
        List<PlannedPass> passes = [];
        foreach (var definition in PassDefinition.All)
        {
            if (!definition.IsFor(facts))
                continue;
            var followed = definition
                .Window.AfterPass.Select(p => windows.GetValueOrDefault(p))
                .FirstOrDefault(w => w is not null);
            var window = PassWindow.Of(definition.Window, terms.Days, followed);
            windows.Add(definition.Id, window);
            // What cannot be done after harvest any more waits for bud swell.
            if (definition.Id == PassIds.AfterHarvest && window.NeverOpens)
                facts.Add("after-harvest-closed");
            var steps = StepsOf(definition, terms);
            passes.Add(PlannedPass.Of(definition, window, steps, HoursOf(definition, steps, terms)));
        }
        return new(
            [.. passes.OrderBy(p => p.Window.From ?? DateOnly.MaxValue)],
            passes.Sum(p => p.Hours?.Paid ?? 0),
            MonthHours.Of(passes)
        );
    }

    private static HashSet<string> FactsOf(ProgrammeTerms terms)
    {
        var (planting, crop) = (terms.Planting, terms.Planting.Variety.Crop);
        var isYoung = planting.IsYoung;
        var isPruned = terms.Decision != DecisionKind.NoPrune && !(isYoung && terms.Decision is null);
        var strong = terms.Vigour?.Vigour == GrowthVigour.Strong;
        var conditions = terms.Vigour?.Conditions ?? new Dictionary<TreeCondition, int>();
        var later = terms.Planting.System.StepsByPass(terms.Answers).Any(s => s.Pass == PassIds.AfterHarvest);
        HashSet<string> facts = [crop, .. terms.SiteFacts ?? []];
        void If(bool holds, string fact)
        {
            if (holds)
                facts.Add(fact);
        }
        If(crop is "apple" or "pear", "pome");
        If(crop is "cherry" or "peach" or "apricot" or "plum", "stone");
        If(isYoung, "young");
        If(planting.Leaf == 1, "bare");
        If(!isYoung, "bearing");
        If(isPruned, "cuts");
        If(terms.Decision == DecisionKind.NoPrune, "noPrune");
        If(terms.Planting.System.InTwoPasses(terms.Answers), "twoPasses");
        If(!isYoung && crop != "cherry", "thins");
        If(planting.Variety.Traits.BiennialProne, "biennial");
        If(terms.IsCounted, "counted");
        If(strong, "strong");
        If(strong || terms.Cuts?.WoodShare >= SevereShare, "uprights");
        If(isPruned && !isYoung && later, "carries-after-harvest");
        If(conditions.ContainsKey(TreeCondition.FireBlight), "strikes");
        If(terms.Vigour?.LookAgain is not null, "marks");
        return facts;
    }

    private static IReadOnlyList<CarriedStep> StepsOf(PassDefinition definition, ProgrammeTerms terms)
    {
        if (!definition.CarriesSteps)
            return [];
        var of =
            definition.Id.StartsWith(PassIds.AfterHarvest, StringComparison.Ordinal) ? [PassIds.AfterHarvest]
            : definition.Id is PassIds.Major or PassIds.Detail ? [definition.Id]
            : new[] { PassIds.Major, PassIds.Detail };
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
        var visits = definition.Times ?? 1;
        if (!definition.CarriesSteps)
            return definition.SecondsPerTree is { } each
                ? PassHours.Of(terms.Trees, each, 0, assumed: true, visits: visits)
                : null;
        var walking = terms.Planting.System.Labour.BaseSeconds;
        if (!definition.IsWinter)
            return PassHours.Of(terms.Trees, walking, steps.Sum(s => s.Seconds), assumed: steps.Any(s => s.Assumed));
        if (terms.Cuts is { } cuts)
            return PassHours.Of(
                terms.Trees,
                walking,
                // The number is found where the last cuts are made.
                steps.Sum(s => s.Seconds) + (definition.Id == PassIds.Major ? 0 : cuts.ReadingSeconds)
            );
        var share = definition.Id switch
        {
            PassIds.Major => MajorShare,
            PassIds.Detail => 1 - MajorShare,
            _ => 1,
        };
        var cutting = Math.Max(0, WorkAhead.AssumedMinutesPerTree * SecondsPerMinute - walking) * share;
        return PassHours.Of(terms.Trees, walking, cutting, assumed: true);
    }
}

/// <summary>A pass of a planting's programme.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">The pass in two or three words.</param>
/// <param name="What">What is done.</param>
/// <param name="Window">When.</param>
/// <param name="Says">How to give what is missing, or why it never opens; null for neither.</param>
/// <param name="On">What its days must be like.</param>
/// <param name="Hands">Whom it needs.</param>
/// <param name="IsWinter">Whether the cuts of the winter prescription belong to it.</param>
/// <param name="Cuts">Cutting steps it carries.</param>
/// <param name="EveryDays">Days after which it comes again; null for once.</param>
/// <param name="Times">How often at least, where it comes again.</param>
/// <param name="Hours">Its hours; null where nobody can tell.</param>
/// <param name="Caution">Caution where work can hurt someone.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record PlannedPass(
    string Id,
    LocalText Name,
    LocalText What,
    PassWindow Window,
    Notice? Says,
    IReadOnlyList<DayCondition> On,
    IReadOnlyList<Hands> Hands,
    bool IsWinter,
    IReadOnlyList<CarriedStep> Cuts,
    int? EveryDays,
    int? Times,
    PassHours? Hours,
    LocalText? Caution,
    string Source
)
{
    internal static PlannedPass Of(
        PassDefinition definition,
        PassWindow window,
        IReadOnlyList<CarriedStep> steps,
        PassHours? hours
    ) =>
        new(
            definition.Id,
            definition.Name,
            definition.What,
            window,
            window.Says(),
            definition.On,
            definition.Hands,
            definition.IsWinter,
            steps,
            definition.EveryDays,
            definition.Times,
            hours,
            definition.Caution,
            definition.Source
        );
}

/// <summary>A cutting step a pass carries.</summary>
/// <param name="Id">Step of the system.</param>
/// <param name="Name">The step in two or three words.</param>
/// <param name="CutsPerTree">Cuts on a mean tree; null where nothing is prescribed.</param>
/// <param name="Seconds">Seconds of them on a mean tree.</param>
/// <param name="Assumed">Whether the seconds are an assumption.</param>
public sealed record CarriedStep(string Id, LocalText Name, double? CutsPerTree, double Seconds, bool Assumed);

/// <summary>Hours paid in one month.</summary>
/// <param name="Year">Calendar year.</param>
/// <param name="Month">Month, 1 to 12.</param>
/// <param name="Hours">Hours.</param>
public sealed record MonthHours(int Year, int Month, double Hours)
{
    /// <summary>Hours of passes by month, spread evenly over the days of each window.</summary>
    public static IReadOnlyList<MonthHours> Of(IEnumerable<PlannedPass> passes)
    {
        SortedDictionary<(int Year, int Month), double> sums = [];
        foreach (var pass in passes)
            if (pass is { Hours.Paid: var paid, Window: { From: { } from, To: { } to, NeverOpens: false } })
            {
                var days = to.DayNumber - from.DayNumber + 1;
                for (var first = from; first <= to; )
                {
                    var last = new DateOnly(first.Year, first.Month, DateTime.DaysInMonth(first.Year, first.Month));
                    last = last < to ? last : to;
                    var key = (first.Year, first.Month);
                    var share = (double)(last.DayNumber - first.DayNumber + 1) / days;
                    sums[key] = sums.GetValueOrDefault(key) + paid * share;
                    first = last.AddDays(1);
                }
            }
        return [.. sums.Select(s => new MonthHours(s.Key.Year, s.Key.Month, s.Value))];
    }
}
