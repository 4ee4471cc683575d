using Rama.Core.Explain;

namespace Rama.Core.Prescribe.Practice;

/// <summary>An exercise, as a lead sets it.</summary>
public sealed record ExerciseEntry
{
    private const int LongestNote = 200;

    /// <summary>Planting the trees stand in.</summary>
    public Guid Planting { get; init; }

    /// <summary>Trunk class; the middle one when left out.</summary>
    public string? Class { get; init; }

    /// <summary>How many trees, 1 to <see cref="PracticeAsk.Offered"/>.</summary>
    public double? Trees { get; init; }

    /// <summary>What to look at, at most 200 characters.</summary>
    public string? Note { get; init; }

    /// <summary>Chooses its trees: of rising difficulty, from the easiest of the class to the hardest.</summary>
    /// <param name="season">Season at hand.</param>
    /// <param name="offered">Trees of the class.</param>
    /// <exception cref="UnusableEntryException">The number of trees cannot be used, the note is too long, or no tree
    /// of the class has anything to cut.</exception>
    public PracticeExercise Read(int season, IReadOnlyList<PracticeAsk> offered)
    {
        EntryReader reader = new();
        var trees = reader.RequiredWhole("trees", "Trees", Trees, "", 1, PracticeAsk.Offered);
        var note = reader.OptionalText("note", "What to look at", Note, LongestNote);
        if (offered.Count == 0)
            reader.Add("planting", "nothing", "Planting: its trees of this class carry no more than they should.");
        reader.ThrowIfAny();
        var chosen = PracticeCourse.Rising(offered, t => t.Difficulty, t => t.Number, (int)trees);
        return new(Planting, season, chosen[0].Class, [.. chosen.Select(t => t.Number)], note);
    }
}
