using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Systems.Language;

namespace Rama.Core.Systems;

/// <summary>
/// Reads rule packs. A step, question or training task of a pack may say <c>use</c>: it is then taken from
/// <c>Systems/common.json</c>, with whatever else the pack writes in its place.
/// </summary>
internal static partial class RulePack
{
    private static readonly string[] Names =
    [
        "tall-spindle",
        "long-pruned-spindle",
        "two-axis-short-renewal",
        "multi-leader-wall",
        "open-v",
        "cherry-spindle",
        "cherry-multi-leader-bush",
        "cherry-slender-axe",
        "pedestrian-peach",
        "central-leader-in-tiers",
        "broad-canopy",
        "open-vase",
        "open-vase-two-harvests",
        "layered-windows",
        "flush-tipped-dome",
        "one-leader-flat-limbs",
    ];

    private static readonly Lazy<JsonObject> Common = new(() =>
        JsonNode.Parse(DataFile.Text("Systems/common.json"))!.AsObject()
    );

    public static IReadOnlyList<TrainingSystem> Shipped() =>
        [.. Names.Select(n => Parse(DataFile.Text($"Systems/Packs/{n}.json"), n))];

    /// <summary>Reads a pack and checks it.</summary>
    /// <exception cref="InvalidDataException">Says what is wrong.</exception>
    public static TrainingSystem Parse(string json, string name)
    {
        var system = DataFile.Parse<File>(Expanded(json, name), name).System;
        var faults = Faults(system);
        return faults.Count == 0
            ? system
            : throw new InvalidDataException($"Rule pack {system.Id}: {string.Join("; ", faults)}.");
    }

    private static string Expanded(string json, string name)
    {
        try
        {
            var file = JsonNode.Parse(json);
            var system = file?["system"];
            foreach (
                var (list, entries) in new[]
                {
                    ("steps", system?["steps"]),
                    ("questions", system?["questions"]),
                    ("tasks", system?["training"]?["tasks"]),
                }
            )
                for (var i = 0; i < (entries as JsonArray)?.Count; i++)
                    if (entries[i] is JsonObject own && own["use"] is { } use)
                        entries[i] = Over(list, use.GetValue<string>(), own, name);
            NoNulls(file, "pack");
            return file?.ToJsonString() ?? "null";
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            throw new InvalidDataException($"{name}: {e.Message}", e);
        }
    }

    // Lists of a pack hold something at each place; left to the reader, a hole is found only where it is used.
    private static void NoNulls(JsonNode? node, string path)
    {
        if (node is JsonObject whole)
            foreach (var (name, value) in whole)
            {
                // A term and the order of a step are rules under a name; other members may be left empty.
                if (
                    value is null
                    && (
                        path.EndsWith(".terms", StringComparison.Ordinal)
                        || path.EndsWith(".orders", StringComparison.Ordinal)
                    )
                )
                    throw new InvalidDataException($"{path}.{name} is empty.");
                NoNulls(value, $"{path}.{name}");
            }
        if (node is JsonArray list)
            for (var i = 0; i < list.Count; i++)
            {
                if (list[i] is null)
                    throw new InvalidDataException($"{path}[{i}] is empty.");
                NoNulls(list[i], $"{path}[{i}]");
            }
    }

    private static JsonObject Over(string list, string use, JsonObject own, string name)
    {
        if (Common.Value[list]?[use]?.DeepClone() is not JsonObject common)
            throw new InvalidDataException($"{name}: {list} has no common entry “{use}”.");
        foreach (var (key, value) in own)
            if (key != "use")
                common[key] = value?.DeepClone();
        return common;
    }

    // More than any pack needs; fewer than would make a plan slow.
    private const int MostSteps = 40,
        MostSettings = 60,
        MostQuestions = 24,
        MostLimits = 8,
        MostPasses = 12,
        MostExpected = 20,
        MostTries = 200;

