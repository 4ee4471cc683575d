using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Result;
using Rama.Core.Target.Capacity;

namespace Rama.Core.Plan;

/// <summary>A target to hold against what a planting can carry, as typed.</summary>
public sealed record CapacityEntry
{
    /// <summary>Calendar year of the harvest planned for.</summary>
    public double? Season { get; init; }

    /// <summary>The planting.</summary>
    public PlantingEntry Planting { get; init; } = new();

    /// <summary>Fruit wanted per tree.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Mean trunk girth, cm; left out where none was measured.</summary>
    public double? GirthCm { get; init; }

    /// <summary>What past seasons brought.</summary>
    public SeasonRecordsEntry Records { get; init; } = new();

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CapacityAnswer Calculate()
    {
        var reader = new EntryReader();
        var season = reader.RequiredWhole("season", "Season", Season, "", 1900, 2200);
        var fruit = reader.Required("fruitPerTree", "Fruit per tree", FruitPerTree, "fruit/tree", 0.1, 5_000);
        var girth = reader.Optional("girthCm", "Girth", GirthCm, "cm", 2, 300);
        reader.ThrowIfAny();
        var planting = reader.Under("planting", () => Planting.Read((int)season));
        var seasons = reader.Under("records", () => Records.Read((int)season));
        reader.ThrowIfAny();
        var bearing = PlantingDensity.Of(planting!.Form).BearingTreesPerHa;
        var past = seasons!
            .Select(s => (s.Season, Fruit: s.FruitPerTree(bearing)))
            .Where(s => s.Fruit is > 0)
            .Select(s => (s.Season, s.Fruit!.Value))
            .ToList();
        var load = CropLoad.Of(planting, fruit, girth is { } g ? Trunk.CrossSectionCm2(g) : null, past);
        return new(
            load,
            Alternation.Of(
                seasons!
                    .Select(s => (s.Season, Yield: s.KgPerHa(bearing)))
                    .Where(s => s.Yield is not null)
                    .Select(s => (s.Season, s.Yield!.Value))
            )
        );
    }
}

/// <summary>A target against what a planting can carry.</summary>
/// <param name="Load">Trunks, leaf area, age and past years.</param>
/// <param name="Alternation">How much past yields swing; null where no two neighbouring ones are known.</param>
public sealed record CapacityAnswer(CropLoad Load, Alternation? Alternation)
    : Calculated(
        Load.Value,
        Load.Unit,
        [.. Load.Steps, .. Alternation?.Steps ?? []],
        [.. Load.Warnings, .. Alternation?.Warnings ?? []]
    );
