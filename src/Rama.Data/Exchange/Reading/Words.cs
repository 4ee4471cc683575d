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
    public static Phrase Of(string heading)
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
        return new([.. words.Select(w => Numbers.Contains(w) ? "#" : w).Where(w => !Small.Contains(w))]);
    }

    /// <summary>How well the words of a heading fit a name; 0 where they do not.</summary>
    /// <param name="heading">Words of the heading.</param>
    /// <param name="name">Words of the name.</param>
    public static int Fit(Phrase heading, Phrase name)
    {
        if (heading.Joined.Length == 0 || name.Joined.Length == 0)
            return 0;
        if (heading.Joined == name.Joined)
            return Exact;
        var (bare, named) = (heading.Counted, name.Counted);
        if (bare.Length == 0 || named.Length == 0)
            return 0;
        if (heading.CountedJoined == name.CountedJoined)
            return Exact - 5;
        // One word alone says little when it is short.
        if (bare.Length == named.Length && (bare.Length > 1 || bare[0].Length >= 3) && Abbreviates(bare, named))
            return Abbreviated;
        if (named.Length < bare.Length && (named.Length > 1 || named[0].Length > 3) && Contains(bare, named))
            return Within;
        return 0;
    }

    private static string Bare(string text) =>
        string.Concat(
            text.Normalize(NormalizationForm.FormD)
                .Where(c => CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark)
        );

    private static bool Contains(string[] words, string[] sought)
    {
        var at = 0;
        foreach (var word in words)
            if (at < sought.Length && word == sought[at])
                at++;
        return at == sought.Length;
    }

    private static bool Abbreviates(string[] words, string[] named)
    {
        for (var i = 0; i < words.Length; i++)
            if (!Abbreviates(words[i], named[i]))
                return false;
        return true;
    }

    // "dist" and "pltd" stand for "distance" and "planted": the first letter, then others in their order.
    private static bool Abbreviates(string abbreviation, string word)
    {
        if (abbreviation[0] != word[0])
            return false;
        if (abbreviation == word)
            return true;
        if (abbreviation.Length < 2 || abbreviation.Length >= word.Length)
            return false;
        var at = 0;
        foreach (var c in word)
            if (at < abbreviation.Length && c == abbreviation[at])
                at++;
        return at == abbreviation.Length;
    }
}

/// <summary>The words of a heading or name, as they are compared.</summary>
internal sealed class Phrase(string[] words)
{
    /// <summary>All words.</summary>
    public IReadOnlyList<string> Words { get; } = words;

    /// <summary>All words as one.</summary>
    public string Joined { get; } = string.Concat(words);

    /// <summary>The words without "number of".</summary>
    public string[] Counted { get; } = [.. words.Where(w => w != "#")];

    /// <summary>The words without "number of", as one.</summary>
    public string CountedJoined { get; } = string.Concat(words.Where(w => w != "#"));
}
