using Rama.Core.Prescribe;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Prescribe;
using Rama.Data.Season;
using Rama.Web.Passes;

namespace Rama.Web.Prescribe;

/// <summary>Writes the cards of many plantings, one planting after the other.</summary>
internal sealed class PrintRun(
    EstateStore estates,
    CatalogueStore catalogues,
    SeasonStore seasons,
    PrescribeStore cards,
    PlantingYears years
)
{
    // So many are read at once: enough that queries do not count, few enough to hold.
    private const int Stride = 25;

    /// <summary>Writes them, and hands each out where that is asked for.</summary>
    /// <param name="entry">Which, and for whom.</param>
    /// <param name="handOut">Whether each is handed out, with its version.</param>
    /// <param name="tell">Is told each planting.</param>
    /// <param name="cancel">Stops it; what is handed out by then stays so.</param>
    public async Task RunAsync(PrintRunEntry entry, bool handOut, Func<PrintStep, Task> tell, CancellationToken cancel)
    {
        var plantings = entry.Plantings.Distinct().ToList();
        var languages = entry.Languages.Distinct().ToList();
        var estate = await estates.ReadAsync(cancel);
        var marks = estate.ToBodyMarks().Read();
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        var year = await years.ReadAsync(cancel);
        var done = 0;
        foreach (var ids in plantings.Chunk(Stride))
        {
            var read = await seasons.ReadAsync(estate.Season, estate.Season, catalogue, ids, cancel);
            var stored = read.ToDictionary(s => s.Planting.Id);
            foreach (var id in ids)
            {
                cancel.ThrowIfCancellationRequested();
                CardReader Reader(string language) => new(language, entry.Units, marks, null, year.KnockedOff(id));
                var written = stored.GetValueOrDefault(id) is { } planting
                    ? await CardsAsync(planting, languages.ConvertAll(Reader), handOut, cancel)
                    : [];
                await tell(new(++done, plantings.Count, id, written));
            }
        }
    }

    private async Task<IReadOnlyList<PruningCard>> CardsAsync(
        StoredPlanting planting,
        IReadOnlyList<CardReader> readers,
        bool handOut,
        CancellationToken cancel
    ) =>
        handOut ? [.. (await cards.IssueAsync(planting, planting.Plan.Version, readers, cancel)).Select(h => h.Card)]
        : planting.ToPrune() is { } toPrune ? [.. readers.Select(r => PruningCard.Of(toPrune, r))]
        : [];
}
