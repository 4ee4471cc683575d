using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Target;

/// <summary>A planting's ground and the crop wanted from it.</summary>
public sealed record PlantingCropEntry
{
    /// <summary>Spacing, area and gaps.</summary>
    public DensityEntry Planting { get; init; } = new();

    /// <summary>Yield, fruit size and pack-out.</summary>
    public CropTargetEntry Target { get; init; } = new();

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CropTarget Calculate()
    {
        var reader = new EntryReader();
        var form = reader.Under("planting", Planting.ReadForm);
        var wanted = reader.Under("target", () => Target.ReadCrop());
        reader.ThrowIfAny();
        return CropTarget.Of(PlantingDensity.Of(form!), wanted!);
    }
}
