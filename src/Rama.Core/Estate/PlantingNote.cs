using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>Something to remember at a planting.</summary>
/// <param name="Text">What.</param>
/// <param name="ComeBack">Day to come back to it; null for none.</param>
/// <param name="InRow">Whether whoever works in the row is told.</param>
public sealed record PlantingNote(string Text, DateOnly? ComeBack, bool InRow)
{
    /// <summary>Whether its day has come.</summary>
    /// <param name="today">The day taken as today.</param>
    public bool IsDue(DateOnly today) => ComeBack <= today;
}

/// <summary>A note at a planting, as typed.</summary>
public sealed record PlantingNoteEntry
{
    /// <summary>Longest text.</summary>
    public const int LongestText = 500;

    // A planting stands about as long.
    private const int MostYears = 30;

    /// <summary>What to remember, at most 500 characters.</summary>
    public string? Text { get; init; }

    /// <summary>Day to come back to it; none when left out.</summary>
    public DateOnly? ComeBack { get; init; }

    /// <summary>Whether whoever works in the row is told.</summary>
    public bool InRow { get; init; }

    /// <summary>Reads it.</summary>
    /// <param name="today">The day taken as today.</param>
    /// <exception cref="UnusableEntryException">There is no text, it is too long, or the day lies before last year or
    /// more than 30 years ahead.</exception>
    public PlantingNote Read(DateOnly today)
    {
        EntryReader reader = new();
        var text = reader.Text("text", "Note", Text, LongestText);
        if (ComeBack is { } day && (day.Year < today.Year - 1 || day.Year > today.Year + MostYears))
            reader.Add("comeBack", "far", $"Come back on: expected a day within {MostYears} years.");
        reader.ThrowIfAny();
        return new(text, ComeBack, InRow);
    }
}
