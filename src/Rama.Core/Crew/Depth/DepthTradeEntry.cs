using Rama.Core.Explain;

namespace Rama.Core.Crew.Depth;

/// <summary>Plantings with what each depth takes and brings, and the hours there are, as typed.</summary>
public sealed record DepthTradeEntry
{
    private const int MostPlantings = 1_000;

    /// <summary>Hours there are.</summary>
    public double? Hours { get; init; }

    /// <summary>The plantings.</summary>
    public IReadOnlyList<DepthChoiceEntry> Plantings { get; init; } = [];

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public DepthTrade Calculate()
    {
        var reader = new EntryReader();
        var hours = reader.Required("hours", "Hours", Hours, "h", 0, 10_000_000);
        if (Plantings.Count is 0 or > MostPlantings)
            reader.Add("plantings", "range", $"Plantings: expected 1 to {MostPlantings}.");
        List<DepthChoice> choices = [];
        foreach (var (i, entry) in Plantings.Take(MostPlantings).Index())
            if (reader.Under($"plantings[{i}]", entry.Read) is { } choice)
                choices.Add(choice);
        if (choices.Sum(c => c.Options.Min(o => o.Hours)) > hours)
            reader.Add("hours", "range", "Hours: even hazards alone take more.");
        reader.ThrowIfAny();
        return DepthTrade.Of(choices, hours);
    }
}

/// <summary>What each depth of a planting takes and brings, as typed.</summary>
public sealed record DepthChoiceEntry
{
    /// <summary>Name.</summary>
    public string? Planting { get; init; }

    /// <summary>Hours to its number.</summary>
    public double? FullHours { get; init; }

    /// <summary>Hours of structure alone.</summary>
    public double? StructureHours { get; init; }

    /// <summary>Hours of hazards alone; none when left out.</summary>
    public double? HazardHours { get; init; }

    /// <summary>Margin pruned to its number.</summary>
    public double? FullMargin { get; init; }

    /// <summary>Margin with structure alone.</summary>
    public double? StructureMargin { get; init; }

    /// <summary>Margin with hazards alone; none when left out.</summary>
    public double? HazardMargin { get; init; }

    internal DepthChoice Read()
    {
        var reader = new EntryReader();
        double Hours(string field, double? hours) => reader.Required(field, "Hours", hours, "h", 0, 1_000_000);
        double Money(string field, double? money) => reader.Required(field, "Margin", money, "money", -1e9, 1e9);
        DepthChoice choice = new(
            reader.Text("planting", "Planting", Planting, 100),
            [
                new(CutDepth.Full, Hours("fullHours", FullHours), Money("fullMargin", FullMargin)),
                new(
                    CutDepth.Structure,
                    Hours("structureHours", StructureHours),
                    Money("structureMargin", StructureMargin)
                ),
                new(CutDepth.Hazard, Hours("hazardHours", HazardHours ?? 0), Money("hazardMargin", HazardMargin ?? 0)),
            ]
        );
        reader.ThrowIfAny();
        return choice;
    }
}
