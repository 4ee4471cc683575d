using Rama.Core.Quantities;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Data.Exchange;

/// <summary>What an estate holds, ready to be written; read once for all tables.</summary>
internal sealed class ExportSource(RamaContext database, EstateRecord estate)
{
    private List<PlantingRecord>? _plantings;
    private List<SeasonPlanRecord>? _plans;

    public RamaContext Database { get; } = database;

    public EstateRecord Estate { get; } = estate;

    /// <summary>Plantings with all they hold, by code.</summary>
    public async Task<IReadOnlyList<PlantingRecord>> PlantingsAsync(CancellationToken cancel) =>
        _plantings ??= [.. (await Database.ReadPlantingsAsync(cancel)).OrderBy(p => p.Code, StringComparer.Ordinal)];

    /// <summary>Plans of all seasons with the planting they are for, by code and season.</summary>
    public async Task<IEnumerable<(PlantingRecord Planting, SeasonPlanRecord Plan)>> PlansAsync(
        CancellationToken cancel
    )
    {
        _plans ??= await Database.ReadPlansAsync(cancel);
        var byPlanting = _plans.ToLookup(p => p.PlantingId);
        return (await PlantingsAsync(cancel)).SelectMany(
            p => byPlanting[p.Id].OrderBy(plan => plan.Season),
            (planting, plan) => (planting, plan)
        );
    }

    /// <summary>An amount as two cells; without a number its unit says nothing.</summary>
    public static IEnumerable<object?> Cells(Amount? amount) =>
        amount?.Value is { } value ? [value, amount.Unit] : [null, null];

    /// <summary>A line of cells, amounts spread over two.</summary>
    public static IReadOnlyList<object?> Line(params object?[] cells) =>
        [.. cells.SelectMany(c => c is Amount amount ? Cells(amount) : [c])];
}
