using Rama.Core.Crops;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Season;
using Rama.Web.Check;
using Rama.Web.Passes;
using Rama.Web.Weather;

namespace Rama.Web.Season;

/// <summary>The season at a glance: every planting in the order of the work.</summary>
/// <param name="Estate">Name of the estate.</param>
/// <param name="Season">Calendar year of the harvest planned for.</param>
/// <param name="IsPast">Whether it is another season than the one at hand.</param>
/// <param name="Seasons">Seasons there are plans of, the latest first.</param>
/// <param name="Today">The day taken as today.</param>
/// <param name="AreaHa">Area of all plantings.</param>
/// <param name="ReadyForCards">Plantings whose count settles the decision.</param>
/// <param name="Printable">Plantings whose card can be printed, though their count does not settle the decision
/// yet.</param>
/// <param name="CrewHoursPerWeek">Hours all crews together are taken to work in a week.</param>
/// <param name="CrewHoursTold">Those hours as told of the estate, which count where there are no crews; null until
/// told.</param>
/// <param name="HasCrews">Whether there are crews, whose hours and days count.</param>
/// <param name="EstateVersion">Version of what is told of the estate as a whole.</param>
/// <param name="BodyMarks">Measures the crews take with the body.</param>
/// <param name="Currency">Money of the estate; null until told.</param>
/// <param name="Systems">Names of the training systems.</param>
/// <param name="Passes">Names of the passes.</param>
/// <param name="Warnings">Weather that holds passes up, by site.</param>
/// <param name="Heat">Heat of the season by site and crop.</param>
/// <param name="Plantings">Plantings in the order of the work: hardy, old and big ones first; those with none ahead
/// last.</param>
/// <param name="Pending">What is still being worked out; null where nothing is.</param>
public sealed record SeasonView(
    string Estate,
    int Season,
    bool IsPast,
    IReadOnlyList<int> Seasons,
    DateOnly Today,
    double AreaHa,
    int ReadyForCards,
    int Printable,
    double CrewHoursPerWeek,
    double? CrewHoursTold,
    bool HasCrews,
    uint EstateVersion,
    BodyMarksEntry BodyMarks,
    string? Currency,
    IReadOnlyDictionary<string, LocalText> Systems,
    IReadOnlyDictionary<string, LocalText> Passes,
    IReadOnlyList<SiteWarning> Warnings,
    IReadOnlyList<SiteHeat> Heat,
    IReadOnlyList<SeasonLine> Plantings,
    SeasonPending? Pending = null
)
{
    /// <summary>The same page with these lines, and what they come to.</summary>
    internal SeasonView With(IReadOnlyList<SeasonLine> lines) =>
        this with
        {
            AreaHa = lines.Sum(l => l.AreaHa ?? 0),
            ReadyForCards = lines.Count(l => l.Stage == Stage.Prescribe),
            Printable = lines.Count(l => l is { Stage: Stage.Decide, HasCard: true }),
            Plantings = lines,
        };
}

/// <summary>What of a season page is still being worked out; its lines tell what was last known.</summary>
/// <param name="Left">Plantings still to be worked out; null before it is known.</param>
/// <param name="Of">Plantings there are.</param>
public sealed record SeasonPending(int? Left, int Of);

/// <summary>What is told of the estate as a whole, to save.</summary>
/// <param name="Version">Version it was read at.</param>
/// <param name="Estate">What is told.</param>
public sealed record SaveEstate(uint Version, EstateEntry Estate);

/// <summary>One planting on the season page.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Code">Short name of the planting.</param>
/// <param name="Name">Name of the planting.</param>
/// <param name="Site">Site of its block.</param>
/// <param name="Block">Short name of its block.</param>
/// <param name="Variety">Variety.</param>
/// <param name="Rootstock">Rootstock.</param>
/// <param name="Habit">How it bears, for the words of its numbers.</param>
/// <param name="System">Identifier of the training system.</param>
/// <param name="Leaf">Growing season since planting.</param>
/// <param name="IsInTraining">Whether it is too young to be asked for a crop and none is: it is being trained.</param>
/// <param name="AreaHa">Area.</param>
/// <param name="BearingTrees">Bearing trees.</param>
/// <param name="Stage">Where the work stands.</param>
/// <param name="TreesCounted">Trees counted.</param>
/// <param name="Free">What the estate keeps of it in columns of its own.</param>
/// <param name="Known">What is known of it for the plan of the season.</param>
/// <param name="Decision">Whether to prune.</param>
/// <param name="Weight">How hard.</param>
/// <param name="MinutesPerTree">Work per tree.</param>
/// <param name="Ledger">The account of buds at a glance.</param>
/// <param name="Reason">Why it was decided so.</param>
/// <param name="Work">When the winter's pruning would be done; null where none is ahead.</param>
/// <param name="Passes">The passes of its year at a glance; none for another season than the one at hand.</param>
/// <param name="Check">What checks of finished trees say; null without any.</param>
/// <param name="IsPending">Whether it was changed since, and is being worked out anew.</param>
public sealed record SeasonLine(
    Guid Id,
    string Code,
    string Name,
    string Site,
    string Block,
    string Variety,
    string Rootstock,
    BearingHabit Habit,
    string System,
    int? Leaf,
    bool IsInTraining,
    double? AreaHa,
    double? BearingTrees,
    Stage Stage,
    int TreesCounted,
    IReadOnlyList<FreeValue> Free,
    PlantingKnown Known,
    DecisionKind? Decision,
    PruningWeight? Weight,
    double? MinutesPerTree,
    LedgerGlance? Ledger,
    Notice? Reason,
    WorkAhead? Work,
    IReadOnlyList<PassGlance> Passes,
    CheckGlance? Check,
    bool IsPending = false
)
{
    /// <summary>Whether its card can be printed, whether its count settles the decision or not.</summary>
    public bool HasCard => Ledger?.Left is not null;
}

/// <summary>What is known of a planting.</summary>
/// <param name="Rows">Rows listed.</param>
/// <param name="Seasons">Past seasons with a yield.</param>
/// <param name="Girths">Counted trees with a girth.</param>
/// <param name="CanStart">Whether its past seasons are enough for a target.</param>
/// <param name="Lacks">The one entry its target lacks; null where it lacks none.</param>
public sealed record PlantingKnown(int Rows, int Seasons, int Girths, bool CanStart, string? Lacks);

/// <summary>The account of buds in one line: what stands, what is left, what is wanted.</summary>
/// <param name="Standing">Floral buds standing before pruning; null before a count.</param>
/// <param name="Left">Floral buds left; null before a count.</param>
/// <param name="Wanted">Floral buds to leave.</param>
/// <param name="BandLow">Lower edge of the tolerance band.</param>
/// <param name="BandHigh">Upper edge of the tolerance band.</param>
public sealed record LedgerGlance(LedgerBar? Standing, double? Left, double Wanted, double BandLow, double BandHigh)
{
    internal static LedgerGlance? Of(BudLedger? ledger) =>
        ledger is null ? null : new(ledger.Standing, ledger.Left?.Mean, ledger.Wanted, ledger.BandLow, ledger.BandHigh);
}
