using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.People;

/// <summary>
/// An estate's offer to belong to it. Whoever holds its link may take it up once; nobody is put into an estate unasked.
/// </summary>
public sealed class InvitationRecord : IEstateOwned, IHistoried
{
    /// <summary>How long one may be taken up.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromDays(7);

    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The invitation.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>SHA-256 of the link's secret: who reads the database cannot take it up.</summary>
    [NotInHistory]
    public byte[] Secret { get; init; } = [];

    /// <summary>Whom it is meant for, as the manager calls them.</summary>
    public string Name { get; init; } = "";

    /// <summary>What they may do then.</summary>
    public Role Role { get; init; }

    /// <summary>Who invites.</summary>
    public string InvitedBy { get; init; } = "";

    /// <summary>Until when it may be taken up.</summary>
    public DateTimeOffset ExpiresAt { get; init; }

    HistoryPlace IHistoried.Place => new("invitation", Detail: Name);
}
