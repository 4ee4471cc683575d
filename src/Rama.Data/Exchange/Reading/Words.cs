using System.Globalization;
using System.Text;

namespace Rama.Data.Exchange.Reading;

/// <summary>Headings as people write them, taken apart and compared.</summary>
internal static class Words
{
    /// <summary>How well a heading names a field, out of <see cref="Exact"/>.</summary>
    public const int Exact = 100,
        Abbreviated = 80,
        Within = 60;

    private static readonly HashSet<string> Small =
    [
        "de",
        "del",
        "la",
        "el",
        "los",
        "the",
        "of",
        "per",
        "en",
        "y",
        "a",
    ];

    private static readonly HashSet<string> Numbers = ["no", "nr", "num", "number", "numero", "n", "nos"];

    /// <summary>Letters and digits only, without accents and case: "Año de plantación" → "anodeplantacion".</summary>
    public static string Plain(string text) => string.Concat(Bare(text).Where(char.IsLetterOrDigit)).ToLowerInvariant();

    /// <summary>
    /// The words of a heading, plain, without small ones; every way to say "number of" is <c>#</c>.
    /// </summary>
    public static IReadOnlyList<string> Of(string heading)
    {
        List<string> words = [];
        StringBuilder word = new();
        void End()
        {
            if (word.Length > 0)
                words.Add(word.ToString());
            word.Clear();
        }
        foreach (var c in Bare(heading).ToLowerInvariant().Replace("º", "o").Replace("°", "o"))
            if (char.IsLetterOrDigit(c))
                word.Append(c);
            else
            {
                End();
                if (c == '#')
                    words.Add("#");
            }
        End();
        return [.. words.Select(w => Numbers.Contains(w) ? "#" : w).Where(w => !Small.Contains(w))];
    }

    /// <summary>How well the words of a heading fit a name; 0 where they do not.</summary>
    /// <param name="heading">Words of the heading.</param>
    /// <param name="name">Words of the name.</param>
    public static int Fit(IReadOnlyList<string> heading, IReadOnlyList<string> name)
    {
        if (heading.Count == 0 || name.Count == 0)
            return 0;
        if (string.Concat(heading) == string.Concat(name))
            return Exact;
        var (bare, named) = (Counted(heading), Counted(name));
        if (bare.Count == 0 || named.Count == 0)
            return 0;
        if (string.Concat(bare) == string.Concat(named))
            return Exact - 5;
        // One word alone says little when it is short.
        if (bare.Count == named.Count && (bare.Count > 1 || bare[0].Length >= 3) && bare.Zip(named).All(Abbreviates))
            return Abbreviated;
        if (named.Count < bare.Count && (named.Count > 1 || named[0].Length > 3) && Contains(bare, named))
            return Within;
        return 0;
    }

    private static string Bare(string text) =>
        string.Concat(
            text.Normalize(NormalizationForm.FormD)
                .Where(c => CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark)
        );

    private static IReadOnlyList<string> Counted(IReadOnlyList<string> words) => [.. words.Where(w => w != "#")];

    private static bool Contains(IReadOnlyList<string> words, IReadOnlyList<string> sought)
    {
        var at = 0;
        foreach (var word in words)
            if (at < sought.Count && word == sought[at])
                at++;
        return at == sought.Count;
    }

    // "dist" and "pltd" stand for "distance" and "planted": the first letter, then others in their order.
    private static bool Abbreviates((string Short, string Long) pair)
    {
        var (abbreviation, word) = pair;
        if (abbreviation == word)
            return true;
        if (abbreviation.Length < 2 || abbreviation.Length >= word.Length || abbreviation[0] != word[0])
            return false;
        var at = 0;
        foreach (var c in word)
            if (at < abbreviation.Length && c == abbreviation[at])
                at++;
        return at == abbreviation.Length;
    }
}
