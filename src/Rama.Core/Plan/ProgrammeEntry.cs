using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Result.Forecast;
using Rama.Core.Season;
using Rama.Core.Target.Capacity;
using Rama.Core.Training;
using Rama.Core.Weather;

namespace Rama.Core.Plan;

/// <summary>A planting and the days of its year, as typed.</summary>
public sealed record ProgrammeEntry
{
    /// <summary>All that is entered for the planting.</summary>
    public PlanEntry Plan { get; init; } = new();

    /// <summary>Green tip expected; that of the planting's past seasons when left out.</summary>
    public DateOnly? GreenTip { get; init; }

    /// <summary>Days noted this season.</summary>
    public IReadOnlyList<NotedDayEntry> Noted { get; init; } = [];

    /// <summary>Whether low limbs lie under snow.</summary>
    public bool Snow { get; init; }

    /// <summary>Month the storm season of the site begins in, 1 to 12; none when left out.</summary>
    public double? StormMonth { get; init; }

    /// <summary>Month its hot season begins in; none when left out.</summary>
    public double? HotMonth { get; init; }

    /// <summary>Whether the site lies south of the equator.</summary>
    public bool South { get; init; }

    /// <summary>The day taken as today, which tells where each pass stands; not told when left out.</summary>
    public DateOnly? Today { get; init; }

    /// <summary>What the walk says; nobody walked when left out.</summary>
    public WalkFacts? Walk { get; init; }

    /// <summary>What was measured of its young trees, season by season.</summary>
    public IReadOnlyList<YoungSeasonEntry> Young { get; init; } = [];

    /// <summary>Decisions on passes, by pass.</summary>
    public IReadOnlyDictionary<string, PassChoiceEntry> Choices { get; init; } =
        new Dictionary<string, PassChoiceEntry>();

    /// <summary>Works the programme out.</summary>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Programme Calculate(Catalogue? catalogue = null)
    {
        var reading = PlanReading.Of(Plan, catalogue);
        reading.ThrowIfWrong("planting");
        var noted = new NotedDaysEntry { Noted = Noted }.Read();
        var reader = new EntryReader();
        var storm = reader.OptionalWhole("stormMonth", "Storm season", StormMonth, "", 1, 12);
        var hot = reader.OptionalWhole("hotMonth", "Hot season", HotMonth, "", 1, 12);
        var passes = reading.Planting!.System.AllPasses();
        if (Choices.Count > passes.Count)
            reader.Add("choices", "list", $"Choices: expected at most {passes.Count}.");
        reader.ThrowIfAny();
        var choices = Choices.ToDictionary(
            c => c.Key,
            c => reader.Under($"choices.{c.Key}", () => c.Value.Read(c.Key, reading.Year, null, passes))!
        );
        var young = YoungSeasonEntry.Read(reader, "young", Young, reading.Planting);
        reader.ThrowIfAny();
        SiteYear site = new(South, Snow, (int?)storm, (int?)hot);
        var tip = GreenTip is { } day
            ? new GreenTip(day, 1, GreenTipBasis.Planting)
            : Weather.GreenTip.Expected(reading.Year, reading.GreenTips, [], []);
        var plan = PruningPlan.Of(reading);
        var terms = TermsOf(reading, plan, CropReading.PlannedOf(reading, CropReading.TermsOf(reading, plan)));
        return Programme.Of(
            terms with
            {
                TrainedBy = terms.Training with { Measured = young },
                Days = AnchorDays.Of(
                    reading.Planting!.Variety.Crop,
                    tip,
                    noted,
                    site.Days(reading.Year).Concat(Walk?.Days() ?? []).ToDictionary(d => d.Anchor, d => d.Day)
                ),
                Site = site,
                Choices = choices,
                Today = Today,
                Walk = Walk,
            }
        );
    }

    /// <summary>What the programme of a plan follows from, before anybody tells the days of its year.</summary>
    /// <param name="reading">What was typed, read; its planting must be usable.</param>
    /// <param name="plan">The plan that follows from it.</param>
    /// <param name="crop">The crop of the season, as far as the plan tells it; of no matter when left out.</param>
    public static ProgrammeTerms TermsOf(PlanReading reading, PruningPlan plan, CropOnTrees? crop = null) =>
        new(
            reading.Planting!,
            reading.Density?.BearingTrees ?? 0,
            reading.Cutting.Answers,
            AnchorDays.Of(reading.Planting!.Variety.Crop, null),
            plan.Decision?.Kind,
            CutTimes.Of(plan.Prescription, reading.Planting.System.Labour.BaseSeconds),
            IsCounted: reading.Counted is not null,
            Thinning: crop?.Thinning,
            TrainedBy: TrainingOf(reading) with
            {
                CountedTcsaCm2 = plan.Survey?.Means.TcsaCm2,
            },
            StrongShoots: plan.Shoots?.AreStrong
        );

