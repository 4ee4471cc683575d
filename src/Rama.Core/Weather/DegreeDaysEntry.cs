using Rama.Core.Explain;

namespace Rama.Core.Weather;

/// <summary>One day's weather, as typed.</summary>
/// <param name="Date">Day.</param>
/// <param name="MinC">Lowest, °C.</param>
/// <param name="MaxC">Highest, °C.</param>
/// <param name="RainMm">Rain, mm; left out where nobody measured it.</param>
/// <param name="WindMs">Strongest wind, m/s; likewise.</param>
public sealed record WeatherDayEntry(
    DateOnly? Date,
    double? MinC,
    double? MaxC,
    double? RainMm = null,
    double? WindMs = null
)
{
    /// <summary>Reads the day.</summary>
    internal WeatherDay Read(EntryReader reader, string path)
    {
        if (Date is null)
            reader.Add(Join("date"), "missing", "Date: please fill this in.");
        var min = reader.Required(Join("minC"), "Lowest", MinC, "°C", -60, 50);
        var max = reader.Required(Join("maxC"), "Highest", MaxC, "°C", -60, 60);
        if (min > max)
            reader.Add(Join("maxC"), "conflict", "Highest: expected at least the lowest of the day.");
        var rain = reader.Optional(Join("rainMm"), "Rain", RainMm, "mm", 0, 2_000);
        var wind = reader.Optional(Join("windMs"), "Wind", WindMs, "m/s", 0, 120);
        return new(Date ?? default, min, max, rain, wind);

        string Join(string field) => path.Length == 0 ? field : $"{path}.{field}";
    }

    /// <summary>Reads the day.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public WeatherDay Read()
    {
        var reader = new EntryReader();
        var day = Read(reader, "");
        reader.ThrowIfAny();
        return day;
    }
}

/// <summary>A year's temperatures to add up, as typed.</summary>
public sealed record DegreeDaysEntry
{
    /// <summary>Crop whose stages are told; left out, heat only.</summary>
    public string? Crop { get; init; }

    /// <summary>Calendar year of the season; that of the last day when left out.</summary>
    public double? Year { get; init; }

    /// <summary>Whether the site lies south of the equator, where heat is added up from 1 July.</summary>
    public bool South { get; init; }

    /// <summary>Days.</summary>
    public IReadOnlyList<WeatherDayEntry> Days { get; init; } = [];

    /// <summary>How much more heat the planting takes than the table says, °C-days.</summary>
    public double? ShiftC { get; init; }

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public DegreeDays Calculate()
    {
        var reader = new EntryReader();
        if (Days.Count is 0 or > 800)
            reader.Add("days", "list", "Days: expected 1 to 800.");
        var year = reader.OptionalWhole("year", "Year", Year, "", 1900, 2200);
        var shift = reader.Optional("shiftC", "Shift", ShiftC, "°C-days", -100, 200) ?? 0;
        reader.ThrowIfAny();
        List<WeatherDay> days = [.. Days.Select((d, i) => d.Read(reader, $"days[{i}]"))];
        reader.ThrowIfAny();
        return DegreeDays.Of(
            days,
            DegreeDays.StartOf((int?)year ?? DegreeDays.SeasonOf(days.Max(d => d.Date), South), South),
            [.. FrostTables.Shipped.Heat.Where(h => h.Crop == Crop)],
            shift
        );
    }
}
