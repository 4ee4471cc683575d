using Rama.Core.Count.Sample;
using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Systems;
using Rama.Core.Target.Capacity;
using Rama.Core.Training;

namespace Rama.Core.Plan;

/// <summary>Systems to be held against each other, as typed.</summary>
public sealed record SystemChoiceEntry
{
    private const int Most = 4;

    // Late stocks bear a leaf later (assumption).
    private const int LateBy = 1;

    // Assumption.
    internal const double UsualDiscountPercent = 5;

    /// <summary>The systems; the first is the one the others are held against.</summary>
    public IReadOnlyList<ChosenSystem> Systems { get; init; } = [];

    /// <summary>Variety, for tasks that hang on it; any when left out.</summary>
    public string? Variety { get; init; }

    /// <summary>Rootstock, which tells when trees begin to bear; a usual one when left out.</summary>
    public string? Rootstock { get; init; }

    /// <summary>Wage an hour; the usual one when left out.</summary>
    public double? Wage { get; init; }

    /// <summary>What a kilogram brings, after picking and packing; no margin is told without it.</summary>
    public double? PricePerKg { get; init; }

    /// <summary>Discount a year, %; 5 when left out.</summary>
    public double? DiscountPercent { get; init; }

    /// <summary>Compares them.</summary>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SystemChoice Calculate(Catalogue? catalogue = null)
    {
        catalogue ??= Catalogue.Shipped;
        var reader = new EntryReader();
        var wage = reader.Optional("wage", "Wage", Wage, "/h", 0.01, 1_000) ?? SampleSettings.UsualWagePerHour;
        var price = reader.Optional("pricePerKg", "Price", PricePerKg, "/kg", -10, 100);
        var rate = reader.Optional("discountPercent", "Discount", DiscountPercent, "%", 0, 50) ?? UsualDiscountPercent;
        if (Systems.Count is 0 or > Most)
            reader.Add("systems", "list", $"Systems: expected 1 to {Most}.");
        var variety = Variety is null ? null : catalogue.Variety(Variety);
        if (Variety is not null && variety is null)
            reader.Add("variety", "unknown", "Variety: not in the catalogue.");
        var stock = Rootstock is null ? null : catalogue.Rootstock(Rootstock);
        if (Rootstock is not null && stock is null)
            reader.Add("rootstock", "unknown", "Rootstock: not in the catalogue.");
        List<SystemTerms?> read =
        [
            .. Systems
                .Take(Most)
                .Select((s, i) => reader.Under($"systems[{i}]", () => s.Read(catalogue, variety, stock))),
        ];
        if (Systems.Select(s => s.System).Distinct().Count() < Systems.Count)
            reader.Add("systems", "duplicate", "Systems: each is named once.");
        reader.ThrowIfAny();
        return SystemChoice.Of(
            [.. read.OfType<SystemTerms>()],
            new(stock?.Precocity == Precocity.Late ? LateBy : 0, wage, price, rate / 100)
        );
    }
}

/// <summary>A system to be held against others, as typed.</summary>
public sealed record ChosenSystem
{
    /// <summary>The system.</summary>
    public string? System { get; init; }

    /// <summary>Between rows; as is usual for the system when left out.</summary>
    public Amount? RowSpacing { get; init; }

    /// <summary>Between trees; as is usual for the system when left out.</summary>
    public Amount? TreeSpacing { get; init; }

    /// <summary>Crop of a grown planting; that of the system when left out.</summary>
    public Amount? GrownYield { get; init; }

    /// <summary>What a tree costs; nothing when left out.</summary>
    public double? TreePrice { get; init; }

    /// <summary>Posts and wires a hectare; nothing when left out.</summary>
    public double? SupportPerHa { get; init; }

    internal SystemTerms Read(Catalogue catalogue, Variety? variety, Rootstock? stock)
    {
        var reader = new EntryReader();
        var system = catalogue.System(System);
        if (system is null)
            reader.Add("system", "unknown", "System: not in the catalogue.");
        else if (system.Training is null)
            reader.Add("system", "unknown", "System: it has no training programme to compare by.");
        else if (variety is not null && !system.Crops.Contains(variety.Crop))
            reader.Add("system", "conflict", "System: it is not for this crop.");
        var row = reader.Optional("rowSpacing", "Row spacing", RowSpacing, Units.Length, 1, 15);
        var tree = reader.Optional("treeSpacing", "Tree spacing", TreeSpacing, Units.Length, 0.2, 15);
        var crops = reader.Optional("grownYield", "Grown crop", GrownYield, Units.Crop, 100, 200_000);
        var price = reader.Optional("treePrice", "Price of a tree", TreePrice, "", 0, 1_000) ?? 0;
        var support = reader.Optional("supportPerHa", "Posts and wires", SupportPerHa, "/ha", 0, 1_000_000) ?? 0;
        reader.ThrowIfAny();
        var usual = system!.Form.UsualGround;
        PlantingForm ground = new(row ?? usual.RowM, tree ?? usual.TreeM, 1);
        SystemTerms terms = new(
            system,
            ground.RowSpacingM,
            ground.TreeSpacingM,
            TrainingTerms.FinalHeightOf(system, PruningPlan.HeightLimitM(system, ground, Canopy.Usual)),
            crops / 1_000 ?? system.Training!.GrownYieldTHa,
            TrainingTask.TraitsOf(variety?.Crop ?? system.Crops[0], variety, stock),
            support
        );
        return terms with { Capital = support + price * terms.TreesPerHa };
    }
}
