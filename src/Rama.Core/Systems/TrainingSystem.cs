using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Trees;

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
/// <param name="Note">What to know before choosing it; null for nothing.</param>
/// <param name="Crops">Crops it is used for.</param>
/// <param name="Aim">What pruning stops at.</param>
/// <param name="Form">Usual form of a grown tree.</param>
/// <param name="Caps">Limits to cutting in one winter.</param>
/// <param name="Labour">Time per tree beside the cuts.</param>
/// <param name="Settings">Numbers that may be changed.</param>
/// <param name="Terms">Rules with a name, to be used in others.</param>
/// <param name="Questions">Questions with a choice of answers.</param>
/// <param name="Steps">Cutting steps in the order of the work.</param>
/// <param name="KeepOff">What not to cut.</param>
/// <param name="Passes">Passes it has beside those all systems share; none when left out.</param>
/// <param name="Training">How its young plantings are trained; those of the first leaves have the passes all share
/// when left out.</param>
/// <param name="Sides">How its sides take turns; they do not when left out.</param>
/// <param name="Renewal">How its wood is renewed; nothing is told of it when left out.</param>
public sealed record TrainingSystem(
    string Id,
    int Version,
    LocalText Name,
    LocalText? Note,
    IReadOnlyList<string> Crops,
    SystemAim Aim,
    SystemForm Form,
    SystemCaps Caps,
    SystemLabour Labour,
    IReadOnlyList<SystemSetting> Settings,
    IReadOnlyDictionary<string, string> Terms,
    IReadOnlyList<PruningQuestion> Questions,
    IReadOnlyList<CuttingStep> Steps,
    IReadOnlyList<LocalText> KeepOff,
    IReadOnlyList<SystemPass>? Passes = null,
    YoungTraining? Training = null,
    SystemSides? Sides = null,
    SystemRenewal? Renewal = null
)
{
    // Kept beside the record, not in it: a changed copy would otherwise go on with the rules of the one it was copied
    // from.
    private static readonly ConditionalWeakTable<TrainingSystem, PassDefinition[]> Listed = [];
    private static readonly ConditionalWeakTable<TrainingSystem, ConcurrentDictionary<string, PruningRules>> Ready = [];

    /// <summary>The systems that ship with Rama, <c>Systems/Packs</c>.</summary>
    public static IReadOnlyList<TrainingSystem> Shipped { get; } = RulePack.Shipped();

    /// <summary>The shipped system of that identifier, or null.</summary>
    public static TrainingSystem? Find(string? id) => Shipped.FirstOrDefault(s => s.Id == id);

    /// <summary>Reads a rule pack from JSON text and checks it.</summary>
    /// <exception cref="InvalidDataException">Says what is wrong with the rule pack.</exception>
    public static TrainingSystem Parse(string json) => RulePack.Parse(json, "rule pack");

    /// <summary>Reads a rule pack a person wrote, from JSON text, and checks it.</summary>
    /// <exception cref="UnusableEntryException">Says at which of its fields what is wrong.</exception>
    public static TrainingSystem Read(string json) => RulePack.Read(json);

    /// <summary>A system to begin a new one with: one leader, and the step every system has.</summary>
    public static TrainingSystem Blank { get; } = RulePack.Parse(DataFile.Text("Systems/blank.json"), "blank");

    /// <summary>The system's rules made ready, with the answers chosen to its questions.</summary>
    /// <param name="choices">Answers by question; the system's own for those left out or unknown.</param>
    /// <param name="pass">Only the steps of this pass; those of the winter when left out.</param>
    public PruningRules RulesFor(IReadOnlyDictionary<string, string>? choices = null, string? pass = null)
    {
        var chosen = Chosen(choices);
        return Ready
            .GetOrCreateValue(this)
            .GetOrAdd(string.Join("|", chosen.Select(o => o.Id).Append(pass)), _ =>
                PruningRules.Of(this, chosen, pass)
            );
    }

    /// <summary>
    /// Answers to all its questions for a variety: those chosen, else what suits the variety, else its own.
    /// </summary>
    /// <param name="chosen">Answers chosen, by question.</param>
    /// <param name="traits">How the variety grows and bears.</param>
    public IReadOnlyDictionary<string, string> AnswersFor(
        IReadOnlyDictionary<string, string> chosen,
        VarietyTraits traits
    ) => Questions.ToDictionary(q => q.Id, q => q.Answer(chosen.GetValueOrDefault(q.Id), traits.Named).Id);

    /// <summary>Steps with the pass each belongs to, those left out not among them.</summary>
    /// <param name="answers">Answers by question, as <see cref="AnswersFor"/> has them.</param>
    public IReadOnlyList<(CuttingStep Step, string Pass)> StepsByPass(IReadOnlyDictionary<string, string> answers)
    {
        var chosen = Chosen(answers);
        var left = chosen.SelectMany(a => a.LeavesOut ?? []).ToHashSet();
        return [.. Steps.Where(s => !left.Contains(s.Id)).Select(s => (s, PassOf(s, chosen)))];
    }

    /// <summary>The passes its plantings may have: those all systems share, its own, then the tasks of young
    /// ones.</summary>
    public IReadOnlyList<PassDefinition> AllPasses() => Listed.GetValue(this, s => s.ListPasses());

    private PassDefinition[] ListPasses() =>
        [
            .. PassDefinition.All,
            .. (Passes ?? []).Select(p =>
                p.ToDefinition(
                    Steps.Any(s => s.Pass == p.Id)
                        || Questions.Any(q => q.Options.Any(o => o.Moves?.Values.Contains(p.Id) == true))
                )
            ),
            .. (Training?.Tasks ?? []).Select(t => t.ToDefinition()),
        ];

    /// <summary>Whether a step may belong to a pass.</summary>
    internal bool HasPass(string pass) => PassIds.OfSteps.Contains(pass) || Passes?.Any(p => p.Id == pass) == true;

    /// <summary>Whether the winter is pruned in two passes.</summary>
    /// <param name="answers">Answers by question.</param>
    public bool InTwoPasses(IReadOnlyDictionary<string, string> answers) => Chosen(answers).Any(a => a.TwoPasses);

    internal string PassOf(CuttingStep step, IEnumerable<PruningAnswer> answers) =>
        answers.Select(a => a.Moves?.GetValueOrDefault(step.Id)).LastOrDefault(p => p is not null) ?? step.Pass;

    private List<PruningAnswer> Chosen(IReadOnlyDictionary<string, string>? choices) =>
        [.. Questions.Select(q => q.Answer(choices?.GetValueOrDefault(q.Id)))];

    /// <summary>Whether a step's rules name a word or setting, themselves or through their terms.</summary>
    /// <param name="step">A step of the system.</param>
    /// <param name="word">The word or setting.</param>
    public bool Names(CuttingStep step, string word)
    {
        // A hyphen belongs to a word.
        bool In(string rule, string name) => Regex.IsMatch(rule, $@"(?<![\w-]){Regex.Escape(name)}(?![\w-])");
        var rules = new List<string> { step.Find, step.First, step.Most ?? "", step.Cut.Leave ?? "" };
        rules.AddRange(step.Limits.SelectMany(l => new[] { l.Where, l.Most }));
        HashSet<string> terms = [];
        for (var i = 0; i < rules.Count; i++)
            rules.AddRange(Terms.Where(t => In(rules[i], t.Key) && terms.Add(t.Key)).Select(t => t.Value).ToList());
        return rules.Any(r => In(r, word));
    }

    /// <summary>Systems are equal where their packs read alike.</summary>
    public bool Equals(TrainingSystem? other) =>
        ReferenceEquals(this, other) || other is not null && Id == other.Id && Written() == other.Written();

    /// <inheritdoc />
    public override int GetHashCode() => HashCode.Combine(Id, Version);

    private string Written() => JsonSerializer.Serialize(this);
}

