using System.Globalization;

namespace Rama.Core.Explain;

/// <summary>A text in the languages Rama prints in.</summary>
/// <param name="En">English.</param>
/// <param name="Es">Spanish.</param>
public sealed record LocalText(string En, string Es)
{
    /// <summary>Codes of the languages Rama prints in.</summary>
    public static IReadOnlyList<string> Languages { get; } = ["en", "es"];

    /// <summary>A number the way a language writes it.</summary>
    internal static string Number(double value, string format, string language)
    {
        var text = value.ToString(format, CultureInfo.InvariantCulture);
        return language == "es" ? text.Replace('.', ',') : text;
    }

    /// <summary>The text in a language of <see cref="Languages"/>; English for any other.</summary>
    public string In(string language) => language == "es" ? Es : En;
}
