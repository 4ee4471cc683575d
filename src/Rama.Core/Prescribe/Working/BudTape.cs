using Rama.Core.Explain;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe.Working;

/// <summary>A number of buds on a bud tape, from one girth of a limb to another.</summary>
/// <param name="FromMm">Girth it begins at, mm.</param>
/// <param name="ToMm">Girth it ends at, mm.</param>
/// <param name="Buds">Buds to leave on a limb of that girth.</param>
public sealed record BudTapeCell(double FromMm, double ToMm, int Buds);

/// <summary>
/// A strip of paper that is a limb gauge: laid once round a limb, 2 to 3 cm from its base, its end meets the buds to
/// leave.
/// </summary>
/// <param name="Cells">Its numbers, side by side from thin limbs to thick ones.</param>
/// <remarks>
/// A limb thinner than the first number is left as it is; one beyond the last comes out.
/// </remarks>
public sealed record BudTape(IReadOnlyList<BudTapeCell> Cells)
{
    // Room for a number that can be read.
    private const double CellMm = 4;

    private static readonly int[] RoundNumbers = [1, 5, 10, 50, 100];

    /// <summary>Girth at which the first number begins, mm.</summary>
    public double FromMm => Cells[0].FromMm;

    /// <summary>Girth from which a limb comes out, mm.</summary>
    public double OutFromMm => Cells[^1].ToMm;

    /// <summary>The tape of a gauge.</summary>
    /// <param name="gauge">The gauge.</param>
    /// <param name="fromDiameterMm">Thickness of the thinnest limb with a number, mm.</param>
    /// <param name="bigFromMm">Thickness beyond which a limb comes out, mm; above the thinnest.</param>
    /// <remarks>
    /// Numbers follow each other as closely as they can be read. Where a few millimetres of girth are many buds, they
    /// are round ones. Neighbours part halfway between their numbers.
    /// </remarks>
    public static BudTape Of(LimbGauge gauge, double fromDiameterMm, double bigFromMm)
    {
        double GirthFor(double buds) => Math.PI * Math.Sqrt(buds / gauge.BudsPerCm2 * 400 / Math.PI);
        double BudsAt(double girthMm) => gauge.BudsOn(girthMm / Math.PI)!.Value;
        var (from, end) = (Math.PI * fromDiameterMm, Math.PI * bigFromMm);
        var places = Math.Max(1, (int)((end - from) / CellMm));
        var wide = (end - from) / places;
        var numbers = Enumerable
            .Range(0, places)
            .Select(i => from + i * wide)
            .Select(at => Rounded(BudsAt(at + wide / 2), BudsAt(at + wide) - BudsAt(at)))
            .Distinct()
            .ToList();
        var borders = numbers.Zip(numbers.Skip(1), (one, next) => GirthFor((one + next) / 2.0));
        List<double> girths = [from, .. borders, end];
        return new([.. numbers.Select((n, i) => new BudTapeCell(girths[i], girths[i + 1], n))]);
    }

    // To a round number that lies within an eighth of its room.
    private static int Rounded(double buds, double room)
    {
        var step = RoundNumbers.Last(n => n == 1 || n <= room / 4);
        return Math.Max(1, (int)(buds / step).Whole() * step);
    }
}
