using System.Collections;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using Rama.Core.Quantities;

namespace Rama.Data.Database;

/// <summary>
/// What is read from JSON is held against the bounds of what can be stored and worked with, once for every member of
/// every object: texts without NUL, which PostgreSQL has no place for, numbers and dates of this world, units that are
/// a code, lists without holes.
/// </summary>
public static class SoundValues
{
    /// <summary>Largest number taken, either way. Whatever an orchard counts or weighs is far below.</summary>
    public const double LargestNumber = 1e12;

    /// <summary>Longest code of a unit, in characters.</summary>
    public const int LongestUnit = 16;

    /// <summary>Name under which an exception tells the member that is not sound.</summary>
    public const string Member = "member";

    /// <summary>First and last year taken.</summary>
    public static readonly (int From, int To) Years = (1900, 2200);

    /// <summary>Has every object of the type checked once it is read.</summary>
    /// <param name="type">The type.</param>
    public static void Check(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object || type.Properties.Count == 0)
            return;
        var before = type.OnDeserialized;
        type.OnDeserialized = read =>
        {
            before?.Invoke(read);
            foreach (var property in type.Properties)
                if (
                    property.Get is { } get
                    && (SeasonFault(property.Name, get(read)) ?? Fault(get(read))) is var (place, expected)
                )
                    throw new JsonException(expected) { Data = { [Member] = property.Name + place } };
            if (read is Amount { Unit.Length: > LongestUnit })
                throw new JsonException("Expected the code of a unit, such as kg.") { Data = { [Member] = "unit" } };
        };
    }

    /// <summary>Whether a text can be stored.</summary>
    /// <param name="text">The text.</param>
    public static bool IsSound(string? text) => text?.Contains('\0', StringComparison.Ordinal) != true;

    /// <summary>Whether a time is one of this world, whatever zone it is told in.</summary>
    /// <param name="time">The time.</param>
    public static bool IsSound(DateTimeOffset time) => time.Year >= Years.From && time.Year <= Years.To;

    // A season is a year; left out, it is none.
    private static (string Place, string Expected)? SeasonFault(string name, object? value) =>
        name == "season" && value is int year and not 0 && (year < Years.From || year > Years.To)
            ? ("", WrongYear)
            : null;

    private static (string Place, string Expected)? Fault(object? value) =>
        value switch
        {
            string text when !IsSound(text) => ("", "Expected a text without NUL characters."),
            string => null,
            double number when !(Math.Abs(number) <= LargestNumber) => (
                "",
                $"Expected a number up to {LargestNumber:0}."
            ),
            DateTimeOffset time when !IsSound(time) => ("", WrongYear),
            DateOnly day when day.Year < Years.From || day.Year > Years.To => ("", WrongYear),
            IDictionary map => map.Keys.Cast<object>().Select(Fault).FirstOrDefault(f => f is not null)
                ?? InList(map.Values),
            IList list => InList(list),
            _ => null,
        };

    private static (string Place, string Expected)? InList(IEnumerable list)
    {
        var at = 0;
        foreach (var item in list)
        {
            if (item is null)
                return ($"[{at}]", "This is empty.");
            if (Fault(item) is var (place, expected))
                return ($"[{at}]{place}", expected);
            at++;
        }
        return null;
    }

    private static string WrongYear => $"Expected a date of the years {Years.From} to {Years.To}.";
}
