using Rama.Core.Explain;

namespace Rama.Core.Passes;

/// <summary>What of a young planting a pass is about, so that its page can tell more than words.</summary>
public enum TaskSubject
{
    /// <summary>Nothing beside its words.</summary>
    None,

    /// <summary>Branches made on a bare leader: buds to keep, or bands of an agent.</summary>
    BareLeader,

    /// <summary>The most fruit a tree may carry.</summary>
    FirstCrop,

    /// <summary>Trees measured, which tells the next leaves.</summary>
    Measures,
}

/// <summary>A task of a training programme, as the pass it is.</summary>
/// <param name="FromLeaf">First leaf it is done in.</param>
/// <param name="ToLeaf">Last leaf.</param>
/// <param name="About">What it is about.</param>
/// <param name="PerTree">How many a tree; null where it is not told by number.</param>
/// <param name="Of">What is counted, such as ties.</param>
public sealed record PassTask(int FromLeaf, int ToLeaf, TaskSubject About, double? PerTree, LocalText? Of)
{
    /// <summary>Fact of a planting whose system has a training programme that is not at its end.</summary>
    public const string InTraining = "training";

    /// <summary>Fact of a planting whose system has a training programme.</summary>
    public const string HasProgramme = "programme";

    /// <summary>Last leaf a programme can tell of.</summary>
    public const int LastLeaf = 15;

    /// <summary>Facts a planting of a leaf has, for tasks to ask for.</summary>
    /// <param name="leaf">Leaf of the programme.</param>
    public static IEnumerable<string> FactsOf(int leaf) =>
        [.. Enumerable.Range(1, leaf).Select(From), .. Enumerable.Range(leaf, LastLeaf - leaf + 1).Select(To)];

    /// <summary>Facts a planting must have for it.</summary>
    public IEnumerable<string> Asks => [InTraining, From(FromLeaf), To(ToLeaf)];

    private static string From(int leaf) => $"from-leaf-{leaf}";

    private static string To(int leaf) => $"to-leaf-{leaf}";
}
