using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Systems;
using Rama.Core.Systems.Language;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Bench;

/// <summary>
/// One tree on the bench: the system's own cuts, and cuts made by hand, each with what it takes and why.
/// </summary>
public sealed class TreeBench
{
    /// <summary>Most cuts made by hand on one tree.</summary>
    public const int MostCuts = 2_000;

    private static readonly LocalText NotAsked = new(
        "No step of this system asks for this cut: {drop} fall.",
        "Ningún paso de este sistema pide este corte: caen {drop}."
    );

    private static readonly LocalText FirstNextWinter = new(
        "Limb at {height}, {diameter}: taking it out would cost too much this winter. "
            + "Back to a side shoot at {leave}; it is the first to go next winter.",
        "Rama a {height}, {diameter}: quitarla costaría demasiado este invierno. "
            + "Hasta un brote lateral a {leave}; es la primera en salir el próximo."
    );

    private readonly double[] _settings;

    /// <summary>Puts a tree on the bench.</summary>
    /// <param name="rules">The system's rules.</param>
    /// <param name="tree">The tree.</param>
    /// <param name="toLeave">Floral buds to leave on it, above 0.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="values">Settings of the system other than its own, by name and in their own unit.</param>
    /// <param name="card">How far a card lets it be cut; as its own buds say when left out.</param>
    public TreeBench(
        PruningRules rules,
        FruitTree tree,
        double toLeave,
        DecisionSettings settings,
        IReadOnlyDictionary<string, double>? values = null,
        BenchCard? card = null
    )
    {
        (Rules, Tree, ToLeave, Settings) = (rules, tree, toLeave, settings);
        _settings = rules.Values(values);
        Allowance = card?.Allowance ?? CutAllowance.Counted(tree.FloralBuds, toLeave, settings);
        Pruning = TreePruning.Of(new PreparedTree(rules, tree), Allowance, _settings, card?.Limits);
        Before = BenchMeasures.Of(new(tree), 0);
    }

    /// <summary>The rules.</summary>
    public PruningRules Rules { get; }

    /// <summary>The tree as it grew.</summary>
    public FruitTree Tree { get; }

    /// <summary>Floral buds to leave.</summary>
    public double ToLeave { get; }

    /// <summary>Tolerance and cap.</summary>
    public DecisionSettings Settings { get; }

    /// <summary>Length at which a limb is stubbed for renewal, metres: as the system sets it.</summary>
    public double StubM => Rules.Place(StubSetting) is { } place ? _settings[place] : UsualStubM;

    /// <summary>Height the system cuts leaders back to, metres; null where no step of it does.</summary>
    public double? HeightLimitM
    {
        get
        {
            RuleScope leader = new(new(Tree), Tree.Index.Leaders[0], Allowance.Target, _settings);
            var heights = Rules
                .Steps.Where(s =>
                    s is { Step.Cut.Kind: CutKind.ToSideShoot, Find.Subject: Subject.Leaders or Subject.Wood }
                )
                .Select(s => s.Leave)
                .OfType<Rule>()
                .Select(leave => leave(leader))
                .ToList();
            return heights.Count == 0 ? null : heights.Min();
        }
    }

    /// <summary>Diameter ÷ the leader's there of every limb, by branch.</summary>
    public IReadOnlyDictionary<int, double> Ratios =>
        Tree.Index.Limbs.ToDictionary(id => id, id => BenchMeasures.RatioOf(Tree, Tree.Branches[id]));

    /// <summary>Whether the system limits a limb by its leader's diameter.</summary>
    public bool LimitsRatio => Rules.System.Steps.Any(s => Rules.System.Names(s, "ratio"));

    /// <summary>How far it may be cut.</summary>
    public CutAllowance Allowance { get; }

    /// <summary>The tree cut by the system.</summary>
    public TreePruning Pruning { get; }

    /// <summary>
    /// What each step of the system came to, and why it cut no more; without those the decision asks nothing of.
    /// </summary>
    public IReadOnlyList<StepOutcome> Outcomes()
    {
        var ends = Pruning.Ends;
        return
        [
            .. Rules
                .Steps.Where(s => ends.ContainsKey(s.Step.Id))
                .Select(s => new StepOutcome(
                    s.Step.Id,
                    s.Step.Name,
                    Pruning.Cuts.Count(c => c.StepId == s.Step.Id),
                    Pruning.Cuts.Where(c => c.StepId == s.Step.Id).Sum(c => c.Drop),
                    ends[s.Step.Id]
                )),
        ];
    }

    /// <summary>The tree before any cut.</summary>
    public BenchMeasures Before { get; }

    /// <summary>Minutes the cuts of a system's steps take on a real tree, the walk to it included.</summary>
    internal double Minutes(IEnumerable<string?> steps) =>
        (Rules.System.Labour.BaseSeconds + steps.Sum(s => s is null ? UnaskedSeconds : Rules.Seconds(s))) / 60;

    // A stub of a thumb's width where a system says nothing: common practice, no source.
    private const double UnaskedSeconds = 8,
        UsualStubM = 0.015;

