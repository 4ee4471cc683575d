using System.Collections.Frozen;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Target.Size;

namespace Rama.Core.Target;

/// <summary>The yield wanted, converted from the unit it was typed in.</summary>
/// <param name="Basis">What it is told per.</param>
/// <param name="Value">Value in the unit of <paramref name="Basis"/>.</param>
public sealed record YieldTarget(YieldBasis Basis, double Value)
{
    private const double LargestKgPerHa = 300_000,
        LargestKgPerTree = 500,
        LargestFruitPerTree = 5_000;

    /// <summary>
    /// Codes of the units a yield may be typed in, such as <c>t/ha</c>, <c>bin/ac</c>, <c>kg/tree</c>.
    /// </summary>
    public static IReadOnlyList<string> UnitCodes { get; } =
    [
        "t/ha",
        "kg/ha",
        "bin/ha",
        "box/ha",
        "ton/ac",
        "lb/ac",
        "bin/ac",
        "box/ac",
        "bushel/ac",
        "kg/tree",
        "lb/tree",
        "box/tree",
        "fruit/tree",
    ];

    /// <summary>Links of a target further down the chain, which may be held instead of the yield.</summary>
    public static IReadOnlyList<string> BudCodes { get; } = ["bud/tree", "bud/limb"];

    /// <summary>Reads a yield in any of <see cref="UnitCodes"/>.</summary>
    /// <param name="reader">Collects what is wrong.</param>
    /// <param name="field">Path of the field.</param>
    /// <param name="amount">As typed.</param>
    /// <param name="packages">Net masses of the packages.</param>
    /// <param name="ofTarget">Whether it is a target, where one of <see cref="BudCodes"/> may be held too.</param>
    /// <param name="orNothing">Whether nothing picked is a yield too, as after a frost that took all.</param>
    public static YieldTarget Read(
        EntryReader reader,
        string field,
        Amount? amount,
        PackageMasses packages,
        bool ofTarget = false,
        bool orNothing = false
    )
    {
        var code = amount?.Unit ?? "t/ha";
        if (ofTarget && BudCodes.Contains(code))
            return code == "bud/tree"
                ? new(YieldBasis.BudsPerTree, reader.Required(field, "Buds to leave", amount?.Value, code, 1, 20_000))
                : new(YieldBasis.BudsPerLimb, reader.Required(field, "Buds per limb", amount?.Value, code, 0.1, 1_000));
        var basis =
            !UnitCodes.Contains(code) ? YieldBasis.KgPerHa
            : code == "fruit/tree" ? YieldBasis.FruitPerTree
            : code.EndsWith("/tree", StringComparison.Ordinal) ? YieldBasis.KgPerTree
            : YieldBasis.KgPerHa;
        var (min, max) = basis switch
        {
            YieldBasis.KgPerHa => (100, LargestKgPerHa),
            YieldBasis.KgPerTree => (0.05, LargestKgPerTree),
            _ => (1, LargestFruitPerTree),
        };
        return new(
            basis,
            reader.Required(field, "Yield", amount, Table(packages), orNothing && amount?.Value == 0 ? 0 : min, max)
        );
    }

    /// <summary>Kilograms per hectare in a unit of mass per area.</summary>
    internal static double UnitOf(string code) => Table(PackageMasses.Default)[code].Factor;

    // Factors to the basis unit of each code; packages weigh what the estate says they weigh.
    private static FrozenDictionary<string, Unit> Table(PackageMasses packages)
    {
        double Mass(string code) =>
            code switch
            {
                "bin" => packages.BinKg,
                "box" => packages.BoxKg,
                "bushel" => packages.BushelKg,
                "fruit" => 1,
                _ => Units.Mass[code].Factor,
            };

        double Per(string code) => code == "tree" ? 1 : Units.Area[code].Factor;

        return UnitCodes.ToFrozenDictionary(
            c => c,
            c =>
            {
                var parts = c.Split('/');
                return new Unit(c, Mass(parts[0]) / Per(parts[1]));
            }
        );
    }
}
