using System.Text.RegularExpressions;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Systems.Language;

namespace Rama.Core.Systems;

/// <summary>What is wrong with a rule pack, each fault at its field and in the words of whoever writes it.</summary>
/// <remarks>An estate writes its own packs and all estates share the server, so that everything in one is bounded.
/// </remarks>
internal sealed partial class PackCheck
{
    // More than any pack needs; fewer than would make a plan slow.
    private const int MostSteps = 40,
        MostSettings = 60,
        MostQuestions = 24,
        MostLimits = 8,
        MostPasses = 12,
        MostExpected = 20,
        MostTries = 200,
        MostKeepOff = 20,
        MostWires = 20,
        LongestText = 1_000;

    private readonly TrainingSystem _system;
    private readonly List<FieldProblem> _problems = [];

    private PackCheck(TrainingSystem system) => _system = system;

    /// <summary>What is wrong with it; empty where nothing is.</summary>
    public static IReadOnlyList<FieldProblem> Of(TrainingSystem system)
    {
        PackCheck check = new(system);
        // What is beyond all measure is not looked at more closely.
        check.Sizes();
        if (check._problems.Count > 0)
            return check._problems;
        check.Whole();
        check.Ids();
        for (var i = 0; i < system.Settings.Count; i++)
            check.Setting($"settings[{i}]", system.Settings[i]);
        for (var i = 0; i < system.Questions.Count; i++)
            check.Question($"questions[{i}]", system.Questions[i]);
        for (var i = 0; i < system.Steps.Count; i++)
            check.Step($"steps[{i}]", system.Steps[i]);
        // Every rule is read once, so that a fault is told now and not in the row; what they name must be readable.
        if (!check._problems.Any(p => p.Field.StartsWith("settings", StringComparison.Ordinal)))
            check._problems.AddRange(PruningRules.Check(system));
        return check._problems;
    }

    private void Unless(bool right, string field, string fault)
    {
        if (!right)
            _problems.Add(new(field, "pack", fault));
    }

    private void Sizes()
    {
        Unless(
            _system.Steps.Count is > 0 and <= MostSteps,
            "steps",
            $"It has {_system.Steps.Count} steps, expected 1 to {MostSteps}."
        );
        Unless(_system.Settings.Count <= MostSettings, "settings", $"Expected at most {MostSettings} settings.");
        Unless(_system.Terms.Count <= MostSettings, "terms", $"Expected at most {MostSettings} named rules.");
        Unless(
            _system.Questions.Count <= MostQuestions && _system.Questions.All(q => q.Options.Count <= MostQuestions),
            "questions",
            $"Expected at most {MostQuestions} questions, and as many answers to one."
        );
        Unless(
            (_system.Passes ?? []).Count <= MostPasses,
            "passes",
            $"Expected at most {MostPasses} passes of its own."
        );
        Unless(_system.KeepOff.Count <= MostKeepOff, "keepOff", $"Expected at most {MostKeepOff} things not to cut.");
        Unless((_system.Form.WiresM ?? []).Count <= MostWires, "form.wiresM", $"Expected at most {MostWires} wires.");
        Unless(
            (_system.Form.Expected ?? []).Count <= MostExpected,
            "form.expected",
            $"Expected at most {MostExpected} facts."
        );
        Unless(
            _system.Steps.All(s => s.Limits.Count <= MostLimits && Texts(s).All(t => t.Length <= LongestText)),
            "steps",
            $"Expected at most {MostLimits} limits to a step, and at most {LongestText} letters to each of its texts."
        );
        Unless(
            _system
                .Questions.SelectMany(q => q.Options)
                .All(o =>
                    (o.Sets?.Count ?? 0) <= MostSettings
                    && (o.Orders?.Count ?? 0) <= MostSteps
                    && (o.LeavesOut?.Count ?? 0) <= MostSteps
                    && (o.Moves?.Count ?? 0) <= MostSteps
                    && (o.Sequence?.Count ?? 0) <= MostSteps
                    && (o.Suits?.Count ?? 0) <= MostSteps
                ),
            "questions",
            "An answer speaks of more settings or steps than there can be."
        );
    }

    private static IEnumerable<string> Texts(CuttingStep step) =>
        new[] { step.Name, step.LookFor, step.How, step.Why, step.Because, step.Caution }
            .OfType<LocalText>()
            .SelectMany(t => new[] { t.En, t.Es });

