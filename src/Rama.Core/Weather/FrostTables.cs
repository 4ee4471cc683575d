using System.Text.Json.Serialization;
using Rama.Core.Explain;

namespace Rama.Core.Weather;

/// <summary>
/// Cold that kills buds and heat that brings them on, by crop and stage; ships as <c>Weather/frost-tables.json</c>.
/// </summary>
/// <param name="Source">Where the temperatures come from.</param>
/// <param name="Tables">Stages by crop.</param>
/// <param name="Dormant">Cold that buds at rest are looked at after, by crop.</param>
/// <param name="Heat">Degree-days by crop and stage, where they are known.</param>
public sealed record FrostTables(
    string Source,
    IReadOnlyList<FrostTable> Tables,
    IReadOnlyList<DormantCold> Dormant,
    IReadOnlyList<StageHeat> Heat
)
{
    /// <summary>The tables that ship with Rama.</summary>
    public static FrostTables Shipped { get; } = DataFile.Read<FrostFile>("Weather/frost-tables.json").Read();

    /// <summary>Stages of a crop in the order of spring; none for a crop without a table.</summary>
    public IReadOnlyList<BudStage> Of(string crop) => Tables.FirstOrDefault(t => t.Crop == crop)?.Stages ?? [];

    /// <summary>The stage of that identifier, or null.</summary>
    public BudStage? Stage(string crop, string? id) => Of(crop).FirstOrDefault(s => s.Id == id);

    private sealed record FrostFile(
        [property: JsonPropertyName("$schema")] string Schema,
        string Source,
        IReadOnlyList<FrostTable> Tables,
        IReadOnlyList<DormantCold> Dormant,
        IReadOnlyList<StageHeat> Heat
    )
    {
        public FrostTables Read()
        {
            foreach (var stage in Tables.SelectMany(t => t.Stages))
                if (stage.NinetyPercentF >= stage.TenPercentF)
                    throw new InvalidDataException(
                        $"Frost tables, {stage.Id}: 90 % must die at a lower temperature than 10 %."
                    );
            return new(Source, Tables, Dormant, Heat);
        }
    }
}

/// <summary>The stages of one crop.</summary>
/// <param name="Crop">Crop.</param>
/// <param name="Stages">In the order of spring.</param>
public sealed record FrostTable(string Crop, IReadOnlyList<BudStage> Stages);

/// <summary>A stage of the buds in spring.</summary>
/// <param name="Id">Identifier, such as <c>tight-cluster</c>.</param>
/// <param name="Name">Name.</param>
/// <param name="TenPercentF">°F at which 10 % of the flowers die in 30 minutes.</param>
/// <param name="NinetyPercentF">°F at which 90 % die.</param>
/// <param name="ClustersOpen">Whether flowers of a cluster die one by one, so that a cluster may live on.</param>
public sealed record BudStage(string Id, LocalText Name, double TenPercentF, double NinetyPercentF, bool ClustersOpen);

/// <summary>Cold that the buds of a crop are looked at after while they rest.</summary>
/// <param name="Crop">Crop.</param>
/// <param name="LowestC">°C, and below.</param>
/// <param name="Source">Where the number comes from.</param>
public sealed record DormantCold(string Crop, double LowestC, string Source);

/// <summary>Heat at which a stage is reached.</summary>
/// <param name="Crop">Crop.</param>
/// <param name="Stage">Stage.</param>
/// <param name="DegreeDaysC">°C-days above 6.1 °C from midwinter.</param>
/// <param name="Source">Where the number comes from.</param>
public sealed record StageHeat(string Crop, string Stage, double DegreeDaysC, string Source);
