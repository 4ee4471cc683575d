using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Size;

/// <summary>Package masses as typed; those left out are <see cref="PackageMasses.Default"/>.</summary>
public sealed record PackageMassEntry
{
    /// <summary>Net mass of a box.</summary>
    public Amount? Box { get; init; }

    /// <summary>Net mass of a bin.</summary>
    public Amount? Bin { get; init; }

    /// <summary>Net mass of a bushel.</summary>
    public Amount? Bushel { get; init; }

    /// <summary>Reads the entry into kilograms.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PackageMasses Read()
    {
        var reader = new EntryReader();
        var shipped = PackageMasses.Default;
        var box = reader.Optional("box", "Mass of a box", Box, Units.Mass, 1, 100) ?? shipped.BoxKg;
        var bin = reader.Optional("bin", "Mass of a bin", Bin, Units.Mass, 50, 1_500) ?? shipped.BinKg;
        var bushel = reader.Optional("bushel", "Mass of a bushel", Bushel, Units.Mass, 5, 50) ?? shipped.BushelKg;
        reader.ThrowIfAny();
        return new(box, bin, bushel);
    }
}