    private const string StubSetting = "stub";

    /// <summary>The system's own cuts, told.</summary>
    public IReadOnlyList<BenchCut> Prescribed() =>
        Tell(
            Pruning.Cuts.Select(c =>
                (
                    new HandCut
                    {
                        Bud = c.Bud,
                        Branch = c.Bud is null ? c.Branch : null,
                        LeaveM = c.LeaveM,
                    },
                    (TreeCut?)c
                )
            )
        );

    /// <summary>Cuts made by hand, told in their order; one that takes nothing any more is left out.</summary>
    /// <exception cref="UnusableEntryException">A cut names what the tree has not.</exception>
    public IReadOnlyList<BenchCut> Made(IReadOnlyList<HandCut> cuts)
    {
        var reader = new EntryReader();
        if (cuts.Count > MostCuts)
            reader.Add("cuts", "range", $"Cuts: expected at most {MostCuts}.");
        foreach (var (i, cut) in cuts.Take(MostCuts).Index())
            cut.Check(reader, $"cuts[{i}]", Tree);
        reader.ThrowIfAny();
        return Tell(cuts.Select(c => (c, (TreeCut?)null)));
    }

    /// <summary>Why the measures are what they are after some cuts.</summary>
    /// <param name="made">The cuts, as told.</param>
    public IReadOnlyList<Step> Explain(IReadOnlyList<BenchCut> made) => MeasureSteps.Of(this, made);

    private List<BenchCut> Tell(IEnumerable<(HandCut Cut, TreeCut? Planned)> cuts)
    {
        var standing = new RemainingTree(Tree);
        var big = 0;
        List<BenchCut> told = [];
        foreach (var (cut, planned) in cuts)
        {
            var branch = cut.Branch ?? Tree.Buds[cut.Bud!.Value].Branch;
            var leave = cut.Branch is null ? 0 : Math.Max(0, cut.LeaveM ?? 0);
            if (cut.Bud is { } gone ? !standing.BudStands(gone) : standing.LeftM(branch) <= leave)
                continue;
            var (step, fit) = (planned ?? OnCard(cut, leave)) is { } card
                ? (Rules.Steps.First(s => s.Step.Id == card.StepId), CutFit.Right)
                : StepFor(standing, cut, branch, leave);
            var before = standing.Copy();
            var loss = cut.Bud is { } bud ? standing.RubOff(bud) : standing.Cut(branch, leave);
            if (loss.DiameterMm >= Rules.System.Caps.BigCutMm)
                big++;
            var wood = Tree.Branches[branch];
            var at = wood.PointAt(cut.Bud is { } site ? Tree.Buds[site].AtM : leave);
            var because =
                step is null ? NotAsked
                : planned?.Kind == CutKind.Shorten && step.Step.TooMuch == TooMuch.ShortenAndEnd ? FirstNextWinter
                : step.Step.Because;
            told.Add(
                new(
                    told.Count + 1,
                    step?.Step.Id,
                    step?.Step.Name,
                    planned?.Kind ?? KindOf(cut, wood, leave),
                    branch,
                    cut.Bud,
                    leave,
                    at,
                    loss.Buds,
                    because,
                    FiguresOf(before, wood, at, leave, loss.Buds),
                    step?.Step.Caution,
                    [
                        .. Tree
                            .Branches.Where(b => standing.LeftM(b.Id) < before.LeftM(b.Id))
                            .Select(b => new WoodGone(b.Id, standing.LeftM(b.Id))),
                    ],
                    [.. Tree.Buds.Where(b => before.BudStands(b.Id) && !standing.BudStands(b.Id)).Select(b => b.Id)],
                    BenchMeasures.Of(standing, big),
                    fit
                )
            );
        }
        return told;
    }

    // How far off a cut is still the one asked for: hands are no rulers.
    private const double PegM = 0.03,
        ShortStub = 0.5,
        LongStubM = 0.04,
        OfHeight = 0.1,
        OfLength = 0.25;

    private CutFit FitOf(RemainingTree standing, ReadyStep step, int of, HandCut cut, int branch, double leave)
    {
        if (cut.Bud is not null)
            return CutFit.Right;
        var engine = new CuttingEngine(new PreparedTree(Rules, Tree), standing, Allowance, _settings);
        var (on, asked) = engine.PlaceOf(step, of);
        var wood = Tree.Branches[branch];
        // Of a fork the other arm was taken than the step would: as good as another.
        if (on != branch)
            return step.Step.Cut.Kind == CutKind.Single ? CutFit.Right : CutFit.TooDeep;
        switch (step.Step.Cut.Kind)
        {
            case CutKind.Collar:
                return leave > PegM ? CutFit.TooLong : CutFit.Right;
            case CutKind.RenewalStub:
                return leave < ShortStub * asked ? CutFit.TooShort
                    : leave > Math.Max(3 * asked, asked + LongStubM) ? CutFit.TooLong
                    : CutFit.Right;
            case CutKind.Single:
                return CutFit.Right;
            default:
                var slack =
                    wood.Kind == BranchKind.Leader
                        ? OfHeight * Math.Max(1, asked)
                        : Math.Max(LongStubM, OfLength * asked);
                return leave < asked - slack ? CutFit.TooDeep
                    : leave > asked + Math.Max(slack, OfLength * (wood.LengthM - asked)) ? CutFit.TooLong
                    : CutFit.Right;
        }
    }

