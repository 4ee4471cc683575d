using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>What happens to the two sides that face an alley in a season.</summary>
public enum SideState
{
    /// <summary>They bear.</summary>
    Crops,

    /// <summary>They bear, and are cut back after harvest.</summary>
    Renewed,

    /// <summary>One replacement shoot each is chosen in summer; they bear nothing.</summary>
    Chosen,
}

/// <summary>Sides in turn: which alley is renewed in which season, so that neighbours never are together.</summary>
/// <param name="Seasons">Each season with the state of each alley, in the order of the rows.</param>
public sealed record SideCalendar(IReadOnlyList<SideSeason> Seasons)
{
    /// <summary>Lays the calendar.</summary>
    /// <param name="alleys">Alleys between the rows.</param>
    /// <param name="start">First season in which any side is renewed: both sides have grown and cropped
    /// together.</param>
    /// <param name="everyYears">Years from the renewal of one side to that of the other, 1 or 2.</param>
    /// <param name="seasons">Seasons told, from the start on.</param>
    /// <param name="change">Season from which another cycle holds, and that cycle; null for none.</param>
    /// <remarks>
    /// Both rows beside an alley face it with the same state. After a change the calendar is laid anew from that season
    /// on, and never renews an alley two seasons running. Source: common practice; experimental.
    /// </remarks>
    public static SideCalendar Of(
        int alleys,
        int start,
        int everyYears,
        int seasons,
        (int From, int EveryYears)? change = null
    )
    {
        List<SideSeason> told = [];
        var last = new int?[2];
        for (var season = start; season < start + seasons; season++)
        {
            var every = change is { } c && season >= c.From ? c.EveryYears : everyYears;
            // Of the two kinds of alley, every second one, the one that was renewed longer ago is due.
            var due = (last[0] ?? int.MinValue) <= (last[1] ?? int.MinValue) ? 0 : 1;
            var latest = last.Max();
            var renewed = latest is null || season - latest >= every ? due : -1;
            if (renewed >= 0 && last[renewed] == season - 1)
                renewed = -1;
            SideState Of(int kind) =>
                kind == renewed ? SideState.Renewed
                : last[kind] == season - 1 ? SideState.Chosen
                : SideState.Crops;
            var states = new[] { Of(0), Of(1) };
            told.Add(new(season, [.. Enumerable.Range(0, alleys).Select(a => states[a % 2])]));
            if (renewed >= 0)
                last[renewed] = season;
        }
        return new(told);
    }
}

/// <summary>A season of a side calendar.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Alleys">State of each alley.</param>
public sealed record SideSeason(int Season, IReadOnlyList<SideState> Alleys)
{
    /// <summary>Whether any alley is in a state.</summary>
    public bool Any(SideState state) => Alleys.Contains(state);

    /// <summary>Alleys in a state, from 1.</summary>
    public IReadOnlyList<int> In(SideState state) =>
        [.. Alleys.Index().Where(a => a.Item == state).Select(a => a.Index + 1)];
}

/// <summary>A calendar of sides, as typed.</summary>
public sealed record SideCalendarEntry
{
    /// <summary>Alleys between the rows.</summary>
    public double? Alleys { get; init; }

    /// <summary>Season of the first renewal.</summary>
    public double? Start { get; init; }

    /// <summary>Years from one side to the other, 1 or 2; 1 when left out.</summary>
    public double? EveryYears { get; init; }

    /// <summary>Seasons told; eight when left out.</summary>
    public double? Seasons { get; init; }

    /// <summary>Season from which another cycle holds.</summary>
    public double? ChangeFrom { get; init; }

    /// <summary>That cycle, 1 or 2.</summary>
    public double? ChangeTo { get; init; }

    /// <summary>Lays it.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SideCalendar Calculate()
    {
        var reader = new EntryReader();
        var alleys = reader.RequiredWhole("alleys", "Alleys", Alleys, "", 1, 500);
        var start = reader.RequiredWhole("start", "First season", Start, "", 1900, 2200);
        var every = reader.OptionalWhole("everyYears", "Years between sides", EveryYears, "year", 1, 2) ?? 1;
        var seasons = reader.OptionalWhole("seasons", "Seasons", Seasons, "", 1, 40) ?? 8;
        var from = reader.OptionalWhole("changeFrom", "Change from", ChangeFrom, "", 1900, 2240);
        var to = reader.OptionalWhole("changeTo", "Change to", ChangeTo, "year", 1, 2);
        if (from is null != to is null)
            reader.Add(from is null ? "changeFrom" : "changeTo", "missing", "Change: please give season and cycle.");
        reader.ThrowIfAny();
        return SideCalendar.Of(
            (int)alleys,
            (int)start,
            (int)every,
            (int)seasons,
            from is null ? null : ((int)from, (int)to!)
        );
    }
}
