using Rama.Core.Explain;

namespace Rama.Core.Target.Insurance;

/// <summary>Fruit wanted and how much to insure them, as typed.</summary>
public sealed record BudFactorEntry
{
    /// <summary>Fruit wanted per tree.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Floral buds left per fruit wanted, set by hand; needed for the fixed school only.</summary>
    public double? BudFactor { get; init; }

    /// <summary>Limbs a tree keeps, where known.</summary>
    public double? LimbsPerTree { get; init; }

    /// <summary>
    /// Fruit one bud or shoot carries when all of it sets; 1 when left out, as in pome fruit thinned to singles.
    /// </summary>
    public double? FruitPlaces { get; init; }

    /// <summary>
    /// School and what it needs. Here nothing is known of the planting: pruning is taken to hit its number unless told.
    /// </summary>
    public InsuranceEntry? Insurance { get; init; }

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public BudFactorAnswer Calculate()
    {
        var reader = new EntryReader();
        var insurance = Insurance ?? new();
        var fruit = reader.Required("fruitPerTree", "Fruit per tree", FruitPerTree, "fruit/tree", 0.1, 5_000);
        var places = reader.Optional("fruitPlaces", "Fruit one carries", FruitPlaces, "fruit", 0.1, 20) ?? 1;
        var factor = ReadFactor(reader, BudFactor, insurance.School ?? School.Fixed, places);
        var limbs = ReadLimbs(reader, LimbsPerTree);
        var terms = reader.Under("insurance", () =>
            insurance.Read(factor, InsuranceKnown.Nothing with { Places = places })
        );
        reader.ThrowIfAny();
        var schools = Enum.GetValues<School>()
            .Select(s => SchoolAnswer.Of(s, fruit, terms!))
            .OfType<SchoolAnswer>()
            .ToList();
        var buds = BudTarget.Of(schools.Single(s => s.School == terms!.School), fruit, limbs);
        return new(buds, schools);
    }

    /// <summary>
    /// A factor set by hand, at least one bud a fruit, or one for as many fruit as it carries. The fixed school needs
    /// one.
    /// </summary>
    internal static double? ReadFactor(EntryReader reader, double? factor, School school, double places) =>
        school == School.Fixed
            ? reader.Required("budFactor", "Bud factor", factor, "bud/fruit", Least(places), 6)
            : reader.Optional("budFactor", "Bud factor", factor, "bud/fruit", Least(places), 6);

    // Places that cannot be used are no number, and told already.
    private static double Least(double places) => places > 1 ? Math.Round(1 / places, 2) : 1;

    internal static double? ReadLimbs(EntryReader reader, double? limbs) =>
        reader.Optional("limbsPerTree", "Limbs kept", limbs, "limb/tree", 1, 200);
}

/// <summary>Buds to leave by the school chosen, and what each school says.</summary>
/// <param name="Buds">Buds to leave.</param>
/// <param name="Schools">The schools that have what they need, side by side.</param>
public sealed record BudFactorAnswer(BudTarget Buds, IReadOnlyList<SchoolAnswer> Schools)
    : Calculated(Buds.BudsPerTree, "bud/tree", Buds.Steps, Buds.Warnings)
{
    /// <summary>Floral buds to leave per limb kept, where limbs are known.</summary>
    public double? BudsPerLimb => Buds.BudsPerLimb;

    /// <summary>Fruit per limb kept, where limbs are known.</summary>
    public double? FruitPerLimb => Buds.FruitPerLimb;
}