/// <summary>Usual form of a grown tree.</summary>
/// <param name="Leaders">Leaders per tree.</param>
/// <param name="LimbsPerTree">Limbs on a grown tree, used where limbs were not counted.</param>
/// <param name="Canopy">How the canopy fills its row.</param>
/// <param name="Typical">Shape of a typical tree.</param>
/// <param name="Source">Where the numbers come from.</param>
/// <param name="Ground">Usual ground of a tree, for one of which nothing else is known; 3.5 × 1 m when left
/// out.</param>
/// <param name="WiresM">Heights at which wires usually run, metres; nobody measures them.</param>
/// <param name="SeenFrom">From where a tree shows what the system is about.</param>
/// <param name="Expected">What is measured on its trees is expected to lie there.</param>
public sealed record SystemForm(
    int Leaders,
    double LimbsPerTree,
    CanopyKind Canopy,
    TypicalTree Typical,
    string Source,
    SystemGround? Ground = null,
    IReadOnlyList<double>? WiresM = null,
    TreeView SeenFrom = TreeView.Along,
    IReadOnlyList<ExpectedFact>? Expected = null
)
{
    // A tree carries limbs of about its trunk's cross-section together.
    private static readonly ExpectedFact[] OfAll = [new("limb-area", 0.7, 1.4, "common practice, no source")];

    private static readonly SystemGround Usual = new(3.5, 1);

    /// <summary>Ground of a tree of which nothing else is known.</summary>
    [JsonIgnore]
    public SystemGround UsualGround => Ground ?? Usual;

    /// <summary>What is expected of its trees: of all systems, and of this one before them.</summary>
    [JsonIgnore]
    public IReadOnlyList<ExpectedFact> ExpectedFacts =>
        [.. Expected ?? [], .. OfAll.Where(a => Expected?.Any(e => e.Fact == a.Fact) != true)];

    /// <summary>Wires below a height, metres.</summary>
    /// <param name="heightM">Height allowed, metres.</param>
    public IReadOnlyList<double> WiresBelow(double heightM) => [.. (WiresM ?? []).Where(h => h < heightM + 0.1)];
}

