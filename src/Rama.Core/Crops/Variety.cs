namespace Rama.Core.Crops;

/// <summary>A variety of the catalogue.</summary>
/// <param name="Name">Name of the variety.</param>
/// <param name="Crop">Crop it belongs to: apple, pear, cherry, peach.</param>
/// <param name="Traits">How it grows and bears.</param>
/// <param name="CropDensityLow">Lower end of the usual crop density, fruit per cm² of trunk cross-section; null where
/// it is not told so.</param>
/// <param name="CropDensityHigh">Upper end of the usual crop density, fruit per cm² of trunk cross-section; null where
/// it is not told so.</param>
/// <param name="SetShare">Share of floral buds that still hold a fruit after natural drop, before hand
/// thinning.</param>
/// <param name="SetShareSd">Standard deviation of that share from year to year.</param>
/// <param name="FruitMassG">Mean mass of a fruit at a moderate crop, grams.</param>
public sealed record Variety(
    string Name,
    string Crop,
    VarietyTraits Traits,
    Sourced? CropDensityLow,
    Sourced? CropDensityHigh,
    Sourced SetShare,
    Sourced SetShareSd,
    Sourced FruitMassG
)
{
    /// <summary>The variety as it would be typed.</summary>
    public VarietyEntry ToEntry() =>
        new()
        {
            Name = Name,
            Crop = Crop,
            BiennialProne = Traits.BiennialProne,
            CropDensityLow = CropDensityLow?.Value,
            CropDensityHigh = CropDensityHigh?.Value,
            SetShare = SetShare.Value,
            SetShareSd = SetShareSd.Value,
            FruitMassG = FruitMassG.Value,
        };
}

/// <summary>How a variety grows and bears.</summary>
/// <param name="BiennialProne">Whether a heavy year tends to be followed by a light one.</param>
/// <param name="Vigour">How strongly it grows.</param>
/// <param name="Habit">Whether its limbs rise or spread.</param>
/// <param name="Branching">Whether it branches freely.</param>
/// <param name="FruitSize">Whether its fruit tends to be small or too large.</param>
/// <param name="SetTendency">Whether it sets too much or too little.</param>
/// <param name="SelfFertile">Whether it sets with its own pollen.</param>
/// <param name="Regrowth">Whether stubs grow out again readily.</param>
/// <param name="Source">Where this comes from.</param>
public sealed record VarietyTraits(
    bool BiennialProne,
    Strength Vigour,
    GrowthHabit Habit,
    Branching Branching,
    FruitSizeTendency FruitSize,
    SetTendency SetTendency,
    bool SelfFertile,
    Regrowth Regrowth,
    string Source
)
{
    private static readonly IReadOnlyList<(string Name, Func<VarietyTraits, bool> Has)> Answered =
    [
        ("biennial-prone", t => t.BiennialProne),
        ("oversizes", t => t.FruitSize == FruitSizeTendency.Oversizes),
        ("poor-set", t => t.SetTendency == SetTendency.Poor),
        ("over-setting", t => t.SetTendency == SetTendency.OverSetting),
        ("slow-regrowth", t => t.Regrowth == Regrowth.Slow),
    ];

    /// <summary>Traits a training system may answer to.</summary>
    public static IReadOnlyList<string> Known { get; } = [.. Answered.Select(t => t.Name)];

    /// <summary>Those this variety has.</summary>
    internal IReadOnlyList<string> Named => [.. Answered.Where(t => t.Has(this)).Select(t => t.Name)];
}

/// <summary>How strongly a variety grows.</summary>
public enum Strength
{
    /// <summary>Weakly.</summary>
    Weak,

    /// <summary>Moderately.</summary>
    Moderate,

    /// <summary>Strongly.</summary>
    Strong,
}

/// <summary>Whether limbs rise or spread.</summary>
public enum GrowthHabit
{
    /// <summary>They rise.</summary>
    Upright,

    /// <summary>They spread.</summary>
    Spreading,
}

/// <summary>Whether a variety branches freely.</summary>
public enum Branching
{
    /// <summary>Freely.</summary>
    Free,

    /// <summary>Poorly; bare wood needs notching or branching agents.</summary>
    Poor,
}

/// <summary>The size fruit tends to.</summary>
public enum FruitSizeTendency
{
    /// <summary>Small.</summary>
    Small,

    /// <summary>As wanted.</summary>
    Normal,

    /// <summary>Too large at a light crop.</summary>
    Oversizes,
}

/// <summary>How much a variety sets.</summary>
public enum SetTendency
{
    /// <summary>Too little.</summary>
    Poor,

    /// <summary>Enough.</summary>
    Normal,

    /// <summary>Too much.</summary>
    OverSetting,
}

/// <summary>How readily stubs grow out again.</summary>
public enum Regrowth
{
    /// <summary>Readily.</summary>
    Ready,

    /// <summary>Slowly.</summary>
    Slow,
}
