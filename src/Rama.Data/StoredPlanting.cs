using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Issue;
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

    /// <summary>The card for the row; null before there is a prescription.</summary>
    /// <param name="marks">The crew's own measures.</param>
    /// <param name="reader">Who it is written for.</param>
    public PruningCard? ToCard(BodyMarks marks, CardReader reader) => ToIssue(marks, reader)?.Card;

    /// <summary>The card for the row and what it asks for as data; null before there is a prescription.</summary>
    /// <param name="marks">The crew's own measures.</param>
    /// <param name="reader">Who it is written for.</param>
    public (IssuedPrescription Asks, PruningCard Card)? ToIssue(BodyMarks marks, CardReader reader)
    {
        var reading = PlanReading.Of(ToEntry(), Catalogue);
        var plan = PruningPlan.Of(reading);
        return
            IssuedPrescription.Of(plan) is { } asks
            && PruningCard.Of(reading, plan, reader.Language, marks, reader.Units) is { } card
            ? (asks, card)
            : null;
    }
}

/// <summary>Who a card is written for.</summary>
/// <param name="Language">Their language, a code of <see cref="LocalText.Languages"/>.</param>
/// <param name="Units">The units they measure in.</param>
public readonly record struct CardReader(string Language, UnitSystem Units);