    private void Whole()
    {
        var (form, caps) = (_system.Form, _system.Caps);
        Unless(
            _system.Settings.Aggregate(1L, (tries, s) => Math.Min(MostTries + 1, tries * Math.Max(1, s.Tries.Count)))
                <= MostTries,
            "settings",
            $"All tries of its settings together are more than {MostTries} ways to cut."
        );
        Unless(caps.ShareOfBuds is > 0 and <= 1, "caps.shareOfBuds", "Expected above 0 and at most 100 %.");
        Unless(caps.ShareOfWood is > 0 and <= 1, "caps.shareOfWood", "Expected above 0 and at most 100 %.");
        Unless(caps.ShareRubbed is > 0 and <= 1, "caps.shareRubbed", "Expected above 0 and at most 100 %.");
        Unless(caps.BigCuts >= 0, "caps.bigCuts", "Big cuts cannot be fewer than none.");
        Unless(caps.BigCutMm is > 0 and <= 1_000, "caps.bigCutMm", "Expected above 0 and at most 1 000 mm.");
        Unless(form.LimbsPerTree is > 0 and <= 400, "form.limbsPerTree", "Expected above 0 and at most 400 limbs.");
        Unless(form.Leaders is >= 1 and <= 30, "form.leaders", "Expected 1 to 30 leaders.");
        Unless(
            _system.Labour.BaseSeconds is >= 0 and <= 36_000,
            "labour.baseSeconds",
            "Expected 0 to 36 000 seconds a tree."
        );
        Unless(
            form.UsualGround is { RowM: >= 1 and <= 15, TreeM: >= 0.2 and <= 15 },
            "form.ground",
            "Expected 1 to 15 m between rows and 0.2 to 15 m between trees."
        );
        Unless(
            form.WiresM?.All(h => h is > 0 and <= 15) != false,
            "form.wiresM",
            "Expected wires above 0 and at most 15 m high."
        );
        for (var i = 0; i < _system.KeepOff.Count; i++)
            Unless(
                _system.KeepOff[i] is var text
                    && text is { En.Length: > 0 and <= LongestText, Es.Length: > 0 and <= LongestText },
                $"keepOff[{i}]",
                "Say it in both languages, or leave it out."
            );
        for (var i = 0; i < form.Expected?.Count; i++)
            Unless(
                TreeFact.Codes.Contains(form.Expected[i].Fact) && form.Expected[i].Least <= form.Expected[i].Most,
                $"form.expected[{i}]",
                $"Expected one of {string.Join(", ", TreeFact.Codes)}, its least not above its most."
            );
        if (form.Typical.Fault() is { } shape)
            _problems.Add(new("form.typical", "pack", shape));
        Unless(
            _system.Crops.Count > 0 && _system.Crops.All(ShippedCrops.Knows),
            "crops",
            "It needs a crop, one of the catalogue."
        );
        for (var i = 0; i < _system.Passes?.Count; i++)
            foreach (var fault in _system.Passes[i].Faults())
                _problems.Add(new($"passes[{i}]", "pack", fault));
        foreach (var fault in _system.Training?.Faults() ?? [])
            _problems.Add(new("training", "pack", fault));
        foreach (var fault in _system.Renewal?.Faults() ?? [])
            _problems.Add(new("renewal", "pack", fault));
        Unless(
            _system.Sides is not { } sides
                || _system.Questions.FirstOrDefault(q => q.Id == sides.Question) is { } which
                    && sides.Renewing.All(r => which.Options.Any(o => o.Id == r)),
            "sides",
            "It names a question or an answer that is not there."
        );
        Unless(
            !(_system.Passes ?? [])
                .Select(p => p.Id)
                .Intersect((_system.Training?.Tasks ?? []).Select(t => t.Id))
                .Any(),
            "training",
            "A training task has the id of a pass."
        );
    }

    private void Ids()
    {
        const string form = "A name for rules has lower-case letters, digits and hyphens, a letter first, at most 60.";
        Unless(Id().IsMatch(_system.Id), "id", form);
        foreach (var term in _system.Terms.Keys)
            Unless(Id().IsMatch(term), $"terms.{term}", form);
        All("steps", _system.Steps.Select(s => s.Id));
        All("settings", _system.Settings.Select(s => s.Id));
        All("passes", (_system.Passes ?? []).Select(p => p.Id));
        All("training.tasks", (_system.Training?.Tasks ?? []).Select(t => t.Id));
        All("questions", _system.Questions.Select(q => q.Id));
        for (var i = 0; i < _system.Questions.Count; i++)
            All($"questions[{i}].options", _system.Questions[i].Options.Select(o => o.Id));

        void All(string list, IEnumerable<string> ids)
        {
            HashSet<string> known = [];
            foreach (var (i, id) in ids.Index())
            {
                Unless(Id().IsMatch(id), $"{list}[{i}].id", $"“{Short(id)}” is no id. {form}");
                Unless(known.Add(id), $"{list}[{i}].id", $"There is another one named {Short(id)}.");
            }
        }
    }

    private void Setting(string at, SystemSetting setting)
    {
        Unless(
            RuleUnits.Find(setting.Unit) is not null,
            $"{at}.unit",
            $"Unknown unit “{Short(setting.Unit)}”, expected one of {string.Join(", ", RuleUnits.Codes)} or none."
        );
        Unless(
            double.IsFinite(setting.Least) && double.IsFinite(setting.Most),
            $"{at}.least",
            "Least and most must be numbers."
        );
        Unless(
            setting.Least <= setting.Value && setting.Value <= setting.Most,
            $"{at}.value",
            "Its value must lie between least and most."
        );
        Unless(
            setting.Tries.All(t => t >= setting.Least && t <= setting.Most),
            $"{at}.tries",
            "What is tried must lie between least and most."
        );
    }

