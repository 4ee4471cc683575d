using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Capacity;

/// <summary>The canopy as it stands and as it may become, as typed.</summary>
public sealed record CanopyEntry
{
    /// <summary>Mean height measured before pruning.</summary>
    public Amount? Height { get; init; }

    /// <summary>Growth of a season to expect at the top, as last year's extension showed.</summary>
    public Amount? Regrowth { get; init; }

    /// <summary>Clear alley machines need; 2 m when left out.</summary>
    public Amount? Alley { get; init; }

    /// <summary>How far limbs of neighbours may overlap along the row; nothing when left out.</summary>
    public Amount? Overlap { get; init; }

    /// <summary>Height over row spacing, in the place of the usual 0.9 for spindles and 1.0 for walls.</summary>
    public double? HeightFactor { get; init; }

    /// <summary>Leaders of a tree; the system's when left out.</summary>
    public double? Leaders { get; init; }

    /// <summary>Wanted distance between leaders of a plane.</summary>
    public Amount? LeaderSpacing { get; init; }

    /// <summary>Angle of each plane of a V from the vertical, degrees.</summary>
    public double? AngleDeg { get; init; }

    /// <summary>Distance of the two planes of a V at the base.</summary>
    public Amount? BaseGap { get; init; }

    /// <summary>How far shoots hang out beyond the planes of a V at the top.</summary>
    public Amount? Overhang { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Canopy Read()
    {
        var reader = new EntryReader();
        double? Length(string field, string label, Amount? typed, double min, double max) =>
            reader.Optional(field, label, typed, Units.Length, min, max);
        var height = Length("height", "Height", Height, 0.2, 15);
        var regrowth = Length("regrowth", "Growth of a season", Regrowth, 0, 4);
        var alley = Length("alley", "Clear alley", Alley, 0.5, 8) ?? Canopy.LeastAlleyM;
        var overlap = Length("overlap", "Overlap", Overlap, 0, 1) ?? 0;
        var factor = reader.Optional("heightFactor", "Height over row spacing", HeightFactor, "1", 0.4, 1.5);
        var leaders = reader.OptionalWhole("leaders", "Leaders", Leaders, "leader/tree", 1, 30);
        var spacing = Length("leaderSpacing", "Leader spacing", LeaderSpacing, 0.15, 3);
        var angle = reader.Optional("angleDeg", "Angle from the vertical", AngleDeg, "°", 1, 60);
        var gap = Length("baseGap", "Gap at the base", BaseGap, 0, 2) ?? 0;
        var overhang = Length("overhang", "Overhang", Overhang, 0, 2) ?? 0;
        reader.ThrowIfAny();
        return new(height, regrowth, alley, overlap, factor, (int?)leaders, spacing, angle, gap, overhang);
    }
}

/// <summary>The canopy as it stands and as it may become, in SI.</summary>
/// <param name="HeightM">Mean height before pruning, metres; null where it was not measured.</param>
/// <param name="RegrowthM">Growth of a season at the top, metres; null where it was not seen.</param>
/// <param name="AlleyM">Clear alley machines need, metres.</param>
/// <param name="OverlapM">Overlap along the row, metres.</param>
/// <param name="HeightFactor">Height over row spacing; null for the usual one.</param>
/// <param name="Leaders">Leaders of a tree; null for the system's.</param>
/// <param name="LeaderSpacingM">Wanted distance between leaders of a plane, metres.</param>
/// <param name="AngleDeg">Angle of each plane of a V from the vertical, degrees.</param>
/// <param name="BaseGapM">Distance of the planes at the base, metres.</param>
/// <param name="OverhangM">Overhang of shoots at the top of a V, metres.</param>
public sealed record Canopy(
    double? HeightM,
    double? RegrowthM,
    double AlleyM,
    double OverlapM,
    double? HeightFactor,
    int? Leaders,
    double? LeaderSpacingM,
    double? AngleDeg,
    double BaseGapM,
    double OverhangM
)
{
    /// <summary>Clear alley machines need at least, metres (common practice, no source).</summary>
    public const double LeastAlleyM = 2;

    /// <summary>Nothing measured, everything as usual.</summary>
    public static readonly Canopy Usual = new(null, null, LeastAlleyM, 0, null, null, null, null, 0, 0);
}
