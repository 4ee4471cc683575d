using System.Text.RegularExpressions;

namespace Rama.Data.Exchange.Reading;

/// <summary>Units as people write them, in English and Spanish.</summary>
internal static partial class UnitWords
{
    private static readonly Dictionary<string, string> Simple = Table(
        ("ft", "ft feet foot pie pies"),
        ("m", "m mt mts mtr metre metres meter meters metro metros"),
        ("cm", "cm cms centimetre centimetres centimeter centimeters centimetro centimetros"),
        ("mm", "mm millimetre millimetres millimeter millimeters milimetro milimetros"),
        ("in", "in inch inches pulgada pulgadas pulg"),
        ("ha", "ha has hectare hectares hectarea hectareas hect"),
        ("ac", "ac acre acres acs"),
        ("kg", "kg kgs kilo kilos"),
        ("g", "g gr gram grams gramo gramos"),
        ("lb", "lb lbs pound pounds libra libras"),
        ("oz", "oz ounce ounces onza onzas"),
        ("t", "t tn tm tonne tonnes tonelada toneladas"),
        ("ton", "ton tons"),
        ("%", "% pct percent percentage porcentaje"),
        ("°C", "c celsius"),
        ("°F", "f fahrenheit"),
        ("bin", "bin bins"),
        ("box", "box boxes caja cajas carton cartons"),
        ("bushel", "bushel bushels bu"),
        ("fruit", "fruit fruits fruto frutos"),
        ("tree", "tree trees arbol arboles planta plantas"),
        ("bud", "bud buds yema yemas")
    );

    // Counted things and single letters end a heading as often as they are its unit: "between trees", "block C".
    private static readonly HashSet<string> Things = ["bin", "box", "bushel", "fruit", "tree", "bud", "°C", "°F"];

    // Written within a heading these mean a unit; the others do so only in brackets or where the heading ends.
    private static readonly HashSet<string> Anywhere =
    [
        "ft",
        "feet",
        "cm",
        "mm",
        "acres",
        "acre",
        "hectares",
        "hectareas",
        "ha",
        "inches",
        "lbs",
        "kg",
        "%",
        "pies",
    ];

    /// <summary>The code of a unit written alone, such as <c>bins/acre</c>; null where it is none.</summary>
    /// <param name="written">What is written.</param>
    public static string? Find(string written)
    {
        var text = Plain(written);
        if (text.Length is 0 or > 30)
            return null;
        if (text is "°c" or "ºc")
            return "°C";
        if (text is "°f" or "ºf")
            return "°F";
        if (text is "'" or "´")
            return "ft";
        if (text is "m/s" or "km/h" or "mph")
            return text;
        if (text is "kmh" or "kph")
            return "km/h";
        var parts = Per().Split(text).Select(p => p.Trim()).ToList();
        if (parts.Any(p => !Simple.ContainsKey(p)))
            return null;
        return parts switch
        {
            [var one] => Simple[one],
            // A ton an acre is a short ton; a ton a hectare is nowhere one.
            [var what, var of] => (Simple[what] == "ton" && Simple[of] == "ha" ? "t" : Simple[what]) + "/" + Simple[of],
            _ => null,
        };
    }

    /// <summary>The unit a heading names, wherever in it; null for none.</summary>
    /// <param name="heading">The heading.</param>
    public static string? In(string heading)
    {
        foreach (Match bracket in InBrackets().Matches(heading))
            if (Find(bracket.Groups[1].Value) is { } unit)
                return unit;
        var bare = InBrackets().Replace(heading, " ");
        var words = bare.Split([' ', '_', ',', ';', ':', '.'], StringSplitOptions.RemoveEmptyEntries);
        for (var i = words.Length - 1; i >= 0; i--)
        {
            if (words[i].Contains('/', StringComparison.Ordinal) && Find(words[i]) is { } rate)
                return rate;
            if (
                i > 0
                && i < words.Length - 1
                && words[i] is "per" or "por"
                && Find($"{words[i - 1]}/{words[i + 1]}") is { } per
            )
                return per;
        }
        for (var i = words.Length - 1; i >= 0; i--)
            if (Told(words, i) is { } unit)
                return unit;
        return null;
    }

    private static string? Told(string[] words, int at)
    {
        var word = words[at].Trim('.', ',');
        return
            Find(word) is { } unit
            && (Anywhere.Contains(Plain(word)) || at == words.Length - 1 && !Things.Contains(unit))
            ? unit
            : null;
    }

    /// <summary>A heading without the unit it names.</summary>
    /// <param name="heading">The heading.</param>
    public static string Without(string heading)
    {
        var bare = InBrackets().Replace(heading, " ").Trim();
        var words = bare.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var left = words.Where((_, i) => Told(words, i) is null).ToList();
        return left.Count == 0 ? bare : string.Join(' ', left);
    }

    private static string Plain(string text) =>
        string.Concat(
                text.Trim()
                    .Normalize(System.Text.NormalizationForm.FormD)
                    .Where(c =>
                        System.Globalization.CharUnicodeInfo.GetUnicodeCategory(c)
                        != System.Globalization.UnicodeCategory.NonSpacingMark
                    )
            )
            .ToLowerInvariant()
            .TrimEnd('.');

    private static Dictionary<string, string> Table(params (string Code, string Words)[] units) =>
        units.SelectMany(u => u.Words.Split(' '), (u, word) => (word, u.Code)).ToDictionary(u => u.word, u => u.Code);

    [GeneratedRegex(@"[\(\[]([^\)\]]*)[\)\]]")]
    private static partial Regex InBrackets();

    [GeneratedRegex(@"\s*/\s*|\s+(?:per|por)\s+")]
    private static partial Regex Per();
}
