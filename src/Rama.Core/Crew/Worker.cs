using Rama.Core.Explain;

namespace Rama.Core.Crew;

/// <summary>Somebody who works in the rows; an account is not needed.</summary>
/// <param name="Name">Name or number the crew knows them by, at most 60 characters.</param>
/// <param name="Language">Language of their card, a code of <see cref="LocalText.Languages"/>.</param>
/// <param name="Left">Whether they have left; what they did stays, and they are no longer offered.</param>
public sealed record Worker(string Name, string Language, bool Left)
{
    /// <summary>Tells names apart: one person writes theirs now one way, now another.</summary>
    public static StringComparer Names { get; } = StringComparer.OrdinalIgnoreCase;
}
