using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;
using Rama.Core.Quantities;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe;

/// <summary>Buds to leave on one thickness of limb.</summary>
/// <param name="DiameterMm">Diameter, mm.</param>
/// <param name="Buds">Buds to leave; null for a limb to take out.</param>
public sealed record GaugeMark(double DiameterMm, double? Buds);

/// <summary>A limb gauge, worked out.</summary>
/// <param name="BudsPerCm2">Buds for each cm² of limb cross-section.</param>
/// <param name="Marks">Buds by diameter.</param>
/// <param name="Tape">The gauge as a strip to lay round a limb; null where limbs come out from the first mark
/// on.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record GaugeMarks(
    double BudsPerCm2,
    IReadOnlyList<GaugeMark> Marks,
    BudTape? Tape,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(BudsPerCm2, "bud/cm²", Steps, Warnings)
{
    /// <summary>Marks on the gauge, mm.</summary>
    public static IReadOnlyList<double> Usual { get; } = [8, 10, 12, 15, 18, 20, 22];

    /// <summary>Diameters marked for who measures in inches, mm: 3/8 to 7/8 of an inch.</summary>
    public static IReadOnlyList<double> UsualUs { get; } =
    [.. Enumerable.Range(3, 5).Select(eighths => eighths * 25.4 / 8)];

    /// <summary>The gauge of a tree.</summary>
    /// <param name="budsPerTree">Buds to leave.</param>
    /// <param name="lcsaCm2">Cross-section of all limbs kept, cm².</param>
    /// <param name="bigFromMm">Diameter above which a limb comes out, mm.</param>
    /// <param name="marksMm">Diameters to mark.</param>
    public static GaugeMarks Of(double budsPerTree, double lcsaCm2, double bigFromMm, IReadOnlyList<double> marksMm)
    {
        var gauge = new LimbGauge(budsPerTree / lcsaCm2);
        return new(
            gauge.BudsPerCm2,
            [.. marksMm.Select(mm => new GaugeMark(mm, gauge.BudsOn(mm, bigFromMm)))],
            bigFromMm > marksMm[0] ? BudTape.Of(gauge, marksMm[0], bigFromMm) : null,
            [
                new(
                    "limb-gauge",
                    "buds to leave ÷ cross-section of the limbs kept",
                    new("buds per cm²", gauge.BudsPerCm2, "bud/cm²"),
                    [
                        new("buds to leave", budsPerTree, "bud/tree"),
                        new("cross-section of the limbs kept", lcsaCm2, "cm²"),
                    ],
                    Sources.Definition
                ),
            ],
            []
        );
    }
}

/// <summary>Buds to leave and limbs kept, as typed, for a limb gauge.</summary>
public sealed record LimbGaugeEntry
{
    /// <summary>Buds to leave on the tree.</summary>
    public double? BudsPerTree { get; init; }

    /// <summary>Diameters of the limbs kept.</summary>
    public IReadOnlyList<Amount> Limbs { get; init; } = [];

    /// <summary>Diameter above which a limb is taken out; 22 mm when left out.</summary>
    public Amount? BigFrom { get; init; }

    /// <summary>Reads the entry and works the gauge out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public GaugeMarks Calculate()
    {
        var reader = new EntryReader();
        var buds = reader.Required("budsPerTree", "Buds to leave", BudsPerTree, "bud/tree", 0.1, 20_000);
        if (Limbs.Count is 0 or > 400)
            reader.Add("limbs", "range", "Limbs: expected 1 to 400 diameters.");
        var limbs = Limbs
            .Take(400)
            .Select((l, i) => reader.Required($"limbs[{i}]", "Limb", l, Units.Length, 0.002, 0.3) * 1_000)
            .ToList();
        var big = (reader.Optional("bigFrom", "Big from", BigFrom, Units.Length, 0.005, 0.3) ?? 0.022) * 1_000;
        reader.ThrowIfAny();
        return GaugeMarks.Of(buds, limbs.Sum(mm => Math.PI * mm * mm / 400), big, GaugeMarks.Usual);
    }
}
