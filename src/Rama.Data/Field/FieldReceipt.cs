using Rama.Core.Explain;

namespace Rama.Data.Field;

/// <summary>What became of an entry sent.</summary>
public enum FieldOutcome
{
    /// <summary>Taken over.</summary>
    Taken,

    /// <summary>Kept beside what somebody else told, until somebody chooses.</summary>
    Conflict,

    /// <summary>Sent before; nothing was done again.</summary>
    Known,

    /// <summary>It cannot be used; the device keeps it.</summary>
    Refused,

    /// <summary>Made for another estate than the one at hand; it waits on the device until that one is.</summary>
    Elsewhere,
}

/// <summary>What became of an entry sent.</summary>
/// <param name="Id">The entry.</param>
/// <param name="Outcome">What became of it.</param>
/// <param name="Problems">Why it cannot be used.</param>
public sealed record FieldReceipt(Guid Id, FieldOutcome Outcome, IReadOnlyList<FieldProblem> Problems);