    private static List<string> Faults(TrainingSystem system)
    {
        List<string> faults = [];
        void Unless(bool right, string fault)
        {
            if (!right)
                faults.Add(fault);
        }
        Unless(
            system.Steps.Count is > 0 and <= MostSteps,
            $"it has {system.Steps.Count} steps, expected 1 to {MostSteps}"
        );
        Unless(
            system.Settings.Count <= MostSettings && system.Terms.Count <= MostSettings,
            $"expected at most {MostSettings} settings and as many terms"
        );
        Unless(
            system.Questions.Count <= MostQuestions && system.Questions.All(q => q.Options.Count <= MostQuestions),
            $"expected at most {MostQuestions} questions, and as many answers to one"
        );
        Unless(
            system.Settings.Aggregate(1L, (tries, s) => Math.Min(MostTries + 1, tries * Math.Max(1, s.Tries.Count)))
                <= MostTries,
            $"all tries of its settings together are more than {MostTries} ways to cut"
        );
        Unless(system.Caps.ShareOfBuds is > 0 and <= 1, "caps.shareOfBuds must lie above 0 and at most 1");
        Unless(system.Caps.ShareOfWood is > 0 and <= 1, "caps.shareOfWood must lie above 0 and at most 1");
        Unless(system.Caps.ShareRubbed is > 0 and <= 1, "caps.shareRubbed must lie above 0 and at most 1");
        Unless(
            system.Caps is { BigCuts: >= 0, BigCutMm: > 0 and <= 1_000 },
            "caps.bigCuts must not be negative and caps.bigCutMm lie above 0 and at most 1 000"
        );
        Unless(system.Form.LimbsPerTree is > 0 and <= 400, "form.limbsPerTree must lie above 0 and at most 400");
        Unless(system.Form.Leaders is >= 1 and <= 30, "form.leaders must lie between 1 and 30");
        Unless(system.Labour.BaseSeconds is >= 0 and <= 36_000, "labour.baseSeconds must lie between 0 and 36 000");
        Unless(
            system.Form.UsualGround is { RowM: >= 1 and <= 15, TreeM: >= 0.2 and <= 15 },
            "form.ground must be 1 to 15 m between rows and 0.2 to 15 m between trees"
        );
        Unless(
            (system.Form.Expected ?? []).Count <= MostExpected,
            $"expected at most {MostExpected} facts of its trees"
        );
        foreach (var fact in system.Form.Expected ?? [])
            Unless(
                TreeFact.Codes.Contains(fact.Fact) && fact.Least <= fact.Most,
                $"form.expected: “{fact.Fact}” must be one of {string.Join(", ", TreeFact.Codes)}, its least not above "
                    + "its most"
            );
        if (system.Form.Typical.Fault() is { } shape)
            faults.Add($"form.typical: {shape}");
        Unless(
            system.Crops.Count > 0 && system.Crops.All(ShippedCrops.Knows),
            "crops names one that is not in the catalogue"
        );
        foreach (
            var id in new[] { system.Id }
                .Concat(system.Steps.Select(s => s.Id))
                .Concat(system.Settings.Select(s => s.Id))
                .Concat(system.Terms.Keys)
                .Concat((system.Passes ?? []).Select(p => p.Id))
                .Concat((system.Training?.Tasks ?? []).Select(t => t.Id))
                .Concat(system.Questions.SelectMany(q => q.Options.Select(o => o.Id).Prepend(q.Id)))
        )
            Unless(
                Id().IsMatch(id),
                $"“{id}” is no id: lower-case letters, digits and hyphens, at most 60, a letter first"
            );
        Unless(Distinct(system.Steps.Select(s => s.Id)), "two steps share an id");
        Unless(Distinct(system.Questions.Select(s => s.Id)), "two questions share an id");
        Unless(Distinct(system.Settings.Select(s => s.Id)), "two settings share an id");
        Unless(Distinct((system.Passes ?? []).Select(p => p.Id)), "two passes share an id");
        Unless((system.Passes ?? []).Count <= MostPasses, $"expected at most {MostPasses} passes of its own");
        faults.AddRange((system.Passes ?? []).SelectMany(p => p.Faults()));
        faults.AddRange(system.Training?.Faults() ?? []);
        faults.AddRange(system.Renewal?.Faults() ?? []);
        Unless(
            system.Sides is not { } sides
                || system.Questions.FirstOrDefault(q => q.Id == sides.Question) is { } which
                    && sides.Renewing.All(r => which.Options.Any(o => o.Id == r)),
            "sides names a question or an answer that is not there"
        );
        Unless(
            !(system.Passes ?? []).Select(p => p.Id).Intersect((system.Training?.Tasks ?? []).Select(t => t.Id)).Any(),
            "a training task has the id of a pass"
        );
        faults.AddRange(system.Settings.SelectMany(SettingFaults));
        foreach (var question in system.Questions)
            faults.AddRange(QuestionFaults(system, question));
        foreach (var step in system.Steps)
            faults.AddRange(StepFaults(system, step));
        if (faults.Count > 0)
            return faults;

        // Every rule is read once, so that a fault is told now and not in the row.
        try
        {
            PruningRules.Check(system);
        }
        catch (RuleException e)
        {
            faults.Add(e.Message);
        }
        return faults;
    }

    private static IEnumerable<string> SettingFaults(SystemSetting setting)
    {
        if (RuleUnits.Find(setting.Unit) is null)
            yield return $"setting {setting.Id}: unknown unit “{setting.Unit}”, expected one of {string.Join(", ", RuleUnits.Codes)} or none";
        if (!double.IsFinite(setting.Least) || !double.IsFinite(setting.Most))
            yield return $"setting {setting.Id}: least and most must be numbers";
        if (!(setting.Least <= setting.Value && setting.Value <= setting.Most))
            yield return $"setting {setting.Id}: its value must lie between least and most";
        if (setting.Tries.Any(t => t < setting.Least || t > setting.Most))
            yield return $"setting {setting.Id}: tries must lie between least and most";
    }

