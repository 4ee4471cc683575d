using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Quantities;
using Rama.Data.Estate;
using Rama.Data.Season;

namespace Rama.Data;

/// <summary>A planting with its plan of a season.</summary>
/// <param name="Planting">The planting with its block, site, rows and past results.</param>
/// <param name="Plan">The plan; its version is 0 while nothing is saved for the season.</param>
/// <param name="Season">The season at hand; a plan of another can be read and not saved.</param>
/// <param name="Catalogue">The estate's catalogue.</param>
public sealed record StoredPlanting(PlantingRecord Planting, SeasonPlanRecord Plan, int Season, Catalogue Catalogue)
{
    /// <summary>All that was entered for the planting and season.</summary>
    public PlanEntry ToEntry() => Plan.ToPlan(Planting);

    /// <summary>What follows from it.</summary>
    public PruningPlan Work() => PruningPlan.Of(ToEntry(), Catalogue);

    /// <summary>The cards for the row; empty before there is a prescription.</summary>
    /// <param name="marks">The crew's own measures.</param>
    /// <param name="readers">Language, a code of <see cref="LocalText.Languages"/>, and units of each.</param>
    public IReadOnlyDictionary<CardReader, PruningCard> ToCards(BodyMarks marks, params IEnumerable<CardReader> readers)
    {
        var reading = PlanReading.Of(ToEntry(), Catalogue);
        var plan = PruningPlan.Of(reading);
        return readers.Distinct()
            .Select(r => (Reader: r, Card: PruningCard.Of(reading, plan, r.Language, marks, r.Units)))
            .Where(c => c.Card is not null).ToDictionary(c => c.Reader, c => c.Card!);
    }
}

/// <summary>Who a card is written for.</summary>
/// <param name="Language">Their language.</param>
/// <param name="Units">The units they measure in.</param>
public readonly record struct CardReader(string Language, UnitSystem Units);
