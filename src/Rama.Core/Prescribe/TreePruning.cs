using Rama.Core.Decide;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>How far a tree may be cut.</summary>
/// <param name="Kind">The decision.</param>
/// <param name="Target">Floral buds to leave.</param>
/// <param name="BandLow">Floral buds down to which cuts of structure may go.</param>
/// <param name="NumberLow">Floral buds down to which single buds may be taken.</param>
/// <param name="CapLow">Floral buds that stay in any case: the cap of one winter.</param>
/// <param name="CountsBuds">Whether the buds of this very tree are known, so that cutting stops on them; a crew that
/// follows the card does not count every tree.</param>
public sealed record CutAllowance(
    DecisionKind Kind,
    double Target,
    double BandLow,
    double NumberLow,
    double CapLow,
    bool CountsBuds
)
{
    /// <summary>Allowance of a tree whose buds are known.</summary>
    /// <param name="floralBuds">Floral buds standing on it.</param>
    /// <param name="toLeave">Floral buds to leave, above 0.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="held">What the manager decided instead of the count.</param>
    // Shape may cost its allowance and no more; a reduction may dip into the band: a little under with insurance
    // left is no fault.
    public static CutAllowance Counted(
        double floralBuds,
        double toLeave,
        DecisionSettings settings,
        DecisionKind? held = null
    ) =>
        ForClass(
            PruningDecision.Of(new(floralBuds, null, null), toLeave, settings, held: held),
            toLeave,
            floralBuds,
            settings
        );

    /// <summary>
    /// Allowance of a tree whose buds are known and that stands for its trunk class: it is cut as the class is.
    /// </summary>
    /// <param name="ofClass">Decision of the class.</param>
    /// <param name="number">Floral buds the class is to be left with, above 0.</param>
    /// <param name="floralBuds">Floral buds standing on the tree.</param>
    /// <param name="settings">Tolerance and cap.</param>
    public static CutAllowance ForClass(
        PruningDecision ofClass,
        double number,
        double floralBuds,
        DecisionSettings settings
    )
    {
        var cap = (1 - settings.Cap) * floralBuds;
        return ofClass.Kind == DecisionKind.Reduce
            ? new(
                ofClass.Kind,
                number,
                Math.Max(number * (1 - settings.Tolerance), cap),
                Math.Max(number, cap),
                cap,
                true
            )
            : new(ofClass.Kind, number, floralBuds - ofClass.RemoveBuds, floralBuds - ofClass.RemoveBuds, cap, true);
    }

    /// <summary>Allowance of a tree on which nobody counts buds, such as after harvest.</summary>
    /// <param name="number">Floral buds of its winter's number, above 0; rules may speak of it.</param>
    public static CutAllowance Uncounted(double number) => new(DecisionKind.Reduce, number, 0, 0, 0, CountsBuds: false);

    /// <summary>Allowance of a tree cut by the card of its trunk class.</summary>
    /// <param name="ofClass">Decision of the class.</param>
    /// <param name="floralBuds">Floral buds standing on the tree; told to nobody.</param>
    /// <param name="settings">Tolerance and cap.</param>
    public static CutAllowance ByCard(PruningDecision ofClass, double floralBuds, DecisionSettings settings)
    {
        var cap = (1 - settings.Cap) * floralBuds;
        // Under structure only the card says how many may lie on the ground, and those a pruner does count.
        return ofClass.Kind == DecisionKind.StructureOnly
            ? new(
                ofClass.Kind,
                ofClass.BudsToLeave,
                floralBuds - ofClass.RemoveBuds,
                floralBuds - ofClass.RemoveBuds,
                cap,
                true
            )
            : new(ofClass.Kind, ofClass.BudsToLeave, 0, 0, cap, false);
    }
}

/// <summary>Why a step cut no more.</summary>
public enum StepEnd
{
    /// <summary>Nothing more of its kind was found.</summary>
    AllFound,

    /// <summary>As many as it may take.</summary>
    StepLimit,

    /// <summary>As many as it may take in that part of the tree.</summary>
    PlaceLimit,

    /// <summary>The next cut would take the tree below the buds wanted.</summary>
    Number,

    /// <summary>The next cut would take more buds than one winter allows.</summary>
    BudCap,

    /// <summary>The next cut would be one big cut too many.</summary>
    BigCutCap,

    /// <summary>The next bud would be one too many to rub off one by one.</summary>
    RubCap,

    /// <summary>The next cut would take more of the canopy than one winter allows.</summary>
    WoodCap,
}

