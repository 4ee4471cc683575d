using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
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

    /// <summary>The cards for the row, by language; empty before there is a prescription.</summary>
    /// <param name="marks">The crew's own measures.</param>
    /// <param name="languages">Codes of <see cref="Core.Systems.LocalText.Languages"/>.</param>
    public IReadOnlyDictionary<string, PruningCard> ToCards(BodyMarks marks, params IEnumerable<string> languages)
    {
        var reading = PlanReading.Of(ToEntry(), Catalogue);
        var plan = PruningPlan.Of(reading);
        return languages.Distinct().Select(l => (Language: l, Card: PruningCard.Of(reading, plan, l, marks))).Where(c => c.Card is not null).ToDictionary(c => c.Language, c => c.Card!);
    }
}
