using Rama.Core.Explain;

namespace Rama.Core.Passes;

/// <summary>
/// One go through a planting for one purpose, within a window, by one kind of hands. Those all systems share are data,
/// <c>Passes/passes.json</c>.
/// </summary>
/// <param name="Id">Identifier, such as <c>major</c>.</param>
/// <param name="Name">The pass in two or three words.</param>
/// <param name="What">What is done.</param>
/// <param name="For">Facts of a planting that must all hold, such as <c>cuts</c> or <c>pome</c>; one with <c>!</c>
/// before it must not. <c>chosen</c> never holds by itself: such a pass is had by those who add it.</param>
/// <param name="Window">When.</param>
/// <param name="On">What its days must be like.</param>
/// <param name="Hands">Whom it needs.</param>
/// <param name="IsWinter">Whether the cuts of the winter prescription belong to it.</param>
/// <param name="CarriesSteps">Whether it carries cutting steps of the system.</param>
/// <param name="SecondsPerTree">Seconds a tree beside the cuts of steps; the system's own walking and looking where it
/// carries steps.</param>
/// <param name="EveryDays">Days after which it comes again; null for once.</param>
/// <param name="Times">How often at least, where it comes again.</param>
/// <param name="Caution">Caution where work can hurt someone.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="NextYear">What it does to the year after; null where that is not worth a word.</param>
/// <param name="Task">What it is of a training programme; null where it is none of one.</param>
public sealed record PassDefinition(
    string Id,
    LocalText Name,
    LocalText What,
    IReadOnlyList<string> For,
    WindowRule Window,
    IReadOnlyList<DayCondition> On,
    IReadOnlyList<Hands> Hands,
    bool IsWinter,
    bool CarriesSteps,
    double? SecondsPerTree,
    int? EveryDays,
    int? Times,
    LocalText? Caution,
    string Source,
    LocalText? NextYear = null,
    PassTask? Task = null
)
{
    /// <summary>The passes all systems share, in the order of the year.</summary>
    public static IReadOnlyList<PassDefinition> All { get; } = DataFile.Read<PassFile>("Passes/passes.json").Passes;

    /// <summary>The pass of that identifier, or null.</summary>
    public static PassDefinition? Find(string id) => All.FirstOrDefault(p => p.Id == id);

    /// <summary>Whether it can be added by hand: what carries the cuts of the system follows from that alone.</summary>
    public bool CanBeAdded => !CarriesSteps && !IsWinter && Window.AfterPass.Count == 0;

    /// <summary>Whether a planting of this kind could have it, circumstances aside.</summary>
    public bool IsForKind(IReadOnlySet<string> facts) =>
        For.Where(f => Kinds.Contains(f.TrimStart('!'))).All(f => f[0] == '!' ^ facts.Contains(f.TrimStart('!')));

    /// <summary>Whether a crop could have it.</summary>
    public bool IsForCrop(string? crop) => IsForKind(CropKinds.Of(crop).Concat(["bearing", "bare"]).ToHashSet());

    private static readonly string[] Kinds =
    [
        "pome",
        "stone",
        "cherry",
        "peach",
        "almond",
        "evergreen",
        "bearing",
        "bare",
        PassTask.InTraining,
        "sides",
        "reworked",
    ];

    /// <summary>Whether a planting of these facts has it.</summary>
    public bool IsFor(IReadOnlySet<string> facts) =>
        For.All(f => f[0] == '!' ? !facts.Contains(f[1..]) : facts.Contains(f));

    private sealed record PassFile(IReadOnlyList<PassDefinition> Passes);
}
