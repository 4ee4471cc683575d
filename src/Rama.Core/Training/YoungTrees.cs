using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Training;

/// <summary>What was measured on young trees of a planting at the end of a season, in the mean.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="HeightM">Height of the leader, metres.</param>
/// <param name="GirthCm">Trunk girth, cm.</param>
/// <param name="Limbs">Limbs per tree.</param>
/// <param name="GrowthM">Length of the leader grown in that season, metres.</param>
/// <param name="InternodeCm">Distance of the buds on it, cm.</param>
/// <param name="Trees">Trees measured.</param>
public sealed record YoungTrees(
    int Season,
    double? HeightM,
    double? GirthCm,
    double? Limbs,
    double? GrowthM,
    double? InternodeCm,
    int? Trees
)
{
    /// <summary>
    /// Mean growth of the leader over the last two seasons, metres a year: measured, else from its heights; null where
    /// neither tells.
    /// </summary>
    /// <param name="seasons">What was measured.</param>
    public static double? ExtensionM(IReadOnlyList<YoungTrees> seasons)
    {
        var last = seasons.OrderByDescending(s => s.Season).Take(2).ToList();
        var grown = last.Select(s => s.GrowthM ?? FromHeights(s, seasons)).OfType<double>().ToList();
        return grown.Count == 0 ? null : grown.Average();
    }

    private static double? FromHeights(YoungTrees of, IReadOnlyList<YoungTrees> seasons) =>
        of.HeightM - seasons.FirstOrDefault(s => s.Season == of.Season - 1)?.HeightM is { } grown and > 0
            ? grown
            : null;
}

/// <summary>Young trees measured at the end of a season, as typed.</summary>
public sealed record YoungTreesEntry
{
    /// <summary>Height of the leader.</summary>
    public Amount? Height { get; init; }

    /// <summary>Trunk girth.</summary>
    public Amount? Girth { get; init; }

    /// <summary>Limbs per tree.</summary>
    public double? Limbs { get; init; }

    /// <summary>Length the leader has grown this season.</summary>
    public Amount? Growth { get; init; }

    /// <summary>Distance of the buds on it.</summary>
    public Amount? Internode { get; init; }

    /// <summary>Trees measured.</summary>
    public double? Trees { get; init; }

    /// <summary>Whether nothing is told.</summary>
    public bool IsEmpty => this is { Height: null, Girth: null, Limbs: null, Growth: null, Internode: null };

    /// <summary>Reads it.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="yearPlanted">Calendar year the planting was planted.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public YoungTrees Read(int season, int yearPlanted)
    {
        var reader = new EntryReader();
        if (season < yearPlanted)
            reader.Add("season", "range", $"Season: the trees were planted in {yearPlanted}.");
        var height = reader.Optional("height", "Height", Height, Units.Length, 0.2, 12);
        var girth = reader.Optional("girth", "Girth", Girth, Units.Length, 0.01, 1.5);
        var limbs = reader.Optional("limbs", "Limbs", Limbs, "", 0, 400);
        var growth = reader.Optional("growth", "Leader growth", Growth, Units.Length, 0, 4);
        var internode = reader.Optional("internode", "Internode", Internode, Units.Length, 0.005, 0.1);
        var trees = reader.OptionalWhole("trees", "Trees measured", Trees, "", 1, 1_000);
        if (growth > height)
            reader.Add("growth", "conflict", "Leader growth: expected not more than the height.");
        reader.ThrowIfAny();
        return new(season, height, girth * 100, limbs, growth, internode * 100, (int?)trees);
    }
}
