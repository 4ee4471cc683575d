using Rama.Core.Explain;

namespace Rama.Core.Systems;

/// <summary>What pruning in a system stops at.</summary>
public enum SystemAim
{
    /// <summary>Stops when the number of buds is reached.</summary>
    Number,

    /// <summary>Never stops on the number; leaves it to thinning.</summary>
    Light,
}

/// <summary>
/// A way to train trees as a rule pack: its form, its limits and its cutting steps in order. Rule packs are data files,
/// read and carried out by one engine; a new system needs no new code.
/// </summary>
/// <param name="Id">Identifier, such as <c>tall-spindle</c>.</param>
/// <param name="Version">Version of the rule pack.</param>
/// <param name="Name">Name of the system.</param>
/// <param name="Crops">Crops it is used for.</param>
/// <param name="Aim">What pruning stops at.</param>
/// <param name="Form">Usual form of a grown tree.</param>
/// <param name="Caps">Limits to cutting in one winter.</param>
/// <param name="Labour">Time per tree beside the cuts.</param>
/// <param name="Steps">Cutting steps in the order of the work.</param>
/// <param name="KeepOff">What not to cut.</param>
public sealed record TrainingSystem(
    string Id,
    int Version,
    LocalText Name,
    IReadOnlyList<string> Crops,
    SystemAim Aim,
    SystemForm Form,
    SystemCaps Caps,
    SystemLabour Labour,
    IReadOnlyList<CuttingStep> Steps,
    IReadOnlyList<LocalText> KeepOff)
{
    /// <summary>The systems that ship with Rama.</summary>
    public static IReadOnlyList<TrainingSystem> Shipped { get; } = [
        Load("Systems/tall-spindle.json"), Load("Systems/cherry-spindle.json"), Load("Systems/pedestrian-peach.json"),
    ];

    /// <summary>The shipped system of that identifier, or null.</summary>
    public static TrainingSystem? Find(string? id) => Shipped.FirstOrDefault(s => s.Id == id);

    /// <summary>Reads a rule pack from JSON text and checks it.</summary>
    /// <exception cref="InvalidDataException">Says what is wrong with the rule pack.</exception>
    public static TrainingSystem Parse(string json) => Checked(DataFile.Parse<RulePack>(json, "rule pack").System);

    private static TrainingSystem Load(string name) => Checked(DataFile.Read<RulePack>(name).System);

    private static TrainingSystem Checked(TrainingSystem system)
    {
        List<string> faults = [];
        if (system.Steps.Count == 0) faults.Add("it has no steps");
        if (system.Caps.ShareOfBuds is <= 0 or > 1) faults.Add("caps.shareOfBuds must lie above 0 and at most 1");
        if (system.Form.LimbsPerTree <= 0) faults.Add("form.limbsPerTree must be above 0");
        if (system.Steps.Select(s => s.Id).Distinct().Count() < system.Steps.Count) faults.Add("two steps share an id");
        faults.AddRange(system.Steps.Select(s => s.Fault()).OfType<string>());
        return faults.Count == 0
            ? system
            : throw new InvalidDataException($"Rule pack {system.Id}: {string.Join("; ", faults)}.");
    }

    // The file names its schema beside the system, for editors and checkers.
    private sealed record RulePack(
        [property: System.Text.Json.Serialization.JsonPropertyName("$schema")] string Schema, TrainingSystem System);
}

/// <summary>Usual form of a grown tree.</summary>
/// <param name="Leaders">Leaders per tree.</param>
/// <param name="LimbsPerTree">Limbs on a grown tree, used where limbs were not counted.</param>
/// <param name="Canopy">How the canopy fills its row.</param>
/// <param name="Source">Where the numbers come from.</param>
public sealed record SystemForm(int Leaders, double LimbsPerTree, CanopyKind Canopy, string Source);

/// <summary>Limits to cutting in one winter.</summary>
/// <param name="ShareOfBuds">Largest share of the floral buds to cut, above 0 to 1.</param>
/// <param name="Source">Where the number comes from.</param>
public sealed record SystemCaps(double ShareOfBuds, string Source);

/// <summary>Time per tree beside the cuts.</summary>
/// <param name="BaseSeconds">Seconds to walk to a tree and look at it.</param>
/// <param name="Source">Where the number comes from.</param>
public sealed record SystemLabour(double BaseSeconds, string Source);
