using Rama.Core.Explain;

namespace Rama.Core.Crew.Progress;

/// <summary>What a crew did of a pass in a planting on one day, as typed or sent from the row.</summary>
public sealed record WorkReportEntry
{
    private const int MostRows = 2_000,
        LongestNote = 300;

    /// <summary>Identifier of the pass.</summary>
    public string? Pass { get; init; }

    /// <summary>Day of the work.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Crew; null where somebody works alone.</summary>
    public Guid? Crew { get; init; }

    /// <summary>People who worked, where they are named.</summary>
    public IReadOnlyList<Guid> Workers { get; init; } = [];

    /// <summary>How many worked.</summary>
    public double? People { get; init; }

    /// <summary>Hours each of them worked, ways and breaks in them.</summary>
    public double? Hours { get; init; }

    /// <summary>Rows done whole.</summary>
    public IReadOnlyList<int> Rows { get; init; } = [];

    /// <summary>Trees done beside those rows, or where rows are not told.</summary>
    public double? Trees { get; init; }

    /// <summary>What became of the brush; null where nobody said.</summary>
    public Brush? Brush { get; init; }

    /// <summary>What can hurt somebody, at most 300 characters.</summary>
    public string? Hazard { get; init; }

    /// <summary>A note, at most 300 characters.</summary>
    public string? Note { get; init; }

    /// <summary>Reads it.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public WorkReport Read()
    {
        var reader = new EntryReader();
        var pass = reader.Text("pass", "Pass", Pass, 60);
        if (Day is null)
            reader.Add("day", "missing", "Day: please fill this in.");
        var people = reader.RequiredWhole("people", "People", People, "", 1, CrewEntry.MostPeople);
        var hours = reader.Optional("hours", "Hours", Hours, "h", 0, WorkCalendar.MostHours);
        if (Workers.Count > CrewEntry.MostPeople)
            reader.Add("workers", "range", $"People: expected at most {CrewEntry.MostPeople}.");
        if (Rows.Count > MostRows || Rows.Any(r => r is < 1 or > 9_999))
            reader.Add("rows", "range", $"Rows: expected at most {MostRows}, from 1 to 9999.");
        var trees = reader.OptionalWhole("trees", "Trees", Trees, "tree", 0, 1_000_000);
        if (Rows.Count == 0 && trees is null or 0 && hours is null)
            reader.Add("rows", "missing", "Rows done: please fill this in, or trees, or hours.");
        var hazard = reader.OptionalText("hazard", "Hazard", Hazard, LongestNote);
        var note = reader.OptionalText("note", "Note", Note, LongestNote);
        reader.ThrowIfAny();
        return new(
            pass,
            Day!.Value,
            Crew,
            [.. Workers.Distinct()],
            (int)people,
            hours,
            [.. Rows.Distinct().Order()],
            trees ?? 0,
            Brush,
            hazard,
            note
        );
    }
}

/// <summary>What a crew did of a pass in a planting on one day.</summary>
/// <param name="Pass">Identifier of the pass.</param>
/// <param name="Day">Day of the work.</param>
/// <param name="Crew">Crew; null where somebody worked alone.</param>
/// <param name="Workers">People who worked, where they are named.</param>
/// <param name="People">How many worked.</param>
/// <param name="Hours">Hours each of them worked; null where nobody said.</param>
/// <param name="Rows">Rows done whole.</param>
/// <param name="Trees">Trees done beside those rows.</param>
/// <param name="Brush">What became of the brush; null where nobody said.</param>
/// <param name="Hazard">What can hurt somebody.</param>
/// <param name="Note">A note.</param>
public sealed record WorkReport(
    string Pass,
    DateOnly Day,
    Guid? Crew,
    IReadOnlyList<Guid> Workers,
    int People,
    double? Hours,
    IReadOnlyList<int> Rows,
    double Trees,
    Brush? Brush,
    string? Hazard,
    string? Note
)
{
    /// <summary>Hours of all together; null where nobody said.</summary>
    public double? PaidHours => Hours * People;
}

/// <summary>What became of the brush.</summary>
public enum Brush
{
    /// <summary>Chipped or laid in the row.</summary>
    InRow,

    /// <summary>Carried out.</summary>
    CarriedOut,

    /// <summary>Still lies there.</summary>
    Lies,
}