/// <summary>Distances a system is usually planted at.</summary>
/// <param name="RowM">Metres between rows.</param>
/// <param name="TreeM">Metres between trees in the row.</param>
public sealed record SystemGround(double RowM, double TreeM);

/// <summary>From where a tree is looked at.</summary>
public enum TreeView
{
    /// <summary>From the alley, along the row.</summary>
    Along,

    /// <summary>From the end of the row, across it.</summary>
    Across,
}

/// <summary>Limits to cutting in one winter.</summary>
/// <param name="ShareOfBuds">Largest share of the floral buds to cut, above 0 to 1.</param>
/// <param name="BigCutMm">Diameter from which a cut counts as big, mm.</param>
/// <param name="BigCuts">Most big cuts per tree.</param>
/// <param name="ShareOfWood">Largest share of the canopy's wood to cut, above 0 to 1.</param>
/// <param name="Source">Where the numbers come from.</param>
/// <param name="ShareRubbed">Largest share of the buds standing that is taken bud by bud: more is a day's work on a
/// few trees.</param>
public sealed record SystemCaps(
    double ShareOfBuds,
    double BigCutMm,
    int BigCuts,
    double ShareOfWood,
    string Source,
    double ShareRubbed = 0.2
)
{
    // Share of a limit from which strong regrowth is to be expected: assumption.
    private const double NearShare = 0.8;

    /// <summary>Whether so much is cut that strong regrowth is to be expected.</summary>
    /// <param name="wood">Wood cut, as a share of the canopy's.</param>
    /// <param name="bigCuts">Big cuts per tree, the most of any trunk class.</param>
    internal bool AreNear(double wood, double bigCuts) =>
        wood >= NearShare * ShareOfWood || bigCuts > 0 && bigCuts >= NearShare * BigCuts;
}

/// <summary>Time per tree beside the cuts.</summary>
/// <param name="BaseSeconds">Seconds to walk to a tree and look at it.</param>
/// <param name="Source">Where the number comes from.</param>
public sealed record SystemLabour(double BaseSeconds, string Source);

/// <summary>Where something measured on the trees of a system is expected to lie.</summary>
/// <param name="Fact">What is measured.</param>
/// <param name="Least">At least, in its unit.</param>
/// <param name="Most">At most.</param>
/// <param name="Source">Who says so.</param>
public sealed record ExpectedFact(string Fact, double Least, double Most, string Source);
