using Rama.Core.Training;
using Rama.Data.History;

namespace Rama.Data.Training;

/// <summary>How the sides of a planting take turns, as entered.</summary>
public sealed class SidePlanRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <inheritdoc cref="SidePlanEntry.Start" />
    public int Start { get; private set; }

    /// <inheritdoc cref="SidePlanEntry.EveryYears" />
    public int EveryYears { get; private set; }

    /// <inheritdoc cref="SidePlanEntry.ChangeFrom" />
    public int? ChangeFrom { get; private set; }

    /// <inheritdoc cref="SidePlanEntry.ChangeTo" />
    public int? ChangeTo { get; private set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("sidePlan", PlantingId, null);

    /// <summary>Takes over what the core has read without a problem.</summary>
    public void TakeOver(SidePlan plan) =>
        (Start, EveryYears, ChangeFrom, ChangeTo) = (
            plan.Start,
            plan.EveryYears,
            plan.Change?.From,
            plan.Change?.EveryYears
        );

    /// <summary>The plan as the core knows it.</summary>
    public SidePlan ToPlan() =>
        new(Start, EveryYears, ChangeFrom is { } from && ChangeTo is { } to ? (from, to) : null);

    /// <summary>The plan as it was typed.</summary>
    public SidePlanEntry ToEntry() =>
        new()
        {
            Start = Start,
            EveryYears = EveryYears,
            ChangeFrom = ChangeFrom,
            ChangeTo = ChangeTo,
        };
}
