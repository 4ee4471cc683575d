using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Crew;

/// <summary>Somebody who works in the rows, as typed.</summary>
public sealed record WorkerEntry
{
    private const int LongestName = 60;

    /// <summary>Name or number the crew knows them by, at most 60 characters.</summary>
    public string? Name { get; init; }

    /// <summary>Language of their card: <c>en</c> or <c>es</c>.</summary>
    public string? Language { get; init; }

    /// <summary>Whether they have left.</summary>
    public bool Left { get; init; }

    /// <summary>Crew they are in; null for none.</summary>
    public Guid? Crew { get; init; }

    /// <summary>What they may do; what their crew may when none is told.</summary>
    public IReadOnlyList<Hands> Skills { get; init; } = [];

    /// <summary>Reads it.</summary>
    /// <exception cref="UnusableEntryException">The name is missing or too long, or no card is printed in the
    /// language.</exception>
    public Worker Read()
    {
        EntryReader reader = new();
        var name = reader.Text("name", "Name or number", Name, LongestName);
        var language = Language ?? "";
        if (!LocalText.Languages.Contains(language))
            reader.Add(
                "language",
                "unknown",
                $"Language of the card: expected one of {string.Join(", ", LocalText.Languages)}."
            );
        reader.ThrowIfAny();
        return new(name, language, Left, Crew, [.. Skills.Distinct().Order()]);
    }
}
