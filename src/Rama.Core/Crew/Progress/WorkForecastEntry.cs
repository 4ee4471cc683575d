using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Crew.Progress;

/// <summary>Work left and what row sets done tell, as typed.</summary>
public sealed record WorkForecastEntry
{
    /// <summary>Trees left.</summary>
    public double? Trees { get; init; }

    /// <summary>Minutes expected a tree.</summary>
    public double? MinutesPerTree { get; init; }

    /// <summary>log(actual ÷ expected) of row sets done; none where nothing was logged.</summary>
    public IReadOnlyList<double> Logs { get; init; } = [];

    /// <summary>Row sets left; as many as one when left out.</summary>
    public double? SetsLeft { get; init; }

    /// <summary>People.</summary>
    public double? People { get; init; }

    /// <summary>Hours a day.</summary>
    public double? HoursPerDay { get; init; }

    /// <summary>Share of the days that can be worked on; all when left out.</summary>
    public double? UsableShare { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public WorkForecast Calculate()
    {
        var reader = new EntryReader();
        var trees = reader.Required("trees", "Trees", Trees, "tree", 1, 10_000_000);
        var minutes = reader.Required("minutesPerTree", "Minutes per tree", MinutesPerTree, "min/tree", 0.01, 600);
        var sets = reader.OptionalWhole("setsLeft", "Row sets left", SetsLeft, "", 1, 100_000) ?? 1;
        var people = reader.RequiredWhole("people", "People", People, "", 1, CrewEntry.MostPeople);
        var hours = reader.Required("hoursPerDay", "Hours a day", HoursPerDay, "h", 1, WorkCalendar.MostHours);
        var usable = reader.Optional("usableShare", "Usable days", UsableShare, "share", 0.05, 1) ?? 1;
        PassHoursEntry.CheckLogs(reader, Logs);
        reader.ThrowIfAny();
        return WorkForecast.Of(new(trees, minutes, Logs, (int)sets, (int)people, hours, usable));
    }
}
