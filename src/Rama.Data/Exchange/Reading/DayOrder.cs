using System.Globalization;
using System.Text.RegularExpressions;

namespace Rama.Data.Exchange.Reading;

/// <summary>In which order a column of a file writes day, month and year.</summary>
public enum DayOrder
{
    /// <summary>Nothing in the column says which of day and month comes first.</summary>
    Unknown,

    /// <summary>14/09/2026, 14.9.2026.</summary>
    DayFirst,

    /// <summary>9/14/2026.</summary>
    MonthFirst,
}

/// <summary>Days as people write them: year first is always read, the others as the whole column shows.</summary>
public static partial class WrittenDays
{
    /// <summary>What the cells of a column show.</summary>
    /// <param name="cells">The cells.</param>
    /// <remarks>With points the day comes first: common practice, no source.</remarks>
    public static DayOrder OrderOf(IEnumerable<object?> cells)
    {
        var (dayFirst, monthFirst, points, slashes) = (false, false, false, false);
        foreach (var match in cells.OfType<string>().Select(c => Written().Match(c.Trim())).Where(m => m.Success))
        {
            dayFirst |= Part(match, 1) > 12;
            monthFirst |= Part(match, 3) > 12;
            points |= match.Groups[2].Value == ".";
            slashes |= match.Groups[2].Value != ".";
        }
        return (dayFirst, monthFirst) switch
        {
            (true, false) => DayOrder.DayFirst,
            (false, true) => DayOrder.MonthFirst,
            (false, false) when points && !slashes => DayOrder.DayFirst,
            _ => DayOrder.Unknown,
        };
    }

    /// <summary>A day; null where it is none, or nobody knows what comes first.</summary>
    /// <param name="text">As written.</param>
    /// <param name="order">What the column shows.</param>
    public static DateOnly? Read(string text, DayOrder order)
    {
        if (DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day))
            return day;
        if (order == DayOrder.Unknown || Written().Match(text) is not { Success: true } match)
            return null;
        var (first, second) = (Part(match, 1), Part(match, 3));
        var (d, m) = order == DayOrder.DayFirst ? (first, second) : (second, first);
        return
            m is >= 1 and <= 12
            && Part(match, 4) is >= 1900 and <= 2200 and var year
            && d >= 1
            && d <= DateTime.DaysInMonth(year, m)
            ? new(year, m, d)
            : null;
    }

    private static int Part(Match match, int group) =>
        int.Parse(match.Groups[group].ValueSpan, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"^([0-9]{1,2})([./-])([0-9]{1,2})\2([0-9]{4})$")]
    private static partial Regex Written();
}
