using System.Collections.Frozen;

namespace Rama.Core.Quantities;

/// <summary>
/// The units of the trade by dimension. Factors between metric and US customary units are the exact
/// definitions of the international yard and pound agreement (1 ft = 0.3048 m, 1 lb = 0.453 592 37 kg).
/// </summary>
public static class Units
{
    /// <summary>Exact: one avoirdupois pound in kilograms.</summary>
    public const double KgPerPound = 0.453_592_37;

    /// <summary>Exact: one international foot in metres.</summary>
    public const double MPerFoot = 0.3048;

    /// <summary>Exact: one international acre (43 560 square feet) in hectares.</summary>
    public const double HaPerAcre = 43_560 * MPerFoot * MPerFoot / 10_000;

    /// <summary>Lengths in the orchard; base unit metre.</summary>
    public static readonly FrozenDictionary<string, Unit> Length = Table(
        ("m", 1),
        ("cm", 0.01),
        ("mm", 0.001),
        ("ft", MPerFoot),
        ("in", MPerFoot / 12)
    );

    /// <summary>Areas; base unit hectare.</summary>
    public static readonly FrozenDictionary<string, Unit> Area = Table(("ha", 1), ("ac", HaPerAcre));

    /// <summary>Masses; base unit kilogram. <c>ton</c> is the US short ton of 2 000 lb.</summary>
    public static readonly FrozenDictionary<string, Unit> Mass = Table(
        ("kg", 1),
        ("g", 0.001),
        ("t", 1_000),
        ("lb", KgPerPound),
        ("oz", KgPerPound / 16),
        ("ton", 2_000 * KgPerPound)
    );

    /// <summary>Shares of a whole; base unit 1.</summary>
    public static readonly FrozenDictionary<string, Unit> Share = Table(("share", 1), ("%", 0.01));

    /// <summary>Crops of an area; base unit kg/ha.</summary>
    public static readonly FrozenDictionary<string, Unit> Crop = Table(
        ("kg/ha", 1),
        ("t/ha", 1_000),
        ("lb/ac", KgPerPound / HaPerAcre),
        ("ton/ac", 2_000 * KgPerPound / HaPerAcre)
    );

    private static FrozenDictionary<string, Unit> Table(params (string Code, double Factor)[] units) =>
        units.ToFrozenDictionary(u => u.Code, u => new Unit(u.Code, u.Factor));
}
