using System.Globalization;
using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>Numbers of trees in a row the way people list them: <c>3, 17-19</c>.</summary>
public static class TreeNumbers
{
    private static readonly char[] Separators = [',', ';', ' '];

    /// <summary>Reads a list; numbers outside the row or listed twice are told at the field.</summary>
    /// <param name="reader">Collects the problems.</param>
    /// <param name="field">Path of the field.</param>
    /// <param name="label">Name of the field.</param>
    /// <param name="text">The list as typed; empty for none.</param>
    /// <param name="first">First tree of the row.</param>
    /// <param name="last">Last tree of the row.</param>
    /// <returns>Ascending numbers.</returns>
    public static IReadOnlyList<int> Read(
        EntryReader reader,
        string field,
        string label,
        string? text,
        int first,
        int last
    )
    {
        SortedSet<int> numbers = [];
        // "17 - 19" means what "17-19" means.
        var parts = (text ?? "")
            .Replace('–', '-')
            .Replace(" -", "-", StringComparison.Ordinal)
            .Replace("- ", "-", StringComparison.Ordinal)
            .Split(Separators, StringSplitOptions.RemoveEmptyEntries);
        foreach (var part in parts)
        {
            var ends = part.Split('-');
            if (ends.Length > 2 || !Whole(ends[0], out var from) || !Whole(ends[^1], out var to) || to < from)
            {
                reader.Add(field, "list", $"{label}: expected tree numbers such as 3, 17-19; got “{part}”.");
                return [];
            }
            if (from < first || to > last)
            {
                reader.Add(field, "outside", $"{label}: the row holds trees {first} to {last}; got {part}.");
                return [];
            }
            for (var number = from; number <= to; number++)
            {
                if (numbers.Add(number))
                    continue;
                reader.Add(field, "duplicate", $"{label}: tree {number} is listed twice.");
                return [];
            }
        }
        return [.. numbers];
    }

    /// <summary>Writes ascending numbers as a list, runs of three and more as a range.</summary>
    public static string Write(IReadOnlyList<int> numbers)
    {
        List<string> parts = [];
        for (var i = 0; i < numbers.Count; )
        {
            var end = i;
            while (end + 1 < numbers.Count && numbers[end + 1] == numbers[end] + 1)
                end++;
            if (end - i >= 2)
                parts.Add($"{numbers[i]}-{numbers[end]}");
            else
                for (var k = i; k <= end; k++)
                    parts.Add(numbers[k].ToString(CultureInfo.InvariantCulture));
            i = end + 1;
        }
        return string.Join(", ", parts);
    }

    private static bool Whole(string text, out int number) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out number);
}
