using System.Globalization;
using System.Text.Json;
using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Prescribe;

/// <summary>The words of the card in one language; numbers are written the way that language writes them.</summary>
/// <param name="Language">A code of <see cref="LocalText.Languages"/>.</param>
/// <param name="Crop">Crop of the card: what is counted on it takes the place of the floral buds the words speak
/// of.</param>
internal sealed record CardWords(string Language, Crop Crop)
{
    private static readonly LocalText FloralBuds = Catalogue.Shipped.Crop("apple").Counted;

    private static readonly IReadOnlyDictionary<string, LocalText> Words = DataFile.Read<Dictionary<string, LocalText>>(
        "Prescribe/card-words.json"
    );

    /// <summary>
    /// The sentence of a code with its numbers filled in; crops of a habit may have a sentence of their own.
    /// </summary>
    public string Say(string code, params object[] numbers)
    {
        var sentence = Words.GetValueOrDefault(
            $"{code}@{JsonNamingPolicy.CamelCase.ConvertName(Crop.Habit.ToString())}"
        ) ?? Words[code];
        return string.Format(CultureInfo.InvariantCulture, OfCrop(sentence.In(Language)), [.. numbers.Select(Written)]);
    }

    /// <summary>The word of a code; the text itself where there is none.</summary>
    public string Named(string code, string text) => Words.TryGetValue(code, out var word) ? word.In(Language) : text;

    /// <summary>The text in this language.</summary>
    public string Say(LocalText text) => text.In(Language);

    // Plural first: the singular is what both languages of the card leave of it without an s.
    private string OfCrop(string text)
    {
        var (buds, counted) = (FloralBuds.In(Language), Crop.Counted.In(Language));
        return text.Replace(buds, counted, StringComparison.Ordinal)
            .Replace(Capital(buds), Capital(counted), StringComparison.Ordinal)
            .Replace("floral bud", Crop.Counted.En.TrimEnd('s'), StringComparison.Ordinal);
    }

    /// <summary>A text with a capital first letter.</summary>
    public static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    private object Written(object number) => number is double value ? Number(value) : number;

    /// <summary>A place in an order, such as 13th, of a word that is feminine in Spanish.</summary>
    public string Ordinal(int place) => Language == "es" ? $"{place}.ª" : $"{place}{English(place)}";

    private static string English(int place) =>
        (place % 100, place % 10) switch
        {
            (>= 11 and <= 13, _) => "th",
            (_, 1) => "st",
            (_, 2) => "nd",
            (_, 3) => "rd",
            _ => "th",
        };

    /// <summary>Below ten with one decimal where there is one to tell, whole above.</summary>
    public string Number(double value) => LocalText.Number(value, value < 9.95 ? "0.#" : "0", Language);
}
