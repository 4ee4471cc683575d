using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Systems;

namespace Rama.Core.Training;

/// <summary>What the years of a system are worked out with.</summary>
/// <param name="System">The system; it must have a training programme.</param>
/// <param name="RowM">Metres between rows.</param>
/// <param name="TreeM">Metres between trees.</param>
/// <param name="FinalHeightM">Height of a grown tree there, metres.</param>
/// <param name="GrownYieldTHa">Crop of a grown planting, t/ha.</param>
/// <param name="Traits">Traits of crop, variety and rootstock that its tasks may ask for.</param>
/// <param name="Capital">Trees, posts and wires, money a hectare, due in the first leaf; 0 where not told.</param>
public sealed record SystemTerms(
    TrainingSystem System,
    double RowM,
    double TreeM,
    double FinalHeightM,
    double GrownYieldTHa,
    IReadOnlySet<string> Traits,
    double Capital
)
{
    private const double SquareMetresPerHa = 10_000;

    /// <summary>Trees a hectare.</summary>
    public double TreesPerHa => SquareMetresPerHa / (RowM * TreeM);

    /// <summary>Trees a hectare on the ground usual for the system.</summary>
    public double UsualTreesPerHa => SquareMetresPerHa / (System.Form.UsualGround.RowM * System.Form.UsualGround.TreeM);
}

/// <summary>What all systems compared share.</summary>
/// <param name="CropsLater">Leaves the stock crops later than usual.</param>
/// <param name="Wage">Wage an hour.</param>
/// <param name="Price">What a kilogram brings before labour, after picking; null where not told.</param>
/// <param name="Rate">Discount a year, as a share.</param>
public sealed record ChoiceTerms(int CropsLater, double Wage, double? Price, double Rate);

/// <summary>Systems side by side over their first fifteen leaves.</summary>
/// <param name="Systems">The systems in the order asked.</param>
/// <param name="Wage">Wage an hour they are worked out with.</param>
/// <param name="Rate">Discount a year, as a share.</param>
/// <param name="Crossings">Where the line of another crosses that of the first.</param>
/// <param name="Steps">The arithmetic of a leaf.</param>
/// <param name="Warnings">What to know before relying on it.</param>
public sealed record SystemChoice(
    IReadOnlyList<SystemYears> Systems,
    double Wage,
    double Rate,
    IReadOnlyList<LineCrossing> Crossings,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Systems[0].Hours, "h/ha", Steps, Warnings)
{
    /// <summary>Leaves that are compared.</summary>
    public const int Leaves = 15;

    /// <summary>Compares systems.</summary>
    /// <param name="systems">One or more.</param>
    /// <param name="terms">What they share.</param>
    /// <remarks>Amounts fall due at the end of their leaf. Source: derived; labour profiles, growth and grown crops are
    /// assumptions of the packs.</remarks>
    public static SystemChoice Of(IReadOnlyList<SystemTerms> systems, ChoiceTerms terms)
    {
        List<SystemYears> years = [.. systems.Select(s => SystemYears.Of(s, terms))];
        var first = years[0];
        List<LineCrossing> crossings = [];
        foreach (var other in years.Skip(1))
        {
            crossings.Add(
                new(
                    other.Id,
                    Years.Crossing([.. first.Leaves.Select(l => l.HoursTo)], [.. other.Leaves.Select(l => l.HoursTo)]),
                    terms.Price is null
                        ? null
                        : Years.Crossing(
                            [.. first.Leaves.Select(l => l.Cumulated!.Value)],
                            [.. other.Leaves.Select(l => l.Cumulated!.Value)]
                        )
                )
            );
        }
        return new(
            years,
            terms.Wage,
            terms.Rate,
            crossings,
            first.Steps,
            [
                new(
                    "system-choice.assumed",
                    "Labour, growth and grown crop of a system are assumptions until your own records take their place."
                ),
            ]
        );
    }
}

