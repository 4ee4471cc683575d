using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Practice;
using Rama.Core.Quantities;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>A tree to cut by a system, as typed: its main counts, and what to leave.</summary>
public sealed record CutTreeEntry : DecisionSettingsEntry
{
    /// <summary>Identifier of the training system.</summary>
    public string? System { get; init; }

    /// <summary>Answers to the system's questions; its own where left out.</summary>
    public IReadOnlyDictionary<string, string> Answers { get; init; } = new Dictionary<string, string>();

    /// <summary>Settings other than the system's own, in their own unit.</summary>
    public IReadOnlyDictionary<string, double> Values { get; init; } = new Dictionary<string, double>();

    /// <summary>Floral buds on the tree; as usual for the system when left out.</summary>
    public double? FloralBuds { get; init; }

    /// <summary>Floral buds to leave.</summary>
    public double? BudsToLeave { get; init; }

    /// <summary>Trunk diameter; as usual for the system when left out.</summary>
    public Amount? Trunk { get; init; }

    /// <summary>Diameters of its limbs; typical limbs when left out.</summary>
    public IReadOnlyList<Amount> Limbs { get; init; } = [];

    /// <summary>Distance of the rows; as usual for the system when left out.</summary>
    public Amount? RowSpacing { get; init; }

    /// <summary>Distance of the trees; as usual for the system when left out.</summary>
    public Amount? TreeSpacing { get; init; }

    /// <summary>Height allowed; 0.9 of the row spacing when left out.</summary>
    public Amount? HeightLimit { get; init; }

    /// <summary>Seed for what is not told.</summary>
    public int Seed { get; init; } = 1;

    /// <summary>Cuts made by hand; the system's own when left out.</summary>
    public IReadOnlyList<HandCut>? Cuts { get; init; }

    /// <summary>Reads the entry and cuts the tree.</summary>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CutTree Calculate(Estate.Catalogue? catalogue = null)
    {
        var reader = new EntryReader();
        var system = (catalogue ?? Estate.Catalogue.Shipped).System(System);
        if (system is null)
            reader.Add("system", "unknown", "System: please choose a training system.");
        var buds = reader.Optional("floralBuds", "Floral buds", FloralBuds, "bud/tree", 0, 5_000);
        var toLeave = reader.Required("budsToLeave", "Buds to leave", BudsToLeave, "bud/tree", 0.1, 5_000);
        var trunk = reader.Optional("trunk", "Trunk diameter", Trunk, Units.Length, 0.005, 0.9);
        if (Limbs.Count > 400)
            reader.Add("limbs", "range", "Limbs: expected at most 400 diameters.");
        var limbs = Limbs
            .Take(400)
            .Select((l, i) => reader.Required($"limbs[{i}]", "Limb", l, Units.Length, 0.002, 0.3) * 1_000)
            .ToList();
        var row = reader.Optional("rowSpacing", "Row spacing", RowSpacing, Units.Length, 1, 15)
            ?? system?.Form.UsualGround.RowM
            ?? 0;
        var apart = reader.Optional("treeSpacing", "Tree spacing", TreeSpacing, Units.Length, 0.2, 15)
            ?? system?.Form.UsualGround.TreeM
            ?? 0;
        var height = reader.Optional("heightLimit", "Height allowed", HeightLimit, Units.Length, 0.5, 15) ?? 0.9 * row;
        var settings = reader.Under("", () => ReadSettings(system?.Caps.ShareOfBuds ?? DecisionSettings.DefaultCap));
        foreach (var (id, value) in Values)
            if (system?.Settings.FirstOrDefault(s => s.Id == id) is { } setting)
                reader.InRange($"values.{id}", setting.Name.En, value, setting.Unit, setting.Least, setting.Most);
            else if (system is not null)
                reader.Add($"values.{id}", "unknown", $"Settings: the system has no {id}.");
        foreach (var (question, answer) in Answers)
            if (
                system is not null
                && system.Questions.FirstOrDefault(q => q.Id == question)?.Options.Any(o => o.Id == answer) != true
            )
                reader.Add($"answers.{question}", "unknown", "Answers: please choose one of the system's.");
        reader.ThrowIfAny();

        var shape = system!.Form.Typical;
        var generator = new TreeGenerator(shape, new(row, apart, height));
        var usual = TreeStock.Usual(system, new(buds ?? shape.Buds, null, null), null).Classes[0].Counts;
        var tree =
            limbs.Count > 0
                ? generator.Model(
                    new(
                        (trunk ?? shape.TrunkMm / 1_000) * 1_000,
                        system.Form.Leaders,
                        shape.HeightM,
                        [.. limbs.Select(mm => new LimbToGrow(mm, false, null))],
                        (int)Math.Round(buds ?? shape.Buds)
                    ),
                    Seed
                )
                : generator.Make(
                    usual with
                    {
                        TcsaCm2 = trunk is { } m ? new(Math.PI * m * m * 2_500, 0) : usual.TcsaCm2,
                        FloralBuds = buds is { } b ? new(b, 0) : usual.FloralBuds,
                    },
                    Seed
                );
        var bench = new TreeBench(system.RulesFor(Answers), tree, toLeave, settings!, Values);
        return CutTree.Of(bench, Cuts);
    }
}

/// <summary>A tree cut.</summary>
/// <param name="Tree">The tree as it grew.</param>
/// <param name="Allowance">How far it might be cut.</param>
/// <param name="Cuts">The cuts in order.</param>
/// <param name="Steps">What each step of the system came to on it, and why it cut no more.</param>
/// <param name="Before">The tree before.</param>
/// <param name="After">The tree afterwards.</param>
/// <param name="Score">Score of cuts made by hand; null for the system's own.</param>
/// <param name="SeenFrom">From where the tree shows what the system is about.</param>
/// <param name="HeightLimitM">Height leaders are cut back to, metres; null where the system does not.</param>
public sealed record CutTree(
    FruitTree Tree,
    CutAllowance Allowance,
    IReadOnlyList<BenchCut> Cuts,
    IReadOnlyList<StepOutcome> Steps,
    BenchMeasures Before,
    BenchMeasures After,
    PracticeScore? Score,
    TreeView SeenFrom,
    double? HeightLimitM
)
{
    /// <summary>A tree on the bench, cut by its system or by hand.</summary>
    /// <param name="bench">The tree.</param>
    /// <param name="byHand">Cuts made by hand; the system's own when left out.</param>
    internal static CutTree Of(TreeBench bench, IReadOnlyList<HandCut>? byHand = null)
    {
        var cuts = byHand is null ? bench.Prescribed() : bench.Made(byHand);
        return new(
            bench.Tree,
            bench.Allowance,
            cuts,
            bench.Outcomes(),
            bench.Before,
            cuts.Count > 0 ? cuts[^1].After : bench.Before,
            byHand is null ? null : PracticeScore.Of(bench, cuts),
            bench.Rules.System.Form.SeenFrom,
            bench.HeightLimitM
        );
    }
}
