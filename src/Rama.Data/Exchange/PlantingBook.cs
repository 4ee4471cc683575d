using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Data.Exchange;

/// <summary>The plantings of the estate by code, as lines name them.</summary>
internal sealed class PlantingBook
{
    private readonly Dictionary<string, PlantingRecord> _plantings;
    private readonly Dictionary<(Guid, int), SeasonPlanRecord> _plans;

    private PlantingBook(IEnumerable<PlantingRecord> plantings, IEnumerable<SeasonPlanRecord> plans)
    {
        _plantings = plantings.ToDictionary(p => p.Code, StringComparer.OrdinalIgnoreCase);
        _plans = plans.ToDictionary(p => (p.PlantingId, p.Season));
    }

    /// <summary>Column that names the planting of a line.</summary>
    public static ExchangeColumn Column { get; } =
        ExchangeColumn.Text(
            "code",
            required: true,
            "Planting",
            "Planting code",
            "Code",
            "Block",
            "Block code",
            "Plantación",
            "Código",
            "Parcela",
            "Cuartel",
            "Bloque"
        );

    /// <summary>Column that names the season of a line.</summary>
    public static ExchangeColumn SeasonColumn(bool required) =>
        ExchangeColumn.Number(
            "season",
            required,
            "Season",
            "Year",
            "Harvest year",
            "Crop year",
            "Temporada",
            "Campaña",
            "Año"
        );

    public static async Task<PlantingBook> LoadAsync(
        RamaContext database,
        CancellationToken cancel,
        bool withPlans = false
    )
    {
        var plantings = await database.ReadPlantingsAsync(cancel);
        var plans = withPlans ? await database.ReadPlansAsync(cancel) : [];
        return new(plantings, plans);
    }

    /// <summary>All plantings.</summary>
    public IReadOnlyCollection<PlantingRecord> All => _plantings.Values;

    /// <summary>The planting of a code, or null.</summary>
    public PlantingRecord? Find(string code) => _plantings.GetValueOrDefault(code);

    /// <summary>The planting a line names; null, with the problem told, where there is none.</summary>
    public PlantingRecord? Of(LineReader line)
    {
        var code = line.Text(Column.Field);
        if (code is null)
        {
            line.Problems.Add(Column.Field, "missing", "Planting: please fill this in.");
            return null;
        }
        if (_plantings.TryGetValue(code, out var planting))
            return planting;
        line.Problems.Add(
            Column.Field,
            "unknown",
            $"Planting: there is no planting “{code}” in the estate. Import the plantings first, or mend the code."
        );
        return null;
    }

    /// <summary>
    /// The season a line names, the one at hand where it names none; null, with the problem told, where it cannot be.
    /// </summary>
    public static int? SeasonOf(LineReader line, EstateRecord estate)
    {
        var season = line.Problems.OptionalWhole(
            "season",
            "Season",
            line.Number("season"),
            "",
            Core.Result.SeasonResultEntry.FirstSeason,
            estate.Season
        );
        return season is null ? estate.Season
            : double.IsNaN(season.Value) ? null
            : (int)season;
    }

    /// <summary>The plan of a planting for a season, made where there is none yet.</summary>
    public SeasonPlanRecord Plan(RamaContext database, PlantingRecord planting, int season)
    {
        if (_plans.TryGetValue((planting.Id, season), out var plan))
            return plan;
        plan = new()
        {
            EstateId = planting.EstateId,
            PlantingId = planting.Id,
            Season = season,
        };
        _plans.Add((planting.Id, season), plan);
        database.Add(plan);
        return plan;
    }
}
