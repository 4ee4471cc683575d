using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Systems.Language;

namespace Rama.Core.Systems;

/// <summary>A system's rules made ready to be carried out, with the answers chosen to its questions.</summary>
public sealed class PruningRules
{
    private const string TooBigTerm = "too-big",
        BigFromSetting = "big-from";

    private readonly Dictionary<string, double> _seconds;

    private PruningRules(
        TrainingSystem system,
        IReadOnlyList<PruningAnswer> answers,
        SystemAim aim,
        IReadOnlyList<ReadyStep> steps,
        double[] settings
    )
    {
        (System, Answers, Aim, Steps, Defaults) = (system, answers, aim, steps, settings);
        _seconds = steps.ToDictionary(s => s.Step.Id, s => s.Step.SecondsEach);
    }

    /// <summary>The system.</summary>
    public TrainingSystem System { get; }

    /// <summary>The answer chosen to each of the system's questions, in their order.</summary>
    public IReadOnlyList<PruningAnswer> Answers { get; }

    /// <summary>The same by question.</summary>
    public IReadOnlyDictionary<string, string> ByQuestion =>
        System.Questions.Zip(Answers).ToDictionary(x => x.First.Id, x => x.Second.Id);

    /// <summary>Whether an answer says what a setting is.</summary>
    internal bool IsAnswered(string setting) => Answers.Any(a => a.Sets?.ContainsKey(setting) == true);

    /// <summary>What pruning stops at.</summary>
    public SystemAim Aim { get; }

    /// <summary>Steps in the order of the work.</summary>
    internal IReadOnlyList<ReadyStep> Steps { get; }

    /// <summary>
    /// Whether a limb is too big for its place by the system's own rule; null where it has none of that name.
    /// </summary>
    internal Rule? TooBig { get; private init; }

    /// <summary>Values of the settings, in base units and in their order.</summary>
    internal double[] Defaults { get; }

    /// <summary>Values of the settings with some changed.</summary>
    /// <param name="changed">Values by setting, in the setting's own unit; unknown ones are passed over.</param>
    internal double[] Values(IReadOnlyDictionary<string, double>? changed = null)
    {
        double[] values = [.. Defaults];
        foreach (var (id, value) in changed ?? new Dictionary<string, double>())
            if (Place(id) is { } place)
                values[place] = value * Factor(System.Settings[place]);
        return values;
    }

    /// <summary>Values of the settings by name, in each setting's own unit.</summary>
    internal IReadOnlyDictionary<string, double> InUnits(double[] values) =>
        System.Settings.Select((s, i) => (s.Id, Value: values[i] / Factor(s))).ToDictionary(x => x.Id, x => x.Value);

    /// <summary>Where a setting stands among the values; null for an unknown one.</summary>
    internal int? Place(string id)
    {
        for (var i = 0; i < System.Settings.Count; i++)
            if (System.Settings[i].Id == id)
                return i;
        return null;
    }

    /// <summary>
    /// Diameter from which a limb is too big whatever it bears, mm; infinite where the system has no such
    /// setting.
    /// </summary>
    internal double BigFromMm(double[] values) =>
        Place(BigFromSetting) is { } place ? values[place] * 1_000 : double.PositiveInfinity;

    /// <summary>Seconds a cut of a step takes.</summary>
    internal double Seconds(string step) => _seconds[step];

    /// <summary>Seconds a cut of the step takes whose number a setting tells.</summary>
    internal double SecondsOf(string setting) => Steps.First(s => s.Step.Most == setting).Step.SecondsEach;

    internal static double Factor(SystemSetting setting) => RuleUnits.Find(setting.Unit)!.Value.Factor;

    /// <summary>Makes the rules ready.</summary>
    /// <exception cref="RuleException">A rule cannot be understood.</exception>
    internal static PruningRules Of(TrainingSystem system, IReadOnlyList<PruningAnswer> answers, string? pass) =>
        Of(system, answers, NamesOf(system), p => pass is null ? PassIds.IsWinter(p) : p == pass);

