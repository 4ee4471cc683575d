using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Systems;

namespace Rama.Core.Training.Renewal;

/// <summary>Limbs by age and what was renewed, as typed.</summary>
public sealed record RenewalLedgerEntry
{
    private const int MostTrees = 500,
        MostLimbs = 400,
        MostWinters = 60,
        OldestLeaf = 150;

    /// <summary>Training system, such as <c>tall-spindle</c>.</summary>
    public string? System { get; init; }

    /// <summary>Leaf of the planting; no limb is older.</summary>
    public double? Leaf { get; init; }

    /// <summary>Calendar year of the harvest the winter at hand is before.</summary>
    public double? Season { get; init; }

    /// <summary>Trees counted limb by limb.</summary>
    public IReadOnlyList<AgedTreeEntry> Trees { get; init; } = [];

    /// <summary>What was renewed in past winters.</summary>
    public IReadOnlyList<PastWinterEntry> Winters { get; init; } = [];

    /// <summary>Limbs a tree that last winter's card left as the first of this one.</summary>
    public double? LeftFirst { get; init; }

    /// <summary>Works it out.</summary>
    /// <param name="systems">Systems there are.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public RenewalLedger Calculate(IReadOnlyList<TrainingSystem> systems)
    {
        var reader = new EntryReader();
        var system = systems.FirstOrDefault(s => s.Id == System);
        if (system is null)
            reader.Add("system", "unknown", "System: please choose one of the catalogue.");
        var leaf = reader.RequiredWhole("leaf", "Leaf", Leaf, "", 1, OldestLeaf);
        var season = reader.RequiredWhole("season", "Season", Season, "", 1900, 2200);
        var left = reader.Optional("leftFirst", "First of this winter", LeftFirst, "limb/tree", 0, 60);
        void AtMost(string field, string what, int count, int most)
        {
            if (count > most)
                reader.Add(field, "range", $"{what}: expected at most {most}.");
        }
        AtMost("trees", "Trees", Trees.Count, MostTrees);
        AtMost("winters", "Winters", Winters.Count, MostWinters);
        List<AgedTree> trees = [];
        foreach (var (i, tree) in Trees.Take(MostTrees).Index())
        {
            AtMost($"trees[{i}].limbs", "Limbs", tree.Limbs.Count, MostLimbs);
            trees.Add(
                new([.. tree.Limbs.Take(MostLimbs).Select((l, k) => l.Read(reader, $"trees[{i}].limbs[{k}]", leaf))])
            );
        }
        List<WinterRenewal> winters = [];
        foreach (var (i, winter) in Winters.Take(MostWinters).Index())
        {
            var of = reader.RequiredWhole($"winters[{i}].season", "Season", winter.Season, "", 1900, 2200);
            // Trees are in their first leaf in the year they are planted.
            var planted = (int)(season - leaf + 1);
            if (reader.Under($"winters[{i}]", () => winter.Renewal.Read((int)of, planted)) is not { } read)
                continue;
            if (winters.Any(w => w.Season == read.Season))
                reader.Add($"winters[{i}].season", "duplicate", $"Season: {read.Season} is told twice.");
            winters.Add(read);
        }
        reader.ThrowIfAny();
        return RenewalLedger.Of(new(system!, (int)leaf, (int)season, trees, [.. winters.OrderBy(w => w.Season)], left));
    }
}

/// <summary>Limbs of a tree, as typed.</summary>
public sealed record AgedTreeEntry
{
    /// <summary>Its limbs.</summary>
    public IReadOnlyList<AgedLimbEntry> Limbs { get; init; } = [];
}

/// <summary>A limb, as typed.</summary>
public sealed record AgedLimbEntry
{
    /// <summary>Its age in years, 1 for last summer's.</summary>
    public double? Age { get; init; }

    /// <summary>Diameter a finger's width from the trunk.</summary>
    public Amount? Diameter { get; init; }

    /// <summary>Buds on it.</summary>
    public double? Buds { get; init; }

    internal AgedLimb Read(EntryReader reader, string path, double leaf)
    {
        var age = reader.OptionalWhole($"{path}.age", "Age", Age, "year", 1, double.IsNaN(leaf) ? 150 : leaf);
        var metres = reader.Optional($"{path}.diameter", "Diameter", Diameter, Units.Length, 0.002, 0.5);
        var buds = reader.Optional($"{path}.buds", "Buds", Buds, "bud", 0, 5_000);
        return new((int?)age, Math.PI * metres * metres * 1e4 / 4, buds);
    }
}

/// <summary>What was renewed in a past winter, as typed.</summary>
public sealed record PastWinterEntry
{
    /// <summary>Calendar year of the harvest it was before.</summary>
    public double? Season { get; init; }

    /// <summary>What was renewed.</summary>
    public WinterRenewalEntry Renewal { get; init; } = new();
}
