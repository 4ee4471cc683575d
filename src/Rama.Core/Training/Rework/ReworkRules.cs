using Rama.Core.Explain;

namespace Rama.Core.Training.Rework;

/// <summary>Kinds of grafts, what each winter asks of a reworked tree, and how it comes into crop: data.</summary>
/// <param name="Grafts">Kinds of grafts.</param>
/// <param name="LastWinter">Winter after which a tree is finished.</param>
/// <param name="Crop">Crop of a reworked tree in its first season, its second and so on, as a share of a grown one
/// (assumption); the last holds from then on.</param>
/// <param name="Ribbons">Colour of the ribbon by standing, where an estate has not chosen.</param>
/// <param name="Colours">Colours there are.</param>
/// <param name="Tasks">What is asked, in the order of the work.</param>
public sealed record ReworkRules(
    IReadOnlyList<GraftKind> Grafts,
    int LastWinter,
    IReadOnlyList<double> Crop,
    IReadOnlyDictionary<ReworkStanding, string> Ribbons,
    IReadOnlyList<string> Colours,
    IReadOnlyList<ReworkTask> Tasks
)
{
    /// <summary>Those that ship.</summary>
    public static ReworkRules Shipped { get; } = DataFile.Read<ReworkRules>("Training/Rework/rework.json");

    /// <summary>The kind of graft of an identifier, or null.</summary>
    public GraftKind? Graft(string? id) => Grafts.FirstOrDefault(g => g.Id == id);

    /// <summary>Crop of a reworked tree as a share of a grown one.</summary>
    /// <param name="winter">Winters since it was grafted; below 1 for one that is grafted this season or later.</param>
    public double CropAt(int winter) => Crop[Math.Clamp(winter, 0, Crop.Count - 1)];
}

/// <summary>A kind of graft.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">As people say it.</param>
/// <param name="Sleeps">Whether its bud is set in summer and sleeps through the winter, so that all comes a year
/// later.</param>
public sealed record GraftKind(string Id, LocalText Name, bool Sleeps);

/// <summary>How a tree stands that is reworked or to go.</summary>
public enum ReworkStanding
{
    /// <summary>To be grafted.</summary>
    ToGraft,

    /// <summary>Grafted, its first winter still to come.</summary>
    Grafted,

    /// <summary>In one of its winters.</summary>
    Winter,

    /// <summary>As any other tree.</summary>
    Finished,

    /// <summary>To be taken out.</summary>
    ToRemove,
}

/// <summary>Trees a task is for.</summary>
public enum ReworkTaskFor
{
    /// <summary>Trees to graft.</summary>
    ToGraft,

    /// <summary>Trees just grafted.</summary>
    Grafted,

    /// <summary>Trees in a winter.</summary>
    Winter,

    /// <summary>Trees whose graft has failed.</summary>
    Failed,

    /// <summary>Trees with a guard against stock.</summary>
    Guarded,

    /// <summary>Trees to go.</summary>
    ToRemove,
}

/// <summary>What of a tree a task asks for beside its standing.</summary>
public enum ReworkCondition
{
    /// <summary>Its bud was set last summer.</summary>
    Sleeping,

    /// <summary>Nobody has said that the union holds.</summary>
    UnionNotSure,

    /// <summary>The union holds.</summary>
    UnionHolds,

    /// <summary>The union has taken and does not hold by itself.</summary>
    UnionLoose,

    /// <summary>It has tape or a lath.</summary>
    Support,

    /// <summary>Its fruit was not seen true to name yet.</summary>
    NotYetTrue,

    /// <summary>It goes in a later winter.</summary>
    Before,

    /// <summary>It goes this winter.</summary>
    Now,
}

/// <summary>What is asked of a tree.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Status">Trees it is for.</param>
/// <param name="FromWinter">First winter; null where winters are not counted.</param>
/// <param name="ToWinter">Last winter.</param>
/// <param name="When">What must hold beside it.</param>
/// <param name="Name">What is done.</param>
/// <param name="Minutes">Minutes a tree.</param>
/// <param name="Caution">Caution where work can hurt someone.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record ReworkTask(
    string Id,
    ReworkTaskFor Status,
    int? FromWinter,
    int? ToWinter,
    IReadOnlyList<ReworkCondition> When,
    LocalText Name,
    double Minutes,
    LocalText? Caution,
    string Source
);
