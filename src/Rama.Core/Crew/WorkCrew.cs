using Rama.Core.Passes;

namespace Rama.Core.Crew;

/// <summary>People who work together, as far as planning them goes.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Members">What each of them may do; a crew known by its number only has as many alike.</param>
/// <param name="Calendar">When they work.</param>
/// <param name="Sites">Sites they work on; every site where none is named.</param>
/// <param name="WagePerHour">What an hour of one of them costs, money.</param>
/// <param name="Overtime">Hours a day they may work beside those of the calendar.</param>
/// <param name="OvertimeRate">What such an hour costs, times the wage; 1 or more.</param>
/// <param name="Speed">Their hours over those expected: 1 as expected, 1.2 a fifth slower.</param>
public sealed record WorkCrew(
    string Id,
    IReadOnlyList<IReadOnlySet<Hands>> Members,
    WorkCalendar Calendar,
    IReadOnlySet<string> Sites,
    double WagePerHour,
    double Overtime = 0,
    double OvertimeRate = 1.5,
    double Speed = 1
)
{
    /// <summary>People in it.</summary>
    public int People => Members.Count;

    /// <summary>Hours all of them work in a week without days off.</summary>
    public double HoursPerWeek => People * Calendar.HoursPerDay * Calendar.Weekdays.Count;

    /// <summary>How many of them work where these hands are needed; 0 where one of them is missing.</summary>
    /// <param name="needs">Hands the work needs, each of somebody.</param>
    /// <remarks>Whoever has any of them works along, whoever leads can prune, and anybody can help: common practice, no
    /// source.</remarks>
    public int PeopleFor(IReadOnlyCollection<Hands> needs) =>
        needs.All(n => Members.Any(m => Can(m, n))) ? Members.Count(m => needs.Any(n => Can(m, n))) : 0;

    /// <summary>Whether they work on a site.</summary>
    /// <param name="site">The site.</param>
    public bool WorksOn(string site) => Sites.Count == 0 || Sites.Contains(site);

    private static bool Can(IReadOnlySet<Hands> skills, Hands need) =>
        skills.Contains(need)
        || need switch
        {
            Hands.Helper => true,
            Hands.Pruner => skills.Contains(Hands.Lead),
            _ => false,
        };
}