/// <summary>One cut on one tree.</summary>
/// <param name="Number">Place in the order, from 1.</param>
/// <param name="StepId">Step of the rule pack.</param>
/// <param name="Kind">Kind of cut.</param>
/// <param name="Branch">Branch cut, or the branch the bud sits on.</param>
/// <param name="Bud">Bud taken off; null for a branch.</param>
/// <param name="LeaveM">Metres of the branch left.</param>
/// <param name="Drop">Floral buds that fell.</param>
/// <param name="BudsAfter">Floral buds standing afterwards.</param>
/// <param name="WoodCm3">Wood that fell, cm³.</param>
/// <param name="DiameterMm">Diameter of the wood cut through, mm; 0 for a bud.</param>
public sealed record TreeCut(
    int Number,
    string StepId,
    CutKind Kind,
    int Branch,
    int? Bud,
    double LeaveM,
    int Drop,
    int BudsAfter,
    double WoodCm3,
    double DiameterMm
);

/// <summary>A limb too thick for its place that stays this winter: the first to go next winter.</summary>
/// <param name="Branch">The limb.</param>
/// <param name="DiameterMm">Diameter at its base, mm.</param>
/// <param name="HeightM">Height of its base, metres.</param>
/// <param name="Ratio">Diameter ÷ its leader's there.</param>
/// <param name="Reason">Why it stays.</param>
/// <param name="Shortened">Whether it was shortened instead.</param>
public sealed record ThickLimb(
    int Branch,
    double DiameterMm,
    double HeightM,
    double? Ratio,
    StepEnd Reason,
    bool Shortened
);

/// <summary>One tree cut by a system.</summary>
public sealed class TreePruning
{
    private readonly PruningRules _rules;
    private readonly StepEnd?[] _ends;

    private TreePruning(PreparedTree prepared, CutAllowance allowance, double[] settings, IReadOnlyList<int?>? limits)
    {
        _rules = prepared.Rules;
        _ends = new StepEnd?[_rules.Steps.Count];
        Left = new(prepared.Tree);
        var engine = new CuttingEngine(prepared, Left, allowance, settings, limits);
        for (var i = 0; i < _ends.Length; i++)
            _ends[i] = engine.Carry(i);
        (Cuts, Steps, BigCuts, Seconds) = (engine.Cuts, engine.Steps, engine.BigCuts, engine.Seconds);
        FirstNextWinter = [.. engine.ThickLeft.Where(t => Left.Stands(t.Branch))];
    }

    /// <summary>The cuts in order.</summary>
    public IReadOnlyList<TreeCut> Cuts { get; }

    /// <summary>What each step came to, in their order.</summary>
    internal IReadOnlyList<StepTally> Steps { get; }

    /// <summary>How many of them are big by the system's measure.</summary>
    public int BigCuts { get; }

    /// <summary>Seconds the tree takes.</summary>
    public double Seconds { get; }

    /// <summary>Limbs too thick for their place that stay, thickest first, with the reason.</summary>
    public IReadOnlyList<ThickLimb> FirstNextWinter { get; }

    /// <summary>The tree afterwards.</summary>
    public RemainingTree Left { get; }

    /// <summary>Why each step cut no more, by step; without those the decision asks nothing of.</summary>
    public IReadOnlyDictionary<string, StepEnd> Ends =>
        _rules
            .Steps.Zip(_ends)
            .Where(x => x.Second is not null)
            .ToDictionary(x => x.First.Step.Id, x => x.Second!.Value);

    /// <summary>Cuts a tree by a system's rules.</summary>
    /// <param name="rules">The rules.</param>
    /// <param name="tree">The tree.</param>
    /// <param name="allowance">How far it may be cut.</param>
    /// <param name="settings">Settings other than the pack's own, by name and in their own unit.</param>
    public static TreePruning Of(
        PruningRules rules,
        FruitTree tree,
        CutAllowance allowance,
        IReadOnlyDictionary<string, double>? settings = null
    ) => Of(new PreparedTree(rules, tree), allowance, rules.Values(settings));

    /// <param name="prepared">The tree with the rules.</param>
    /// <param name="allowance">How far it may be cut.</param>
    /// <param name="settings">Values of the settings.</param>
    /// <param name="limits">Most cuts of each step on one tree, as a card says; null for the system's own.</param>
    internal static TreePruning Of(
        PreparedTree prepared,
        CutAllowance allowance,
        double[] settings,
        IReadOnlyList<int?>? limits = null
    ) => new(prepared, allowance, settings, limits);
}
