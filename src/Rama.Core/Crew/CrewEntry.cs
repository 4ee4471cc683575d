using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Crew;

/// <summary>A crew as typed.</summary>
public sealed record CrewEntry
{
    private const int LongestName = 60,
        MostDaysOff = 60,
        MostSites = 100,
        DaysInWeek = 7;

    /// <summary>Most people in a crew.</summary>
    public const int MostPeople = 200;

    /// <summary>Name or number, at most 60 characters.</summary>
    public string? Name { get; init; }

    /// <summary>People in it, with those named.</summary>
    public double? People { get; init; }

    /// <summary>What each of those not named may do.</summary>
    public IReadOnlyList<Hands> Skills { get; init; } = [];

    /// <summary>Days of the week they work; Monday to Friday when none is told.</summary>
    public IReadOnlyList<DayOfWeek> Weekdays { get; init; } = [];

    /// <summary>Hours a day.</summary>
    public double? HoursPerDay { get; init; }

    /// <summary>Days off, such as holidays.</summary>
    public IReadOnlyList<DaysOffEntry> DaysOff { get; init; } = [];

    /// <summary>Names of the sites they work on; all of them when none is told.</summary>
    public IReadOnlyList<string> Sites { get; init; } = [];

    /// <summary>What an hour of one of them costs, money.</summary>
    public double? WagePerHour { get; init; }

    /// <summary>Money paid for a tree, where they are paid by the piece.</summary>
    public double? PiecePerTree { get; init; }

    /// <summary>Hours a day they may work beside.</summary>
    public double? Overtime { get; init; }

    /// <summary>What such an hour costs, times the wage.</summary>
    public double? OvertimeRate { get; init; }

    /// <summary>Reads it.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CrewSheet Read()
    {
        var reader = new EntryReader();
        var name = reader.Text("name", "Name or number", Name, LongestName);
        var people = reader.RequiredWhole("people", "People", People, "", 1, MostPeople);
        var hours = reader.Required("hoursPerDay", "Hours a day", HoursPerDay, "h", 1, WorkCalendar.MostHours);
        var wage = reader.Optional("wagePerHour", "Wage", WagePerHour, "money/h", 0, 100_000);
        var piece = reader.Optional("piecePerTree", "Pay for a tree", PiecePerTree, "money/tree", 0, 100_000);
        var overtime = reader.Optional("overtime", "Overtime", Overtime, "h", 0, 8) ?? 0;
        if (hours + overtime > WorkCalendar.MostHours)
            reader.Add("overtime", "range", $"Overtime: expected at most {WorkCalendar.MostHours} hours a day in all.");
        var rate = reader.Optional("overtimeRate", "Overtime rate", OvertimeRate, "", 1, 5)
            ?? CrewSheet.UsualOvertimeRate;
        if (Weekdays.Count > DaysInWeek)
            reader.Add("weekdays", "range", "Days of the week: expected at most seven.");
        if (DaysOff.Count > MostDaysOff)
            reader.Add("daysOff", "range", $"Days off: expected at most {MostDaysOff} spans.");
        List<DaySpan> off = [];
        foreach (var (i, span) in DaysOff.Take(MostDaysOff).Index())
            if (span.Read(reader, $"daysOff[{i}]") is { } read)
                off.Add(read);
        if (Sites.Count > MostSites || Sites.Any(s => s is null || s.Length > 100))
            reader.Add("sites", "range", $"Sites: expected at most {MostSites} names.");
        reader.ThrowIfAny();
        return new(
            name,
            (int)people,
            [.. Skills.Append(Hands.Helper).Distinct().Order()],
            new(
                Weekdays.Count == 0 ? WorkCalendar.MondayToFriday : Weekdays.ToHashSet(),
                hours,
                [.. off.OrderBy(s => s.From)]
            ),
            Sites.ToHashSet(),
            wage,
            piece,
            overtime,
            rate
        );
    }
}

/// <summary>Days off as typed.</summary>
public sealed record DaysOffEntry
{
    private const int MostDays = 366;

    /// <summary>First day.</summary>
    public DateOnly? From { get; init; }

    /// <summary>Last day; the first when left out.</summary>
    public DateOnly? To { get; init; }

    internal DaySpan? Read(EntryReader reader, string field)
    {
        if (From is not { } from)
        {
            reader.Add($"{field}.from", "missing", "First day off: please fill this in.");
            return null;
        }
        var to = To ?? from;
        if (to < from)
            reader.Add($"{field}.to", "conflict", "Last day off: expected not before the first.");
        else if (to.DayNumber - from.DayNumber > MostDays)
            reader.Add($"{field}.to", "range", $"Last day off: expected within {MostDays} days.");
        else
            return new(from, to);
        return null;
    }
}

/// <summary>A crew as kept.</summary>
/// <param name="Name">Name or number.</param>
/// <param name="People">People in it, with those named.</param>
/// <param name="Skills">What each of those not named may do.</param>
/// <param name="Calendar">When they work.</param>
/// <param name="Sites">Names of the sites they work on; all where none is named.</param>
/// <param name="WagePerHour">What an hour of one of them costs, money; null until told.</param>
/// <param name="PiecePerTree">Money for a tree; null where they are paid by the hour.</param>
/// <param name="Overtime">Hours a day they may work beside.</param>
/// <param name="OvertimeRate">What such an hour costs, times the wage.</param>
public sealed record CrewSheet(
    string Name,
    int People,
    IReadOnlyList<Hands> Skills,
    WorkCalendar Calendar,
    IReadOnlySet<string> Sites,
    double? WagePerHour,
    double? PiecePerTree,
    double Overtime,
    double OvertimeRate
)
{
    /// <summary>What an hour of overtime costs, times the wage, unless told (assumption).</summary>
    public const double UsualOvertimeRate = 1.5;

    /// <summary>Wage where none is told, money an hour (assumption).</summary>
    public const double UsualWage = 15;

    /// <summary>The crew as it is planned.</summary>
    /// <param name="id">Identifier.</param>
    /// <param name="named">What each of those named may do.</param>
    /// <param name="speed">Their hours over those expected.</param>
    public WorkCrew ToCrew(string id, IReadOnlyCollection<IReadOnlySet<Hands>> named, double speed = 1) =>
        new(
            id,
            [
                .. named,
                .. Enumerable.Repeat<IReadOnlySet<Hands>>(Skills.ToHashSet(), Math.Max(0, People - named.Count)),
            ],
            Calendar,
            Sites,
            WagePerHour ?? UsualWage,
            Overtime,
            OvertimeRate,
            speed
        );
}
