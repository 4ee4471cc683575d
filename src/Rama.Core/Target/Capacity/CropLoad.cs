using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Target.Capacity;

/// <summary>What the trunks and the age of the trees say about a target. Warns, never blocks.</summary>
public static class CropLoad
{
    /// <summary>Fruit per cm² of trunk cross-section against the variety's usual range, and a first-crop check by leaf.</summary>
    /// <param name="planting">The planting, for its variety and leaf.</param>
    /// <param name="fruitPerTree">Fruit wanted per tree.</param>
    /// <param name="meanTcsaCm2">Mean trunk cross-section in cm², where girths were measured.</param>
    public static IReadOnlyList<Notice> Check(Planting planting, double fruitPerTree, double? meanTcsaCm2)
    {
        List<Notice> warnings = [];
        if (planting.Leaf <= 2)
            warnings.Add(new("crop-load.young",
                $"In leaf {planting.Leaf} a crop competes with growth. Most systems carry none or a few fruit until the leader nears the top wire.",
                new Figure("leaf", planting.Leaf, "1")));
        if (meanTcsaCm2 is not { } tcsa || tcsa <= 0) return warnings;

        var variety = planting.Variety;
        // Not every crop is told by its trunk.
        if (variety is not { CropDensityLow.Value: var low, CropDensityHigh.Value: var high }) return warnings;
        var load = fruitPerTree / tcsa;
        Figure[] figures =
        [
            new("crop density", load, "fruit/cm²"), new("usual from", low, "fruit/cm²"),
            new("usual to", high, "fruit/cm²"),
        ];
        var range = $"{low:0.#} to {high:0.#}";
        if (load > high)
            warnings.Add(new("crop-load.high",
                $"The target is {load:0.0} fruit per cm² of trunk; {variety.Name} usually carries {range}. Expect small fruit{(variety.Traits.BiennialProne ? " and a light bloom next year" : "")}; lower the yield or accept smaller fruit.",
                figures));
        else if (load < low)
            warnings.Add(new("crop-load.low",
                $"The target is {load:0.0} fruit per cm² of trunk; {variety.Name} usually carries {range}. The trees could carry more; expect large fruit and strong growth.",
                figures));
        return warnings;
    }
}
