using Rama.Core.Prescribe.Practice;
using Rama.Data.Estate;
using Rama.Data.History;

namespace Rama.Data.Prescribe;

/// <summary>An exercise a lead set.</summary>
public sealed class ExerciseRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by the device.</summary>
    public Guid Id { get; init; }

    /// <summary>Planting its trees stand in.</summary>
    [NotInHistory]
    public Guid PlantingId { get; init; }

    /// <summary>The same, where it was read with it.</summary>
    public PlantingRecord? Planting { get; init; }

    /// <summary>Season it is set in.</summary>
    [NotInHistory]
    public int Season { get; init; }

    /// <summary>Trunk class of its trees.</summary>
    public required string Class { get; init; }

    /// <summary>Which of the class, the easiest first.</summary>
    public required List<int> Numbers { get; init; }

    /// <summary>What to look at.</summary>
    public string? Note { get; init; }

    /// <summary>When it was set.</summary>
    [NotInHistory]
    public DateTimeOffset At { get; init; }

    /// <summary>Who set it.</summary>
    [NotInHistory]
    public string? Person { get; init; }

    HistoryPlace IHistoried.Place => new("exercise", PlantingId, Season, Class);

    /// <summary>The exercise as the core knows it.</summary>
    public PracticeExercise ToExercise() => new(PlantingId, Season, Class, Numbers, Note);
}
