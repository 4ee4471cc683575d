using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;
using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>How a system is cut in one planting, as chosen and typed, and what demonstration trees showed.</summary>
public sealed record CuttingEntry
{
    /// <summary>Answers to the system's questions; its own where left out.</summary>
    public IReadOnlyDictionary<string, string> Answers { get; init; } = new Dictionary<string, string>();

    /// <summary>
    /// Settings held by hand, in the setting's own unit; found by search or the system's own where left out.
    /// </summary>
    public IReadOnlyDictionary<string, double?> Settings { get; init; } = new Dictionary<string, double?>();

    /// <summary>Demonstration trees: what fell after each step.</summary>
    public IReadOnlyList<DemonstrationTreeEntry> Demonstration { get; init; } = [];

    /// <summary>How the crew works to the number; by amounts when left out.</summary>
    public WayOfWorking? Way { get; init; }

    /// <summary>
    /// How many more buds than the target asks the trees still to be pruned are left with, as a share: less than 0 for
    /// fewer. So a planting ends at its number though those done missed it.
    /// </summary>
    public double? Rest { get; init; }

    /// <summary>Whether nothing was chosen.</summary>
    public bool IsUntouched =>
        Answers.Count == 0 && Settings.Count == 0 && Demonstration.Count == 0 && Way is null && Rest is null;

    /// <summary>
    /// Reads the entry against a system. What belongs to another system, chosen before it was changed, is passed over.
    /// </summary>
    /// <param name="system">The planting's system.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Cutting Read(TrainingSystem system)
    {
        const int MostTrees = 100;
        const double MostRest = 0.3;
        var reader = new EntryReader();
        foreach (var question in system.Questions)
            if (Answers.TryGetValue(question.Id, out var answer) && question.Options.All(o => o.Id != answer))
                reader.Add(
                    $"answers.{question.Id}",
                    "unknown",
                    $"{question.Name.En}: please choose one of the answers."
                );
        Dictionary<string, double> settings = [];
        foreach (var setting in system.Settings)
            if (
                reader.Optional(
                    $"settings.{setting.Id}",
                    setting.Name.En,
                    Settings.GetValueOrDefault(setting.Id),
                    setting.Unit,
                    setting.Least,
                    setting.Most
                ) is
                { } value
            )
                settings[setting.Id] = value;
        if (Demonstration.Count > MostTrees)
            reader.Add("demonstration", "list", $"Demonstration trees: expected at most {MostTrees}.");
        var trees = Demonstration
            .Take(MostTrees)
            .Select((t, i) => reader.Under($"demonstration[{i}]", () => t.Read(system)))
            .ToList();
        var rest = reader.Optional("rest", "Rest of the planting", Rest, "share", -MostRest, MostRest) ?? 0;
        reader.ThrowIfAny();
        List<ObservedDrops> observed =
        [
            .. system
                .Steps.Select(s => new ObservedDrops(
                    s.Id,
                    [.. trees.SelectMany(t => t!.Where(d => d.StepId == s.Id).Select(d => d.Share))]
                ))
                .Where(o => o.Shares.Count > 0),
        ];
        return new(Answers, new(settings, observed) { Way = Way ?? WayOfWorking.Amounts }, rest);
    }
}

/// <summary>One demonstration tree, as typed in the row.</summary>
public sealed record DemonstrationTreeEntry
{
    /// <summary>Row number.</summary>
    public double? Row { get; init; }

    /// <summary>Tree in the row.</summary>
    public double? Tree { get; init; }

    /// <summary>Floral buds counted before the first cut.</summary>
    public double? Before { get; init; }

    /// <summary>
    /// Floral buds on the ground after each step, by step, in the order of the work; a step left out was not done.
    /// </summary>
    public IReadOnlyDictionary<string, double?> Fell { get; init; } = new Dictionary<string, double?>();

    /// <summary>Floral buds counted at the end; a check where given.</summary>
    public double? Left { get; init; }

    internal IReadOnlyList<(string StepId, double Share)> Read(TrainingSystem system)
    {
        var reader = new EntryReader();
        reader.OptionalWhole("row", "Row", Row, "", 1, 10_000);
        reader.OptionalWhole("tree", "Tree", Tree, "", 1, 10_000);
        var before = reader.Required("before", "Buds before", Before, "bud/tree", 1, 20_000);
        List<(string, double)> drops = [];
        var stands = before;
        foreach (var step in system.Steps)
        {
            if (
                reader.Optional($"fell.{step.Id}", step.Name.En, Fell.GetValueOrDefault(step.Id), "bud/tree", 0, 20_000)
                is not { } fell
            )
                continue;
            if (fell > stands)
                reader.Add(
                    $"fell.{step.Id}",
                    "conflict",
                    $"{step.Name.En}: {fell:0} fell where {Math.Max(0, stands):0} stood."
                );
            if (stands > 0)
                drops.Add((step.Id, fell / stands));
            stands -= fell;
        }
        // Steps of a system the planting was trained in before are passed over.
        if (Fell.All(f => f.Value is null))
            reader.Add("fell", "missing", "Fell: please type what fell at one step at least.");
        var wholly = Fell.Keys.All(id => system.Steps.Any(s => s.Id == id));
        // A few buds are always miscounted.
        if (
            reader.Optional("left", "Buds left", Left, "bud/tree", 0, 20_000) is { } left
            && wholly
            && Math.Abs(left - stands) > Math.Max(3, 0.1 * before)
        )
            reader.Add(
                "left",
                "conflict",
                $"Buds left: {before:0} less what fell are {stands:0}, not {left:0}. Count again, or correct what fell."
            );
        reader.ThrowIfAny();
        return drops;
    }
}

/// <summary>How a system is cut in one planting.</summary>
/// <param name="Answers">Answers to its questions.</param>
/// <param name="Terms">Settings held, drops observed and the way of working.</param>
/// <param name="Rest">How many more buds than the target asks are left on the trees still to be pruned, as a
/// share.</param>
public sealed record Cutting(IReadOnlyDictionary<string, string> Answers, CuttingTerms Terms, double Rest = 0)
{
    /// <summary>As the system has it.</summary>
    public static readonly Cutting None = new(new Dictionary<string, string>(), CuttingTerms.None);
}