    /// <summary>What pruning late costs the crop; null where a surplus stands anyway, or nothing is
    /// prescribed.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan that follows from it.</param>
    public static CropAtRisk? CropOf(PlanReading reading, PruningPlan plan) =>
        plan is { Decision.Kind: DecisionKind.Reduce, Prescription: { } prescription, Buds: { } buds }
        && plan.CostsOf(reading) is { } costs
        && prescription.BudsLeft <= buds.BudsPerTree * (1 + reading.Settings.Tolerance)
            ? new(prescription.BudsLeft, reading.Density?.BearingTrees ?? 0, costs)
            : null;

    /// <summary>What the training of a planting follows from, before anybody tells what was measured.</summary>
    /// <param name="reading">What was typed, read; its planting must be usable.</param>
    public static TrainingTerms TrainingOf(PlanReading reading) =>
        TrainingTerms.Of(
            reading.Planting!,
            reading.Density?.BearingTrees ?? 0,
            PruningPlan.HeightLimitM(
                reading.Planting!.System,
                reading.Planting.Form,
                reading.Target?.Canopy ?? Canopy.Usual
            ),
            []
        );
}

/// <summary>A day of the year of a planting that somebody noted.</summary>
public sealed record NotedDayEntry
{
    /// <summary>What happened.</summary>
    public Anchor? Anchor { get; init; }

    /// <summary>When.</summary>
    public DateOnly? Day { get; init; }
}

/// <summary>Days of the year of a planting, as typed.</summary>
public sealed record NotedDaysEntry
{
    private const int Most = 30;

    /// <summary>The days.</summary>
    public IReadOnlyList<NotedDayEntry> Noted { get; init; } = [];

    /// <summary>Reads days of a season; those of a year come in its order.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    /// <remarks>
    /// A season of the north lies between the leaf fall before it and the one after, one of the south half a year
    /// earlier: all days of both lie between 1 March of the year before and the end of January after.
    /// </remarks>
    public IReadOnlyDictionary<Anchor, DateOnly> ReadIn(int season)
    {
        var (first, last) = (new DateOnly(season - 1, 3, 1), new DateOnly(season + 1, 1, 31));
        var reader = new EntryReader();
        foreach (var (i, entry) in Noted.Take(Most).Index())
            if (entry.Day is { } day && (day < first || day > last))
                reader.Add(
                    $"noted[{i}].day",
                    "season",
                    $"Day: expected within season {season}, between {first:yyyy-MM-dd} and {last:yyyy-MM-dd}."
                );
        reader.ThrowIfAny();
        return Read();
    }

    /// <summary>Reads them; those of a year come in its order.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public IReadOnlyDictionary<Anchor, DateOnly> Read()
    {
        var reader = new EntryReader();
        if (Noted.Count > Most)
            reader.Add("noted", "range", $"Days: expected at most {Most}.");
        Dictionary<Anchor, DateOnly> read = [];
        foreach (var (i, entry) in Noted.Take(Most).Index())
        {
            if (entry.Anchor is not { } anchor)
                reader.Add($"noted[{i}].anchor", "missing", "What happened: please fill this in.");
            else if (entry.Day is not { } day)
                reader.Add($"noted[{i}].day", "missing", "Day: please fill this in.");
            else if (!read.TryAdd(anchor, day))
                reader.Add($"noted[{i}].anchor", "duplicate", "This day is noted twice.");
        }
        var inOrder = read.Where(d => IsOfTheYear(d.Key)).OrderBy(d => d.Key).ToList();
        foreach (var (before, after) in inOrder.Zip(inOrder.Skip(1)))
            if (after.Value < before.Value)
                reader.Add(
                    $"noted[{Noted.Index().First(d => d.Item.Anchor == after.Key).Index}].day",
                    "conflict",
                    $"Day: expected after {before.Value:yyyy-MM-dd}, as the year goes."
                );
        reader.ThrowIfAny();
        return read;
    }

    private static bool IsOfTheYear(Anchor anchor) =>
        anchor is not Passes.Anchor.Melt && anchor <= Passes.Anchor.LeafFall;
}
