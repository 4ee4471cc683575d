using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>How the sides of a planting take turns.</summary>
/// <param name="Start">Season of the first renewal.</param>
/// <param name="EveryYears">Years from one side to the other, 1 or 2.</param>
/// <param name="Change">Season from which another cycle holds, and that cycle; null for none.</param>
public sealed record SidePlan(int Start, int EveryYears, (int From, int EveryYears)? Change)
{
    // Both sides have grown and cropped together once: common practice, no source.
    private const int FirstLeaf = 3;

    /// <summary>First season in which a side may be renewed.</summary>
    /// <param name="yearPlanted">Calendar year of planting.</param>
    public static int Earliest(int yearPlanted) => yearPlanted + FirstLeaf - 1;

    /// <summary>Rows that stand for those of a planting where none are listed.</summary>
    public const int RowsNotListed = 6;

    /// <summary>Its calendar.</summary>
    /// <param name="rows">Rows of the planting; 0 where none are listed.</param>
    /// <param name="until">Last season told.</param>
    /// <remarks>Alleys are counted with the outer sides of the first and last row, so that there is one more than rows.
    /// </remarks>
    public SideCalendar Calendar(int rows, int until) =>
        SideCalendar.Of(
            (rows == 0 ? RowsNotListed : rows) + 1,
            Start,
            EveryYears,
            Math.Max(1, until - Start + 1),
            Change
        );

    /// <summary>What happens in a season; null before the first renewal.</summary>
    /// <param name="rows">Rows of the planting; 0 where none are listed.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    public SideSeason? In(int rows, int season) => season < Start ? null : Calendar(rows, season).Seasons[^1];
}

/// <summary>How sides take turns, as typed.</summary>
public sealed record SidePlanEntry
{
    private const int MostSeasons = 40;

    /// <summary>Season of the first renewal.</summary>
    public double? Start { get; init; }

    /// <summary>Years from one side to the other, 1 or 2; 1 when left out.</summary>
    public double? EveryYears { get; init; }

    /// <summary>Season from which another cycle holds.</summary>
    public double? ChangeFrom { get; init; }

    /// <summary>That cycle, 1 or 2.</summary>
    public double? ChangeTo { get; init; }

    /// <summary>Whether nothing is told, so that there is no calendar.</summary>
    public bool IsEmpty => Start is null;

    /// <summary>Reads it.</summary>
    /// <param name="yearPlanted">Calendar year of planting.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SidePlan Read(int yearPlanted)
    {
        var reader = new EntryReader();
        var earliest = SidePlan.Earliest(yearPlanted);
        var start = reader.RequiredWhole("start", "First season", Start, "", earliest, earliest + MostSeasons);
        var every = reader.OptionalWhole("everyYears", "Years between sides", EveryYears, "year", 1, 2) ?? 1;
        var from = reader.OptionalWhole("changeFrom", "Change from", ChangeFrom, "", 1900, 2240);
        var to = reader.OptionalWhole("changeTo", "Change to", ChangeTo, "year", 1, 2);
        if (from is null != to is null)
            reader.Add(from is null ? "changeFrom" : "changeTo", "missing", "Change: please give season and cycle.");
        if (from <= start)
            reader.Add("changeFrom", "conflict", "Change from: expected after the first season.");
        reader.ThrowIfAny();
        return new((int)start, (int)every, from is null ? null : ((int)from, (int)to!));
    }
}
