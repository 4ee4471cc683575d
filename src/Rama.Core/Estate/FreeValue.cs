using System.Globalization;
using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>
/// What an estate keeps of a planting in a column of its own, such as its soil: a text, a number or a day. Rama shows
/// it, finds by it and hands it out again, and works nothing out with it.
/// </summary>
public sealed record FreeValue
{
    /// <summary>Most free columns of a planting.</summary>
    public const int Most = 30;

    /// <summary>Longest name of a column, characters.</summary>
    public const int LongestName = 40;

    /// <summary>Longest text, characters.</summary>
    public const int LongestText = 200;

    /// <summary>Name of the column.</summary>
    public string? Name { get; init; }

    /// <summary>What stands there, where it is a text.</summary>
    public string? Text { get; init; }

    /// <summary>What stands there, where it is a number.</summary>
    public double? Number { get; init; }

    /// <summary>What stands there, where it is a day.</summary>
    public DateOnly? Date { get; init; }

    /// <summary>The value as text: a number with a point, a day as year-month-day.</summary>
    public string Written =>
        Text
        ?? Number?.ToString(CultureInfo.InvariantCulture)
        ?? Date?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)
        ?? "";

    /// <summary>Reads the free columns of a planting.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    internal static void Check(EntryReader reader, IReadOnlyList<FreeValue> values)
    {
        if (values.Count > Most)
            reader.Add("free", "range", $"Own columns: expected at most {Most}.");
        HashSet<string> names = new(StringComparer.OrdinalIgnoreCase);
        foreach (var (i, value) in values.Take(Most).Index())
        {
            var name = reader.Text($"free[{i}].name", "Name of the column", value.Name, LongestName);
            reader.OptionalText($"free[{i}].text", "Own column", value.Text, LongestText);
            if (name.Length > 0 && !names.Add(name.Trim()))
                reader.Add($"free[{i}].name", "duplicate", $"Own columns: “{name}” is there twice.");
        }
    }
}
