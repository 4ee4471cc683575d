using Rama.Core.Quantities;

namespace Rama.Core.Explain;

/// <summary>Units a card or page is read in.</summary>
public enum UnitSystem
{
    /// <summary>Metres and millimetres.</summary>
    Metric,

    /// <summary>Feet and inches, as on a tape: eighths of an inch.</summary>
    Us,
}

/// <summary>Tells lengths the way a tape of the reader's shows them.</summary>
public static class LengthTold
{
    private const double MPerInch = Units.MPerFoot / 12;

    // Up to so many inches a tape is read in eighths, above in whole ones.
    private const double EighthsUpTo = 6;

    /// <summary>A length with its unit.</summary>
    /// <param name="metres">The length, metres, above 0.</param>
    /// <param name="unit">The metric unit it is told in.</param>
    /// <param name="system">The reader's units.</param>
    /// <param name="language">A code of <see cref="LocalText.Languages"/>.</param>
    public static string In(double metres, string unit, UnitSystem system, string language)
    {
        if (system == UnitSystem.Metric)
        {
            var value = metres / Units.Length[unit].Factor;
            return $"{LocalText.Number(value, value < 9.95 ? "0.#" : "0", language)} {unit}";
        }
        var inches = metres / MPerInch;
        if (unit != "m")
            return $"{Inches(inches)} in";
        var whole = (int)Math.Round(inches);
        return whole % 12 == 0 ? $"{whole / 12} ft"
            : whole < 12 ? $"{whole} in"
            : $"{whole / 12} ft {whole % 12} in";
    }

    /// <summary>Inches as a tape shows them: eighths up to six inches, whole ones above.</summary>
    public static string Inches(double inches)
    {
        if (inches >= EighthsUpTo)
            return inches.ToString("0", System.Globalization.CultureInfo.InvariantCulture);
        var eighths = Math.Max(1, (int)Math.Round(inches * 8));
        var (whole, rest) = (eighths / 8, eighths % 8);
        var part = rest switch
        {
            0 => "",
            2 => "1/4",
            4 => "1/2",
            6 => "3/4",
            _ => $"{rest}/8",
        };
        return whole == 0 ? part
            : part == "" ? $"{whole}"
            : $"{whole} {part}";
    }
}
