using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Crew;

/// <summary>Somebody who works in the rows; an account is not needed.</summary>
/// <param name="Name">Name or number the crew knows them by, at most 60 characters.</param>
/// <param name="Language">Language of their card, a code of <see cref="LocalText.Languages"/>.</param>
/// <param name="Left">Whether they have left; what they did stays, and they are no longer offered.</param>
/// <param name="Crew">Crew they are in; null for none.</param>
/// <param name="Skills">What they may do; none where nobody said, which is what their crew may.</param>
public sealed record Worker(string Name, string Language, bool Left, Guid? Crew, IReadOnlyList<Hands> Skills)
{
    /// <summary>Tells names apart: one person writes theirs now one way, now another.</summary>
    public static StringComparer Names { get; } = StringComparer.OrdinalIgnoreCase;

    /// <inheritdoc />
    public bool Equals(Worker? other) =>
        other is not null
        && (Name, Language, Left, Crew) == (other.Name, other.Language, other.Left, other.Crew)
        && Skills.SequenceEqual(other.Skills);

    /// <inheritdoc />
    public override int GetHashCode() => HashCode.Combine(Name, Language, Left, Crew, Skills.Count);
}
