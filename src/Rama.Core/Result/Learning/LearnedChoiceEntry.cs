using System.Collections.Frozen;
using Rama.Core.Crew.Progress;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Result.Learning;

/// <summary>Which learned numbers of a planting a person set aside, as typed.</summary>
public sealed record LearnedChoicesEntry
{
    /// <summary>The choices, each number once; what is not named is learned.</summary>
    public IReadOnlyList<LearnedChoiceEntry> Choices { get; init; } = [];

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public IReadOnlyList<LearnedChoice> Read()
    {
        var reader = new EntryReader();
        List<LearnedChoice> read = [];
        var most = Enum.GetValues<LearnedQuantity>().Length;
        if (Choices.Count > most)
            reader.Add("choices", "list", $"Choices: expected at most {most}.");
        foreach (var (i, entry) in Choices.Take(most).Index())
            if (reader.Under($"choices[{i}]", entry.Read) is { } choice)
            {
                if (read.Exists(r => r.Quantity == choice.Quantity))
                    reader.Add($"choices[{i}].quantity", "duplicate", "This number is told twice.");
                read.Add(choice);
            }
        reader.ThrowIfAny();
        return read;
    }
}

/// <summary>A learned number that a person set aside, as typed.</summary>
public sealed record LearnedChoiceEntry
{
    /// <summary>Which number.</summary>
    public LearnedQuantity? Quantity { get; init; }

    /// <summary>What it is pinned to; the shipped number when left out.</summary>
    public Amount? Pinned { get; init; }

    /// <summary>Why.</summary>
    public string? Reason { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public LearnedChoice Read()
    {
        var reader = new EntryReader();
        if (Quantity is null)
            reader.Add("quantity", "missing", "Number: please choose one.");
        var reason = reader.Text("reason", "Reason", Reason, 500);
        double? Pin(string label, FrozenDictionary<string, Unit> units, double min, double max) =>
            Pinned?.Value is null ? null : reader.Optional("pinned", label, Pinned, units, min, max);
        double? Number(string label, string unit, double min, double max)
        {
            if (Pinned is not null && Pinned.Unit is not null && Pinned.Unit != unit)
                reader.Add("pinned", "unit", $"{label}: expected the unit {unit}, got “{Pinned.Unit}”.");
            return reader.Optional("pinned", label, Pinned?.Value, unit, min, max);
        }
        var pinned = Quantity switch
        {
            LearnedQuantity.Set => Pin("Cluster set", Units.Share, 0.02, 0.98),
            LearnedQuantity.PackOut => Pin("Pack-out", Units.Share, 0.05, 1),
            LearnedQuantity.TrunkGrowth => Pin("Growth a year", Units.Length, 0, 0.1) * CmPerM,
            LearnedQuantity.ShootLength => Pin("Growth for a tenth of the wood", Units.Length, 0, 0.6) * CmPerM,
            LearnedQuantity.Uprights => Number("Uprights for a tenth of the wood", "shoot/tree", 0, 50),
            LearnedQuantity.FruitMass => Pin("Change of fruit mass", Units.Mass, -0.06, 0) * GPerKg,
            LearnedQuantity.ReturnBloom => Number("Change of return bloom", "bud/fruit", -8, 0),
            LearnedQuantity.Hours => Number("Times the hours expected", "1", 0.25, WorkLog.Believed),
            _ => null,
        };
        reader.ThrowIfAny();
        return new(Quantity!.Value, pinned, reason);
    }

    private const double CmPerM = 100,
        GPerKg = 1_000;
}

/// <summary>A learned number that a person set aside.</summary>
/// <param name="Quantity">Which number.</param>
/// <param name="Pinned">What it is pinned to, in the unit it is learned in; null for the shipped number.</param>
/// <param name="Reason">Why.</param>
public sealed record LearnedChoice(LearnedQuantity Quantity, double? Pinned, string Reason);