    private void Question(string at, PruningQuestion question)
    {
        Unless(question.Options.Count >= 2, at, "It needs two answers to be a question.");
        Unless(
            question.Usual is null || question.Options.Any(o => o.Id == question.Usual),
            $"{at}.usual",
            $"There is no answer “{Short(question.Usual ?? "")}”."
        );
        for (var i = 0; i < question.Options.Count; i++)
            Answer($"{at}.options[{i}]", question.Options[i]);
    }

    private void Answer(string at, PruningAnswer option)
    {
        foreach (var trait in option.Suits ?? [])
            Unless(
                VarietyTraits.Known.Contains(trait),
                $"{at}.suits",
                $"It suits “{Short(trait)}”, expected one of {string.Join(", ", VarietyTraits.Known)}."
            );
        foreach (var (id, value) in option.Sets ?? new Dictionary<string, double>())
            if (_system.Settings.FirstOrDefault(s => s.Id == id) is not { } setting)
                _problems.Add(new($"{at}.sets", "pack", $"There is no number “{Short(id)}”.{Near(id, Settings)}"));
            else
                Unless(
                    value >= setting.Least && value <= setting.Most,
                    $"{at}.sets",
                    $"{id} must lie between {setting.Least} and {setting.Most}."
                );
        foreach (
            var step in (option.Orders?.Keys ?? [])
                .Concat(option.LeavesOut ?? [])
                .Concat(option.Moves?.Keys ?? [])
                .Concat(option.Sequence ?? [])
        )
            Unless(
                _system.Steps.Any(s => s.Id == step),
                at,
                $"There is no step “{Short(step)}”.{Near(step, _system.Steps.Select(s => s.Id))}"
            );
        foreach (var pass in (option.Moves ?? new Dictionary<string, string>()).Values)
            Unless(_system.HasPass(pass), $"{at}.moves", $"There is no pass “{Short(pass)}”.");
    }

    private void Step(string at, CuttingStep step)
    {
        Unless(
            _system.HasPass(step.Pass),
            $"{at}.pass",
            $"There is no pass “{Short(step.Pass)}”: expected {string.Join(", ", PassIds.OfSteps)}, or one of "
                + "its own."
        );
        Unless(step.SecondsEach is >= 0 and <= 36_000, $"{at}.secondsEach", "Expected 0 to 36 000 seconds a cut.");
        Unless(step.Under.Count > 0, $"{at}.under", "It must be done under a decision: choose one.");
        var (leaves, cut) = (step.Cut.Leave is not null, CutChoice.Of(step.Cut.Kind));
        Unless(
            cut.Leaves is not null == leaves,
            $"{at}.cut.leave",
            leaves ? "This cut leaves nothing to say." : "Say what this cut leaves."
        );
        foreach (var only in CutChoice.All.Where(c => c.OnlyFor is not null))
            Unless(
                cut == only == step.Find.StartsWith(only.OnlyFor!, StringComparison.Ordinal),
                $"{at}.cut.kind",
                only.Kind == CutKind.RubOff
                    ? "Rubbing off is for buds, and buds are cut in no other way."
                    : "Singling is for forks, and forks are cut in no other way."
            );
        foreach (
            var (told, text) in new[]
            {
                ("lookFor.en", step.LookFor.En),
                ("lookFor.es", step.LookFor.Es),
                ("how.en", step.How.En),
                ("how.es", step.How.Es),
            }
        )
        foreach (var hole in Holes(text))
            Unless(
                _system.Settings.Any(s => s.Id == hole),
                $"{at}.{told}",
                $"{{{Short(hole)}}} is no number of this system.{Near(hole, Settings)}"
            );
        foreach (var (told, text) in new[] { ("because.en", step.Because.En), ("because.es", step.Because.Es) })
        foreach (var hole in Holes(text))
            Unless(
                CuttingStep.Figures.Contains(hole),
                $"{at}.{told}",
                $"{{{Short(hole)}}} is not known of a cut, expected one of {string.Join(", ", CuttingStep.Figures)}."
                    + Near(hole, CuttingStep.Figures)
            );
    }

    private IEnumerable<string> Settings => _system.Settings.Select(s => s.Id);

    private static IEnumerable<string> Holes(string text) =>
        SettingWords.Hole().Matches(text).Select(m => m.Groups[1].Value);

    // As much of a word as tells which it is.
    private static string Short(string word) => word.Length <= 60 ? word : $"{word[..40]}…";

    private static string Near(string word, IEnumerable<string> known) =>
        NearWord.Of(word, known) is { } near ? $" Did you mean “{near}”?" : "";

    [GeneratedRegex("^[a-z][a-z0-9-]{0,59}$")]
    private static partial Regex Id();
}
