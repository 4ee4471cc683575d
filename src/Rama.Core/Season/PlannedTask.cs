using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Training;

namespace Rama.Core.Season;

/// <summary>What a pass is of a training programme, with the number it goes by.</summary>
/// <param name="About">What it is about.</param>
/// <param name="PerTree">How many a tree; null where it is not told by number, or nobody can tell.</param>
/// <param name="What">What is counted.</param>
/// <param name="Leader">The bare leader; null where it is about something else.</param>
public sealed record PlannedTask(TaskSubject About, double? PerTree, LocalText? What, BareLeader? Leader)
{
    private static readonly LocalText BudsKept = new("buds kept on each leader", "yemas dejadas en cada eje"),
        MostFruit = new("fruit, at most", "frutos como máximo");

    /// <summary>That of a pass; null where it is none of a programme.</summary>
    /// <param name="pass">The pass.</param>
    /// <param name="training">The training of the planting; null where it has none.</param>
    internal static PlannedTask? For(PassDefinition pass, TrainingPlan? training)
    {
        if (pass.Task is not { } task)
            return null;
        var leader = task.About == TaskSubject.BareLeader ? training?.Leader : null;
        var crop = task.About == TaskSubject.FirstCrop ? training?.Now?.Crop : null;
        var (number, of) =
            leader is not null ? (leader.Kept, BudsKept)
            : crop is not null ? (Math.Floor(crop.FruitPerTree), MostFruit)
            : (task.PerTree, task.Of);
        return new(task.About, number, of, leader);
    }
}
