using Microsoft.EntityFrameworkCore;
using Rama.Core.Plan;
using Rama.Core.Result.Learning;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Result;

/// <summary>What the seasons of the estate in scope taught, planting by planting, and which of it holds.</summary>
public sealed class LearningStore(RamaContext database, CatalogueStore catalogues)
{
    /// <summary>How well each number was foretold, over all plantings.</summary>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<BackTest>> TestsAsync(CancellationToken cancel) =>
        (await catalogues.ReadAsync(cancel)).Learned.Tests;

    /// <summary>Plantings that learned anything, or whose numbers a person set aside, by code.</summary>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<TaughtPlanting>> PlantingsAsync(CancellationToken cancel)
    {
        var known = await catalogues.ReadAsync(cancel);
        var plantings = await database.Plantings.AsNoTracking().ToListAsync(cancel);
        return
        [
            .. from planting in plantings
            let values = known.Learned.Plantings.GetValueOrDefault(planting.Id) ?? []
            let choices = planting.ToLearning()
            where values.Count > 0 || choices.Choices.Count > 0
            let variety = known.Catalogue.Variety(planting.Variety)
            where variety is not null
            orderby planting.Code.ToUpperInvariant()
            select new TaughtPlanting(
                planting.Id,
                planting.Code,
                planting.Name,
                planting.Variety,
                LearnedLine.AllOf(values, variety, new(choices.Read(), known.Catalogue.KeptTo))
            ),
        ];
    }
}

/// <summary>A planting and what its seasons taught.</summary>
/// <param name="Id">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="Lines">Number by number.</param>
public sealed record TaughtPlanting(
    Guid Id,
    string Code,
    string Name,
    string Variety,
    IReadOnlyList<LearnedLine> Lines
);
