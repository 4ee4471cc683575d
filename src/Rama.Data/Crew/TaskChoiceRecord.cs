using Rama.Core.Crew.Schedule;
using Rama.Data.History;

namespace Rama.Data.Crew;

/// <summary>What a manager says of one pass of a planting in the crew plan of a season.</summary>
public sealed class TaskChoiceRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Calendar year of the harvest.</summary>
    public int Season { get; init; }

    /// <summary>The pass.</summary>
    public string Pass { get; init; } = "";

    /// <inheritdoc cref="TaskChoice.Crew"/>
    public Guid? CrewId { get; private set; }

    /// <inheritdoc cref="TaskChoice.Start"/>
    public DateOnly? Start { get; private set; }

    /// <inheritdoc cref="TaskChoice.LatePerDay"/>
    public double? LatePerDay { get; private set; }

    /// <inheritdoc cref="TaskChoice.NeverLate"/>
    public bool NeverLate { get; private set; }

    /// <inheritdoc cref="TaskChoice.Platforms"/>
    public int Platforms { get; private set; }

    /// <inheritdoc cref="TaskChoice.InTwo"/>
    public bool InTwo { get; private set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("crewTask", PlantingId, Season, Pass);

    /// <summary>Takes over what the core has read.</summary>
    public void TakeOver(TaskChoice choice) =>
        (CrewId, Start, LatePerDay, NeverLate, Platforms, InTwo) = (
            choice.Crew,
            choice.Start,
            choice.LatePerDay,
            choice.NeverLate,
            choice.Platforms,
            choice.InTwo
        );

    /// <summary>The choice as the core knows it.</summary>
    public TaskChoice ToChoice() => new(CrewId, Start, LatePerDay, NeverLate, Platforms, InTwo);

    /// <summary>The choice as typed.</summary>
    public TaskChoiceEntry ToEntry() =>
        new()
        {
            Crew = CrewId,
            Start = Start,
            LatePerDay = LatePerDay,
            NeverLate = NeverLate,
            Platforms = Platforms == 0 ? null : Platforms,
            InTwo = InTwo,
        };
}
