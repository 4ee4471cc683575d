using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.Crew;

/// <summary>The crew plan in force in a season: the order of the work, from which its days follow.</summary>
public sealed class CrewPlanRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Calendar year of the harvest.</summary>
    public int Season { get; init; }

    /// <summary>When it was made.</summary>
    public DateTimeOffset MadeAt { get; private set; }

    /// <summary>The work in its order, as JSON.</summary>
    [NotInHistory]
    public string Order { get; private set; } = "";

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("crewPlan", null, Season);

    /// <summary>Takes a plan over.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="at">Now.</param>
    public void TakeOver(StoredCrewPlan plan, DateTimeOffset at) => (MadeAt, Order) = (at, StoredJson.WritePart(plan)!);

    /// <summary>The plan.</summary>
    public StoredCrewPlan ToPlan() => StoredJson.ReadPart<StoredCrewPlan>(Order) ?? new(default, "", []);
}

/// <summary>A crew plan as kept.</summary>
/// <param name="Start">First day it was made for.</param>
/// <param name="Stamp">What the work was when it was made.</param>
/// <param name="Tasks">The work in the order it begins.</param>
public sealed record StoredCrewPlan(DateOnly Start, string Stamp, IReadOnlyList<StoredTurn> Tasks);

/// <summary>One piece of work of it.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Part">The pass, with its part where two crews share it.</param>
/// <param name="Crew">Who does it.</param>
/// <param name="Overtime">Whether overtime is worked on it.</param>
/// <param name="Spans">When, in half-days from the start of the plan: from one, up to and without the next.</param>
public sealed record StoredTurn(
    Guid Planting,
    string Part,
    Guid Crew,
    bool Overtime,
    IReadOnlyList<IReadOnlyList<int>> Spans
);
