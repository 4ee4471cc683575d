using Rama.Core.Weather;

namespace Rama.Core.Training.Rework;

/// <summary>How the union of a graft was found.</summary>
public enum UnionState
{
    /// <summary>It holds.</summary>
    Holds,

    /// <summary>It has taken, and does not hold by itself.</summary>
    Loose,

    /// <summary>The graft has failed.</summary>
    Failed,
}

/// <summary>A tree grafted over to another variety, or to be.</summary>
/// <param name="Row">Row.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Graft">Kind of graft; null where nobody says.</param>
/// <param name="GraftedOn">Day of the grafting; null while it is to come.</param>
/// <param name="GirthCm">Girth of the trunk when grafted, cm.</param>
/// <param name="HeightM">Height of the graft, metres.</param>
/// <param name="Variety">Variety grafted on.</param>
/// <param name="Union">How the union was found last; null where nobody looked.</param>
/// <param name="HasSupport">Whether tape or lath are on.</param>
/// <param name="HasGuard">Whether it has a guard against stock.</param>
/// <param name="TrueToName">Season its fruit was first seen true to name; null where it was not.</param>
/// <param name="DoneSeason">Season whose winter work is done; null for none.</param>
/// <param name="IsFinished">Whether somebody said that it is finished.</param>
/// <param name="Note">What else is to know.</param>
public sealed record ReworkedTree(
    int Row,
    int Tree,
    GraftKind? Graft,
    DateOnly? GraftedOn,
    double? GirthCm,
    double? HeightM,
    string Variety,
    UnionState? Union,
    bool HasSupport,
    bool HasGuard,
    int? TrueToName,
    int? DoneSeason,
    bool IsFinished,
    string? Note
)
{
    /// <summary>Winters since it was grafted, counted from the first after a season of growth; null while it is to be
    /// grafted, and 0 before that winter.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="isSouth">Whether it stands south of the equator.</param>
    public int? WinterIn(int season, bool isSouth) =>
        GraftedOn is not { } day
            ? null
            : Math.Max(0, season - DegreeDays.SeasonOf(day, isSouth) - (Graft is { Sleeps: true } ? 1 : 0));

    /// <summary>Whether its bud was set in the summer before and sleeps.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="isSouth">Whether it stands south of the equator.</param>
    public bool SleepsIn(int season, bool isSouth) =>
        Graft is { Sleeps: true } && GraftedOn is { } day && season == DegreeDays.SeasonOf(day, isSouth) + 1;

    /// <summary>How it stands in the winter before a harvest.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="isSouth">Whether it stands south of the equator.</param>
    public ReworkStanding StandingIn(int season, bool isSouth) =>
        WinterIn(season, isSouth) switch
        {
            _ when IsFinished => ReworkStanding.Finished,
            null => ReworkStanding.ToGraft,
            0 => ReworkStanding.Grafted,
            var winter when winter > ReworkRules.Shipped.LastWinter => ReworkStanding.Finished,
            _ => ReworkStanding.Winter,
        };

    /// <summary>What a winter asks for, in the order of the work.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="isSouth">Whether it stands south of the equator.</param>
    public IReadOnlyList<ReworkTask> TasksIn(int season, bool isSouth)
    {
        var standing = StandingIn(season, isSouth);
        if (standing == ReworkStanding.Finished)
            return [];
        var asks = (Union, standing) switch
        {
            (UnionState.Failed, not ReworkStanding.ToGraft) => ReworkTaskFor.Failed,
            (_, ReworkStanding.ToGraft) => ReworkTaskFor.ToGraft,
            (_, ReworkStanding.Grafted) => ReworkTaskFor.Grafted,
            _ => ReworkTaskFor.Winter,
        };
        var winter = WinterIn(season, isSouth);
        var facts = FactsIn(season, isSouth).ToHashSet();
        return
        [
            .. ReworkRules.Shipped.Tasks.Where(t =>
                (t.Status == asks || t.Status == ReworkTaskFor.Guarded && HasGuard)
                && !(winter < t.FromWinter)
                && !(winter > t.ToWinter)
                && t.When.All(facts.Contains)
            ),
        ];
    }

    private IEnumerable<ReworkCondition> FactsIn(int season, bool isSouth)
    {
        if (SleepsIn(season, isSouth))
            yield return ReworkCondition.Sleeping;
        if (Union is null)
            yield return ReworkCondition.UnionNotSure;
        if (Union == UnionState.Holds)
            yield return ReworkCondition.UnionHolds;
        if (Union == UnionState.Loose)
            yield return ReworkCondition.UnionLoose;
        if (HasSupport)
            yield return ReworkCondition.Support;
        if (TrueToName is null)
            yield return ReworkCondition.NotYetTrue;
    }
}
