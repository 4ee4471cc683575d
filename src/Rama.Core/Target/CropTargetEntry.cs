using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Target.Size;

namespace Rama.Core.Target;

/// <summary>The crop wanted from a planting, as typed.</summary>
public record CropTargetEntry
{
    /// <summary>
    /// Marketable yield per area or tree, or fruit per tree; units <see cref="YieldTarget.UnitCodes"/>.
    /// </summary>
    public Amount? Yield { get; init; }

    /// <summary>
    /// Mean fruit size as mass, count per package or diameter; units <see cref="FruitSize.UnitCodes"/>.
    /// </summary>
    public Amount? FruitSize { get; init; }

    /// <summary>Share of the picked mass that is sold as wanted, above 0 to 1; all of it when left out.</summary>
    public Amount? PackOut { get; init; }

    /// <summary>Net masses of box, bin and bushel; the usual ones when left out.</summary>
    public PackageMassEntry? Packages { get; init; }

    /// <summary>Reads the entry into SI.</summary>
    /// <param name="law">Mass of a fruit from its diameter; that of a round apple when left out.</param>
    /// <param name="ofTarget">Whether it is a target, where buds may be held instead of the yield.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CropWanted ReadCrop(DiameterLaw? law = null, bool ofTarget = false)
    {
        var reader = new EntryReader();
        var packages = reader.Under("packages", () => (Packages ?? new()).Read()) ?? PackageMasses.Default;
        var yield = YieldTarget.Read(reader, "yield", Yield, packages, ofTarget);
        var size = Target.Size.FruitSize.Read(reader, "fruitSize", FruitSize, packages, law);
        var packOut = reader.Optional("packOut", "Pack-out", PackOut, Units.Share, 0.05, 1) ?? 1;
        reader.ThrowIfAny();
        return new(yield, size, packOut, packages, law ?? DiameterLaw.Apple);
    }
}
