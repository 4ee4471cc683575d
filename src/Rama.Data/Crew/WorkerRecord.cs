using Rama.Core.Crew;
using Rama.Core.Passes;
using Rama.Data.History;

namespace Rama.Data.Crew;

/// <summary>Somebody who works in the rows of an estate.</summary>
public sealed class WorkerRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by whoever added them.</summary>
    public Guid Id { get; init; }

    /// <summary>Name or number the crew knows them by; one of its kind in an estate, whatever its capitals.</summary>
    public string Name { get; private set; } = "";

    /// <summary>Language of their card.</summary>
    public string Language { get; private set; } = "";

    /// <summary>Whether they have left.</summary>
    public bool HasLeft { get; private set; }

    /// <summary>Crew they are in; null for none.</summary>
    public Guid? CrewId { get; private set; }

    /// <summary>What they may do.</summary>
    public List<Hands> Skills { get; private set; } = [];

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    /// <inheritdoc />
    public HistoryPlace Place => new("worker", Detail: Name);

    /// <summary>Takes what was typed.</summary>
    public void TakeOver(Worker worker) =>
        (Name, Language, HasLeft, CrewId, Skills) = (
            worker.Name,
            worker.Language,
            worker.Left,
            worker.Crew,
            [.. worker.Skills]
        );

    /// <summary>The person as the core knows them.</summary>
    public Worker ToWorker() => new(Name, Language, HasLeft, CrewId, Skills);
}