    private static IEnumerable<string> QuestionFaults(TrainingSystem system, PruningQuestion question)
    {
        if (question.Options.Count < 2)
            yield return $"question {question.Id}: it needs two answers to be a question";
        if (question.Usual is { } usual && question.Options.All(o => o.Id != usual))
            yield return $"question {question.Id}: there is no answer “{usual}”";
        if (!Distinct(question.Options.Select(o => o.Id)))
            yield return $"question {question.Id}: two answers share an id";
        foreach (var option in question.Options)
        {
            foreach (var trait in option.Suits ?? [])
                if (!VarietyTraits.Known.Contains(trait))
                    yield return $"question {question.Id}, {option.Id}: suits speaks of “{trait}”, expected one of {string.Join(", ", VarietyTraits.Known)}";
            foreach (var (id, value) in option.Sets ?? new Dictionary<string, double>())
                if (system.Settings.FirstOrDefault(s => s.Id == id) is not { } setting)
                    yield return $"question {question.Id}, {option.Id}: there is no setting “{id}”";
                else if (value < setting.Least || value > setting.Most)
                    yield return $"question {question.Id}, {option.Id}: {id} must lie between {setting.Least} and "
                        + $"{setting.Most}";
            foreach (
                var step in (option.Orders?.Keys ?? [])
                    .Concat(option.LeavesOut ?? [])
                    .Concat(option.Moves?.Keys ?? [])
                    .Concat(option.Sequence ?? [])
            )
                if (system.Steps.All(s => s.Id != step))
                    yield return $"question {question.Id}, {option.Id}: there is no step “{step}”";
            foreach (var (step, pass) in option.Moves ?? new Dictionary<string, string>())
                if (!system.HasPass(pass))
                    yield return $"question {question.Id}, {option.Id}: there is no pass “{pass}”";
        }
    }

    private static IEnumerable<string> StepFaults(TrainingSystem system, CuttingStep step)
    {
        if (!system.HasPass(step.Pass))
            yield return $"step {step.Id}: pass must be one of {string.Join(", ", PassIds.OfSteps)}, or one of its own";
        if (step.SecondsEach is not (>= 0 and <= 36_000))
            yield return $"step {step.Id}: secondsEach must lie between 0 and 36 000";
        if (step.Limits.Count > MostLimits)
            yield return $"step {step.Id}: expected at most {MostLimits} limits";
        if (step.Under.Count == 0)
            yield return $"step {step.Id}: under must name a decision";
        var (leaves, name) = (step.Cut.Leave is not null, step.Cut.Kind);
        if (
            name is CutKind.RenewalStub or CutKind.ToSideShoot or CutKind.Shorten or CutKind.Tip or CutKind.Head
            != leaves
        )
            yield return $"step {step.Id}: {name} {(leaves ? "leaves nothing to say" : "needs cut.leave")}";
        if (name == CutKind.RubOff != step.Find.StartsWith("buds", StringComparison.Ordinal))
            yield return $"step {step.Id}: rubOff is for buds, and buds are for rubOff";
        if (name == CutKind.Single != step.Find.StartsWith("forks", StringComparison.Ordinal))
            yield return $"step {step.Id}: single is for forks, and forks are for single";
        foreach (
            var (told, text) in new[]
            {
                ("lookFor", step.LookFor.En),
                ("lookFor", step.LookFor.Es),
                ("how", step.How.En),
                ("how", step.How.Es),
            }
        )
        foreach (Match hole in SettingWords.Hole().Matches(text))
            if (system.Settings.All(s => s.Id != hole.Groups[1].Value))
                yield return $"step {step.Id}: {told} speaks of {{{hole.Groups[1].Value}}}, which is no setting";
        foreach (var text in new[] { step.Because.En, step.Because.Es })
        foreach (Match hole in SettingWords.Hole().Matches(text))
            if (!CuttingStep.Figures.Contains(hole.Groups[1].Value))
                yield return $"step {step.Id}: because speaks of {{{hole.Groups[1].Value}}}, expected one of {string.Join(", ", CuttingStep.Figures)}";
    }

    private static bool Distinct(IEnumerable<string> ids) => ids.GroupBy(i => i).All(g => g.Count() == 1);

    [GeneratedRegex("^[a-z][a-z0-9-]{0,59}$")]
    private static partial Regex Id();

    // The file names its schema beside the system, for editors and checkers.
    private sealed record File([property: JsonPropertyName("$schema")] string Schema, TrainingSystem System);
}