    // A cut of the card made by hand is the card's, whatever other step might take the same wood.
    private TreeCut? OnCard(HandCut cut, double leave) =>
        Pruning.Cuts.FirstOrDefault(c =>
            cut.Bud is { } bud
                ? c.Bud == bud
                : c.Bud is null && c.Branch == cut.Branch && Math.Abs(c.LeaveM - leave) <= OnTheSpotM
        );

    private const double OnTheSpotM = 0.005;

    /// <summary>The first step that would take this very piece about there as the tree stands, else the first that
    /// would take it; null where none does.</summary>
    private (ReadyStep? Step, CutFit Fit) StepFor(RemainingTree standing, HandCut cut, int branch, double leave)
    {
        (ReadyStep? Step, CutFit Fit) first = (null, CutFit.Right);
        var kind = Tree.Branches[branch].Kind;
        foreach (var step in Rules.Steps)
        {
            var id = step.Find.Subject switch
            {
                Subject.Buds => cut.Bud ?? -1,
                _ when cut.Bud is not null => -1,
                Subject.Leaders => kind == BranchKind.Leader ? branch : -1,
                Subject.Limbs => kind == BranchKind.Limb ? branch : -1,
                Subject.Shoots => kind == BranchKind.Shoot ? branch : -1,
                Subject.Wood => kind is BranchKind.Leader or BranchKind.Limb or BranchKind.Arm or BranchKind.Shoot
                    ? branch
                    : -1,
                // A fork is singled at either of its arms.
                _ => kind == BranchKind.Arm
                    ? branch
                    : Tree
                        .Index.Children[branch]
                        .FirstOrDefault(
                            c => Tree.Branches[c].Kind == BranchKind.Arm && cut.LeaveM >= Tree.Branches[c].AtM,
                            -1
                        ),
            };
            if (
                id < 0
                || step.Find.Subject == Subject.Buds && !Tree.Buds[id].Floral
                || !Vocabulary.Stands(standing, step.Find.Subject, id)
            )
                continue;
            if (step.Find.Takes(new(standing, id, Allowance.Target, _settings)))
            {
                var fit = FitOf(standing, step, id, cut, branch, leave);
                if (fit == CutFit.Right)
                    return (step, fit);
                if (first.Step is null)
                    first = (step, fit);
            }
        }
        return first;
    }

    private static CutKind KindOf(HandCut cut, Branch wood, double leave) =>
        cut.Bud is not null ? CutKind.RubOff
        : leave <= 0 ? CutKind.Collar
        : wood.Kind == BranchKind.Leader ? CutKind.Head
        : leave <= RemainingTree.StubM ? CutKind.RenewalStub
        : CutKind.Shorten;

    private List<Figure> FiguresOf(RemainingTree before, Branch wood, Point at, double leave, int drop)
    {
        var leader = wood.Parent is { } on && wood.Kind == BranchKind.Limb ? Tree.Branches[on].DiameterAt(wood.AtM) : 0;
        return
        [
            new(
                "height",
                wood.Kind is BranchKind.Limb or BranchKind.Shoot ? wood.Path[0].HeightM
                    : wood.Kind == BranchKind.Arm ? Tree.Branches[Tree.Index.LimbOf[wood.Id]].Path[0].HeightM
                    : at.HeightM,
                "m"
            ),
            new("diameter", wood.DiameterMm, "mm"),
            new("ratio", leader > 0 ? wood.DiameterMm / leader : 1, "1"),
            new("rise", wood.RiseDeg, "°"),
            new("length", before.LeftM(wood.Id), "m"),
            new("age", wood.AgeYears, "year"),
            new("drop", drop, "bud"),
            new("leave", wood.Kind == BranchKind.Leader ? at.HeightM : leave, "m"),
            new("at", at.HeightM, "m"),
        ];
    }
}

/// <summary>What one step of a system came to on a tree.</summary>
/// <param name="StepId">The step.</param>
/// <param name="Name">Its name.</param>
/// <param name="Cuts">Cuts made.</param>
/// <param name="Drop">Floral buds that fell.</param>
/// <param name="End">Why it cut no more.</param>
public sealed record StepOutcome(string StepId, LocalText Name, int Cuts, int Drop, StepEnd End);

/// <summary>How far a card lets a tree be cut.</summary>
/// <param name="Allowance">Buds it may lose, and when it is enough.</param>
/// <param name="Limits">Most cuts of each step, in their order; null for the system's own.</param>
public sealed record BenchCard(CutAllowance Allowance, IReadOnlyList<int?>? Limits);
