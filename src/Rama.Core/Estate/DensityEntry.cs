using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Estate;

/// <summary>The ground a planting stands on, as typed.</summary>
public record DensityEntry
{
    /// <summary>Distance between rows.</summary>
    public Amount? RowSpacing { get; init; }

    /// <summary>Distance between trees in the row.</summary>
    public Amount? TreeSpacing { get; init; }

    /// <summary>Area of the planting.</summary>
    public Amount? Area { get; init; }

    /// <summary>Share of tree positions that stand empty or hold a dead tree; none when left out.</summary>
    public Amount? MissingShare { get; init; }

    /// <summary>Share of trees that are pollinizers and not picked; none when left out.</summary>
    public Amount? PollinizerShare { get; init; }

    /// <summary>Reads the entry into SI.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PlantingForm ReadForm()
    {
        var reader = new EntryReader();
        var row = reader.Required("rowSpacing", "Row spacing", RowSpacing, Units.Length, 1, 15);
        var tree = reader.Required("treeSpacing", "Tree spacing", TreeSpacing, Units.Length, 0.2, 15);
        var area = reader.Required("area", "Area", Area, Units.Area, 0.01, 1_000);
        var missing = reader.Optional("missingShare", "Missing trees", MissingShare, Units.Share, 0, 0.95) ?? 0;
        var pollinizer = reader.Optional("pollinizerShare", "Pollinizers", PollinizerShare, Units.Share, 0, 0.5) ?? 0;
        reader.ThrowIfAny();
        return new(row, tree, area, missing, pollinizer);
    }
}
