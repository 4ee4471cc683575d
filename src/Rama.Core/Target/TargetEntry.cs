using Rama.Core.Target.Insurance;
using Rama.Core.Explain;

namespace Rama.Core.Target;

/// <summary>The target of a planting for one season, as typed.</summary>
public sealed record TargetEntry : CropTargetEntry
{
    /// <summary>Floral buds left per fruit wanted, 1 to 6.</summary>
    public double? BudFactor { get; init; }

    /// <summary>Limbs on a mean tree, used until limbs are counted; the system's usual number when left out.</summary>
    public double? LimbsPerTree { get; init; }

    /// <summary>Whether nothing has been entered yet, so that an untouched target is not called wrong.</summary>
    public bool IsUntouched => Yield?.Value is null && FruitSize?.Value is null && BudFactor is null;

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
