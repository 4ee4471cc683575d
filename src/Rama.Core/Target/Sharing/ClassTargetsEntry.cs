using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Sharing;

/// <summary>A mean target to share among trunk classes, as typed.</summary>
public sealed record ClassTargetsEntry
{
    /// <summary>Fruit per tree in the mean.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Buds to leave per fruit; left out, only fruit are shared.</summary>
    public double? BudFactor { get; init; }

    /// <summary>Exponent of sharing; 1 when left out.</summary>
    public double? Exponent { get; init; }

    /// <summary>Classes by share and trunk, or none where girths are given.</summary>
    public IReadOnlyList<TrunkClassEntry> Classes { get; init; } = [];

    /// <summary>Girths in cm, one a tree, to be split into classes here.</summary>
    public IReadOnlyList<double> GirthsCm { get; init; } = [];

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public ClassTargets Calculate()
    {
        const double Whole = 0.005;
        var reader = new EntryReader();
        var fruit = reader.Required("fruitPerTree", "Fruit per tree", FruitPerTree, "fruit/tree", 0.1, 5_000);
        var factor = reader.Optional("budFactor", "Bud factor", BudFactor, "bud/fruit", 0.1, 6);
        var exponent = SharingEntry.ReadExponent(reader, Exponent);
        var classes = Classes.Select((c, i) => c.Read(reader, $"classes[{i}]", exponent)).ToList();
        if (Classes.Count > 0 == GirthsCm.Count > 0)
            reader.Add("classes", "conflict", "Classes: expected either classes with their shares, or girths.");
        else if (GirthsCm.Count > 0)
        {
            if (GirthsCm.Any(g => g is not (>= 2 and <= 300)))
                reader.Add("girthsCm", "outside", "Girths: expected 2 to 300 cm each.");
            else if (TrunkClass.Split(GirthsCm, exponent) is { } split)
                classes = [.. split];
            else
                reader.Add("girthsCm", "list", $"Girths: expected at least {TrunkClass.FewestTrunks}.");
        }
        else if (reader.Problems.Count == 0 && Math.Abs(classes.Sum(c => c.Share) - 1) > Whole)
            reader.Add(
                "classes",
                "sum",
                $"Classes: their shares add up to {classes.Sum(c => c.Share) * 100:0.#} %, expected 100 %."
            );
        reader.ThrowIfAny();
        return ClassTargets.Of(fruit, factor, classes, exponent);
    }
}

/// <summary>One trunk class, as typed.</summary>
public sealed record TrunkClassEntry
{
    /// <summary>Name.</summary>
    public string? Name { get; init; }

    /// <summary>Share of the trees.</summary>
    public Amount? Share { get; init; }

    /// <summary>Mean trunk cross-section, cm².</summary>
    public double? TcsaCm2 { get; init; }

    internal TrunkClass Read(EntryReader reader, string path, double exponent)
    {
        var tcsa = reader.Required($"{path}.tcsaCm2", "Trunk cross-section", TcsaCm2, "cm²", 0.1, 5_000);
        return new(
            reader.Text($"{path}.name", "Name", Name, 40),
            null,
            null,
            reader.Required($"{path}.share", "Share", Share, Units.Share, 0, 1),
            tcsa,
            Math.Pow(tcsa, exponent),
            null
        );
    }
}
