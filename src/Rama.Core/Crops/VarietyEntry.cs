using Rama.Core.Explain;

namespace Rama.Core.Crops;

/// <summary>
/// A variety as an estate knows it, as typed: a copy of a shipped one with other numbers, or one of its own.
/// </summary>
public sealed record VarietyEntry
{
    /// <summary>Name of the variety.</summary>
    public string? Name { get; init; }

    /// <summary>Crop it belongs to; needed for a variety that is not shipped.</summary>
    public string? Crop { get; init; }

    /// <summary>Whether a heavy year tends to be followed by a light one.</summary>
    public bool BiennialProne { get; init; }

    /// <summary>Lower end of the usual crop density, fruit/cm².</summary>
    public double? CropDensityLow { get; init; }

    /// <summary>Upper end of the usual crop density, fruit/cm².</summary>
    public double? CropDensityHigh { get; init; }

    /// <summary>Share of floral buds that still hold a fruit after natural drop, 0 to 1.</summary>
    public double? SetShare { get; init; }

    /// <summary>Standard deviation of that share from year to year, 0 to 0.5.</summary>
    public double? SetShareSd { get; init; }

    /// <summary>Mean mass of a fruit at a moderate crop, grams.</summary>
    public double? FruitMassG { get; init; }

    /// <summary>Where the numbers come from; the estate's own records when left out.</summary>
    public string? Source { get; init; }

    /// <summary>
    /// Reads the entry over a shipped variety of its name. A number that stays as shipped keeps its source.
    /// </summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Variety Read()
    {
        var reader = new EntryReader();
        var name = reader.Text("name", "Name", Name, 60);
        var shipped = ShippedCrops.Varieties.FirstOrDefault(v => v.Name == name);
        var crop = ShippedCrops.ReadCrop(reader, name, Crop, shipped?.Crop);
        var low = reader.Optional("cropDensityLow", "Crop density from", CropDensityLow, "fruit/cm²", 0.5, 30);
        var high = reader.Optional("cropDensityHigh", "Crop density to", CropDensityHigh, "fruit/cm²", 0.5, 30);
        if (low is null != high is null)
            reader.Add(
                low is null ? "cropDensityLow" : "cropDensityHigh",
                "missing",
                "Crop density: please fill in both ends, or none."
            );
        if (low >= high)
            reader.Add("cropDensityHigh", "conflict", "Crop density to: expected more than its lower end.");
        var set = reader.Required("setShare", "Cluster set", SetShare, "1", 0.01, 1);
        var sd = reader.Required("setShareSd", "Cluster set SD", SetShareSd, "1", 0, 0.5);
        var mass = reader.Required("fruitMassG", "Fruit mass", FruitMassG, "g", 1, 1_500);
        var source = reader.OptionalText("source", "Source", Source, 200) ?? Sources.OwnRecords;
        reader.ThrowIfAny();

        Sourced Own(double value, Sourced? known) => known?.Value == value ? known : new(value, source);
        var traits = shipped?.Traits
            ?? new(
                BiennialProne,
                Strength.Moderate,
                GrowthHabit.Spreading,
                Branching.Free,
                FruitSizeTendency.Normal,
                SetTendency.Normal,
                false,
                Regrowth.Ready,
                "not told"
            );
        return new(
            name,
            crop,
            traits.BiennialProne == BiennialProne
                ? traits
                : traits with
                {
                    BiennialProne = BiennialProne,
                    Source = source,
                },
            low is { } l ? Own(l, shipped?.CropDensityLow) : null,
            high is { } h ? Own(h, shipped?.CropDensityHigh) : null,
            Own(set, shipped?.SetShare),
            Own(sd, shipped?.SetShareSd),
            Own(mass, shipped?.FruitMassG)
        );
    }
}
