using System.Text.Json.Serialization;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Systems;

/// <summary>What is done in young plantings of a system, from one leaf to another: a pass of its own.</summary>
/// <param name="Id">Identifier; no other pass of the system has it.</param>
/// <param name="FromLeaf">First leaf it is done in.</param>
/// <param name="ToLeaf">Last leaf.</param>
/// <param name="Name">The task in two or three words.</param>
/// <param name="What">What is done and how.</param>
/// <param name="From">It opens with the last of these.</param>
/// <param name="To">It closes with the first of these.</param>
/// <param name="Hands">Whom it needs.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="PerTree">How many a tree; null where it is not told by number.</param>
/// <param name="Of">What is counted, such as ties.</param>
/// <param name="SecondsEach">Seconds for each, or for a tree where it is not told by number; null where it takes no
/// time of its own.</param>
/// <param name="On">What its days must be like; any day when left out.</param>
/// <param name="EveryDays">Days after which it comes again; once when left out.</param>
/// <param name="Times">How often at least, where it comes again.</param>
/// <param name="When">Traits a planting must have for it, or with <c>!</c> before them must not: those of varieties,
/// <c>dwarfing</c> and <c>thinned</c>.</param>
/// <param name="About">What it is about, beside its words.</param>
/// <param name="Caution">Caution where work can hurt someone.</param>
public sealed record TrainingTask(
    string Id,
    int FromLeaf,
    int ToLeaf,
    LocalText Name,
    LocalText What,
    IReadOnlyList<AnchorOffset> From,
    IReadOnlyList<AnchorOffset> To,
    IReadOnlyList<Hands> Hands,
    string Source,
    double? PerTree = null,
    LocalText? Of = null,
    double? SecondsEach = null,
    IReadOnlyList<DayCondition>? On = null,
    int? EveryDays = null,
    int? Times = null,
    IReadOnlyList<string>? When = null,
    TaskSubject About = TaskSubject.None,
    LocalText? Caution = null
)
{
    // More than any planting is trained by hand.
    private const double MostPerTree = 200;
    private const int MostTraits = 6;

    // Size of tree up to which a rootstock is called dwarfing, per cent of seedling: common practice, no source.
    private const double DwarfingUpTo = 60;

    /// <summary>Fact of a planting on a rootstock that keeps trees small.</summary>
    public const string Dwarfing = "dwarfing";

    /// <summary>Fact of a planting whose fruit are thinned by hand.</summary>
    public const string Thinned = "thinned";

    private static readonly string[] KnownTraits = [.. VarietyTraits.Known, Dwarfing, Thinned];

    /// <summary>Seconds a tree; null where it takes no time of its own.</summary>
    [JsonIgnore]
    public double? SecondsPerTree => SecondsEach * (PerTree ?? 1);

    /// <summary>Whether it is done in a leaf of a planting.</summary>
    /// <param name="leaf">The leaf.</param>
    /// <param name="traits">Traits of the planting.</param>
    public bool IsIn(int leaf, IReadOnlySet<string> traits) =>
        FromLeaf <= leaf
        && leaf <= ToLeaf
        && (When ?? []).All(w => w[0] == '!' ? !traits.Contains(w[1..]) : traits.Contains(w));

    /// <summary>Traits of a planting that tasks may ask for.</summary>
    /// <param name="crop">Its crop.</param>
    /// <param name="variety">Its variety; null where any is meant.</param>
    /// <param name="rootstock">Its rootstock; null where any is meant.</param>
    public static IReadOnlySet<string> TraitsOf(string crop, Variety? variety, Rootstock? rootstock)
    {
        HashSet<string> traits = [.. variety?.Traits.Named ?? []];
        if (rootstock?.VigourPercent.Value <= DwarfingUpTo)
            traits.Add(Dwarfing);
        if (ShippedCrops.Find(crop)?.IsThinned == true)
            traits.Add(Thinned);
        return traits;
    }

    /// <summary>Those of a planting.</summary>
    /// <param name="variety">Its variety.</param>
    /// <param name="rootstock">Its rootstock.</param>
    public static IReadOnlySet<string> TraitsOf(Variety variety, Rootstock rootstock) =>
        TraitsOf(variety.Crop, variety, rootstock);

    /// <summary>The pass it is.</summary>
    public PassDefinition ToDefinition()
    {
        PassTask task = new(FromLeaf, ToLeaf, About, PerTree, Of);
        return new(
            Id,
            Name,
            What,
            [.. task.Asks, .. When ?? []],
            new(From, To, [], null),
            On ?? [],
            Hands,
            IsWinter: false,
            CarriesSteps: false,
            SecondsPerTree,
            EveryDays,
            Times,
            Caution,
            Source,
            Task: task
        );
    }

    /// <summary>What is wrong with it.</summary>
    internal IEnumerable<string> Faults()
    {
        foreach (var fault in PassFaults.Of($"training task {Id}", Id, From, To, Hands, EveryDays, Times))
            yield return fault;
        if (FromLeaf < 1 || ToLeaf < FromLeaf || ToLeaf > PassTask.LastLeaf)
            yield return $"training task {Id}: fromLeaf to toLeaf must lie between 1 and {PassTask.LastLeaf}";
        if (PerTree is not (null or (> 0 and <= MostPerTree)))
            yield return $"training task {Id}: perTree must lie above 0 and at most {MostPerTree}";
        if (PerTree is null != Of is null)
            yield return $"training task {Id}: perTree and of belong together";
        if (SecondsEach is not (null or (>= 0 and <= 3_600)))
            yield return $"training task {Id}: secondsEach must lie between 0 and 3 600";
        if (When?.Count > MostTraits)
            yield return $"training task {Id}: expected at most {MostTraits} traits";
        foreach (var trait in When ?? [])
            if (!KnownTraits.Contains(trait.TrimStart('!')))
                yield return $"training task {Id}: when speaks of “{trait}”, expected one of "
                    + $"{string.Join(", ", KnownTraits)}";
    }
}
