using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Sharing;

/// <summary>How the target is shared among trees and along a tree, as typed.</summary>
public sealed record SharingEntry
{
    /// <summary>Exponent of sharing by trunk: 1 in proportion to its cross-section, 0 alike; 1 when left out.</summary>
    public double? Exponent { get; init; }

    /// <summary>Trunk diameter below which trees are small; the 25th percentile when left out.</summary>
    public Amount? SmallBelow { get; init; }

    /// <summary>Trunk diameter from which trees are large; the 75th percentile when left out.</summary>
    public Amount? LargeFrom { get; init; }

    /// <summary>How the tops grow, as seen.</summary>
    public TopVigour? Top { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public TreeSharing Read()
    {
        var reader = new EntryReader();
        var exponent = ReadExponent(reader, Exponent);
        var small = reader.Optional("smallBelow", "Small below", SmallBelow, Units.Length, 0.005, 0.9);
        var large = reader.Optional("largeFrom", "Large from", LargeFrom, Units.Length, 0.005, 0.9);
        if (small > large)
            reader.Add("largeFrom", "conflict", "Large from: expected more than “small below”.");
        reader.ThrowIfAny();
        // Limits are told by the caliper, trunks are kept by their girth.
        return new(exponent, small * Math.PI * 100, large * Math.PI * 100, Top ?? TopVigour.Normal);
    }

    internal static double ReadExponent(EntryReader reader, double? exponent) =>
        reader.Optional("exponent", "Exponent", exponent, "1", 0, 1.5) ?? 1;
}

/// <summary>How the target is shared.</summary>
/// <param name="Exponent">Exponent of sharing by trunk.</param>
/// <param name="SmallBelowGirthCm">Girth below which trees are small, cm; null for the 25th percentile.</param>
/// <param name="LargeFromGirthCm">Girth from which trees are large, cm; null for the 75th percentile.</param>
/// <param name="Top">How the tops grow.</param>
public sealed record TreeSharing(
    double Exponent = 1,
    double? SmallBelowGirthCm = null,
    double? LargeFromGirthCm = null,
    TopVigour Top = TopVigour.Normal
);
