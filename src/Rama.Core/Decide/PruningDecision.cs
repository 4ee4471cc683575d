using Rama.Core.Explain;

namespace Rama.Core.Decide;

/// <summary>Whether and how hard to prune, and how sure the count makes it.</summary>
/// <param name="Kind">What to do.</param>
/// <param name="Weight">How hard, by the share of the buds that are too many: light up to 15 %, standard up to 35 %;
/// null where nothing is reduced.</param>
/// <param name="Standing">Floral buds standing per tree.</param>
/// <param name="BudsToLeave">Floral buds wanted per tree, above 0.</param>
/// <param name="RemoveBuds">Floral buds pruning may take from a tree: the surplus up to the cap, or the allowance for
/// structure.</param>
/// <param name="CapShare">Largest share of the buds to cut in one winter.</param>
/// <param name="Tolerance">Accepted distance from the buds to leave, as a share of them.</param>
/// <param name="Held">What the manager decided instead; null where the count decides.</param>
/// <param name="ClustersToThinning">Flower clusters per tree left over the target for hand thinning, where the cap
/// binds.</param>
/// <param name="FruitAtBest">Fruit per tree the buds standing can set at the variety's mean, where too few
/// stand.</param>
/// <param name="FruitShort">Fruit per tree the crop will fall short by even so, where too few stand.</param>
/// <param name="Reason">The decision and its reason in a sentence.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record PruningDecision(
    DecisionKind Kind,
    PruningWeight? Weight,
    BudsStanding Standing,
    double BudsToLeave,
    double RemoveBuds,
    double CapShare,
    double Tolerance,
    DecisionKind? Held,
    double ClustersToThinning,
    double? FruitAtBest,
    double? FruitShort,
    Notice Reason,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Standing.Mean - BudsToLeave, "bud/tree", Steps, Warnings)
{
    private const double LightUpTo = 0.15,
        StandardUpTo = 0.35,
        SameBuds = 1e-6;

    private static readonly Notice Unsaid = new("", "");

    /// <summary>Floral buds standing less floral buds to leave, per tree.</summary>
    public double Surplus => Value;

    /// <summary>Lower end of the surplus's 95 % interval; null without an interval.</summary>
    public double? SurplusLow => Standing.Low - BudsToLeave;

    /// <summary>Upper end of the surplus's 95 % interval; null without an interval.</summary>
    public double? SurplusHigh => Standing.High - BudsToLeave;

    /// <summary>Lower edge of the tolerance band, floral buds per tree.</summary>
    public double BandLow => BudsToLeave - Tolerance * BudsToLeave;

    /// <summary>Upper edge of the tolerance band, floral buds per tree.</summary>
    public double BandHigh => BudsToLeave + Tolerance * BudsToLeave;

    /// <summary>What pruning may take, as a share of the buds standing, 0 to 1.</summary>
    public double RemoveShare => Standing.Mean > 0 ? RemoveBuds / Standing.Mean : 0;

    /// <summary>Whether both ends of the interval decide alike; false where there is no interval.</summary>
    public bool Settled =>
        SurplusLow is { } low
        && SurplusHigh is { } high
        && KindOf(low, Tolerance * BudsToLeave) == KindOf(Surplus, Tolerance * BudsToLeave)
        && KindOf(high, Tolerance * BudsToLeave) == KindOf(Surplus, Tolerance * BudsToLeave);

    /// <summary>Decides from the unrounded surplus. The target is taken as exact.</summary>
    /// <param name="standing">Floral buds standing per tree.</param>
    /// <param name="toLeave">Floral buds to leave per tree, above 0.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="fruitWanted">Fruit wanted per tree, where known.</param>
    /// <param name="setShare">Share of floral buds that hold a fruit after natural drop, where known.</param>
    /// <param name="held">What the manager decided instead of the count.</param>
    public static PruningDecision Of(
        BudsStanding standing,
        double toLeave,
        DecisionSettings settings,
        double? fruitWanted = null,
        double? setShare = null,
        DecisionKind? held = null
    )
    {
        var surplus = standing.Mean - toLeave;
        var tolerance = settings.Tolerance * toLeave;
        var counted = KindOf(surplus, tolerance);
        // Nobody can remove a surplus that is not there.
        var kind = held == DecisionKind.Reduce && surplus <= 0 ? counted : held ?? counted;
        var wouldGo = kind switch
        {
            DecisionKind.Reduce => surplus,
            // Shape may cost at most the tolerance, and never take the tree below the band.
            DecisionKind.StructureOnly => held is null ? Math.Min(tolerance, surplus + tolerance) : tolerance,
            _ => 0,
        };
        var remove = Math.Min(wouldGo, settings.Cap * standing.Mean);
        var toThinning = kind == DecisionKind.Reduce ? surplus - remove : 0;
        double? atBest = kind == DecisionKind.NoPrune ? standing.Mean * setShare : null;
        double? isShort = atBest is { } fruit && fruitWanted is { } wanted ? Math.Max(0, wanted - fruit) : null;
        Figure present = new("floral buds", standing.Mean, "bud/tree"),
            wantedBuds = new("buds to leave", toLeave, "bud/tree");
        Figure surplusFigure = new("surplus", surplus, "bud/tree");
        List<Step> steps =
        [
            new(
                "decision.surplus",
                "floral buds − buds to leave",
                surplusFigure,
                [present, wantedBuds],
                Sources.Definition
            ),
            new(
                "decision.tolerance",
                "buds to leave × tolerance",
                new("tolerance in buds", tolerance, "bud/tree"),
                [wantedBuds, new("tolerance", settings.Tolerance, "share")],
                "setting, 10 % unless changed"
            ),
        ];
        steps.Add(
            kind switch
            {
                DecisionKind.Reduce => new(
                    "decision.remove",
                    "the smaller of the surplus and floral buds × cap",
                    new("remove", remove, "bud/tree"),
                    [surplusFigure, present, new("cap", settings.Cap, "share")],
                    "setting, 40 % unless the training system or the manager says otherwise"
                ),
                DecisionKind.StructureOnly => new(
                    "decision.remove",
                    "the smaller of the tolerance and surplus + tolerance",
                    new("allowance for structure", remove, "bud/tree"),
                    [surplusFigure, new("tolerance in buds", tolerance, "bud/tree")],
                    Sources.Definition
                ),
                _ => new(
                    "decision.remove",
                    "nothing is removed to reach the number",
                    new("remove", 0, "bud/tree"),
                    [],
                    Sources.Definition
                ),
            }
        );
        if (toThinning > 0)
            steps.Add(
                new(
                    "decision.thinning",
                    "surplus − remove",
                    new("clusters left to thinning", toThinning, "cluster/tree"),
                    [surplusFigure, new("remove", remove, "bud/tree")],
                    Sources.Definition
                )
            );
        if (atBest is { } best)
            steps.Add(
                new(
                    "decision.fruit-at-best",
                    "floral buds × cluster set",
                    new("fruit at best", best, "fruit/tree"),
                    [present, new("cluster set", setShare!.Value, "share")],
                    Sources.Assumption
                )
            );

        PruningDecision decision = new(
            kind,
            kind == DecisionKind.Reduce ? WeightOf(surplus / standing.Mean) : null,
            standing,
            toLeave,
            remove,
            settings.Cap,
            settings.Tolerance,
            held,
            toThinning,
            atBest,
            isShort,
            Unsaid,
            steps,
            []
        );
        return decision with { Reason = DecisionReason.Of(decision), Warnings = Warn(decision) };
    }

    /// <summary>
    /// The decision as its cuts carry it out: what goes, and what is left to thinning, are told by the cuts
    /// from here on.
    /// </summary>
    /// <param name="remove">Floral buds that go from a mean tree.</param>
    /// <param name="thinning">Clusters over the number on a mean tree; trees that end below it make up for
    /// none.</param>
    /// <param name="light">Whether the system prunes light, whatever the number.</param>
    /// <param name="classes">What goes from each trunk class and its share of the trees, one after the other;
    /// empty within one class.</param>
    internal PruningDecision CarriedOut(double remove, double thinning, bool light, IReadOnlyList<Figure> classes)
    {
        List<Step> steps =
        [
            .. Steps.Where(s => s.Code is not ("decision.remove" or "decision.thinning")),
            RemoveStep(remove, light, classes),
        ];
        if (thinning > 0)
        {
            Figure left = new(
                "floral buds left",
                Standing.Mean - (Kind == DecisionKind.Reduce ? remove : 0),
                "bud/tree"
            );
            steps.Add(
                new(
                    "decision.thinning",
                    "mean over trees of floral buds left − buds to leave, where there are more",
                    new("clusters left to thinning", thinning, "cluster/tree"),
                    [left, new("buds to leave", BudsToLeave, "bud/tree")],
                    "typical trees cut by the card"
                )
            );
        }
        return this with
        {
            RemoveBuds = remove,
            ClustersToThinning = thinning,
            Steps = steps,
            Reason = ReasonOf(remove, thinning, light),
        };
    }

    private Step RemoveStep(double remove, bool light, IReadOnlyList<Figure> classes)
    {
        var planned = Steps.First(s => s.Code == "decision.remove");
        if (
            classes.Count == 0
            && !(Kind == DecisionKind.Reduce && light)
            && Math.Abs(planned.Result.Value - remove) < SameBuds
        )
            return planned;
        var formula =
            classes.Count > 0 ? "Σ share of the trees × what goes from the trunk class"
            : Kind == DecisionKind.Reduce && light ? "what the system's cuts take, whatever the number"
            // Cuts may run out before the number is reached.
            : "what all cuts of the system together take";
        return new(
            "decision.remove",
            formula,
            planned.Result with
            {
                Value = remove,
            },
            classes.Count > 0 ? classes : [new("floral buds", Standing.Mean, "bud/tree")],
            Sources.Definition
        );
    }

    private Notice ReasonOf(double remove, double thinning, bool light)
    {
        if (Kind != DecisionKind.Reduce)
            return Reason;
        if (light)
            return DecisionReason.OfLight(this with { RemoveBuds = remove, ClustersToThinning = thinning });
        // What only the spread of the trees leaves over the number is not what pruning gave up.
        var givenUp = Surplus - remove >= DecisionReason.WorthTelling ? thinning : 0;
        return DecisionReason.Of(this with { RemoveBuds = remove, ClustersToThinning = givenUp });
    }

    /// <summary>What a surplus leads to.</summary>
    /// <param name="surplus">Floral buds standing less floral buds to leave, per tree.</param>
    /// <param name="tolerance">Tolerance in buds per tree.</param>
    internal static DecisionKind KindOf(double surplus, double tolerance) =>
        surplus < -tolerance ? DecisionKind.NoPrune
        : surplus <= tolerance ? DecisionKind.StructureOnly
        : DecisionKind.Reduce;

    private static PruningWeight WeightOf(double share) =>
        share <= LightUpTo ? PruningWeight.Light
        : share <= StandardUpTo ? PruningWeight.Standard
        : PruningWeight.Heavy;

    private static List<Notice> Warn(PruningDecision decision)
    {
        List<Notice> warnings = [];
        if (decision.Standing.Low is null)
            warnings.Add(
                new(
                    "decision.no-interval",
                    "Without an interval nobody knows how sure this is. Count at least five trees."
                )
            );
        else if (!decision.Settled)
            warnings.Add(
                new(
                    "decision.not-settled",
                    "Not settled: the ends of the interval lead to different decisions. Count more trees, or "
                        + "start with structure only; pruning can be continued, not undone."
                )
            );
        if (decision.Kind == DecisionKind.NoPrune && decision.Standing.Mean == 0)
            warnings.Add(
                new(
                    "decision.no-buds",
                    "No floral buds were found. Make sure floral and leaf buds were told apart: cut a few "
                        + "lengthwise under a lens."
                )
            );
        return warnings;
    }
}
