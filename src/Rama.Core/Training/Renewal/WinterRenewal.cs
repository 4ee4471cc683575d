using Rama.Core.Explain;

namespace Rama.Core.Training.Renewal;

/// <summary>What of the wood was renewed in the winter before a harvest.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Limbs">Limbs a tree.</param>
/// <param name="Scaffold">Number of the scaffold that went, counted clockwise from north; null for none.</param>
public sealed record WinterRenewal(int Season, double? Limbs, int? Scaffold);

/// <summary>What of the wood was renewed in a winter, as typed.</summary>
public sealed record WinterRenewalEntry
{
    /// <summary>Limbs a tree.</summary>
    public double? Limbs { get; init; }

    /// <summary>Number of the scaffold that went.</summary>
    public double? Scaffold { get; init; }

    /// <summary>Whether nothing is told.</summary>
    public bool IsEmpty => this is { Limbs: null, Scaffold: null };

    /// <summary>Reads it.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="yearPlanted">Calendar year of planting.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public WinterRenewal Read(int season, int yearPlanted)
    {
        var reader = new EntryReader();
        if (season <= yearPlanted)
            reader.Add("season", "range", $"Season: the trees were planted in {yearPlanted}.");
        var limbs = reader.Optional("limbs", "Limbs renewed", Limbs, "limb/tree", 0, 60);
        var scaffold = reader.OptionalWhole("scaffold", "Scaffold", Scaffold, "", 1, 12);
        reader.ThrowIfAny();
        return new(season, limbs, (int?)scaffold);
    }
}
