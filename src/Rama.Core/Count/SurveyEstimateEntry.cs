using Rama.Core.Count.Estimate;
using Rama.Core.Explain;

namespace Rama.Core.Count;

/// <summary>Counted trees, and how many they stand for.</summary>
public sealed record SurveyEstimateEntry
{
    /// <summary>The counted trees.</summary>
    public SurveyEntry Count { get; init; } = new();

    /// <summary>Trees in the planting, where known; the interval then uses the finite correction.</summary>
    public double? TreesInPlanting { get; init; }

    /// <summary>What is known of the trees not counted; nothing when left out.</summary>
    public MeasuredTrees Measured { get; init; } = MeasuredTrees.None;

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SurveyEstimate Calculate()
    {
        var reader = new EntryReader();
        var survey = reader.Under("count", Count.Read);
        var trees = reader.Optional("treesInPlanting", "Trees in the planting", TreesInPlanting, "tree", 1, 10_000_000);
        var measured = reader.Under("measured", Measured.Read);
        if (survey?.Trees.Count == 0)
            reader.Add("count.trees", "missing", "Trees: please count at least one tree.");
        if (trees < survey?.Trees.Count)
            reader.Add(
                "treesInPlanting",
                "conflict",
                "Trees in the planting: expected at least as many as were counted."
            );
        reader.ThrowIfAny();
        return SurveyEstimate.Of(survey!, trees, measured)!;
    }
}
