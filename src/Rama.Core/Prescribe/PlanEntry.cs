using Rama.Core.Count;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Target;

namespace Rama.Core.Prescribe;

/// <summary>The target of a planting for one season, as typed.</summary>
public sealed record TargetEntry : CropTargetEntry
{
    /// <summary>Floral buds left per fruit wanted, 1 to 6.</summary>
    public double? BudFactor { get; init; }

    /// <summary>Limbs on a mean tree, used until limbs are counted; the system's usual number when left out.</summary>
    public double? LimbsPerTree { get; init; }

    /// <summary>Whether nothing has been entered yet, so that an untouched target is not called wrong.</summary>
    internal bool IsUntouched => Yield?.Value is null && FruitSize?.Value is null && BudFactor is null;

    /// <summary>Reads the entry into SI.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SeasonTarget Read()
    {
        var reader = new EntryReader();
        var crop = reader.Under("", ReadCrop);
        var factor = BudFactorEntry.ReadFactor(reader, BudFactor);
        var limbs = BudFactorEntry.ReadLimbs(reader, LimbsPerTree);
        reader.ThrowIfAny();
        return new(crop!, factor, limbs);
    }
}

/// <summary>The target of a planting for one season.</summary>
/// <param name="Crop">Crop wanted.</param>
/// <param name="BudFactor">Floral buds left per fruit wanted.</param>
/// <param name="LimbsPerTree">Limbs on a mean tree, used until limbs are counted.</param>
public sealed record SeasonTarget(CropWanted Crop, double BudFactor, double? LimbsPerTree);

/// <summary>All that is typed for one planting and season.</summary>
public sealed record PlanEntry
{
    /// <summary>Calendar year of the harvest planned for.</summary>
    public int Season { get; init; }

    /// <summary>What grows there.</summary>
    public PlantingEntry Planting { get; init; } = new();

    /// <summary>What is wanted.</summary>
    public TargetEntry Target { get; init; } = new();

    /// <summary>What was counted.</summary>
    public SurveyEntry Count { get; init; } = new();

    /// <summary>How far is near enough, and how much may go.</summary>
    public DecisionSettingsEntry Settings { get; init; } = new();
}
