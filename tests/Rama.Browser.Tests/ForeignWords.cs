using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Rama.Browser.Tests;

/// <summary>What a page says in a language or units its reader does not read in.</summary>
internal static partial class ForeignWords
{
    /// <summary>What the front end says in English and otherwise in Spanish.</summary>
    private static readonly HashSet<string> English = Phrases();

    private static readonly HashSet<string> Names = [.. Files().SelectMany(f => f).Select(w => Plain(w.Key))];

    /// <summary>Names of words that stand where the words should.</summary>
    /// <param name="page">The page, settled.</param>
    public static IEnumerable<string> Bare(Page page) =>
        Texts(page)
            .SelectMany(t => WordName().Matches(t).Select(m => m.Value))
            .Where(Names.Contains)
            .Select(n => $"no words for: {n}")
            .Distinct();

    /// <summary>Finds them; none where the reader takes what is written anyway.</summary>
    /// <param name="page">The page, settled.</param>
    /// <param name="language">Language of the reader.</param>
    /// <param name="units">Units of the reader.</param>
    public static IEnumerable<string> In(Page page, string? language, string? units)
    {
        if (language != "es" && units != "us")
            return [];
        var texts = Texts(page);
        return (language == "es" ? texts.Where(IsEnglish).Select(t => $"English: {t}") : [])
            .Concat(units == "us" ? texts.Where(IsMetric).Select(t => $"metric: {t}") : [])
            .Distinct();
    }

    // What stands in a choice is offered and not said; what somebody typed stands as it was typed; a target is said in
    // every unit people speak of it.
    private static List<string> Texts(Page page) =>
        [
            .. page.Script<IReadOnlyCollection<object>>(
                    """
                    const passedOver = 'select, option, script, style, code, [data-typed], [data-both]';
                    const isInline = (e) => getComputedStyle(e).display.startsWith('inline');
                    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
                    const blocks = new Map();
                    while (walk.nextNode()) {
                      let block = walk.currentNode.parentElement;
                      if (!block || block.closest(passedOver) || !block.checkVisibility()) continue;
                      while (block.parentElement && isInline(block)) block = block.parentElement;
                      blocks.set(block, (blocks.get(block) ?? '') + walk.currentNode.data);
                    }
                    const named = [...document.querySelectorAll('[aria-label], [placeholder], [title]')]
                      .filter(e => e.checkVisibility() && !e.closest('[data-typed]'))
                      .flatMap(e => ['aria-label', 'placeholder', 'title'].map(a => e.getAttribute(a)));
                    return [...blocks.values(), ...named].map(t => t?.replace(/\s+/g, ' ').trim()).filter(Boolean);
                    """
                )
                .Cast<string>(),
        ];

    // A language goes by its own name, and a measure that is said in both units is said in the reader's.
    private static bool IsEnglish(string text) =>
        text != "English" && English.Contains(text) || FunctionWords().IsMatch(text);

    private static bool IsMetric(string text) => MetricAmount().IsMatch(text) || MetricWord().IsMatch(text);

    // Small words that no name of the demo has and no Spanish sentence.
    [GeneratedRegex(@"\b(the|and|with|without|from|which|are|was|were|they|this|that|these|than|not)\b")]
    private static partial Regex FunctionWords();

    [GeneratedRegex(
        @"(?<![\w.])\d[\d.,]*\s?(mm|cm|cm²|m|m²|km|ha|g|kg|t|t/ha|kg/tree|°C|L|ml)(?![\w²/]|[^(),.;]{0,12} \()"
    )]
    private static partial Regex MetricAmount();

    [GeneratedRegex(@"\b(hectare|hectárea|tonne|tonelada)s?\b")]
    private static partial Regex MetricWord();

    [GeneratedRegex(@"\b[a-z][a-z-]*[.:][\w.:-]*\w")]
    private static partial Regex WordName();

    // Forms of one word, as "st leaf" and "th leaf", have its name with an end of theirs.
    private static string Plain(string name) => Form().Replace(name, "");

    [GeneratedRegex("(_ordinal)?_(one|two|few|other)$|@.*$")]
    private static partial Regex Form();

    private static IEnumerable<JsonObject> Files() =>
        Directory
            .GetFiles(RamaServer.RepositoryFile("web/src/words"), "en*.json")
            .Select(f => JsonNode.Parse(File.ReadAllText(f))!.AsObject());

    private static HashSet<string> Phrases()
    {
        var spanish = JsonNode.Parse(File.ReadAllText(RamaServer.RepositoryFile("web/src/words/es.json")))!.AsObject();
        return
        [
            .. Files()
                .SelectMany(f => f)
                .Where(w => spanish[w.Key] is { } other && (string)other! != (string)w.Value!)
                .Select(w => (string)w.Value!)
                .Where(w => w.Length > 4 && !w.Contains("{{", StringComparison.Ordinal)),
        ];
    }
}
