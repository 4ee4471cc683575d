using Rama.Core.Crops;
using Rama.Core.Explain;

namespace Rama.Core.Count.Vigour;

/// <summary>What was seen on a vigour walk.</summary>
/// <param name="Marks">The marks, at least one.</param>
/// <param name="Habit">How the crop bears; as pome fruit does when left out.</param>
public sealed record VigourEntry(IReadOnlyList<VigourMarkEntry> Marks, BearingHabit Habit = BearingHabit.MixedBud)
{
    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public VigourSummary Calculate()
    {
        var reader = new EntryReader();
        if (Marks.Count is 0 or > SurveyEntry.MostTrees)
            reader.Add("marks", "range", $"Marks: expected 1 to {SurveyEntry.MostTrees}.");
        reader.ThrowIfAny();
        var marks = Marks.Select((m, i) => reader.Under($"marks[{i}]", m.Read)).OfType<VigourMark>().ToList();
        reader.ThrowIfAny();
        return VigourSummary.Of(marks, Habit)!;
    }
}
