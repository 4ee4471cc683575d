using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Data.History;

namespace Rama.Data.People;

/// <summary>What a person may do in one estate. A person may belong to several.</summary>
public sealed class MembershipRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Who belongs to it.</summary>
    public Guid PersonId { get; init; }

    /// <summary>What they may do there.</summary>
    public Role Role { get; set; }

    /// <summary>Who of the crew they are, so that they see how their practice goes; null where nobody said.</summary>
    public Guid? WorkerId { get; set; }

    /// <summary>The same, where it was read with it.</summary>
    public WorkerRecord? Worker { get; init; }

    /// <summary>The person, where they were read with it.</summary>
    public PersonRecord? Person { get; init; }

    /// <summary>The estate, where it was read with it.</summary>
    public EstateRecord? Estate { get; init; }

    HistoryPlace IHistoried.Place => new("member", Detail: PersonId.ToString());
}

/// <summary>What a person may do in an estate; docs/roles.md says which endpoint is open to whom.</summary>
public enum Role
{
    /// <summary>Sees everything, changes nothing.</summary>
    Reader,

    /// <summary>Enters counts and what was seen in the rows.</summary>
    Counter,

    /// <summary>As a counter, and sets tolerance and cap for the crew's cuts.</summary>
    CrewLead,

    /// <summary>Everything, people and import included.</summary>
    Manager,
}
