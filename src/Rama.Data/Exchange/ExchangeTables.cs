using Rama.Data.Exchange.Tables;

namespace Rama.Data.Exchange;

/// <summary>All tables, in the order in which one needs the other.</summary>
public static class ExchangeTables
{
    /// <summary>The tables: plantings first, since all others name them.</summary>
    public static IReadOnlyList<ExchangeTable> All { get; } =
    [
        new PlantingTable(),
        new RowTable(),
        new FruitTable(),
        new SeasonTable(),
        new LearningTable(),
        new HarvestTable(),
        new PlanTable(),
        new CountTable(),
        new TrunkTable(),
        new GroundTable(),
        new WeatherTable(),
        new SiteTable(),
        new PassTable(),
        new YoungTable(),
        new SideTable(),
        new RenewalTable(),
        new ReworkTable(),
        new RemovalTable(),
    ];

    /// <summary>The table of that name, or null.</summary>
    public static ExchangeTable? Find(string? name) => All.FirstOrDefault(t => t.Name == name);
}
