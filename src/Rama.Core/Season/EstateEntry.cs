using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Target.Margin;

namespace Rama.Core.Season;

/// <summary>What a manager tells of the estate as a whole, as typed.</summary>
public sealed record EstateEntry
{
    /// <summary>Name of the estate.</summary>
    public string? Name { get; init; }

    /// <summary>
    /// Hours all crews together work in a week; <see cref="WorkAhead.DefaultCrewHoursPerWeek"/> when left out.
    /// </summary>
    public double? CrewHoursPerWeek { get; init; }

    /// <summary>Money of the estate, three letters as EUR or USD; EUR until told.</summary>
    public string? Currency { get; init; }

    /// <summary>Measures the crews take with the body; none when left out.</summary>
    public BodyMarksEntry? BodyMarks { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public (string Name, double? CrewHoursPerWeek, string? Currency) Read()
    {
        var reader = new EntryReader();
        var name = reader.Text("name", "Name", Name, 100);
        var hours = reader.Optional("crewHoursPerWeek", "Crew hours", CrewHoursPerWeek, "h/week", 1, 100_000);
        var currency = string.IsNullOrWhiteSpace(Currency) ? null : PriceListEntry.ReadCurrency(reader, Currency);
        reader.Under("bodyMarks", (BodyMarks ?? new()).Read);
        reader.ThrowIfAny();
        return (name, hours, currency);
    }
}
