using Rama.Core.Crops;
using Rama.Core.Explain;

namespace Rama.Core.Target.Capacity;

/// <summary>
/// Fruit that each bud or shoot left stands for, against what one usually bears: how cherry and peach are judged.
/// </summary>
/// <param name="Fruit">Fruit wanted for each one left.</param>
/// <param name="Low">Fewest one usually bears.</param>
/// <param name="High">Most one usually bears.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record FruitPerUnit(
    double Fruit,
    double Low,
    double High,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Fruit, "fruit/bud", Steps, Warnings)
{
    /// <summary>Fruit ÷ buds or shoots left; null for pome fruit, where a cluster is thinned to one.</summary>
    /// <param name="crop">Crop.</param>
    /// <param name="fruitPerTree">Fruit wanted per tree.</param>
    /// <param name="leftPerTree">Buds or shoots to leave per tree.</param>
    public static FruitPerUnit? Of(Crop crop, double fruitPerTree, double leftPerTree)
    {
        if (crop.Habit == BearingHabit.MixedBud)
            return null;
        var (each, low, high) = (fruitPerTree / leftPerTree, crop.FruitPerUnitLow.Value, crop.FruitPerUnitHigh.Value);
        Figure figure = new("fruit for each one left", each, "fruit/bud");
        Notice[] warnings =
            each > high
                ?
                [
                    new(
                        "crop-load.per-unit-high",
                        $"Each one left would have to bear {each:0.0#} fruit; {low:0.##} to {high:0.##} are "
                            + "usual. Leave more, or ask for fewer fruit.",
                        figure,
                        new("usual from", low, "1"),
                        new("usual to", high, "1")
                    ),
                ]
            : each < low
                ?
                [
                    new(
                        "crop-load.per-unit-low",
                        $"Each one left bears only {each:0.0#} fruit of the target; {low:0.##} to {high:0.##} "
                            + "are usual. Expect far more fruit than wanted, and small ones.",
                        figure,
                        new("usual from", low, "1"),
                        new("usual to", high, "1")
                    ),
                ]
            : [];
        return new(
            each,
            low,
            high,
            [
                new(
                    "crop-load.per-unit",
                    "fruit per tree ÷ buds to leave",
                    figure,
                    [new("fruit per tree", fruitPerTree, "fruit/tree"), new("buds to leave", leftPerTree, "bud/tree")],
                    crop.FruitPerUnitHigh.Source
                ),
            ],
            warnings
        );
    }
}
