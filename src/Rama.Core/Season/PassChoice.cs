using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Season;

/// <summary>What people decided of one pass of a planting, and what they reported of it.</summary>
/// <param name="Pass">The pass.</param>
/// <param name="IsAdded">Whether it is done though nothing else asks for it.</param>
/// <param name="LeftOut">Why it is left out; null where it is not.</param>
/// <param name="From">First day it was moved to; null where it was not moved.</param>
/// <param name="To">Last day it was moved to.</param>
/// <param name="Done">Day it was done; null before.</param>
public sealed record PassChoice(
    string Pass,
    bool IsAdded = false,
    string? LeftOut = null,
    DateOnly? From = null,
    DateOnly? To = null,
    DateOnly? Done = null
);

/// <summary>What a manager decides of one pass, as typed.</summary>
public sealed record PassChoiceEntry
{
    /// <summary>Whether it is done though nothing else asks for it.</summary>
    public bool Added { get; init; }

    /// <summary>Whether it is left out.</summary>
    public bool LeftOut { get; init; }

    /// <summary>Why it is left out.</summary>
    public string? Reason { get; init; }

    /// <summary>First day to move it to; left where it is when left out.</summary>
    public DateOnly? From { get; init; }

    /// <summary>Last day to move it to.</summary>
    public DateOnly? To { get; init; }

    /// <summary>Reads the decision; what was reported of the pass stays as it is.</summary>
    /// <param name="pass">The pass.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="done">Day it was done; null before.</param>
    /// <param name="passes">Passes the planting may have.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PassChoice Read(string pass, int season, DateOnly? done, IReadOnlyList<PassDefinition> passes)
    {
        var reader = new EntryReader();
        PassReading.Known(reader, pass, passes);
        string? reason = null;
        if (LeftOut)
            reason = reader.Text("reason", "Reason", Reason, 200);
        else if (!string.IsNullOrWhiteSpace(Reason))
            reader.Add("reason", "conflict", "Reason: it says why the pass is left out.");
        if (LeftOut && done is not null)
            reader.Add("leftOut", "conflict", "This pass was done. Take that back first.");
        if (Added && passes.FirstOrDefault(p => p.Id == pass)?.CanBeAdded == false)
            reader.Add("added", "conflict", "This pass follows from the system and the decision and cannot be added.");
        if (From is null != To is null)
            reader.Add(From is null ? "from" : "to", "missing", "First and last day: please give both.");
        PassReading.Day(reader, "from", "First day", From, season);
        PassReading.Day(reader, "to", "Last day", To, season);
        if (From > To)
            reader.Add("to", "conflict", "Last day: expected not before the first.");
        reader.ThrowIfAny();
        return new(pass, Added, reason, From, To, done);
    }
}

/// <summary>What a crew lead reports of one pass, as typed.</summary>
public sealed record PassReportEntry
{
    /// <summary>Day it was done; null to take that back.</summary>
    public DateOnly? Done { get; init; }

    /// <summary>Reads the report; what was decided of the pass stays as it is.</summary>
    /// <param name="choice">What is known of it.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="today">The day taken as today.</param>
    /// <param name="passes">Passes the planting may have.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PassChoice Read(PassChoice choice, int season, DateOnly today, IReadOnlyList<PassDefinition> passes)
    {
        var reader = new EntryReader();
        PassReading.Known(reader, choice.Pass, passes);
        PassReading.Day(reader, "done", "Done", Done, season);
        if (Done > today)
            reader.Add("done", "range", "Done: expected a day up to today.");
        if (Done is not null && choice.LeftOut is not null)
            reader.Add("done", "conflict", "This pass is left out. Have it put back first.");
        reader.ThrowIfAny();
        return choice with { Done = Done };
    }
}

internal static class PassReading
{
    public static void Known(EntryReader reader, string pass, IReadOnlyList<PassDefinition> passes)
    {
        if (passes.All(p => p.Id != pass))
            reader.Add("pass", "unknown", "There is no such pass.");
    }

    /// <summary>Days of a season lie in its own year, the one before or the one after.</summary>
    public static void Day(EntryReader reader, string field, string label, DateOnly? day, int season)
    {
        if (day is { } date && Math.Abs(date.Year - season) > 1)
            reader.Add(field, "range", $"{label}: expected a day from {season - 1} to {season + 1}.");
    }
}