/// <summary>Where lines of a system cross those of the first, cumulated.</summary>
/// <param name="Id">The system.</param>
/// <param name="HoursLeaf">Leaf in which cumulated hours cross; null for none.</param>
/// <param name="MarginLeaf">Leaf in which cumulated margins cross; null for none, or without a price.</param>
public sealed record LineCrossing(string Id, int? HoursLeaf, int? MarginLeaf);

/// <summary>The years of one system.</summary>
/// <param name="Id">The system.</param>
/// <param name="Name">Its name.</param>
/// <param name="Note">What to know before choosing it; null for nothing.</param>
/// <param name="TreesPerHa">Trees a hectare.</param>
/// <param name="Leaders">Leaders a tree.</param>
/// <param name="LeadersPerHa">Leaders a hectare.</param>
/// <param name="RowM">Metres between rows.</param>
/// <param name="TreeM">Metres between trees.</param>
/// <param name="TopLeaf">Leaf in which leaders stand at their final height.</param>
/// <param name="FirstCropLeaf">Leaf of the first crop.</param>
/// <param name="Capital">Capital a hectare.</param>
/// <param name="Hours">Paid hours of all leaves, h/ha.</param>
/// <param name="CropT">Crop of all leaves, t/ha.</param>
/// <param name="Leaves">Leaf by leaf.</param>
/// <param name="Steps">The arithmetic of its first full leaf.</param>
public sealed record SystemYears(
    string Id,
    LocalText Name,
    LocalText? Note,
    double TreesPerHa,
    int Leaders,
    double LeadersPerHa,
    double RowM,
    double TreeM,
    int TopLeaf,
    int FirstCropLeaf,
    double Capital,
    double Hours,
    double CropT,
    IReadOnlyList<LeafYear> Leaves,
    IReadOnlyList<Step> Steps
) : Calculated(Hours, "h/ha", Steps, [])
{
    private const double KgPerT = 1_000,
        SecondsPerHour = 3_600;

    // From here on a leader counts as at its final height: assumption.
    private const double AtTheTop = 0.97;

    internal static SystemYears Of(SystemTerms system, ChoiceTerms terms)
    {
        var training = system.System.Training!;
        List<LeafYear> leaves = [];
        var (cumulated, discounted, hoursTo) = (0.0, 0.0, 0.0);
        for (var leaf = 1; leaf <= SystemChoice.Leaves; leaf++)
        {
            var crop = CropOf(system, training, leaf - terms.CropsLater);
            var work = WorkOf(system, training, terms, leaf, crop);
            var wages = work.Hours * terms.Wage;
            hoursTo += work.Hours;
            double? margin = terms.Price is { } price
                ? crop * KgPerT * price - wages - (leaf == 1 ? system.Capital : 0)
                : null;
            if (margin is { } brings)
                (cumulated, discounted) = (cumulated + brings, discounted + brings / Math.Pow(1 + terms.Rate, leaf));
            leaves.Add(
                new(
                    leaf,
                    work.Training,
                    work.Pruning,
                    work.Thinning,
                    work.Hours,
                    hoursTo,
                    wages,
                    crop,
                    training.At(leaf).Height * system.FinalHeightM,
                    margin,
                    margin is null ? null : cumulated,
                    margin is null ? null : discounted
                )
            );
        }
        return new(
            system.System.Id,
            system.System.Name,
            system.System.Note,
            system.TreesPerHa,
            system.System.Form.Leaders,
            system.TreesPerHa * system.System.Form.Leaders,
            system.RowM,
            system.TreeM,
            Enumerable.Range(1, training.Leaves).First(l => training.At(l).Height >= AtTheTop),
            training.FirstCropLeaf + terms.CropsLater,
            system.Capital,
            leaves.Sum(l => l.Hours),
            leaves.Sum(l => l.CropT),
            leaves,
            StepsOf(system, training, terms)
        );
    }

    // Fruit hang on the trunk a tree enters its season with; more trees on the ground fill it the sooner.
    private static double CropOf(SystemTerms system, YoungTraining training, int leaf)
    {
        if (leaf < 1)
            return 0;
        var trunk =
            leaf > training.Leaves ? 1
            : leaf == 1 ? 0
            : training.At(leaf - 1).Trunk;
        var share = training.At(leaf).Crop * trunk * trunk * system.TreesPerHa / system.UsualTreesPerHa;
        return system.GrownYieldTHa * Math.Min(1, share);
    }

    private static (double Training, double Pruning, double Thinning, double Hours) WorkOf(
        SystemTerms system,
        YoungTraining training,
        ChoiceTerms terms,
        int leaf,
        double cropT
    )
    {
        double Paid(double secondsPerTree) =>
            system.TreesPerHa * secondsPerTree / SecondsPerHour / PassHours.ProductiveShare;
        var tasks =
            leaf > training.Leaves
                ? 0
                : training
                    .Tasks.Where(t => t.IsIn(leaf, system.Traits))
                    .Sum(t => (t.SecondsPerTree ?? 0) * (t.Times ?? 1));
        var (trained, pruned) = (Paid(tasks), Paid(training.PruningSecondsAt(leaf)));
        // A first crop is thinned to its limit by its own task.
        var thinned =
            training.At(leaf - terms.CropsLater).Crop < 1
                ? 0
                : Paid(training.ThinningSeconds) * cropT / system.GrownYieldTHa;
        return (trained, pruned, thinned, trained + pruned + thinned);
    }

    private static IReadOnlyList<Step> StepsOf(SystemTerms system, YoungTraining training, ChoiceTerms terms)
    {
        const int Leaf = SystemChoice.Leaves;
        var crop = CropOf(system, training, Leaf);
        var work = WorkOf(system, training, terms, Leaf, crop);
        return
        [
            new(
                "system-choice.trees",
                "10 000 ÷ (row spacing × tree spacing)",
                new("trees", system.TreesPerHa, "tree/ha"),
                [new("row spacing", system.RowM, "m"), new("tree spacing", system.TreeM, "m")],
                Sources.Definition
            ),
            new(
                "system-choice.pruning",
                "trees × pruning ÷ 3 600 ÷ productive share",
                new("pruning of a grown planting", work.Pruning, "h/ha"),
                [
                    new("trees", system.TreesPerHa, "tree/ha"),
                    new("pruning", training.PruningSecondsAt(Leaf), "s/tree"),
                    new("productive share", PassHours.ProductiveShare, "share"),
                ],
                training.Source
            ),
            new(
                "system-choice.thinning",
                "trees × thinning × crop ÷ grown crop ÷ 3 600 ÷ productive share",
                new("thinning of a grown planting", work.Thinning, "h/ha"),
                [
                    new("trees", system.TreesPerHa, "tree/ha"),
                    new("thinning", training.ThinningSeconds, "s/tree"),
                    new("crop", crop, "t/ha"),
                    new("grown crop", system.GrownYieldTHa, "t/ha"),
                    new("productive share", PassHours.ProductiveShare, "share"),
                ],
                training.Source
            ),
        ];
    }
}

/// <summary>One leaf of a system.</summary>
/// <param name="Leaf">The leaf.</param>
/// <param name="Training">Paid hours of training tasks, h/ha.</param>
/// <param name="Pruning">Of pruning.</param>
/// <param name="Thinning">Of hand thinning.</param>
/// <param name="Hours">All of them.</param>
/// <param name="HoursTo">Those up to this leaf.</param>
/// <param name="Wages">Their wages, money a hectare.</param>
/// <param name="CropT">Crop, t/ha.</param>
/// <param name="HeightM">Height at its end, metres.</param>
/// <param name="Margin">Crop × price less wages, and capital in the first leaf; null without a price.</param>
/// <param name="Cumulated">That up to this leaf.</param>
/// <param name="Discounted">The same in money of today.</param>
public sealed record LeafYear(
    int Leaf,
    double Training,
    double Pruning,
    double Thinning,
    double Hours,
    double HoursTo,
    double Wages,
    double CropT,
    double HeightM,
    double? Margin,
    double? Cumulated,
    double? Discounted
);