    /// <summary>
    /// Reads every rule of a system once, and every order an answer brings, with one budget for all. An answer changes
    /// no other rule.
    /// </summary>
    /// <returns>Rules that cannot be understood, each at its field; one of the whole where they are too many.</returns>
    internal static IReadOnlyList<FieldProblem> Check(TrainingSystem system)
    {
        var names = NamesOf(system);
        List<FieldProblem> problems = [];
        Dictionary<string, Subject> subjects = [];
        for (var i = 0; i < system.Steps.Count; i++)
        {
            var (step, at) = (system.Steps[i], $"steps[{i}]");
            var find = Read($"{at}.find", () => Selector.Parse(step.Find, names));
            if (step.Most is { } most)
                Read($"{at}.most", () => RuleParser.Parse(most, Subject.Tree, names, Dimension.Number));
            // What the others may name hangs on what is looked for.
            if (find is null)
                continue;
            subjects[step.Id] = find.Subject;
            Read($"{at}.first", () => RuleParser.ParseOrder(step.First, find.Subject, names));
            for (var l = 0; l < step.Limits.Count; l++)
            {
                var limit = step.Limits[l];
                Read($"{at}.limits[{l}].where", () =>
                    RuleParser.Parse(limit.Where, find.Subject, names, Dimension.YesNo)
                );
                Read($"{at}.limits[{l}].most", () =>
                    RuleParser.Parse(limit.Most, Subject.Tree, names, Dimension.Number)
                );
            }
            if (step.Cut.Leave is { } leave)
                Read($"{at}.cut.leave", () => RuleParser.Parse(leave, find.Subject, names, Dimension.Length));
        }
        HashSet<(string, string)> orders = [];
        for (var q = 0; q < system.Questions.Count; q++)
        for (var o = 0; o < system.Questions[q].Options.Count; o++)
            foreach (var (step, order) in system.Questions[q].Options[o].Orders ?? new Dictionary<string, string>())
                if (orders.Add((step, order)) && subjects.TryGetValue(step, out var subject))
                    Read($"questions[{q}].options[{o}].orders.{step}", () =>
                        RuleParser.ParseOrder(order, subject, names)
                    );
        if (system.Terms.ContainsKey(TooBigTerm))
            Read($"terms.{TooBigTerm}", () => RuleParser.Parse(TooBigTerm, Subject.Limbs, names, Dimension.YesNo));
        return problems;

        T? Read<T>(string field, Func<T> read)
            where T : class
        {
            try
            {
                return read();
            }
            catch (RuleException e)
            {
                // A rule that leads through a named one is told there, once.
                var place = e.Term is { } term ? $"terms.{term}" : field;
                if (problems.All(p => p.Field != place))
                    problems.Add(new(place, "rule", e.Message));
                return null;
            }
        }
    }

    private static RuleNames NamesOf(TrainingSystem system) =>
        new(
            system
                .Settings.Select((s, i) => (s, i))
                .ToDictionary(x => x.s.Id, x => (x.i, RuleUnits.Find(x.s.Unit)!.Value.Dimension)),
            system.Terms
        );

    private static PruningRules Of(
        TrainingSystem system,
        IReadOnlyList<PruningAnswer> answers,
        RuleNames names,
        Predicate<string> isOf
    )
    {
        double[] settings = [.. system.Settings.Select(s => s.Value * Factor(s))];
        foreach (var (id, value) in answers.SelectMany(a => a.Sets ?? new Dictionary<string, double>()))
        {
            var place = names.Settings[id].Place;
            settings[place] = value * Factor(system.Settings[place]);
        }
        var left = answers.SelectMany(a => a.LeavesOut ?? []).ToHashSet();
        left.UnionWith(system.Steps.Where(s => !isOf(system.PassOf(s, answers))).Select(s => s.Id));
        var orders = answers
            .SelectMany(a => a.Orders ?? new Dictionary<string, string>())
            .ToLookup(o => o.Key, o => o.Value);
        var sequence = answers.Select(a => a.Sequence).LastOrDefault(s => s is not null) ?? [];
        var places = sequence.Select((id, i) => (id, i)).ToDictionary(x => x.id, x => x.i);
        var steps = system.Steps.Where(s => !left.Contains(s.Id)).ToList();
        // Steps a sequence names change places among themselves; the others stay where they were.
        var named = new Queue<CuttingStep>(steps.Where(s => places.ContainsKey(s.Id)).OrderBy(s => places[s.Id]));
        return new(
            system,
            answers,
            answers.Select(a => a.Aim).LastOrDefault(a => a is not null) ?? system.Aim,
            [.. steps.Select(s => Ready(places.ContainsKey(s.Id) ? named.Dequeue() : s, orders, names))],
            settings
        )
        {
            TooBig = system.Terms.ContainsKey(TooBigTerm)
                ? RuleParser.Parse(TooBigTerm, Subject.Limbs, names, Dimension.YesNo)
                : null,
        };
    }

    private static ReadyStep Ready(CuttingStep step, ILookup<string, string> orders, RuleNames names)
    {
        names.Settle();
        var find = Selector.Parse(step.Find, names);
        return new(
            step,
            find,
            RuleParser.ParseOrder(orders[step.Id].LastOrDefault() ?? step.First, find.Subject, names),
            step.Most is null ? null : RuleParser.Parse(step.Most, Subject.Tree, names, Dimension.Number),
            [
                .. step.Limits.Select(l =>
                    (
                        RuleParser.Parse(l.Where, find.Subject, names, Dimension.YesNo),
                        RuleParser.Parse(l.Most, Subject.Tree, names, Dimension.Number)
                    )
                ),
            ],
            step.Cut.Leave is null ? null : RuleParser.Parse(step.Cut.Leave, find.Subject, names, Dimension.Length),
            names.Settle()
        );
    }
}

/// <summary>A step with its rules made ready.</summary>
/// <param name="Step">The step.</param>
/// <param name="Find">What it looks for.</param>
/// <param name="First">Where it starts.</param>
/// <param name="Most">How many at most; null for all.</param>
/// <param name="Limits">Fewer in some places.</param>
/// <param name="Leave">What a cut leaves, metres; null where its kind tells.</param>
/// <param name="Asks">Settings any of these asks for, by their places.</param>
internal sealed record ReadyStep(
    CuttingStep Step,
    Selector Find,
    IReadOnlyList<(Rule Key, bool Down)> First,
    Rule? Most,
    IReadOnlyList<(Rule Where, Rule Most)> Limits,
    Rule? Leave,
    IReadOnlyList<int> Asks
);
