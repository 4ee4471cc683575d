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
                // A late pass must leave more: the card says so on the day it is written.
                var late = year.Find(id)?.Late(year.Today)?.Share ?? 0;
                List<PruningCard> written = [];
                foreach (var language in languages)
                    if (
                        stored.GetValueOrDefault(id) is { } planting
                        && await CardAsync(planting, new(language, entry.Units, marks, null, late), handOut, cancel)
                            is { } card
                    )
                        written.Add(card);
                await tell(new(++done, plantings.Count, id, written));
            }
        }
    }

    private async Task<PruningCard?> CardAsync(
        StoredPlanting planting,
        CardReader reader,
        bool handOut,
        CancellationToken cancel
    ) =>
        handOut ? (await cards.IssueAsync(planting, planting.Plan.Version, reader, cancel))?.Card
        : planting.ToPrune() is { } toPrune ? PruningCard.Of(toPrune, reader)
        : null;
}
