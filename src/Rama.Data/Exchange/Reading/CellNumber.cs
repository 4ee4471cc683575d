using System.Globalization;

namespace Rama.Data.Exchange.Reading;

/// <summary>Numbers as people write them in cells.</summary>
internal static class CellNumber
{
    /// <summary>The number; null where it is none in this way of writing.</summary>
    /// <param name="text">What is written, with or without signs that part thousands.</param>
    /// <param name="decimalSign">The decimal sign, <c>.</c> or <c>,</c>.</param>
    public static double? Parse(string text, string decimalSign)
    {
        var bare = text.Replace("\u00a0", "", StringComparison.Ordinal)
            .Replace("\u202f", "", StringComparison.Ordinal)
            .Replace(" ", "", StringComparison.Ordinal)
            .Replace('−', '-')
            .TrimEnd('%');
        var (point, group) = decimalSign == "," ? (',', '.') : ('.', ',');
        // A group sign may part thousands only; elsewhere it is a slip, or the other decimal sign.
        var parts = bare.Split(point);
        if (parts.Length > 2)
            return null;
        var groups = parts[0].TrimStart('-').Split(group);
        if (groups.Length > 1 && (groups[0].Length is 0 or > 3 || groups.Skip(1).Any(g => g.Length != 3)))
            return null;
        var plain =
            parts[0].Replace(group.ToString(), "", StringComparison.Ordinal)
            + (parts.Length == 2 ? "." + parts[1] : "");
        return double.TryParse(
            plain,
            NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture,
            out var value
        )
            ? value
            : null;
    }

    /// <summary>The number in a cell; null where there is none.</summary>
    /// <param name="cell">The cell.</param>
    /// <param name="decimalSign">The decimal sign.</param>
    public static double? Of(object? cell, string decimalSign) =>
        cell switch
        {
            double number => number,
            string { Length: > 0 } text => Parse(text, decimalSign),
            _ => null,
        };
}
