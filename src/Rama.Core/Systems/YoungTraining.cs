using System.Text.Json.Serialization;
using Rama.Core.Passes;

namespace Rama.Core.Systems;

/// <summary>What ends the training of a planting.</summary>
public enum ReadyMark
{
    /// <summary>Its leaders stand at their final height.</summary>
    FinalHeight,

    /// <summary>It has the limbs of a grown tree.</summary>
    SpaceFilled,

    /// <summary>It may carry its first full crop.</summary>
    FullCrop,
}

/// <summary>How a young planting of a system is trained, leaf by leaf, until it bears in full.</summary>
/// <param name="FirstCropLeaf">First leaf it carries fruit in.</param>
/// <param name="Ready">What ends it: all of these.</param>
/// <param name="Growth">What a tree has reached at the end of each leaf, from the first; the last is a grown
/// one.</param>
/// <param name="PruningSeconds">Seconds of pruning a tree by leaf, beside the tasks; the last goes on.</param>
/// <param name="ThinningSeconds">Seconds of hand thinning on a grown tree in full crop.</param>
/// <param name="GrownYieldTHa">Crop of a grown planting on the usual ground, t/ha.</param>
/// <param name="Tasks">What is done.</param>
/// <param name="Source">Where the numbers come from.</param>
public sealed record YoungTraining(
    int FirstCropLeaf,
    IReadOnlyList<ReadyMark> Ready,
    IReadOnlyList<LeafGrowth> Growth,
    IReadOnlyList<double> PruningSeconds,
    double ThinningSeconds,
    double GrownYieldTHa,
    IReadOnlyList<TrainingTask> Tasks,
    string Source
)
{
    private const int MostTasks = 24;

    /// <summary>Leaves it usually takes.</summary>
    [JsonIgnore]
    public int Leaves => Growth.Count;

    /// <summary>What a tree has usually reached at the end of a leaf.</summary>
    /// <param name="leaf">Leaf, from 1.</param>
    public LeafGrowth At(int leaf) => Growth[Math.Clamp(leaf, 1, Leaves) - 1];

    /// <summary>Seconds of pruning a tree in a leaf.</summary>
    /// <param name="leaf">Leaf, from 1.</param>
    public double PruningSecondsAt(int leaf) => PruningSeconds[Math.Clamp(leaf, 1, PruningSeconds.Count) - 1];

    /// <summary>Leaf its tasks are those of: that of the planting, or the last where it is older and not
    /// ready.</summary>
    /// <param name="leaf">Leaf of the planting.</param>
    public int LeafOfTasks(int leaf) => Math.Clamp(leaf, 1, Leaves);

    /// <summary>What is wrong with it.</summary>
    internal IEnumerable<string> Faults()
    {
        if (Growth.Count is 0 or > PassTask.LastLeaf)
        {
            yield return $"training.growth expects 1 to {PassTask.LastLeaf} leaves";
            yield break;
        }
        if (FirstCropLeaf < 1 || FirstCropLeaf > Leaves)
            yield return "training.firstCropLeaf must be one of its leaves";
        if (Ready.Count == 0 || Ready.Distinct().Count() < Ready.Count)
            yield return "training.ready expects what ends it, each once";
        if (Growth.Any(g => !g.IsSound))
            yield return "training.growth: height and trunk must lie above 0, limbs and crop from 0, all at most 1";
        else if (
            Growth
                .Zip(Growth.Skip(1))
                .Any(g =>
                    g.Second.Height < g.First.Height || g.Second.Trunk < g.First.Trunk || g.Second.Limbs < g.First.Limbs
                )
        )
            yield return "training.growth: height, trunk and limbs must not shrink from leaf to leaf";
        else if (Growth[^1] is not { Height: 1, Trunk: 1, Limbs: 1, Crop: 1 })
            yield return "training.growth: the last leaf is a grown tree, 1 of each";
        if (Growth.Take(FirstCropLeaf - 1).Any(g => g.Crop > 0))
            yield return "training.growth: no crop before firstCropLeaf";
        if (PruningSeconds.Count is 0 or > PassTask.LastLeaf || PruningSeconds.Any(s => s is not (>= 0 and <= 36_000)))
            yield return $"training.pruningSeconds expects 1 to {PassTask.LastLeaf} leaves, each 0 to 36 000";
        if (ThinningSeconds is not (>= 0 and <= 36_000))
            yield return "training.thinningSeconds must lie between 0 and 36 000";
        if (GrownYieldTHa is not (> 0 and <= 200))
            yield return "training.grownYieldTHa must lie above 0 and at most 200";
        if (Tasks.Count > MostTasks)
            yield return $"training.tasks: expected at most {MostTasks}";
        if (Tasks.Select(t => t.Id).Distinct().Count() < Tasks.Count)
            yield return "two training tasks share an id";
        foreach (var fault in Tasks.SelectMany(t => t.Faults()))
            yield return fault;
    }
}

/// <summary>What a tree has reached at the end of a leaf, as shares of a grown one.</summary>
/// <param name="Height">Height.</param>
/// <param name="Trunk">Trunk diameter.</param>
/// <param name="Limbs">Limbs.</param>
/// <param name="Crop">Fruit it may carry for each cm² of its trunk; 0 before the first crop.</param>
public sealed record LeafGrowth(double Height, double Trunk, double Limbs, double Crop)
{
    internal bool IsSound =>
        Height is > 0 and <= 1 && Trunk is > 0 and <= 1 && Limbs is >= 0 and <= 1 && Crop is >= 0 and <= 1;
}
