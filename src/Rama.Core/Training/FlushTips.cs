using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>Growing tips of a young terminal bearer that is tipped after each flush, and what they will bear.</summary>
/// <param name="Rounds">Tips after each round.</param>
/// <param name="Fruit">Fruit they hold once in bearing.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record FlushTips(IReadOnlyList<double> Rounds, double Fruit, IReadOnlyList<Step> Steps)
    : Calculated(Rounds[^1], "tip/tree", Steps, [])
{
    /// <summary>Tips that come from one that is tipped (common practice, no source: three to five).</summary>
    public const double UsualPerTip = 3.5;

    /// <summary>Share of the tips that flower, and fruit a flowering one holds (assumption).</summary>
    public const double UsualFlowering = 0.6,
        UsualHeld = 0.3;

    /// <summary>Works it out.</summary>
    /// <param name="scaffolds">Scaffolds of the tree.</param>
    /// <param name="rounds">Rounds of tipping.</param>
    /// <param name="perTip">Tips that come from one.</param>
    /// <param name="flowering">Share of them that flowers.</param>
    /// <param name="held">Fruit a flowering tip holds.</param>
    /// <remarks>Source: handbook of the trade, common practice; shares are assumptions.</remarks>
    public static FlushTips Of(
        double scaffolds,
        int rounds,
        double perTip = UsualPerTip,
        double flowering = UsualFlowering,
        double held = UsualHeld
    )
    {
        List<double> after = [.. Enumerable.Range(1, rounds).Select(r => scaffolds * Math.Pow(perTip, r))];
        var fruit = after[^1] * flowering * held;
        Figure tips = new("tips", after[^1], "tip/tree");
        return new(
            after,
            fruit,
            [
                new(
                    "flush-tips.tips",
                    "scaffolds × tips from one ^ rounds",
                    tips,
                    [new("scaffolds", scaffolds, "1"), new("tips from one", perTip, "1"), new("rounds", rounds, "1")],
                    Sources.Practice
                ),
                new(
                    "flush-tips.fruit",
                    "tips × share that flowers × fruit held",
                    new("fruit", fruit, "fruit/tree"),
                    [tips, new("share that flowers", flowering, "share"), new("fruit held", held, "1")],
                    Sources.Assumption
                ),
            ]
        );
    }
}

/// <summary>A young tree that is tipped flush by flush, as typed.</summary>
public sealed record FlushTipsEntry
{
    /// <summary>Scaffolds of the tree.</summary>
    public double? Scaffolds { get; init; }

    /// <summary>Rounds of tipping.</summary>
    public double? Rounds { get; init; }

    /// <summary>Tips that come from one; 3.5 when left out.</summary>
    public double? PerTip { get; init; }

    /// <summary>Share of the tips that flowers, %; 60 when left out.</summary>
    public double? FloweringPercent { get; init; }

    /// <summary>Fruit a flowering tip holds; 0.3 when left out.</summary>
    public double? Held { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public FlushTips Calculate()
    {
        var reader = new EntryReader();
        var scaffolds = reader.RequiredWhole("scaffolds", "Scaffolds", Scaffolds, "", 1, 12);
        var rounds = reader.RequiredWhole("rounds", "Rounds", Rounds, "", 1, 5);
        var perTip = reader.Optional("perTip", "Tips from one", PerTip, "", 1, 8);
        var flowering = reader.Optional("floweringPercent", "Share that flowers", FloweringPercent, "%", 0, 100);
        var held = reader.Optional("held", "Fruit held", Held, "", 0, 60);
        reader.ThrowIfAny();
        return FlushTips.Of(
            scaffolds,
            (int)rounds,
            perTip ?? FlushTips.UsualPerTip,
            flowering / 100 ?? FlushTips.UsualFlowering,
            held ?? FlushTips.UsualHeld
        );
    }
}
