namespace Rama.Core.Systems.Language;

/// <summary>
/// What a step looks for: a subject and the condition it has to meet, such as <c>limbs where diameter &gt; 22 mm</c>.
/// </summary>
internal sealed record Selector(Subject Subject, Rule? Where)
{
    /// <summary>What can be looked for.</summary>
    internal static IReadOnlyList<string> Names { get; } =
    [.. Enum.GetValues<Subject>().Where(s => s != Subject.Tree).Select(s => s.ToString().ToLowerInvariant())];

    /// <summary>Reads a selector.</summary>
    /// <exception cref="RuleException">Says what is wrong and where.</exception>
    public static Selector Parse(string text, RuleNames names)
    {
        var word = text.Split(' ', 2)[0];
        if (
            !Enum.TryParse<Subject>(word, ignoreCase: true, out var subject)
            || subject == Subject.Tree
            || word.Any(char.IsAsciiDigit)
        )
            throw new RuleException(
                $"“{text}” begins with “{word}”, expected leaders, limbs, forks, shoots, wood or buds"
                    + (NearWord.Of(word, Names) is { } near ? $"; did you mean “{near}”?" : "")
            );
        var rest = text[word.Length..].Trim();
        if (rest.Length == 0)
            return new(subject, null);
        return rest.StartsWith("where ", StringComparison.Ordinal)
            ? new(subject, RuleParser.Parse(rest[6..], subject, names, Dimension.YesNo))
            : throw new RuleException($"“{text}”: expected “where” after “{word}”");
    }

    /// <summary>Whether one thing meets the condition.</summary>
    public bool Takes(in RuleScope scope) => Where is null || Where(scope) != 0;
}
