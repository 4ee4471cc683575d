using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;
using Rama.Core.Systems;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe;

/// <summary>What to cut on each tree, in order, and what is expected to stand afterwards.</summary>
/// <param name="BudsLeft">Floral buds left per tree.</param>
/// <param name="BudsLeftLow">The same cuts made at the lower end of the count's interval.</param>
/// <param name="BudsLeftHigh">The same cuts made at the upper end of the count's interval.</param>
/// <param name="LimbsLeft">Limbs left per tree.</param>
/// <param name="ClustersToThinning">Flower clusters per tree over the target, left to hand thinning.</param>
/// <param name="MinutesPerTree">Working minutes per tree.</param>
/// <param name="WoodShare">Wood cut, as a share of the canopy's.</param>
/// <param name="Cuts">The cuts in order, on a mean tree.</param>
/// <param name="Classes">What to cut by trunk class.</param>
/// <param name="IsLight">Whether the system is pruned light: its cuts never stop on a number, which is left to
/// thinning.</param>
/// <param name="Way">How the crew works to the number; null where there is no choice.</param>
/// <param name="Answers">Answers to the system's questions it rests on.</param>
/// <param name="InForce">Settings of the system as answers, the search for lengths and the manager's hand have them, by
/// name, in their own unit; the numbers of a class are with it.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record Prescription(
    double BudsLeft,
    double? BudsLeftLow,
    double? BudsLeftHigh,
    double LimbsLeft,
    double ClustersToThinning,
    double MinutesPerTree,
    double WoodShare,
    IReadOnlyList<PrescribedCut> Cuts,
    IReadOnlyList<ClassPrescription> Classes,
    bool IsLight,
    WayOfWorking? Way,
    IReadOnlyDictionary<string, string> Answers,
    IReadOnlyDictionary<string, double> InForce,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(BudsLeft, "bud/tree", Steps, Warnings)
{
    /// <summary>Less of anything than this on a tree is not worth telling.</summary>
    internal const double WorthTelling = 0.5;

    private const string OnTrees = "the system's rules carried out on typical trees of the class";

    /// <summary>Floral buds left per limb.</summary>
    public double BudsPerLimb => BudsLeft / LimbsLeft;

    /// <summary>Floral buds all cuts together are expected to drop on a mean tree.</summary>
    public double BudsDropped => Cuts.Sum(c => c.Drop);

    /// <summary>Seconds of cutting on a mean tree, without the walk to it.</summary>
    public double CuttingSeconds => Cuts.Sum(c => c.Seconds);

    /// <summary>Limbs too thick for their place that stay and go first next winter, per tree: as many as a winter
    /// takes, the rest waits its turn. 0 where it is not worth telling.</summary>
    /// <param name="caps">Limits of the system.</param>
    public double FirstNextWinter(SystemCaps caps)
    {
        var next = Math.Min(Classes.Sum(c => c.Class.Share * c.ThickLeft), caps.BigCuts);
        return Math.Max(0, Math.Ceiling(next - WorthTelling));
    }

    /// <summary>The decision of the planting as the cuts carry it out in its trunk classes.</summary>
    internal PruningDecision CarriedOut(PruningDecision decision) =>
        decision.CarriedOut(
            Classes.Sum(c => c.Class.Share * c.Removed),
            ClustersToThinning,
            IsLight,
            Classes.Count == 1 ? [] : [.. Classes.SelectMany(ShareOf)]
        );

    private static Figure[] ShareOf(ClassPrescription of) =>
        [new(of.Class.Name, of.Removed, "bud/tree"), new("share of the trees", of.Class.Share, "share")];

    /// <summary>Prescribes for the trees of a planting.</summary>
    /// <param name="rules">The system's rules with the answers chosen.</param>
    /// <param name="stock">The trees.</param>
    /// <param name="decision">Decision of the planting; its buds to leave are shared among the classes.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="cutting">What the manager holds and what demonstration trees showed.</param>
    public static Prescription Of(
        PruningRules rules,
        TreeStock stock,
        PruningDecision decision,
        DecisionSettings settings,
        CuttingTerms? cutting = null
    )
    {
        cutting ??= CuttingTerms.None;
        // Where the system rubs no buds off, no limb is brought to a number.
        var rubs = rules.Steps.Any(s => SettingSearch.IsSolved(rules, s));
        if (!rubs)
            cutting = cutting with { Way = WayOfWorking.Amounts };
        var toLeave = TrunkClass.Shared(decision.BudsToLeave, [.. stock.Classes.Select(c => c.Class)]);
        var classes = ClassPrescription.Of(
            rules,
            stock,
            [
                .. stock.Classes.Zip(toLeave, (c, buds) =>
                    PruningDecision.Of(c.Standing, buds, settings, held: decision.Held)
                ),
            ],
            settings,
            cutting
        );
        double Mean(Func<ClassPrescription, double> of) => classes.Sum(c => c.Class.Share * of(c));

        List<PrescribedCut> cuts = [];
        var before = decision.Standing.Mean;
        // A length is found for all classes alike, so any of them tells it.
        var lengths = classes[0]
            .Settings.Where(s => rules.Place(s.Key) is { } place && rules.System.Settings[place].IsLength);
        var inForce = rules.InUnits(
            rules.Values(lengths.Concat(cutting.Settings).DistinctBy(s => s.Key).ToDictionary())
        );
        LocalText Told(LocalText text) => SettingWords.Fill(text, rules.System.Settings, inForce);
        var isNumbered = classes.Any(c => c.StopAt is not null);
        foreach (var ready in rules.Steps)
        {
            var step = ready.Step;
            var parts = classes
                .Select(c => (Class: c, Cut: c.Cuts.FirstOrDefault(x => x.StepId == step.Id)))
                .Where(p => p.Cut is not null)
                .ToList();
            if (parts.Count == 0)
                continue;
            double Sum(Func<ClassCut, double> of) => parts.Sum(p => p.Class.Class.Share * of(p.Cut!));
            var (made, drop) = (Sum(c => c.CutsPerTree), Math.Min(before, Sum(c => c.Drop)));
            before -= drop;
            var amount =
                isNumbered && cutting.Way.ReadsLimbs() && SettingSearch.IsSolved(rules, ready)
                    ? new(AmountKind.ToTheGauge)
                    : CutAmount.Of(step, [.. parts.Select(p => (p.Cut!, p.Class.LimbsLeft))]);
            cuts.Add(
                new(
                    amount.Kind == AmountKind.None ? 0 : cuts.Count(c => c.IsMade) + 1,
                    step.Id,
                    amount,
                    made,
                    step.Cut.Kind == CutKind.RubOff,
                    drop,
                    before,
                    made * step.SecondsEach,
                    parts.Max(p => p.Cut!.DemonstrationTrees),
                    step.Name,
                    Told(step.LookFor),
                    Told(step.How),
                    step.Why,
                    step.Caution,
                    step.Source
                )
            );
        }

        var (left, limbsLeft, minutes, thinning) = (
            Mean(c => c.BudsLeft),
            Mean(c => c.LimbsLeft),
            Mean(c => c.MinutesPerTree),
            Mean(c => c.ClustersToThinning)
        );
        // Limbs and forks take their share of whatever stands; single buds are a number.
        double? LeftFrom(double? standing) =>
            standing is not { } buds ? null : cuts.Aggregate(Math.Max(0, buds), (b, c) => c.SingleBuds
                        ? Math.Max(0, b - c.Drop)
                    : c.BudsAfter + c.Drop > 0 ? b * c.BudsAfter / (c.BudsAfter + c.Drop)
                    : b);
        Prescription prescription = new(
            left,
            LeftFrom(decision.Standing.Low),
            LeftFrom(decision.Standing.High),
            limbsLeft,
            thinning,
            minutes,
            Mean(c => c.WoodShare),
            cuts,
            classes,
            rules.Aim == SystemAim.Light,
            isNumbered && rubs ? cutting.Way : null,
            rules.ByQuestion,
            inForce,
            [],
            Warn(rules, stock, classes, thinning, Mean(c => c.WoodShare))
        );
        return prescription with
        {
            Steps = StepsOf(prescription, decision, rules.System.Labour, Mean(c => c.ReadingMinutes)),
        };
    }

    /// <summary>Prescribes for trees of which only buds and limbs are known.</summary>
    /// <param name="system">The system.</param>
    /// <param name="decision">What to do and how many buds may go.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="limbsPerTree">Limbs on a mean tree, where counted.</param>
    public static Prescription Of(
        TrainingSystem system,
        PruningDecision decision,
        DecisionSettings settings,
        double? limbsPerTree = null
    ) =>
        Of(
            system.RulesFor(),
            TreeStock.Usual(system, decision.Standing, limbsPerTree is > 0 ? limbsPerTree : null),
            decision,
            settings
        );

    private static List<Step> StepsOf(
        Prescription prescription,
        PruningDecision decision,
        SystemLabour labour,
        double reading
    )
    {
        var (left, limbsLeft, minutes) = (prescription.BudsLeft, prescription.LimbsLeft, prescription.MinutesPerTree);
        Figure standing = new("floral buds", decision.Standing.Mean, "bud/tree"),
            leftFigure = new("buds left", left, "bud/tree");
        var cutting = (minutes - reading) * 60 - labour.BaseSeconds;
        return
        [
            .. prescription
                .Cuts.Where(c => c.Drop > 0)
                .Select(c => new Step(
                    $"prescription.{c.StepId}",
                    c.SingleBuds
                        ? "what the other steps leave − buds to leave"
                        : "buds standing before the step × share taken",
                    Figure.Named(c.Name, c.Drop, "bud/tree"),
                    [
                        new("cuts", c.CutsPerTree, "cut/tree"),
                        new("buds standing before the step", c.BudsAfter + c.Drop, "bud/tree"),
                        new("share taken", c.Drop / (c.BudsAfter + c.Drop), "share"),
                    ],
                    c.DemonstrationTrees > 0
                        ? $"{OnTrees}, corrected by {c.DemonstrationTrees} demonstration trees"
                        : OnTrees
                )),
            new(
                "prescription.limbs-left",
                "limbs standing after the cuts",
                new("limbs left", limbsLeft, "limb/tree"),
                [],
                OnTrees
            ),
            new(
                "prescription.buds-per-limb",
                "buds left ÷ limbs left",
                new("buds per limb", prescription.BudsPerLimb, "bud/limb"),
                [leftFigure, new("limbs left", limbsLeft, "limb/tree")],
                Sources.Definition
            ),
            new(
                "prescription.minutes",
                reading != 0
                    ? "base + Σ cuts × seconds per cut + reading limbs and counting"
                    : "base + Σ cuts × seconds per cut",
                new("time per tree", minutes, "min/tree"),
                [
                    new("base", labour.BaseSeconds, "s"),
                    new("cutting", cutting, "s"),
                    .. reading != 0
                        ? [new Figure("reading limbs and counting", reading * 60, "s")]
                        : Array.Empty<Figure>(),
                ],
                labour.Source
            ),
            new(
                "prescription.buds-left",
                "floral buds − all drops",
                leftFigure,
                [
                    standing,
                    .. prescription.Cuts.Where(c => c.Drop > 0).Select(c => Figure.Named(c.Name, c.Drop, "bud/tree")),
                ],
                Sources.Definition
            ),
        ];
    }

    private static List<Notice> Warn(
        PruningRules rules,
        TreeStock stock,
        IReadOnlyList<ClassPrescription> classes,
        double thinning,
        double wood
    )
    {
        List<Notice> warnings = [];
        if (!stock.LimbsCounted)
            warnings.Add(
                new(
                    "prescription.limbs-assumed",
                    $"Limbs were not counted: {rules.System.Form.LimbsPerTree:0} are assumed, as usual for this "
                        + "system. Count them on the sample trees.",
                    new Figure("limbs assumed", rules.System.Form.LimbsPerTree, "limb/tree")
                )
            );
        if (stock.BudsBy == BudsOfClasses.ByLine)
            warnings.Add(
                new(
                    "prescription.buds-by-line",
                    "Buds do not go in proportion to the trunks here: they are shared among the trunk classes "
                        + "by a line "
                        + "through the trees counted."
                )
            );
        if (stock.BudsBy == BudsOfClasses.ByCount)
            warnings.Add(
                new(
                    "prescription.buds-by-count",
                    "Buds do not go with the trunks here: each trunk class is taken as it was counted. Count some more "
                        + "trees of each if that surprises you."
                )
            );
        if (thinning >= 0.5)
            warnings.Add(
                new(
                    "prescription.thinning",
                    $"{thinning:0} clusters a tree are over the target after pruning. Plan hand thinning for them.",
                    new Figure("clusters left to thinning", thinning, "cluster/tree")
                )
            );
        if (
            rules.System.Caps.AreNear(wood, classes.Max(c => c.BigCuts))
            || classes.Any(c => c.Decision.Weight == PruningWeight.Heavy)
        )
            warnings.Add(
                new(
                    "prescription.vigour",
                    "This takes a good deal of wood. Expect strong shoots near the big cuts; tear them out "
                        + "soft in summer."
                )
            );
        return warnings;
    }
}

/// <summary>What a manager holds in cutting, how the crew works, and what demonstration trees showed.</summary>
/// <param name="Settings">Settings held, by name, in their own unit.</param>
/// <param name="Observed">What fell on demonstration trees, by step.</param>
/// <param name="Seed">Seed of the typical trees.</param>
public sealed record CuttingTerms(
    IReadOnlyDictionary<string, double> Settings,
    IReadOnlyList<ObservedDrops> Observed,
    int Seed = 1
)
{
    /// <summary>Nothing held, nothing seen.</summary>
    public static readonly CuttingTerms None = new(new Dictionary<string, double>(), []);

    /// <summary>How the crew works where trees are brought to a number.</summary>
    public WayOfWorking Way { get; init; } = WayOfWorking.Amounts;
}
