using Rama.Data.Estate;
using Rama.Data.History;

namespace Rama.Data.People;

/// <summary>What a person may do in one estate. A person may belong to several.</summary>
public sealed class MembershipRecord : IHistoried
{
    public Guid EstateId { get; init; }

    public Guid PersonId { get; init; }

    public Role Role { get; set; }

    public PersonRecord? Person { get; init; }

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
